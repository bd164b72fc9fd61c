<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Brick\Math\BigDecimal;
use Closure;
use RowTally\Core\Comparison\Pooled;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\PairedColumns;
use RowTally\Core\Profile\RowGrouping;
use RowTally\Core\Profile\RowLabels;

/** Reads from the store what is to be compared. */
final readonly class CompareVariables
{
    /** So many are compared at once. */
    private const MOST = 8;

    public function __construct(private Tallies $tallies) {}

    /** @throws UnknownVariable */
    public function sides(Dataset $dataset, CompareQuestion $asked): ComparedSides
    {
        return match ($asked->what) {
            'variables' => $this->variables($dataset, $asked),
            'pairs' => $this->pairs($dataset, $asked),
            'datasets' => $this->datasets($dataset, $asked),
            default => $this->groups($dataset, $asked),
        };
    }

    private function groups(Dataset $dataset, CompareQuestion $asked): ComparedSides
    {
        $variable = $this->number($dataset, $asked->question->of[0] ?? '');
        if ($asked->question->by === []) {
            throw UnknownVariable::comparesNoGroups();
        }
        $grouping = StoredGrouping::of($dataset, $asked->question->about([$variable->key]), $this->tallies);
        $all = $this->tallies->byGroup($variable, $grouping, $dataset->revision);
        $shown = $grouping->shownGroups($asked->question->showsNoEntry);
        $labelsShown = array_map(static fn(int $group): array => $grouping->labels[$group], $shown);
        $names = array_map(RowGrouping::name(...), $labelsShown);
        $chosen = $asked->groups === [] ? $this->firstTwo($grouping, $shown, $all) : array_map(
            static fn(string $name): int => $shown[GroupLabels::place($grouping->by, $labelsShown, $name) ?? throw UnknownVariable::noGroupNamed($name)],
            array_slice($asked->groups, 0, self::MOST),
        );
        $chosen = self::turned($chosen, $asked->isTurned);
        Facts::knowSuperiority($variable, $grouping, $all, $chosen);
        $id = $dataset->rowNames();
        $labels = $id === null ? null : new NamesOfShown($grouping, $variable->name, $id->name, $chosen);

        return new ComparedSides(
            $variable->name,
            $variable->unit,
            $variable->shown_decimals ?? $variable->decimals,
            self::atLeastTwo(array_map(static fn(int $group): array => [RowGrouping::name($grouping->labels[$group]), $all[$group]], $chosen)),
            groups: $names,
            labels: $labels === null ? null : array_map(static fn(int $side): Closure => static fn(BigDecimal $value): ?string => $labels->of($side + 1, [$value])[0], array_keys($chosen)),
            rows: static function (string $condition, int $side) use ($grouping, $chosen, $asked): ?string {
                $groups = [];
                foreach ($grouping->by as $i => $split) {
                    if ($split->type !== VariableType::Category) {
                        return null;
                    }
                    $groups[] = Condition::label($split->name, $grouping->labels[$chosen[$side]][$i]);
                }

                return Condition::all($asked->question->basis->where, $condition, ...$groups);
            },
        );
    }

    /**
     * @param list<int>          $shown
     * @param list<Observations> $all   of each group
     *
     * @return list<int>
     */
    private function firstTwo(StoredGrouping $grouping, array $shown, array $all): array
    {
        $named = array_values(array_filter($shown, static fn(int $group): bool => !in_array(null, $grouping->labels[$group], true) && $all[$group]->n() > 0));

        return array_slice(count($named) >= 2 ? $named : $shown, 0, 2);
    }

    private function variables(Dataset $dataset, CompareQuestion $asked): ComparedSides
    {
        $variables = self::turned(array_map(fn(string $key): Variable => $this->number($dataset, $key), array_slice($asked->question->of, 0, self::MOST)), $asked->isTurned);
        $grouping = StoredGrouping::of($dataset, $asked->question->ungrouped(), $this->tallies);
        $id = $dataset->rowNames();
        $units = array_values(array_unique(array_map(static fn(Variable $variable): string => $variable->unit ?? '', $variables)));
        $decimals = array_map(static fn(Variable $variable): ?int => $variable->shown_decimals ?? $variable->decimals, $variables);

        return new ComparedSides(
            implode(' and ', array_map(static fn(Variable $variable): string => $variable->name, $variables)),
            count($units) === 1 && $units[0] !== '' ? $units[0] : null,
            self::mostDecimals($decimals),
            self::atLeastTwo(array_map(fn(Variable $variable): array => [$variable->name, $this->tallies->numbers($variable, $grouping, $dataset->revision)[0]], $variables)),
            notes: count($units) === 1 ? [] : ['The units differ: ' . implode(', ', array_map(static fn(Variable $variable): string => $variable->nameWithUnit(), $variables)) . '. A difference of them says little.'],
            labels: $id === null ? null : array_map(static fn(Variable $variable): Closure => static fn(BigDecimal $value): ?string => (new RowLabels($grouping->table(), $variable->name, $id->name, $grouping->grouping()))->of(0, [$value])[0], $variables),
        );
    }

    private function pairs(Dataset $dataset, CompareQuestion $asked): ComparedSides
    {
        $variables = self::turned(array_map(fn(string $key): Variable => $this->number($dataset, $key), array_slice($asked->question->of, 0, 2)), $asked->isTurned);
        if (count($variables) < 2) {
            throw UnknownVariable::comparesOne();
        }
        [$first, $second] = $variables;
        $counts = $asked->question->counts === null ? null : $this->number($dataset, $asked->question->counts)->name;
        $pairs = PairedColumns::of(new StoredTable($dataset, $this->tallies), $first->name, $second->name, $asked->question->basis, $counts);

        return new ComparedSides(
            "{$second->name} less {$first->name}",
            $first->unit === $second->unit ? $first->unit : null,
            self::mostDecimals([$first->shown_decimals ?? $first->decimals, $second->shown_decimals ?? $second->decimals]),
            [[$first->name, $pairs->first], [$second->name, $pairs->second]],
            $pairs,
            notes: $first->unit === $second->unit ? [] : ["The units differ: {$first->nameWithUnit()}, {$second->nameWithUnit()}. A difference of them says little."],
        );
    }

    private function datasets(Dataset $dataset, CompareQuestion $asked): ComparedSides
    {
        $own = $this->number($dataset, $asked->question->of[0] ?? '');
        $other = $asked->other ?? throw UnknownVariable::comparesNoDataset();
        $key = $asked->otherOf ?? $own->key;
        $theirs = $other->variables->firstWhere('key', $key) ?? ($asked->otherOf === null ? $other->variables->firstWhere('name', $own->name) : null)
            ?? throw UnknownVariable::notInTheOther($asked->otherOf ?? $own->name, $other->title);
        if ($theirs->type !== VariableType::Number) {
            throw UnknownVariable::hasNoFigures($theirs->name);
        }
        // A condition and counts are those of this dataset; of the other all rows count once.
        $grouping = StoredGrouping::of($dataset, $asked->question->ungrouped(), $this->tallies);
        $values = $this->tallies->numbers($theirs, StoredGrouping::of($other, new Question([], [], $asked->question->basis->ofAll(), []), $this->tallies), $other->revision)[0];
        $factor = $asked->factor;
        $sides = self::turned([
            [$dataset->title, $this->tallies->numbers($own, $grouping, $dataset->revision)[0]],
            [$other->title, $factor === null ? $values : Pooled::times($values, $factor)],
        ], $asked->isTurned);
        $notes = [];
        if ($theirs->unit !== $own->unit && $factor === null) {
            $notes[] = "The units differ: {$own->nameWithUnit()} here, {$theirs->nameWithUnit()} in “{$other->title}”. Give the factor that turns one into the other.";
        } elseif ($factor !== null) {
            $notes[] = "Values of “{$other->title}” are multiplied by {$factor}.";
        }
        if ($asked->question->basis->where !== null || $asked->question->counts !== null) {
            $notes[] = "The condition and the counts are those of this dataset; of “{$other->title}” every row is in, once.";
        }

        return new ComparedSides(
            $own->name,
            $own->unit,
            self::mostDecimals([$own->shown_decimals ?? $own->decimals, $theirs->shown_decimals ?? $theirs->decimals]),
            self::atLeastTwo($sides),
            notes: $notes,
        );
    }

    private function number(Dataset $dataset, string $key): Variable
    {
        $variable = $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key);

        return $variable->type === VariableType::Number ? $variable : throw UnknownVariable::hasNoFigures($variable->name);
    }

    /**
     * @param list<int|null> $decimals
     */
    private static function mostDecimals(array $decimals): ?int
    {
        return $decimals === [] || in_array(null, $decimals, true) ? null : max($decimals);
    }

    /**
     * The first two change places.
     *
     * @template T
     *
     * @param list<T> $sides
     *
     * @return list<T>
     */
    private static function turned(array $sides, bool $isTurned): array
    {
        return $isTurned && count($sides) >= 2 ? [$sides[1], $sides[0], ...array_slice($sides, 2)] : $sides;
    }

    /**
     * @param list<array{string, Observations}> $sides
     *
     * @return non-empty-list<array{string, Observations}>
     */
    private static function atLeastTwo(array $sides): array
    {
        return count($sides) < 2 ? throw UnknownVariable::comparesOne() : $sides;
    }
}
