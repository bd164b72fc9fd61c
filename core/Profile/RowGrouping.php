<?php

declare(strict_types=1);

namespace RowTally\Core\Profile;

use Brick\Math\RoundingMode;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Columns\Grouping;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Columns\Presence;
use RowTally\Core\Columns\TallyColumn;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Formula\Formula;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Formula\Table;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\AutomaticClasses;
use RowTally\Core\Plots\Classes;
use RowTally\Core\Values\Packed;

/**
 * Which rows of a table are in, and which group each belongs to: by the labels of a category or the classes of a number, nested
 * if there are two, over the rows that a condition leaves and that are complete.
 *
 * Rows that are set aside are not in. A group is a label as it stands; rows without one form a group of their own, behind the others of their level. Groups are in
 * the order of the first variable's labels, then of the second's; those that no row is left of are not there.
 *
 * Cost  one pass over the columns named.
 */
final readonly class RowGrouping
{
    /** The code of a row that is left out. */
    private const OUT = 0xFFFFFFFF;

    /** @param list<list<string|null>> $labels of each group, one for each splitting variable; null = no entry */
    private function __construct(
        public Grouping $overall,
        public Grouping $grouping,
        public array $labels,
        /** How many rows are in. */
        public int $rows,
    ) {}

    /**
     * How a group is called: its labels, a blank one in marks, and words where there is none.
     *
     * @param list<string|null> $labels
     */
    public static function name(array $labels): string
    {
        return implode(' · ', array_map(static fn(?string $label): string => match (true) {
            $label === null => 'no entry',
            trim($label) === '' => "“{$label}”",
            default => $label,
        }, $labels));
    }

    /**
     * @param list<string> $by       names of the splitting variables, none to two
     * @param list<string> $complete names of the variables that must have a value
     *
     * @throws NotUnderstood
     * @throws FormulaError
     */
    public static function of(Table $table, array $by, array $complete, Basis $basis): self
    {
        [$where, $edge] = [$basis->where, $basis->classEdge];
        $splits = array_map(static fn(string $name): array => self::split($table, $name, $edge), $by);
        $condition = $where === null ? null : Formula::of($where, $table->names(), $basis)->waitedFor(array_sum($table->layout()));
        $columns = array_map($table->chunks(...), $complete);
        $aside = $table->aside();
        $codes = [];
        /** @var array<int, true> $seen */
        $seen = [];
        $rows = 0;
        foreach ($table->layout() as $chunk => $count) {
            $kept = $condition === null ? array_fill(0, $count, true) : $condition->truths($table->rows($chunk));
            foreach ($columns as $chunks) {
                foreach (Presence::of($chunks[$chunk]) as $row => $isThere) {
                    $kept[$row] = $isThere && $kept[$row] === true;
                }
            }
            if ($aside !== null) {
                foreach (Presence::of($aside[$chunk]) as $row => $isAside) {
                    $kept[$row] = !$isAside && $kept[$row] === true;
                }
            }
            $group = array_fill(0, $count, 0);
            foreach ($splits as ['codes' => $own, 'labels' => $labels]) {
                foreach ($own($chunk) as $row => $code) {
                    $group[$row] = $group[$row] * count($labels) + $code;
                }
            }
            foreach ($kept as $row => $isIn) {
                if ($isIn === true) {
                    ++$rows;
                    $seen[$group[$row]] = true;
                } else {
                    $group[$row] = self::OUT;
                }
            }
            // Four bytes a row: as numbers in a list they would be sixteen.
            $codes[] = Packed::bytes('V*', array_values($group));
        }
        ksort($seen);
        if (count($seen) > Grouping::MOST) {
            throw NotUnderstood::tooManyGroups(count($seen), Grouping::MOST);
        }
        $places = array_flip(array_keys($seen));
        $isAll = $where === null && $complete === [] && $aside === null;

        return new self(
            $isAll ? Grouping::none() : Grouping::ofCodes(self::numbered($codes, array_fill_keys(array_keys($places), 0)), 1),
            $splits === [] ? Grouping::none() : Grouping::ofCodes(self::numbered($codes, $places), count($places)),
            $splits === [] ? [] : self::labelsOf(array_keys($seen), array_column($splits, 'labels')),
            $rows,
        );
    }

    /**
     * @param list<string>    $codes  four bytes a row, by chunk
     * @param array<int, int> $places the group that each stands for; of what is left out there is none
     *
     * @return iterable<array<int, int|null>>
     */
    private static function numbered(array $codes, array $places): iterable
    {
        foreach ($codes as $chunk) {
            $groups = [];
            foreach (Packed::integers('V*', $chunk) as $code) {
                $groups[] = $places[$code] ?? null;
            }
            yield $groups;
        }
    }

    /**
     * @param list<int>               $codes
     * @param list<list<string|null>> $levels
     *
     * @return list<list<string|null>>
     */
    private static function labelsOf(array $codes, array $levels): array
    {
        $all = [];
        foreach ($codes as $code) {
            $labels = [];
            foreach (array_reverse($levels) as $level) {
                array_unshift($labels, $level[$code % count($level)]);
                $code = intdiv($code, count($level));
            }
            $all[] = $labels;
        }

        return $all;
    }

    /** @return array{labels: list<string|null>, codes: callable(int): list<int>} no entry is the last label */
    private static function split(Table $table, string $name, ClassEdge $edge): array
    {
        return match ($table->type($name)) {
            VariableType::Category => self::splitByLabels($table, $name),
            VariableType::Number => self::splitByClasses($table->number($name), $edge),
            default => throw NotUnderstood::makesNoGroups($name, $table->type($name)->value),
        };
    }

    /** @return array{labels: list<string|null>, codes: callable(int): list<int>} */
    private static function splitByLabels(Table $table, string $name): array
    {
        $labels = $table->dictionary($name);
        $chunks = $table->chunks($name);
        $last = count($labels);

        return [
            'labels' => [...$labels, null],
            'codes' => static fn(int $chunk): array => array_map(
                static fn(int $code): int => $code === 0 ? $last : $code - 1,
                array_values(Packed::integers('C*', $chunks[$chunk]->payload)),
            ),
        ];
    }

    /** @return array{labels: list<string|null>, codes: callable(int): list<int>} */
    private static function splitByClasses(NumberColumn $column, ClassEdge $edge): array
    {
        $chunks = is_array($column->chunks) ? array_values($column->chunks) : iterator_to_array($column->chunks, false);
        $column = new NumberColumn($column->decimals, $column->dictionary, $chunks);
        $observations = TallyColumn::whole($column);
        if ($observations->n() === 0) {
            return ['labels' => [null], 'codes' => static fn(int $chunk): array => array_fill(0, $chunks[$chunk]->rows, 0)];
        }
        $classes = AutomaticClasses::few($observations, $edge);
        $least = self::least($classes, $column->decimals, $edge);
        $number = $classes->number;
        // The least whole numbers of right-closed classes are inside already.
        $isOpenBelow = $edge === ClassEdge::Right && $column->decimals === null;

        return [
            // What a group is called is kept and asked for: it is the same for everybody.
            'labels' => [...(new NumberMarks())->during(static fn(): array => $classes->labels($edge)), null],
            'codes' => static function (int $chunk) use ($column, $chunks, $least, $number, $isOpenBelow): array {
                $rows = $column->decimals === null ? $column->doubles($chunks[$chunk]) : $column->integers($chunks[$chunk]);
                $codes = [];
                foreach ($rows as $value) {
                    $class = $value === null ? $number : 0;
                    while ($class < $number - 1 && ($isOpenBelow ? $value > $least[$class + 1] : $value >= $least[$class + 1])) {
                        ++$class;
                    }
                    $codes[] = $class;
                }

                return $codes;
            },
        ];
    }

    /**
     * The least value of each class: for decimals the unscaled whole number at or just above its edge, for doubles the edge.
     *
     * @return list<int|float>
     */
    private static function least(Classes $classes, ?int $decimals, ClassEdge $edge): array
    {
        $least = [];
        for ($i = 0; $i <= $classes->number; ++$i) {
            $at = $classes->edge($i);
            $least[] = match (true) {
                $decimals === null => (float) (string) $at,
                $edge === ClassEdge::Left => $at->withPointMovedRight($decimals)->toScale(0, RoundingMode::CEILING)->toInt(),
                default => $at->withPointMovedRight($decimals)->toScale(0, RoundingMode::FLOOR)->toInt() + 1,
            };
        }

        return $least;
    }
}
