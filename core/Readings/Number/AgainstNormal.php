<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Number;

use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\NormalityFigure;
use RowTally\Core\Readings\NumberSubject;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;
use RowTally\Core\Values\Reason;

/**
 * What a test of normality says, and what that means.
 *
 * Misleads    That nothing speaks against a normal distribution does not show that there is one.
 *
 * @implements Rule<NumberSubject>
 */
final readonly class AgainstNormal implements Rule
{
    private const MOST = 5000;

    public function key(): string
    {
        return 'normal';
    }

    public function rule(): string
    {
        return 'Shapiro–Wilk has an answer: p below 0.01 is very unusual, below 0.05 unusual. Above 5,000 values Anderson–Darling stands in.';
    }

    public function source(): string
    {
        return 'Royston, Applied Statistics 44 (1995) 547–551; Anderson & Darling, Journal of the American Statistical Association 49 (1954) 765–769';
    }

    public function of(object $subject): ?Said
    {
        $isMany = $subject->n() > self::MOST;
        $test = $isMany ? 'anderson_darling' : 'shapiro_wilk';
        $statistic = (new NormalityFigure($test, false))->of($subject->observations, $subject->basis())->number();
        $p = (new NormalityFigure($test, true))->of($subject->observations, $subject->basis());
        // Below all tables is below every limit; other reasons leave nothing to say.
        $chance = $p->reason === Reason::BelowAllTables ? 0.0 : $p->number();
        if ($statistic === null || $chance === null) {
            return null;
        }
        $name = ($isMany ? 'Anderson–Darling A² = ' : 'Shapiro–Wilk W = ') . Wording::ratio((float) $statistic, 3)
            . ($chance < 0.0001 ? ', p < ' . DecimalText::of(0.0001, 4) : ', p = ' . DecimalText::of($chance, 4))
            . ($isMany ? '; it stands in for Shapiro–Wilk above 5,000 values' : '');
        $sentence = match (true) {
            $chance < 0.01 => "These values would be very unusual for a normal distribution ({$name}).",
            $chance < 0.05 => "These values would be unusual for a normal distribution ({$name}).",
            default => "Nothing in these values speaks against a normal distribution ({$name}); that does not show that it is one.",
        };
        $sentence .= match (true) {
            $subject->n() < 20 => ' Of so few the test sees gross departures only.',
            $subject->n() > 300 => ' Of so many the test sees the slightest departure: the picture matters more.',
            default => '',
        };

        return new Said($sentence, ['statistic' => $statistic, 'p' => $p->number()], $chance < 0.05 && $subject->n() <= 300 ? 48 : 28);
    }
}
