<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\FirstLook;
use App\Http\Requests\ProfileRequest;
use App\Models\Dataset;
use App\Store\ProfileVariables;
use App\Store\QuestionOfWords;
use Illuminate\Http\Request;
use Throwable;

/** The answer to the question in the address of a profile, which the page comes with: drawn by the server at once, and taken over by the scripts. */
final readonly class Answered
{
    /** Words of an address that ask the server for nothing, or for something else. */
    private const OF_THE_PAGE = ['plots', 'arrange', 'lane_order', 'limits', 'amend', 'cumulative', 'count_columns'];
    /** What takes longer to work out than the page may be late by is asked for beside the scripts. */
    private const MOST_CELLS = 2_000_000;
    private const MOST_VARIABLES = 100;

    /**
     * @param array<array-key, mixed> $words
     * @param array<array-key, mixed> $answer as the page would be answered
     */
    private function __construct(public array $words, public array $answer, public FirstLook $look) {}

    /** null = it is to be asked for */
    public static function of(Request $request, Dataset $dataset): ?self
    {
        $words = self::words($request);
        if (preg_match('#/profile$#', $request->path()) !== 1 || !self::isSmall($dataset, $words)) {
            return null;
        }
        if ($request->query->count() === 0 && $dataset->counts !== null) {
            // The page begins with the counts that were answered on the way in, and so with another question.
            return null;
        }
        try {
            $asked = ProfileRequest::createFrom(Request::create('/', 'GET', $words));
            $asked->setUserResolver($request->getUserResolver())->setContainer(app())->validateResolved();
            $question = $asked->question($dataset);
            $profile = app(ProfileVariables::class);
            $isOverview = $question->of === [];
            $answer = $isOverview ? $profile->overview($dataset, $question) : $profile->answer($dataset, $question);

            return new self($words, ($isOverview ? new OverviewResource($answer) : new ProfileResource($answer))->resolve($request), new FirstLook($dataset, $answer, $isOverview));
        } catch (Throwable) {
            // Asked for by the page, it is answered why not.
            return null;
        }
    }

    /** @return array<array-key, mixed> those that the server is asked with */
    public static function words(Request $request): array
    {
        return array_diff_key($request->query->all(), array_fill_keys(self::OF_THE_PAGE, true));
    }

    /** @param array<array-key, mixed> $words */
    private static function isSmall(Dataset $dataset, array $words): bool
    {
        $asked = is_string($words['of'] ?? null) ? count(QuestionOfWords::list($words['of'])) : $dataset->variables->count();

        return $asked <= self::MOST_VARIABLES && $dataset->rows * $asked <= self::MOST_CELLS;
    }
}
