<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Accounts\Register;
use App\Http\FirstLook;
use App\Models\Dataset;
use App\Models\User;
use Illuminate\Http\Request;

/**
 * What a place would ask for before it can ask for anything else, written into the page: each question in a row is a way there and back. With the
 * marks in force.
 */
final readonly class Started
{
    /**
     * @param array<string, mixed> $answers by what they are of; empty where nobody is signed in
     * @param list<string>         $ahead   addresses that are to be asked while the scripts are on their way
     */
    private function __construct(public array $answers = [], public ?FirstLook $look = null, public array $ahead = []) {}

    public static function of(Request $request): self
    {
        $user = $request->user();
        if (!$user instanceof User) {
            return new self();
        }
        $dataset = self::dataset($request, $user)?->load('variables');
        $answered = $dataset === null ? null : Answered::of($request, $dataset);

        return new self(
            [
                'session' => ['account' => (new AccountResource($user))->resolve(), 'can_register' => Register::isOpen()],
                ...($dataset === null ? [] : [
                    'dataset' => (new DatasetResource($dataset))->resolve($request),
                    'figures' => FigureChoices::of($user),
                ]),
                ...($answered === null ? [] : ['answered' => ['words' => (object) $answered->words, 'answer' => $answered->answer]]),
            ],
            $answered?->look,
            $answered === null ? self::ahead($request) : [],
        );
    }

    /**
     * The list of datasets, or the question of a profile; only where its words are such as the page sends them on.
     *
     * @return list<string>
     */
    private static function ahead(Request $request): array
    {
        if ($request->path() === 'datasets') {
            return ['/api/datasets'];
        }
        if (preg_match('#^datasets/([1-9][0-9]{0,17})/profile$#', $request->path(), $part) !== 1) {
            return [];
        }
        $words = [];
        foreach (Answered::words($request) as $name => $value) {
            if (!is_string($value) || preg_match('/^[A-Za-z0-9,._+-]{1,400}$/D', $value) !== 1) {
                return [];
            }
            $words[] = $name . '=' . rawurlencode($value);
        }

        return ["/api/datasets/{$part[1]}/" . ($request->query('of') === null ? 'overview' : 'profile') . ($words === [] ? '' : '?' . implode('&', $words))];
    }

    private static function dataset(Request $request, User $user): ?Dataset
    {
        $dataset = preg_match('#^datasets/([1-9][0-9]{0,17})/#', $request->path(), $part) === 1 ? Dataset::query()->find((int) $part[1]) : null;

        return $dataset instanceof Dataset && $user->can('view', $dataset) ? $dataset : null;
    }
}
