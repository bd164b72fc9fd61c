<?php

declare(strict_types=1);

namespace RowTally\Core\Working;

use Brick\Math\BigRational;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Quantiles\MiddleValue;
use RowTally\Core\Quantiles\Quantile;

/** How a quartile, a median or a percentile was cut, rank by rank. */
final class QuantileSteps
{
    private const HYNDMAN_FAN = 'Hyndman & Fan, Sample Quantiles in Statistical Packages, The American Statistician 50 (1996) 361–365';

    /** @return list<string> */
    public static function median(Observations $observations): array
    {
        return self::middle($observations, 1, $observations->n(), 'All values');
    }

    public static function quartile(Observations $observations, QuartileRule $rule, bool $isUpper): Steps
    {
        $rule = $observations->ruleInForce($rule);
        if ($rule !== QuartileRule::HalvesExcluded && $rule !== QuartileRule::HalvesIncluded) {
            return self::quantile($observations, $rule, $isUpper ? 3 : 1, 4, $isUpper ? 'Q₃' : 'Q₁');
        }
        $n = $observations->n();
        $half = max(1, $rule === QuartileRule::HalvesExcluded ? intdiv($n, 2) : intdiv($n + 1, 2));
        [$from, $to] = $isUpper ? [$n - $half + 1, $n] : [1, $half];

        return new Steps(
            ($isUpper ? 'Q₃ = median of the upper half' : 'Q₁ = median of the lower half') . ($n % 2 === 0 ? '' : ($rule === QuartileRule::HalvesExcluded ? ', the middle value left out' : ', the middle value shared')),
            self::middle($observations, $from, $to, $isUpper ? 'The upper half' : 'The lower half'),
            'medians of the halves: ' . $rule->sentence(),
            true,
        );
    }

    public static function quantile(Observations $observations, QuartileRule $rule, int $numerator, int $denominator, string $symbol): Steps
    {
        $served = match ($rule) {
            QuartileRule::HalvesExcluded => QuartileRule::Hf6,
            QuartileRule::HalvesIncluded => QuartileRule::Hf7,
            default => $rule,
        };
        $p = BigRational::nd($numerator, $denominator)->simplified();
        $n = $observations->n();
        $position = Quantile::position($served, $n, $p);
        ['below' => $j, 'weight' => $weight] = Quantile::neighbours($served, $n, $p);
        $low = max(1, min($n, $j));
        $high = max(1, min($n, $j + 1));
        $below = $observations->values->at($low);
        $above = $observations->values->at($high);
        $value = $observations->quantile($served, $numerator, $denominator);
        $lines = $observations->hasWholeCounts() ? [
            'position ' . self::positionRule($served) . ' = ' . Written::number($position) . ' for n = ' . Written::number($n) . ', p = ' . Written::number($p),
        ] : ['counts add up to ' . Written::size($observations) . '; the smallest value whose cumulative count reaches ' . Written::number($observations->size()->multipliedBy($p)) . ', or the mean of it and the next where it is reached exactly'];
        $lines[] = $observations->hasWholeCounts() ? "x({$low}) = " . Written::number($below) . ", x({$high}) = " . Written::number($above) : 'these are ' . Written::number($below) . ' and ' . Written::number($above);
        $lines[] = "{$symbol} = " . match (true) {
            $weight->isZero() => Written::number($below),
            $weight->isEqualTo(1) => Written::number($above),
            default => Written::number($below) . ' + ' . Written::number($weight) . '·(' . Written::number($above) . ' − ' . Written::inside($below) . ') = ' . Written::number($value),
        };
        $definition = $symbol . ' by ' . $served->words() . ': ' . $served->sentence()
            . ($served === $rule ? '' : ' The halves rules have quartiles only; this definition serves their percentiles.');

        return new Steps($definition, $lines, self::HYNDMAN_FAN, true);
    }

    /** @return list<string> */
    private static function middle(Observations $observations, int $from, int $to, string $which): array
    {
        $values = $observations->values;
        $result = Written::number(MiddleValue::ofRanks($values, $from, $to));
        if (!$observations->hasWholeCounts()) {
            return ['counts add up to ' . Written::size($observations) . '; the value at which the cumulative count reaches half of that: ' . $result];
        }
        $middle = intdiv($from + $to, 2);
        if (($from + $to) % 2 === 0) {
            return ["{$which}: ranks {$from} to {$to}; the middle one is rank {$middle}", "x({$middle}) = {$result}"];
        }
        $next = $middle + 1;
        [$below, $above] = [$values->at($middle), $values->at($next)];

        return [
            "{$which}: ranks {$from} to {$to}; the two in the middle are ranks {$middle} and {$next}",
            '{' . Written::number($below) . ' + ' . Written::inside($above) . "}/{2} = {$result}",
        ];
    }

    private static function positionRule(QuartileRule $rule): string
    {
        return match ($rule) {
            QuartileRule::Hf3 => 'np − ½',
            QuartileRule::Hf5 => 'np + ½',
            QuartileRule::Hf6 => '(n + 1)p',
            QuartileRule::Hf7 => '(n − 1)p + 1',
            QuartileRule::Hf8 => '(n + ⅓)p + ⅓',
            QuartileRule::Hf9 => '(n + ¼)p + ⅜',
            default => 'np',
        };
    }
}
