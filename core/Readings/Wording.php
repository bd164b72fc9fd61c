<?php

declare(strict_types=1);

namespace RowTally\Core\Readings;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Values\OrderedValues;

/** How numbers stand in the sentences about one variable: as in the figures beside them, with its unit. */
final readonly class Wording
{
    /** Tried one after the other; where figures add up with none of them, the first that is more than none. */
    private const MORE_DECIMALS = [0, 1, 2];

    public function __construct(
        private FigureText $display,
        public ?string $unit,
        public RowWord $rows,
        public Basis $basis,
    ) {}

    /** Without its unit. */
    public function number(BigRational|float|int $value, bool $isOfTheData = false): string
    {
        return $this->display->inUnit(self::double($value), $isOfTheData);
    }

    /** A quantile: with the decimals of the data where it is one of the values. */
    public function quantile(BigRational $value, OrderedValues $values): string
    {
        $figure = Figure::quantile($value, $values);

        return $this->number($figure->number() ?? 0, $figure->isOfTheData);
    }

    public function inUnit(BigRational|float|int $value, bool $isOfTheData = false): string
    {
        return $this->number($value, $isOfTheData) . $this->unitBehind();
    }

    public function unitBehind(): string
    {
        return $this->unit === null || $this->unit === '' ? '' : ($this->unit === '%' ? ' %' : " {$this->unit}");
    }

    /** A pure number, such as a skewness. */
    public static function ratio(float $value, int $decimals = 2): string
    {
        return DecimalText::of($value, $decimals);
    }

    /**
     * A figure and its distance from another, written so that the two figures, rounded alike, are that far apart.
     *
     * @return array{string, string} $second, and how far it is from $first, without a sign; neither with its unit
     */
    public function apart(BigRational $first, BigRational $second): array
    {
        $distance = $second->minus($first)->abs();
        $written = fn(int $more): array => array_map(fn(BigRational $value): string => $this->display->withMoreDecimals($more)->inUnit(self::double($value)), [$first, $second, $distance]);
        // Whether they add up does not hang on anybody's marks.
        $adding = array_filter(self::MORE_DECIMALS, static fn(int $more): bool => (new NumberMarks())->during(static fn(): bool => self::addUp(...$written($more))));
        [, $other, $between] = $written(array_values($adding)[0] ?? self::MORE_DECIMALS[1]);

        return [$other, $between];
    }

    private static function addUp(string $one, string $other, string $between): bool
    {
        $value = static fn(string $text): ?BigRational => is_numeric($plain = str_replace('−', '-', $text)) ? BigRational::of($plain) : null;
        [$one, $other, $between] = [$value($one), $value($other), $value($between)];

        // In powers of ten nobody adds up.
        return $one === null || $other === null || $between === null || $other->minus($one)->abs()->isEqualTo($between);
    }

    private static function double(BigRational|float|int $value): float|int
    {
        return $value instanceof BigRational ? Exact::near($value) : $value;
    }

    /** "Dunmere’s", "the rows’". */
    public static function possessive(string $name): string
    {
        return str_ends_with($name, 's') ? "{$name}’" : "{$name}’s";
    }

    /**
     * "Dunmere", "Dunmere and Alder Wick", "A, B and C".
     *
     * @param list<string> $names
     */
    public static function list(array $names): string
    {
        $final = array_pop($names);

        return $names === [] ? (string) $final : implode(', ', $names) . " and {$final}";
    }

    /**
     * At most so many, and how many more there are.
     *
     * @param list<string> $names
     */
    public static function some(array $names, int $most): string
    {
        $more = count($names) - $most;

        return $more <= 0 ? self::list($names) : implode(', ', array_slice($names, 0, $most)) . " and {$more} more";
    }

    /** Small numbers in words, at the beginning of a sentence. */
    public static function word(int $number): string
    {
        return ['None', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'][$number] ?? (string) $number;
    }
}
