<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Values\BucketByBucket;
use RowTally\Core\Values\BucketedValues;
use RowTally\Core\Values\Buckets;
use RowTally\Core\Values\Packed;
use RowTally\Core\Values\PowerSums;
use RowTally\Core\Values\RoundCounts;
use RowTally\Core\Values\ValueCounts;

/** Buckets of a tally in the database: what each holds is known, and read only when somebody looks into it. */
final readonly class StoredBuckets implements Buckets
{
    use BucketByBucket;

    /** Distinct values that are put into one row of the table. */
    private const SIZE = 256;
    private const ROWS_AT_ONCE = 128;

    /**
     * @param list<int>       $ids
     * @param list<int>       $sizes
     * @param list<int|float> $highest
     */
    public function __construct(
        private array $ids,
        private array $sizes,
        private array $highest,
        private ?int $decimals,
        private BucketReader $reader = new BucketReader(),
    ) {}

    /**
     * Puts values in order and keeps them.
     *
     * @return array{self, RoundCounts|null}
     */
    public static function keep(BucketedValues $values, Variable $variable, string $rowGrouping): array
    {
        $ids = $sizes = $highest = $payloads = [];
        $ends = $values->buckets->highest();
        $end = $ends[count($ends) - 1] ?? 0;
        $roundCounts = null;
        foreach (self::pieces($values) as [$some, $counts]) {
            if (is_int($end) && is_int($some[0])) {
                /** @var list<int> $some */
                $roundCounts = $sizes === [] ? RoundCounts::over($some[0], $end) : $roundCounts;
                $roundCounts?->add($some, $counts);
            }
            $payloads[] = self::counts($some, $counts, $values->decimals())->toSlimBytes();
            $sizes[] = array_sum($counts);
            $highest[] = $some[count($some) - 1];
            if (count($payloads) === self::ROWS_AT_ONCE) {
                array_push($ids, ...self::put($payloads, $variable, $rowGrouping));
                $payloads = [];
            }
        }
        array_push($ids, ...self::put($payloads, $variable, $rowGrouping));

        return [new self($ids, $sizes, $highest, $values->decimals()), $roundCounts];
    }

    /**
     * @param list<string> $payloads
     *
     * @return list<int> their ids
     */
    private static function put(array $payloads, Variable $variable, string $rowGrouping): array
    {
        if ($payloads === []) {
            return [];
        }
        // Told, not reckoned from the first: each node of a cluster leaves out the numbers of the others.
        $rows = DB::select(
            'insert into `tally_buckets` (`variable_id`, `grouping`, `payload`) values ' . implode(', ', array_fill(0, count($payloads), '(?, ?, ?)')) . ' returning `id`',
            array_merge(...array_map(static fn(string $payload): array => [$variable->id, $rowGrouping, $payload], $payloads)),
            false,
        );

        return array_map(static fn(mixed $id): int => is_numeric($id) ? (int) $id : 0, array_column($rows, 'id'));
    }

    /** @return iterable<array{non-empty-list<int>|non-empty-list<float>, list<int>}> some hundred distinct values at a time, with their counts */
    private static function pieces(BucketedValues $values): iterable
    {
        $some = $counts = [];
        foreach ($values->slices() as [$next, $often]) {
            array_push($some, ...$next);
            array_push($counts, ...$often);
            $whole = intdiv(count($some), self::SIZE) * self::SIZE;
            foreach (array_chunk(array_slice($some, 0, $whole), self::SIZE) as $i => $piece) {
                yield [$piece, array_slice($counts, $i * self::SIZE, self::SIZE)];
            }
            $some = array_slice($some, $whole);
            $counts = array_slice($counts, $whole);
        }
        if ($some !== []) {
            yield [$some, $counts];
        }
    }

    public static function fromBytes(string $bytes, ?int $decimals, BucketReader $reader): BucketedValues
    {
        [1 => $number, 2 => $n, 3 => $sumLength, 4 => $squaresLength] = Packed::integers('q4', $bytes);
        $words = 8 * $number;
        $list = static fn(int $at): string => substr($bytes, 32 + $at * $words, $words);
        $integers = static fn(string $part): array => $part === '' ? [] : array_values(Packed::integers('q*', $part));
        $ends = $list(2);
        $sums = 32 + 3 * $words;
        $rest = $sums + $sumLength + $squaresLength;

        return new BucketedValues(
            new self($integers($list(0)), $integers($list(1)), $decimals === null && $ends !== '' ? array_values(Packed::doubles('e*', $ends)) : $integers($ends), $decimals, $reader),
            $decimals,
            PowerSums::fromTexts($n, substr($bytes, $sums, $sumLength), substr($bytes, $sums + $sumLength, $squaresLength), $decimals),
            strlen($bytes) > $rest ? RoundCounts::fromBytes(substr($bytes, $rest)) : null,
        );
    }

    public function toBytes(PowerSums $powerSums, ?RoundCounts $roundCounts): string
    {
        $sums = $powerSums->toTexts();

        return pack('q4', count($this->ids), $powerSums->n, strlen($sums['sum']), strlen($sums['squares']))
            . pack('q*', ...$this->ids) . pack('q*', ...$this->sizes) . pack($this->decimals === null ? 'e*' : 'q*', ...$this->highest)
            . $sums['sum'] . $sums['squares'] . $roundCounts?->toBytes();
    }

    /**
     * The same but for a few values; only for decimals. Buckets that stay are shared.
     *
     * @param array<int, int> $removed unscaled value => how many of it go, never more than there are
     * @param array<int, int> $added   unscaled value => how many come
     */
    public static function changed(BucketedValues $values, self $buckets, array $removed, array $added, Variable $variable): BucketedValues
    {
        $decimals = $values->decimals() ?? 0;
        $touched = [];
        foreach (['removed' => $removed, 'added' => $added] as $side => $changes) {
            foreach ($changes as $value => $count) {
                $touched[$values->bucketOf($value)][$side][$value] = $count;
            }
        }
        $buckets->prefetch(array_keys($touched));
        [$ids, $sizes, $highest] = [$buckets->ids, $buckets->sizes, $buckets->highest];
        foreach ($touched as $bucket => $changes) {
            $after = $buckets->bucket($bucket)->changed($changes['removed'] ?? [], $changes['added'] ?? []);
            $sizes[$bucket] = $after->n();
            if ($after->n() > 0) {
                $highest[$bucket] = $after->at($after->n())->getUnscaledValue()->toInt();
                $ids[$bucket] = DB::table('tally_buckets')->insertGetId(['variable_id' => $variable->id, 'grouping' => '', 'payload' => $after->toSlimBytes()]);
            }
        }
        $left = array_keys(array_filter($sizes, static fn(int $size): bool => $size > 0));

        return new BucketedValues(
            new self(
                array_map(static fn(int $i): int => $ids[$i], $left),
                array_map(static fn(int $i): int => $sizes[$i], $left),
                array_map(static fn(int $i): int|float => $highest[$i], $left),
                $decimals,
            ),
            $decimals,
            $values->powerSums()
                ->plus(PowerSums::ofIntegers(array_keys($added), array_values($added), $decimals))
                ->minus(PowerSums::ofIntegers(array_keys($removed), array_values($removed), $decimals)),
            $values->roundCounts?->changed($removed, $added),
        );
    }

    /** @return list<int> of the rows that hold them */
    public function ids(): array
    {
        return $this->ids;
    }

    public function sizes(): array
    {
        return $this->sizes;
    }

    public function highest(): array
    {
        return $this->highest;
    }

    public function bucket(int $index): ValueCounts
    {
        return $this->reader->bucket($this->ids[$index], $this->decimals);
    }

    public function prefetch(array $indexes): void
    {
        $this->reader->want(array_map(fn(int $index): int => $this->ids[$index], $indexes));
    }

    /**
     * @param list<int>|list<float> $values
     * @param list<int>             $counts
     */
    private static function counts(array $values, array $counts, ?int $decimals): ValueCounts
    {
        if ($decimals === null) {
            /** @var list<float> $values */
            return ValueCounts::ofDoubles($values, $counts);
        }

        /** @var list<int> $values */
        return ValueCounts::ofIntegers($values, $counts, $decimals);
    }
}
