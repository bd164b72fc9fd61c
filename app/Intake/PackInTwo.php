<?php

declare(strict_types=1);

namespace App\Intake;

use Closure;
use RuntimeException;

/** Two processes go over a file at once, each for its own columns (decision 0020). */
final class PackInTwo
{
    /**
     * @param list<RecognisedVariable> $variables
     * @param callable(int, int): void $progress
     *
     * @return array{PackedColumns, int} all columns, and how much memory the second process held at most
     */
    public static function pack(PackColumns $packing, array $variables, SharedSink $sink, callable $progress): array
    {
        [$own, $others] = SharedColumns::of($variables, 2);
        $sink->beforeSharing();
        $second = SecondProcess::begin(static function (Closure $goOn) use ($packing, $others, $sink): array {
            memory_reset_peak_usage();
            $before = memory_get_usage();
            $packed = $packing->pack($others, $sink, $goOn);
            $sink->flush();

            return [$packed->variables, memory_get_peak_usage() - $before, $packed->rows];
        });
        try {
            $packed = $packing->pack($own, $sink, $progress);
            /** @var array{array<int, ReadVariable>, int, int} $result */
            $result = $second->result(static fn() => $progress($packed->reader->bytesRead, $packed->rows));
        } finally {
            $second->stop();
        }
        if ($result[2] !== $packed->rows) {
            throw new RuntimeException("The two processes have read {$packed->rows} and {$result[2]} rows.");
        }
        $all = $packed->variables + $result[0];
        ksort($all);

        return [new PackedColumns($packed->rows, $all, $packed->reader), $result[1]];
    }
}
