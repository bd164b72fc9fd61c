<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\QuantileSteps;
use RowTally\Core\Working\Steps;

/**
 * Percentile: the value that so many percent of the values lie below.
 *
 * Definition  Q(percent / 100) under the quartile rule of the basis, see `Quantile`.
 * Unit        the unit of the variable.
 * Undefined   Reason::NeedsOneValue when n = 0.
 * When        for limits that so many may lie below: growth, times, loads.
 * Misleads    Far out few values decide it; and the rule for quartiles is also the rule for it.
 * Source      see `QuartileRule`; the halves rules are served by definitions 6 and 7.
 * Accuracy    exact, then correctly rounded.
 * Cost        two look-ups by rank.
 */
final readonly class Percentile extends NamedStatistic
{
    private const MOST_DECIMALS = 6;

    public string $percent;
    private int $numerator;
    private int $denominator;

    /**
     * @param string $percent from 0 to 100, as a person types it
     *
     * @throws NotUnderstood for anything else
     */
    public function __construct(string $percent)
    {
        if (preg_match('/^\d{1,3}(\.\d{1,' . self::MOST_DECIMALS . '})?$/', $percent) !== 1 || (float) $percent > 100.0) {
            throw NotUnderstood::notAPercent($percent);
        }
        $this->percent = Exact::plainDecimal(BigDecimal::of($percent));
        $exact = BigDecimal::of($percent);
        $this->numerator = $exact->getUnscaledValue()->toInt();
        $this->denominator = 100 * 10 ** $exact->getScale();
        parent::__construct("percentile_{$this->percent}", self::ordinal($this->percent) . ' percentile', "P{$this->percent}", "P{$this->percent}", ShownAs::Unit);
    }

    public function dependsOn(): array
    {
        return [Convention::QuartileRule];
    }

    public function steps(Observations $observations, Basis $basis): Steps
    {
        return QuantileSteps::quantile($observations, $observations->ruleInForce($basis->quartileRule), $this->numerator, $this->denominator, "P{$this->percent}");
    }

    /** "5th", "22nd", "2.5th" */
    public static function ordinal(string $percent): string
    {
        $ending = match (true) {
            str_contains($percent, '.'), preg_match('/1[123]$/', $percent) === 1 => 'th',
            default => ['1' => 'st', '2' => 'nd', '3' => 'rd'][substr($percent, -1)] ?? 'th',
        };

        return $percent . $ending;
    }

    protected function figure(Observations $observations, Basis $basis): Figure
    {
        return Figure::quantile($observations->quantile($basis->quartileRule, $this->numerator, $this->denominator), $observations->values);
    }
}
