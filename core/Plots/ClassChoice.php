<?php

declare(strict_types=1);

namespace RowTally\Core\Plots;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Values\Resolution;

/**
 * How somebody wants the classes of a histogram: by a rule, from a start in one width, or by their edges.
 *
 * Words  '' = automatic; `sturges`, `scott`, `freedman-diaconis`; `start:width` such as 0:2.5; edges such as 0,5,10,20.
 */
final readonly class ClassChoice
{
    public const MOST = 500;
    private const NUMBER = '-?\d{1,40}(?:\.\d{1,40})?(?:[eE][+\-]?\d{1,3})?';

    /** @param list<BigDecimal> $edges */
    private function __construct(
        public string $word,
        private ?ClassRule $rule,
        private ?BigDecimal $start = null,
        private ?BigDecimal $width = null,
        private array $edges = [],
    ) {}

    /** @throws NotUnderstood */
    public static function ofWord(string $word): self
    {
        $plain = str_replace(["\u{2212}", ' '], ['-', ''], trim($word));
        $rule = ClassRule::tryFrom($plain);
        if ($plain === '' || $rule !== null) {
            return new self($plain, $rule);
        }
        if (preg_match('/^(' . self::NUMBER . '):(' . self::NUMBER . ')$/', $plain, $part) === 1 && (float) $part[2] > 0.0) {
            return new self($plain, null, BigDecimal::of($part[1]), BigDecimal::of($part[2]));
        }
        if (preg_match('/^' . self::NUMBER . '(?:[,;]' . self::NUMBER . ')+$/', $plain) === 1) {
            $edges = array_map(BigDecimal::of(...), explode(',', strtr($plain, ';', ',')));
            foreach ($edges as $i => $edge) {
                if ($i > 0 && $edge->isLessThanOrEqualTo($edges[$i - 1])) {
                    throw NotUnderstood::edgesNotAscending((string) $edges[$i - 1], (string) $edge);
                }
            }
            if (count($edges) <= self::MOST + 1) {
                return new self($plain, null, edges: $edges);
            }
        }
        throw NotUnderstood::noClasses($word);
    }

    /**
     * Only for n of 1 or more.
     *
     * @throws NotUnderstood when it would make too many classes
     */
    public function classes(Observations $observations, ClassEdge $closed): Classes
    {
        if ($this->edges !== []) {
            return Classes::ofEdges($this->edges);
        }
        if ($this->start === null || $this->width === null) {
            return AutomaticClasses::for($observations, $closed, $this->rule);
        }
        $last = $observations->values->at($observations->n());
        if ($last->minus($this->start)->toBigRational()->dividedBy(BigRational::of($this->width))->isGreaterThan(self::MOST)) {
            throw NotUnderstood::tooManyClasses(self::MOST);
        }

        $classes = (new Classes($this->start, $this->width, 1))->reaching($last);
        $step = Resolution::of($observations->values)->step ?? ($observations->values->decimals() === 0 ? BigDecimal::one() : null);

        return $classes->over($step, $last);
    }
}
