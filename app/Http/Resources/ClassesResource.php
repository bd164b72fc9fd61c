<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Store\Question;
use Brick\Math\BigRational;
use Illuminate\Http\Request;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Grouped\ClassRow;
use RowTally\Core\Grouped\GroupedFigures;
use RowTally\Core\Grouped\GroupedProfile;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Written;

/** @property GroupedProfile $resource */
final class ClassesResource extends PlainResource
{
    /** @param list<string>|null $names of the columns, overall first; null where groups have theirs from what splits the rows */
    public function __construct(GroupedProfile $profile, private readonly Question $question, private readonly ?array $names)
    {
        parent::__construct($profile);
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $profile = $this->resource;
        $table = $profile->columns[0]->table;
        $basis = $this->question->basis;

        return [
            'limits' => $table->limits->value,
            'limits_choices' => array_map(static fn(StatedLimits $case): array => ['value' => $case->value, 'words' => $case->words(), 'sentence' => $case->sentence()], StatedLimits::cases()),
            'words' => $profile->words($this->names === null ? [] : array_slice($this->names, 1)),
            'amended' => $profile->amended,
            'names' => $this->names,
            'unit' => $table->unit === null ? null : Written::number($table->unit),
            'total_left_out' => $profile->total,
            'modal_classes' => $profile->modalClasses(),
            'rows' => array_map(fn(int $i, ClassRow $row): array => $this->row($i, $row), array_keys($table->rows), $table->rows),
            'figures' => array_map(static fn(array $figure): array => [
                'key' => $figure['key'],
                'label' => $figure['label'],
                'symbol' => $figure['symbol'],
                'shown_as' => $figure['shownAs']->value,
                'values' => array_map(static fn(Figure $value): array => FigureRows::figure($value, $profile->text($value, $figure['shownAs'], $basis)), $figure['figures']),
            ], $profile->figures($basis)),
        ];
    }

    /** @return array<string, mixed> */
    private function row(int $i, ClassRow $row): array
    {
        $each = fn(callable $of): array => array_map($of, $this->resource->columns);
        $percent = static fn(GroupedFigures $column, BigRational $part): float => $column->n()->isZero() ? 0.0 : Exact::toFloat($part->dividedBy($column->n())->multipliedBy(100)) ?? 0.0;
        $upTo = static fn(GroupedFigures $column): BigRational => array_reduce(array_slice($column->table->rows, 0, $i + 1), static fn(BigRational $sum, ClassRow $own): BigRational => $sum->plus($own->count), BigRational::zero());

        return [
            'label' => $row->label,
            'boundaries' => Written::number($row->lower) . ' to ' . Written::number($row->upper),
            'lower_text' => Written::number($row->lower),
            'upper_text' => Written::number($row->upper),
            'width' => Written::number($row->width()),
            'midpoint' => Written::number($row->midpoint),
            'is_open' => $row->isOpen,
            'counts' => $each(static fn(GroupedFigures $column): float => self::number($column->table->rows[$i]->count)),
            'percents' => $each(static fn(GroupedFigures $column): string => DecimalText::of($percent($column, $column->table->rows[$i]->count), 1)),
            'cumulative_texts' => $each(static fn(GroupedFigures $column): string => DecimalText::of($percent($column, $upTo($column)), 1)),
            'density_texts' => $each(fn(GroupedFigures $column): string => DecimalText::of($percent($column, $column->table->rows[$i]->count) / self::number($row->width()), $this->densityDecimals())),
        ];
    }

    /** Enough for three digits of what one per cent a unit is in the widest class. */
    private function densityDecimals(): int
    {
        $widest = max(array_map(static fn(ClassRow $row): float => self::number($row->width()), $this->resource->columns[0]->table->rows));

        return max(1, 1 + (int) ceil(log10($widest)));
    }

    private static function number(BigRational $ratio): float
    {
        return Exact::toFloat($ratio) ?? 0.0;
    }
}
