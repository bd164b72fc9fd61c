<?php

declare(strict_types=1);

namespace App\Operator;

use Closure;
use Illuminate\Support\Facades\DB;

/**
 * What there is to be watched, in the open text format for it. Nothing of anybody: counts, sizes and times.
 *
 * Source  OpenMetrics 1.0 (the text format): families with their kind, then their samples, `# EOF` at the end.
 */
final class Metrics
{
    public const TYPE = 'application/openmetrics-text; version=1.0.0; charset=utf-8';
    private const DERIVED = ['tallies', 'tally_buckets', 'row_groupings', 'row_views'];

    public static function text(CountedRequests $requests): string
    {
        $counted = $requests->all();
        $lines = self::family('rowtally_requests', 'counter', 'Requests answered, by route and status.', array_map(static function (string $class, int $count): array {
            [$method, $rest] = explode(' ', $class, 2);

            return [['method' => $method, 'route' => substr($rest, 0, -4), 'status' => substr($rest, -3)], $count];
        }, array_keys($counted['count']), array_values($counted['count'])), '_total');
        $lines = [...$lines, '# TYPE rowtally_request_seconds histogram', '# UNIT rowtally_request_seconds seconds', '# HELP rowtally_request_seconds From the first byte of a request to the last of its answer.'];
        foreach ($counted['seconds'] as $route => $times) {
            $sum = 0;
            foreach ($times['buckets'] as $place => $count) {
                $sum += $count;
                $lines[] = self::sample('rowtally_request_seconds_bucket', ['route' => $route, 'le' => isset(CountedRequests::SECONDS[$place]) ? json_encode(CountedRequests::SECONDS[$place], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION) : '+Inf'], $sum);
            }
            $lines[] = self::sample('rowtally_request_seconds_sum', ['route' => $route], $times['sum']);
            $lines[] = self::sample('rowtally_request_seconds_count', ['route' => $route], $sum);
        }
        $tables = DB::table('information_schema.tables')->where('table_schema', DB::getDatabaseName())->selectRaw('table_name AS name, data_length + index_length AS bytes')->get()
            ->mapWithKeys(static fn(object $row): array => [(is_string($row->name ?? null) ? $row->name : '') => is_numeric($row->bytes ?? null) ? (int) $row->bytes : 0])->all();
        $lines = [
            ...$lines,
            ...self::family('rowtally_queue_waiting', 'gauge', 'Work that waits for a worker.', self::queues(Queues::waiting(...))),
            ...self::family('rowtally_queue_running', 'gauge', 'Work that a worker has.', self::queues(Queues::running(...))),
            ...self::family('rowtally_queue_oldest_seconds', 'gauge', 'How long the oldest has waited.', self::queues(Queues::oldestSeconds(...))),
            ...self::family('rowtally_queue_failed', 'gauge', 'Work that was given up.', [[[], DB::table('failed_jobs')->count()]]),
            ...self::counts('rowtally_imports', 'Imports, by how far they are.', 'imports', 'status'),
            ...self::family('rowtally_things', 'gauge', 'How many there are.', array_map(static fn(string $table): array => [['of' => $table], DB::table($table)->count()], ['users', 'datasets', 'reports', 'editions'])),
            ...self::family('rowtally_database_bytes', 'gauge', 'What each table takes, with its indexes.', array_map(static fn(string $table, int $bytes): array => [['table' => $table], $bytes], array_map(strval(...), array_keys($tables)), array_values($tables))),
            ...self::family('rowtally_derived_bytes', 'gauge', 'Of it what is worked out from the data and may be emptied.', [[[], array_sum(array_intersect_key($tables, array_flip(self::DERIVED)))]]),
            ...self::family('rowtally_disk_bytes', 'gauge', 'The disk of the storage folder.', [[['what' => 'free'], (int) disk_free_space(storage_path())], [['what' => 'all'], (int) disk_total_space(storage_path())]]),
            ...self::family('rowtally_up', 'gauge', 'Whether /up says so.', [[[], Health::troubles() === [] ? 1 : 0]]),
            '# EOF',
        ];

        return implode("\n", $lines) . "\n";
    }

    /**
     * @param Closure(string): int $value
     *
     * @return list<array{array<string, string>, int}>
     */
    private static function queues(Closure $value): array
    {
        return array_map(static fn(string $queue): array => [['queue' => $queue], $value($queue)], Queues::NAMES);
    }

    /** @return list<string> */
    private static function counts(string $name, string $help, string $table, string $by): array
    {
        $samples = [];
        foreach (DB::table($table)->selectRaw("{$by} AS kind, COUNT(*) AS count")->groupBy($by)->get() as $row) {
            $samples[] = [[$by => is_string($row->kind ?? null) ? $row->kind : ''], is_numeric($row->count ?? null) ? (int) $row->count : 0];
        }

        return self::family($name, 'gauge', $help, $samples);
    }

    /**
     * @param array<array-key, array{array<string, string>, int|float}> $samples labels and value
     *
     * @return list<string>
     */
    private static function family(string $name, string $kind, string $help, array $samples, string $suffix = ''): array
    {
        $unit = preg_match('/_(seconds|bytes)$/D', $name, $found) === 1 ? ["# UNIT {$name} {$found[1]}"] : [];

        return ["# TYPE {$name} {$kind}", ...$unit, "# HELP {$name} {$help}", ...array_values(array_map(static fn(array $sample): string => self::sample($name . $suffix, $sample[0], $sample[1]), $samples))];
    }

    /** @param array<string, string> $labels */
    private static function sample(string $name, array $labels, int|float $value): string
    {
        $written = implode(',', array_map(static fn(string $label, string $text): string => "{$label}=\"" . str_replace(['\\', '"', "\n"], ['\\\\', '\"', '\n'], $text) . '"', array_keys($labels), array_values($labels)));

        return $name . ($written === '' ? '' : "{{$written}}") . ' ' . json_encode($value, JSON_THROW_ON_ERROR);
    }
}
