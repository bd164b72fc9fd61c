<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Drawing\Pictures;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;

/** Values whose sums, ranges and heights leave the doubles: whatever is asked of them is answered. */
final class HugeTest extends AppTestCase
{
    /** @return iterable<string, array{string}> */
    public static function questions(): iterable
    {
        foreach (['profile', 'overview', 'plots/crosshair', 'working', 'classes', ...array_map(static fn(string $kind): string => "plots/{$kind}", Pictures::kinds())] as $what) {
            yield $what => [$what];
        }
    }

    #[DataProvider('questions')]
    public function test_huge_and_tiny_values_are_answered_for(string $what): void
    {
        $huge = static fn(int $i): string => $i % 2 === 0 ? '1.7e308' : '1e308';
        $mixed = static fn(int $i): string => ['-1.7e308', '1.7e308', '0', '5e-324'][$i % 4];
        $dataset = $this->dataset("site,huge,mixed\n" . implode('', array_map(static fn(int $i): string => ['Mill', 'Oak', ''][$i % 3] . ",{$huge($i)},{$mixed($i)}\n", range(1, 40))));
        foreach (['huge', 'mixed'] as $of) {
            foreach (['', '&by=site', '&curve=yes', '&scale=density&curve=yes', '&scale=cumulative', '&edges=right', '&missing=complete-rows', '&figures=everything', '&as=population&quartiles=hf7', '&classes=0:1e307'] as $words) {
                foreach (['scene', 'svg'] as $format) {
                    $answer = $this->getJson("/api/datasets/{$dataset->id}/{$what}?of={$of}{$words}&format={$format}&figure=sd&column=0&variable={$of}");
                    self::assertLessThan(500, $answer->getStatusCode(), "{$of}{$words} {$format}: " . ($answer->exception?->getMessage() . substr((string) $answer->exception?->getTraceAsString(), 0, 400) ?? ''));
                }
            }
        }
    }
}
