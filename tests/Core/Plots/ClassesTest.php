<?php

declare(strict_types=1);

namespace Tests\Core\Plots;

use Brick\Math\BigDecimal;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Plots\Classes;

final class ClassesTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function equalOnes(): iterable
    {
        yield 'whole' => ['0', '5'];
        yield 'below zero, of two scales' => ['-0.125', '2.5'];
        yield 'a width finer than the start' => ['10', '0.001'];
        yield 'zeros at the end are kept' => ['1.50', '0.500'];
        yield 'as far as a machine integer goes' => ['9223372036854775007', '100'];
        yield 'one further' => ['9223372036854775008', '100'];
        yield 'below the least machine integer' => ['-9223372036854775900', '100'];
        yield 'a scale that no machine integer holds' => ['1', '1e-30'];
        yield 'far beyond the doubles' => ['1e400', '1e399'];
    }

    #[DataProvider('equalOnes')]
    public function test_edges_are_the_start_and_so_many_widths(string $start, string $width): void
    {
        [$start, $width] = [BigDecimal::of($start), BigDecimal::of($width)];
        $classes = new Classes($start, $width, 8);

        foreach (range(0, 8) as $i) {
            self::assertSame((string) $start->plus($width->multipliedBy($i)), (string) $classes->edge($i));
        }
    }
}
