<?php

declare(strict_types=1);

namespace App\Store;

use App\Drawing\DrawnScene;
use App\Drawing\Option;
use App\Drawing\Pictures;
use App\Drawing\PictureSource;
use App\Drawing\Scene;
use App\Models\Dataset;
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
    public function of(string $kind, Dataset $dataset, PictureAsked $asked): array
    {
        $picture = Pictures::of($kind) ?? throw UnknownVariable::noPicture($kind);
        $of = $this->source($dataset, $asked);
        $look = $asked->look;
        $options = $picture::options($of, $look);
        $look->holdTo($options);

        return [
            'options' => array_values(array_map(static fn(Option $option): array => $option->toArray($look), array_filter($options, static fn(Option $option): bool => $option->isOffered))),
            'scenes' => $picture::draw($of, $look, $asked->width),
        ];
    }

    private function source(Dataset $dataset, PictureAsked $asked): PictureSource
    {
        if ($asked->compare !== null) {
            return new PictureOfSides($this->compare->sides($dataset, $asked->compare), $dataset, $asked->question, $this->tallies);
        }
        $key = $asked->question->of[0] ?? '';
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);

        return new PictureOfVariable($this->tallies, $this->grouped, $dataset, $variable, $asked->question, $asked->laneOrder, $asked->reading, $asked->countColumns);
    }

    /**
     * The one of a group, to be taken out.
     *
     * @throws UnknownVariable
     * @throws NotUnderstood
     */
    public function one(string $kind, Dataset $dataset, PictureAsked $asked, int $column): Scene
    {
        $scenes = $this->of($kind, $dataset, $asked)['scenes'];
        $drawn = $scenes[$column] ?? throw UnknownVariable::noGroup($column);

        return $drawn->scene ?? throw UnknownVariable::hasNothingToDraw($drawn->name);
    }
}
