<?php

declare(strict_types=1);

namespace RowTally\Core\Grouped;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Frequency\FrequencyTable;
use RowTally\Core\Parsing\ClassLabel;
use RowTally\Core\Parsing\ClassLabels;
use RowTally\Core\Plots\Axis;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\Reason;

/** Everything that is shown of classes with counts: the table made sure of, figures overall and by group, and the picture. */
final readonly class GroupedProfile
{
    /** @param non-empty-list<GroupedFigures> $columns overall, then each group; over the same classes */
    private function __construct(
        public array $columns,
        public int $dataDecimals,
        public int $countDecimals,
        /** A row that is the sum of the others and was left out; null = none. */
        public ?string $total,
        /** What was amended, in words; '' = nothing. */
        public string $amended,
    ) {}

    /** Whether the labels of a category read as classes; one may be a total. */
    public static function readsAsClasses(FrequencyTable $table): bool
    {
        return ClassLabels::areClasses($table->labels);
    }

    /**
     * @param FrequencyTable $table of a category whose labels are classes
     *
     * @throws NotUnderstood
     */
    public static function of(FrequencyTable $table, ClassReading $reading = new ClassReading()): self
    {
        $classes = $places = [];
        $total = null;
        $read = ClassLabels::of($table->labels, $reading->decimalMark)->classes;
        foreach ($table->labels as $i => $label) {
            $class = $read[$i];
            if ($class !== null) {
                $classes[] = $class;
                $places[] = $i;
            } elseif (2 * $table->counts[0][$i] === $table->total(0) && $table->counts[0][$i] > 0) {
                $total = $label;
            } else {
                throw NotUnderstood::noClassLabel($label, $i + 1);
            }
        }
        $unit = BigInteger::ten()->power($table->countDecimals);
        $steps = CumulativeClasses::of($classes);
        if ($steps !== null && $reading->isCumulative === null) {
            throw NotUnderstood::looksCumulative(...$steps->overlapping());
        }
        $columns = array_map(static function (array $counts) use ($classes, $places, $unit, $reading, $steps): GroupedFigures {
            $own = array_map(static fn(int $place): BigRational => BigRational::nd($counts[$place], $unit), $places);

            return new GroupedFigures($steps !== null && $reading->isCumulative === true ? ClassTable::of($steps->classes, $steps->counts($own), $reading) : ClassTable::of($classes, $own, $reading));
        }, $table->counts);
        if ($columns === [] || $columns[0]->n()->isZero()) {
            throw NotUnderstood::allCountsZero();
        }
        $scales = array_map(static fn(ClassLabel $class): int => max($class->low?->getScale() ?? 0, $class->high?->getScale() ?? 0), $classes);

        return new self($columns, max(0, ...$scales), $table->countDecimals, $total, $reading->amendments()->words($columns[0]->table->rows));
    }

    /** @return list<array{key: string, label: string, symbol: string, shownAs: ShownAs, figures: list<Figure>}> */
    public function figures(Basis $basis): array
    {
        $isSample = $basis->takenAs === SampleOrPopulation::Sample;
        $exact = static fn(?BigRational $value, Reason $reason = Reason::NeedsOneValue): Figure => $value === null ? Figure::undefined($reason) : Figure::exact($value);
        $quantile = static fn(int $numerator, int $denominator): callable => static fn(GroupedFigures $column): Figure => $exact($column->quantile(BigRational::nd($numerator, $denominator)));

        return [
            $this->row('n', 'Count', $isSample ? 'n' : 'N', ShownAs::Rows, static fn(GroupedFigures $column): Figure => $exact($column->n())),
            $this->row('mean', 'Mean from midpoints', $isSample ? 'x̄' : 'µ', ShownAs::Unit, static fn(GroupedFigures $column): Figure => $exact($column->mean())),
            $this->row('sd', 'Standard deviation from midpoints', $isSample ? 's' : 'σ', ShownAs::Unit, static function (GroupedFigures $column) use ($basis): Figure {
                $variance = $column->variance($basis->takenAs);

                return $variance === null ? Figure::undefined(Reason::NeedsMoreThanOne) : Figure::rootOf($variance);
            }),
            $this->row('variance', 'Variance from midpoints', $isSample ? 's²' : 'σ²', ShownAs::UnitSquared, static fn(GroupedFigures $column): Figure => $exact($column->variance($basis->takenAs), Reason::NeedsMoreThanOne)),
            $this->row('q1', 'Lower quartile, interpolated', 'Q₁', ShownAs::Unit, $quantile(1, 4)),
            $this->row('median', 'Median, interpolated', 'x̃', ShownAs::Unit, $quantile(1, 2)),
            $this->row('q3', 'Upper quartile, interpolated', 'Q₃', ShownAs::Unit, $quantile(3, 4)),
            $this->row('iqr', 'Interquartile range', 'IQR', ShownAs::Unit, static function (GroupedFigures $column): Figure {
                [$q1, $q3] = [$column->quantile(BigRational::nd(1, 4)), $column->quantile(BigRational::nd(3, 4))];

                return $q1 === null || $q3 === null ? Figure::undefined(Reason::NeedsOneValue) : Figure::exact($q3->minus($q1));
            }),
            $this->row('mode', 'Mode, interpolated in the modal class', '', ShownAs::Unit, static fn(GroupedFigures $column): Figure => $exact($column->interpolatedMode(), $column->n()->isZero() ? Reason::NeedsOneValue : Reason::SeveralModalClasses)),
            $this->row('sum', 'Sum from midpoints', 'Σfm', ShownAs::Unit, static fn(GroupedFigures $column): Figure => $exact($column->n()->isZero() ? null : $column->sum())),
        ];
    }

    /**
     * @param callable(GroupedFigures): Figure $of
     *
     * @return array{key: string, label: string, symbol: string, shownAs: ShownAs, figures: list<Figure>}
     */
    private function row(string $key, string $label, string $symbol, ShownAs $shownAs, callable $of): array
    {
        return ['key' => $key, 'label' => $label, 'symbol' => $symbol, 'shownAs' => $shownAs, 'figures' => array_map($of, $this->columns)];
    }

    public function text(Figure $figure, ShownAs $shownAs, Basis $basis): ?string
    {
        $number = $figure->number();

        return match (true) {
            $number === null => null,
            $shownAs === ShownAs::Rows => DecimalText::of($number, $this->countDecimals),
            default => (new FigureText($basis, $this->dataDecimals))->inUnit($number),
        };
    }

    /**
     * How the classes were taken, in sentences, for whatever leaves the screen.
     *
     * @param list<string> $countColumns names of the counts of each group, where they have columns of their own
     */
    public function words(array $countColumns = []): string
    {
        return "Class limits are {$this->columns[0]->table->limits->words()}."
            . ($countColumns === [] ? '' : ' Counts of a group each are in ' . implode(', ', $countColumns) . '.')
            . ($this->amended === '' ? '' : " Changed by hand: {$this->amended}.")
            . ($this->total === null ? '' : " \"{$this->total}\" is the sum of the others and was left out.");
    }

    /** @return list<string> labels of the modal class, or classes */
    public function modalClasses(): array
    {
        return array_map(fn(int $i): string => $this->columns[0]->table->rows[$i]->label, $this->columns[0]->modalClasses(true));
    }

    public function axis(): Axis
    {
        $rows = $this->columns[0]->table->rows;
        $decimal = static fn(BigRational $value): BigDecimal => $value->toScale(6, RoundingMode::HALF_UP);

        return Axis::covering($decimal($rows[0]->lower), $decimal($rows[count($rows) - 1]->upper));
    }
}
