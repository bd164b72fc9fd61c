<?php

declare(strict_types=1);

namespace RowTally\Core\Figures;

use Brick\Math\BigRational;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\Convention;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Quantiles\Quantile;
use RowTally\Core\Values\Exact;
use RowTally\Core\Values\Figure;
use RowTally\Core\Working\Steps;
use RowTally\Core\Working\Written;

/**
 * Everything that stands beside one figure when it is opened: definition, numbers put in, the values in order with the cuts
 * through them, the source, and what the same figure is under every other convention.
 *
 * Cost  that of the figure, some 20 times where it hangs on the quartile rule.
 */
final readonly class Working
{
    private const ALL_SHOWN = 40;
    private const AROUND = 2;
    private const AT_THE_ENDS = 3;
    private const FENCES = ['1.5', '2', '2.5', '3'];
    private const LEVELS = ['0.9', '0.95', '0.99'];

    /**
     * @param array{n: int, values: list<array{rank: int, text: string}>, cuts: list<array{name: string, rank: float, text: string}>}|null           $order  values in order, with gaps where there are many
     * @param list<array{convention: string, answers: list<array{word: string, words: string, text: string|null, reason: string|null, same: bool}>}> $others
     */
    private function __construct(
        public Figure $figure,
        public ?string $text,
        public ?Steps $steps,
        public ?array $order,
        public array $others,
    ) {}

    public static function of(Statistic $statistic, Observations $observations, Basis $basis, FigureText $display): self
    {
        $figure = $statistic->of($observations, $basis);
        $steps = $figure->value === null ? null : $statistic->steps($observations, $basis);

        return new self(
            $figure,
            $display->of($statistic, $figure),
            $steps,
            $steps?->showsOrder === true && $observations->hasWholeCounts() && $observations->n() > 0 ? self::order($statistic, $observations, $basis) : null,
            self::others($statistic, $observations, $basis, $figure, $display),
        );
    }

    /** For somebody who takes it along: every line as it stands, without the braces. */
    public function plainText(string $title): string
    {
        $lines = [$title . ': ' . ($this->text ?? $this->figure->reason?->value), ...($this->steps === null ? [] : [$this->steps->definition, ...$this->steps->lines])];
        foreach ($this->others as ['convention' => $convention, 'answers' => $answers]) {
            $lines[] = "{$convention}:";
            foreach ($answers as $answer) {
                $lines[] = "  {$answer['words']}: " . ($answer['text'] ?? $answer['reason']) . ($answer['same'] ? ' (the one in force)' : '');
            }
        }
        if ($this->steps !== null && $this->steps->source !== '') {
            $lines[] = "Source: {$this->steps->source}";
        }

        return implode("\n", array_map(self::withoutBraces(...), $lines)) . "\n";
    }

    private static function withoutBraces(string $line): string
    {
        do {
            $before = $line;
            $line = preg_replace(['/\{([^{}]*)\}\/\{([^{}]*)\}/u', '/√\{([^{}]*)\}/u'], ['($1) / ($2)', '√($1)'], $line) ?? $line;
        } while ($line !== $before);

        return $line;
    }

    /** @return array{n: int, values: list<array{rank: int, text: string}>, cuts: list<array{name: string, rank: float, text: string}>} */
    private static function order(Statistic $statistic, Observations $observations, Basis $basis): array
    {
        $n = $observations->n();
        $quartiles = $observations->quartiles($basis->quartileRule);
        $cuts = [
            ['name' => 'Q₁', 'rank' => self::rank($basis->quartileRule, $n, 1), 'text' => Written::number($quartiles->q1)],
            ['name' => 'x̃', 'rank' => ($n + 1) / 2, 'text' => Written::number($observations->median())],
            ['name' => 'Q₃', 'rank' => self::rank($basis->quartileRule, $n, 3), 'text' => Written::number($quartiles->q3)],
        ];
        if ($statistic instanceof Percentile) {
            $rank = Exact::toFloat(Quantile::position($basis->quartileRule, $n, BigRational::of($statistic->percent)->dividedBy(100))) ?? 1.0;
            $cuts = [['name' => $statistic->symbol(SampleOrPopulation::Sample), 'rank' => max(1.0, min((float) $n, $rank)), 'text' => Written::number((float) ($statistic->of($observations, $basis)->number() ?? 0))]];
        }
        $ranks = range(1, min($n, self::ALL_SHOWN));
        if ($n > self::ALL_SHOWN) {
            $ranks = [...range(1, self::AT_THE_ENDS), ...range($n - self::AT_THE_ENDS + 1, $n)];
            foreach ($cuts as ['rank' => $rank]) {
                $ranks = [...$ranks, ...range((int) max(1, floor($rank) - self::AROUND + 1), (int) min($n, ceil($rank) + self::AROUND - 1))];
            }
            $ranks = array_values(array_unique($ranks));
            sort($ranks);
        }

        return [
            'n' => $n,
            'values' => array_map(static fn(int $rank): array => ['rank' => $rank, 'text' => Written::number($observations->values->at($rank))], $ranks),
            'cuts' => $cuts,
        ];
    }

    private static function rank(QuartileRule $rule, int $n, int $quarter): float
    {
        if ($rule === QuartileRule::HalvesExcluded || $rule === QuartileRule::HalvesIncluded) {
            $half = max(1, $rule === QuartileRule::HalvesExcluded ? intdiv($n, 2) : intdiv($n + 1, 2));

            return $quarter === 1 ? (1 + $half) / 2 : $n - ($half - 1) / 2;
        }

        return max(1.0, min((float) $n, Exact::toFloat(Quantile::position($rule, $n, BigRational::nd($quarter, 4))) ?? 1.0));
    }

    /** @return list<array{convention: string, answers: list<array{word: string, words: string, text: string|null, reason: string|null, same: bool}>}> */
    private static function others(Statistic $statistic, Observations $observations, Basis $basis, Figure $figure, FigureText $display): array
    {
        $conventions = [
            [Convention::Divisor, 'Taken as', array_map(static fn(SampleOrPopulation $case): array => [$case->value, 'a ' . $case->words(), $basis->with(takenAs: $case), $case === $basis->takenAs], SampleOrPopulation::cases())],
            [Convention::QuartileRule, 'Quartiles by', array_map(static fn(QuartileRule $case): array => [$case->value, $case->words(), $basis->with(quartileRule: $case), $case === $basis->quartileRule], QuartileRule::cases())],
            [Convention::Fences, 'Fences at', array_map(static fn(string $m): array => [$m, NumberMarks::inForce()->written($m) . ' IQR', $basis->with(innerFence: $m), $m === $basis->innerFence], self::withOwn(self::FENCES, $basis->innerFence))],
            [Convention::Level, 'Confidence level', array_map(static fn(string $level): array => [$level, Basis::percentOf($level) . ' %', $basis->with(level: $level), $level === $basis->level], self::withOwn(self::LEVELS, $basis->level))],
        ];
        $others = [];
        foreach ($conventions as [$dependence, $convention, $choices]) {
            if (!in_array($dependence, $statistic->dependsOn(), true)) {
                continue;
            }
            $answers = [];
            $differs = false;
            foreach ($choices as [$word, $words, $other, $isSame]) {
                $answer = $isSame ? $figure : $statistic->of($observations, $other);
                $differs = $differs || $answer->value !== $figure->value;
                $answers[] = ['word' => $word, 'words' => $words, 'text' => $display->of($statistic, $answer), 'reason' => $answer->reason?->value, 'same' => $isSame];
            }
            if ($differs) {
                $others[] = ['convention' => $convention, 'answers' => $answers];
            }
        }

        return $others;
    }

    /**
     * @param list<string> $words
     *
     * @return list<string>
     */
    private static function withOwn(array $words, string $own): array
    {
        $all = array_values(array_unique([...$words, $own]));
        usort($all, static fn(string $a, string $b): int => (float) $a <=> (float) $b);

        return $all;
    }
}
