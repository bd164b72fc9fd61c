<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Compared;

use Brick\Math\BigRational;
use RowTally\Core\Comparison\Measure;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Readings\GroupsAgainst;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Values\Exact;

/**
 * A range that a few rows make.
 *
 * Misleads    Ranges of groups of unlike sizes cannot be compared.
 *
 * @implements Rule<GroupsAgainst>
 */
final readonly class RangeAgainstMiddle implements Rule
{
    public function key(): string
    {
        return 'range_against_middle';
    }

    public function rule(): string
    {
        return 'Range and interquartile range differ in opposite directions, each by at least 10 % of the larger one.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $basis = $subject->compared->basis();
        [$first, $second] = [$subject->compared->first, $subject->compared->second];
        if ($first->n() === 0 || $second->n() === 0) {
            return null;
        }
        [$ranges, $middles] = array_map(
            static fn(Measure $measure): array => [$measure->exact($first, $basis) ?? BigRational::zero(), $measure->exact($second, $basis) ?? BigRational::zero()],
            [Measure::Range, Measure::Iqr],
        );
        $sign = self::direction(...$ranges);
        if ($sign === 0 || self::direction(...$middles) !== -$sign) {
            return null;
        }
        $wording = $subject->wording;
        [$wide, $name] = $sign > 0 ? [$second, $subject->second] : [$first, $subject->first];
        $what = $sign > 0 ? ['wider', 'narrower'] : ['narrower', 'wider'];
        [$end, $value, $without] = self::withoutOne($wide);
        $sentence = "The range of {$subject->second} is {$what[0]} ({$wording->number($ranges[1], true)} against {$wording->number($ranges[0], true)}), but its middle half is {$what[1]}"
            . " ({$wording->number($middles[1])} against {$wording->number($middles[0])}): a few {$wording->rows->many} make the range of {$name}."
            . ($without === null ? '' : " Without its {$end} value, {$wording->number($value, true)}, alone it would be {$wording->inUnit($without, true)}.");

        return new Said($sentence, [
            'range_first' => Exact::near($ranges[0]), 'range_second' => Exact::near($ranges[1]),
            'iqr_first' => Exact::near($middles[0]), 'iqr_second' => Exact::near($middles[1]),
            'range_without_one' => $without === null ? null : Exact::near($without),
        ], 66);
    }

    /** 1 where the second is larger by a tenth of it, −1 where the first is, else 0. */
    private static function direction(BigRational $first, BigRational $second): int
    {
        $larger = $second->isGreaterThan($first) ? $second : $first;
        $apart = $second->minus($first);

        return $larger->getSign() > 0 && $apart->abs()->multipliedBy(10)->isGreaterThanOrEqualTo($larger) ? $apart->getSign() : 0;
    }

    /** @return array{string, BigRational, BigRational|null} the end whose value alone makes most of the range, that value, and the range without it */
    private static function withoutOne(Observations $side): array
    {
        $n = $side->n();
        $at = static fn(int $rank): BigRational => $side->values->at($rank)->toBigRational();
        if ($n < 3 || !$side->hasWholeCounts()) {
            return ['largest', $at($n), null];
        }
        $withoutLast = $at($n - 1)->minus($at(1));
        $withoutFirst = $at($n)->minus($at(2));

        return $withoutLast->isLessThanOrEqualTo($withoutFirst) ? ['largest', $at($n), $withoutLast] : ['smallest', $at(1), $withoutFirst];
    }
}
