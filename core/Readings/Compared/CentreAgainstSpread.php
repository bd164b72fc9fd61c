<?php

declare(strict_types=1);

namespace RowTally\Core\Readings\Compared;

use Brick\Math\BigRational;
use RowTally\Core\Readings\GroupsAgainst;
use RowTally\Core\Readings\Rule;
use RowTally\Core\Readings\Said;
use RowTally\Core\Readings\Wording;
use RowTally\Core\Values\Exact;

/**
 * The same centre, another spread.
 *
 * Misleads    A far row in one of the two can make its SD.
 *
 * @implements Rule<GroupsAgainst>
 */
final readonly class CentreAgainstSpread implements Rule
{
    public function key(): string
    {
        return 'centre_against_spread';
    }

    public function rule(): string
    {
        return 'The means differ by less than 0.2 pooled SD, and the SDs by a factor above 1.5.';
    }

    public function source(): string
    {
        return 'a convention of Row Tally';
    }

    public function of(object $subject): ?Said
    {
        $compared = $subject->compared;
        $pooled = $compared->pooledVariance();
        $takenAs = $compared->basis()->takenAs;
        if (!$pooled instanceof BigRational) {
            return null;
        }
        [$one, $other] = [$compared->first->variance($takenAs), $compared->second->variance($takenAs)];
        $apart = $compared->second->mean()->minus($compared->first->mean());
        if ($one === null || $other === null || $one->getSign() === 0 || $other->getSign() === 0 || !$apart->multipliedBy($apart)->multipliedBy(25)->isLessThan($pooled)) {
            return null;
        }
        [$large, $small, $name] = $other->isGreaterThan($one) ? [$other, $one, $subject->second] : [$one, $other, $subject->first];
        // Of variances: 1.5 squared is 9/4.
        if (!$large->multipliedBy(4)->isGreaterThan($small->multipliedBy(9))) {
            return null;
        }
        $factor = Exact::squareRoot($large->dividedBy($small)) ?? INF;

        return new Said("Much the same centre, but {$name} varies " . Wording::ratio($factor, 1) . ' times as much.', ['ratio' => $factor], 68);
    }
}
