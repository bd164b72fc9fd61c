<?php

declare(strict_types=1);

namespace App\Http;

use App\Drawing\DrawnScene;
use App\Drawing\Option;
use App\Drawing\Pictures;
use App\Drawing\PictureSource;
use App\Drawing\Scene;
use App\Http\Requests\SceneRequest;
use App\Models\Dataset;
use App\Store\CompareVariables;
use App\Store\GroupedVariable;
use App\Store\PictureOfSides;
use App\Store\PictureOfVariable;
use App\Store\Tallies;
use App\Store\UnknownVariable;
use RowTally\Core\Exception\NotUnderstood;

/** Draws any kind of picture of one variable. */
final readonly class DrawScenes
{
    public function __construct(private Tallies $tallies, private GroupedVariable $grouped, private CompareVariables $compare) {}

    /**
     * @return array{options: list<array<string, mixed>>, scenes: non-empty-list<DrawnScene>} what can be chosen with what is, and one picture or one for each group
     *
     * @throws UnknownVariable
     * @throws NotUnderstood
     */
    public function of(string $kind, Dataset $dataset, SceneRequest $request): array
    {
        $picture = Pictures::of($kind) ?? throw UnknownVariable::noPicture($kind);
        $of = $this->source($dataset, $request);
        $look = $request->look();
        $options = $picture::options($of, $look);
        $look->holdTo($options);

        return [
            'options' => array_values(array_map(static fn(Option $option): array => $option->toArray($look), array_filter($options, static fn(Option $option): bool => $option->isOffered))),
            'scenes' => $picture::draw($of, $look, $request->width()),
        ];
    }

    private function source(Dataset $dataset, SceneRequest $request): PictureSource
    {
        $question = $request->question($dataset);
        $asked = $request->compareQuestion($dataset);
        if ($asked !== null) {
            return new PictureOfSides($this->compare->sides($dataset, $asked), $dataset, $question, $this->tallies);
        }
        $key = $question->of[0] ?? '';
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);

        return new PictureOfVariable($this->tallies, $this->grouped, $dataset, $variable, $question, $request->laneOrder(), $request->classReading(), $request->countColumns());
    }

    /**
     * The one of a group, to be taken out.
     *
     * @throws UnknownVariable
     * @throws NotUnderstood
     */
    public function one(string $kind, Dataset $dataset, SceneRequest $request): Scene
    {
        $scenes = $this->of($kind, $dataset, $request)['scenes'];
        $drawn = $scenes[$request->column()] ?? throw UnknownVariable::noGroup($request->column());

        return $drawn->scene ?? throw UnknownVariable::hasNothingToDraw($drawn->name);
    }
}
