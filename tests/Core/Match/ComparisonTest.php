<?php

declare(strict_types=1);

namespace Tests\Core\Match;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Match\Comparison;
use RowTally\Core\Match\Stated;

final class ComparisonTest extends TestCase
{
    /** @return iterable<string, array{float, string, string, bool, string}> figure, stated, tolerance, whether within, the sentence */
    public static function comparisons(): iterable
    {
        yield 'below' => [6.4, '8.0', '15%', false, '6.4 kg lies below 6.8–9.2: it is 20.0 % less than the stated 8.0, and 15 % was allowed.'];
        yield 'above' => [9.21, '8.0', '15 %', false, '9.21 kg lies above 6.8–9.2: it is 15.1 % more than the stated 8.0, and 15 % was allowed.'];
        yield 'on the end' => [9.2, '8.0', '15%', true, '9.2 kg lies within 6.8–9.2: it is 15.0 % more than the stated 8.0, and 15 % was allowed.'];
        yield 'absolute' => [7.5, '8', '0.5', true, '7.5 kg lies within 7.5–8.5: it is 6.3 % less than the stated 8, and 0.5 was allowed.'];
        yield 'the same' => [8.0, '8.0', '0', true, '8 kg lies within 8–8: it is the stated 8.0, and 0 was allowed.'];
        yield 'a negative one' => [-3.0, '-2', '10%', false, '-3 kg lies below −2.2–−1.8: it is 50.0 % less than the stated −2, and 10 % was allowed.'];
        yield 'a stated 0' => [0.25, '0', '0.5', true, '0.25 kg lies within −0.5–0.5: it differs by 0.25 kg from the stated 0, and 0.5 was allowed.'];
    }

    #[DataProvider('comparisons')]
    public function test_the_answer_says_where_it_lies_and_by_how_much(float $figure, string $stated, string $tolerance, bool $isWithin, string $sentence): void
    {
        $comparison = Comparison::of($figure, Stated::of($stated), $tolerance);

        self::assertSame([$isWithin, $sentence], [$comparison->isWithin, $comparison->sentence((string) $figure, 'kg')]);
    }

    public function test_a_negative_tolerance_is_none(): void
    {
        $this->expectException(NotUnderstood::class);
        Comparison::of(1.0, Stated::of('1'), '-5%');
    }
}
