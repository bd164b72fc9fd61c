<?php

declare(strict_types=1);

namespace App\Http;

use App\Drawing\Svg;
use App\Http\Requests\SceneRequest;
use App\Models\Dataset;
use App\Models\KeptItem;
use App\Models\User;
use App\Report\KeptFigures;
use App\Store\Question;
use App\Store\QuestionOfWords;
use App\Store\UnknownVariable;
use Illuminate\Contracts\Container\Container;
use Illuminate\Routing\Redirector;

/** Asks for what is kept once more, of the data as they are now. */
final readonly class RenewKept
{
    public function __construct(private DrawScenes $draw, private KeptFigures $figures, private Container $container) {}

    /** @throws UnknownVariable where it has come to nothing */
    public function renew(KeptItem $item, Dataset $dataset, User $user): void
    {
        $asked = $item->asked ?? throw UnknownVariable::refused('This cannot be asked for again. Open it where it came from, and keep it anew.');
        $words = array_map(static fn(mixed $word): string => is_scalar($word) ? (string) $word : '', is_array($asked['words'] ?? null) ? $asked['words'] : []);
        if (is_string($asked['picture'] ?? null)) {
            $request = $this->request($words, $user);
            $content = Svg::of($this->draw->one($asked['picture'], $dataset, $request));
            $question = $request->question($dataset);
        } else {
            $question = self::question($dataset, $words);
            $content = json_encode($this->figures->cells($dataset, $question), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        }
        $item->update(['content' => $content, 'basis' => $question->basis->words(), 'revision' => $dataset->revision]);
    }

    /** @param array<array-key, string> $words */
    private static function question(Dataset $dataset, array $words): Question
    {
        return QuestionOfWords::of($dataset, static fn(string $name): ?string => ($words[$name] ?? '') === '' ? null : $words[$name]);
    }

    /** @param array<array-key, string> $words */
    private function request(array $words, User $user): SceneRequest
    {
        $request = SceneRequest::create('/', 'GET', $words);
        $request->setContainer($this->container)->setRedirector($this->container->make(Redirector::class))->setUserResolver(static fn(): User => $user);
        $request->validateResolved();

        return $request;
    }
}
