<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use Brick\Math\BigRational;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;
use RowTally\Core\Values\Exact;

/**
 * How much a quartile owes to its rule.
 *
 * Misleads    No rule is wrong: what misleads is not to say which one it was.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class ConventionMatters implements Rule
{
    public function key(): string
    {
        return 'convention_matters';
    }

    public function rule(): string
    {
        return 'At least 4 values: the answers of the eleven rules for a quartile span more than 5 % of the interquartile range of the basis; or Q₁ and Q₃ are the same under every rule to the decimals shown; overall only.';
    }

    public function source(): string
    {
        return 'Hyndman & Fan, The American Statistician 50 (1996) 361–365';
    }

    public function of(object $subject): ?Said
    {
        $observations = $subject->observations;
        if (!$subject->isOverall() || !$subject->hasAtLeast(4) || !$observations->hasWholeCounts()) {
            return null;
        }
        $range = $observations->quartiles($subject->basis()->quartileRule)->interquartileRange();
        $parts = $figures = [];
        $isSame = true;
        foreach (['q1' => 'Q₁', 'q3' => 'Q₃'] as $key => $name) {
            $answers = array_map(static fn(QuartileRule $rule): BigRational => $observations->quartiles($rule)->{$key}, QuartileRule::cases());
            $low = $high = $answers[0];
            foreach ($answers as $answer) {
                $low = $answer->isLessThan($low) ? $answer : $low;
                $high = $answer->isGreaterThan($high) ? $answer : $high;
            }
            $figures["{$key}_low"] = Exact::near($low);
            $figures["{$key}_high"] = Exact::near($high);
            [$from, $to] = [$subject->wording->quantile($low, $observations->values), $subject->wording->quantile($high, $observations->values)];
            $isSame = $isSame && $from === $to;
            if ($high->minus($low)->multipliedBy(20)->isGreaterThan($range)) {
                $parts[] = $from === $to ? "{$name} is about {$to}{$subject->wording->unitBehind()}" : "{$name} is {$from} to {$to}{$subject->wording->unitBehind()}";
            }
        }

        return match (true) {
            $parts !== [] => new Said(Wording::list($parts) . ', as the rule for quartiles goes: say which one you used.', $figures, 50),
            $isSame => new Said('Q₁ and Q₃ are the same under every rule to the decimals shown.', $figures, 8),
            default => null,
        };
    }
}
