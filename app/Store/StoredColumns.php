<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\ColumnChunk;
use App\Models\Variable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Columns\Chunk;
use RowTally\Core\Columns\ChunkEncoding;
use RowTally\Core\Columns\EncodedCells;
use RowTally\Core\Columns\NumberColumn;
use RowTally\Core\Values\PowerSums;

/** Reads columns back from the store as the core knows them. */
final class StoredColumns
{
    /** An index that says which version of a chunk held at a revision, so that the bytes of the others are not read. */
    private const VERSIONS = 'chunk_versions';

    public static function number(Variable $variable, int $revision): NumberColumn
    {
        return new NumberColumn($variable->decimals, $variable->dictionary, self::chunks($variable, $revision));
    }

    /** @return list<Chunk> as they were at that revision, in row order */
    public static function chunks(Variable $variable, int $revision): array
    {
        return array_map(self::chunk(...), self::rows($variable->id, $revision));
    }

    /** @return array<int, EncodedCells> the chunks with these numbers and what could not be read in them; all without numbers named */
    public static function encoded(Variable $variable, int $revision, int ...$numbers): array
    {
        $encoded = [];
        foreach (self::rows($variable->id, $revision, ['*'], array_values($numbers)) as $row) {
            $encoded[$row->number] = new EncodedCells(self::chunk($row), $row->unread ?? []);
        }

        return $encoded;
    }

    /**
     * The chunks of a variable as they were at a revision.
     *
     * @param list<string> $columns of the table; the payload need not be read for what stands beside it
     * @param list<int>    $numbers none = all
     *
     * @return list<ColumnChunk> in row order
     */
    public static function rows(int $variableId, int $revision, array $columns = ['*'], array $numbers = []): array
    {
        $rows = self::at($revision)->where('variable_id', $variableId);
        $rows->orderBy('number');
        if ($numbers !== []) {
            $rows->whereIn('number', $numbers);
        }

        return array_values($rows->get($columns)->all());
    }

    /**
     * The cells of some chunks of several variables, in one query; without their aggregates.
     *
     * @param list<int> $variableIds
     * @param list<int> $numbers
     *
     * @return array<int, array<int, EncodedCells>> variable => chunk
     */
    public static function window(array $variableIds, int $revision, array $numbers): array
    {
        $window = [];
        foreach (self::read($variableIds, $revision, $numbers, ['encoding', 'rows', 'missing', 'decimals', 'unread', 'payload']) as $row) {
            /** @var \stdClass&object{variable_id: int, number: int, encoding: string, rows: int, missing: int, decimals: int|null, unread: string|null, payload: string} $row */
            $window[$row->variable_id][$row->number] = new EncodedCells(
                new Chunk(ChunkEncoding::from($row->encoding), $row->rows, $row->missing, $row->payload, $row->decimals),
                $row->unread === null ? [] : self::unread($row->unread),
            );
        }

        return $window;
    }

    /**
     * The bytes of some chunks of one variable.
     *
     * @param list<int>|null $numbers null = all
     *
     * @return array<int, string> by chunk
     */
    public static function payloads(int $variableId, int $revision, ?array $numbers = null): array
    {
        $payloads = [];
        foreach (self::read([$variableId], $revision, $numbers, ['payload']) as $row) {
            /** @var \stdClass&object{number: int, payload: string} $row */
            $payloads[$row->number] = $row->payload;
        }

        return $payloads;
    }

    /**
     * Some columns of chunks as they were at a revision: what `at()` finds, without models, of which a million rows would need hundreds.
     *
     * @param list<int>      $variableIds
     * @param list<int>|null $numbers     null = all
     * @param list<string>   $columns     of the table
     *
     * @return list<\stdClass> of each variable in row order
     */
    private static function read(array $variableIds, int $revision, ?array $numbers, array $columns): array
    {
        if ($variableIds === [] || $numbers === []) {
            return [];
        }
        $places = static fn(array $values): string => implode(', ', array_fill(0, count($values), '?'));
        // The window of a grid is asked for at each move of a hand: to put the words of the question together took a third of its time.
        /** @var list<\stdClass> $rows */
        $rows = DB::select(
            'select variable_id, number, `' . implode('`, `', $columns) . '` from column_chunks force index (' . self::VERSIONS . ')'
            . " where since_revision <= ? and (until_revision is null or until_revision > ?) and variable_id in ({$places($variableIds)})"
            . ($numbers === null ? '' : " and number in ({$places($numbers)})"),
            [$revision, $revision, ...$variableIds, ...$numbers ?? []],
        );
        // The database would put the bytes in order along with the numbers.
        usort($rows, static fn(\stdClass $one, \stdClass $other): int => $one->number <=> $other->number);

        return $rows;
    }

    /** @return array<int, string> */
    private static function unread(string $json): array
    {
        $unread = json_decode($json, true, flags: JSON_THROW_ON_ERROR);

        return is_array($unread) ? array_filter($unread, static fn(mixed $text, int|string $place): bool => is_int($place) && is_string($text), ARRAY_FILTER_USE_BOTH) : [];
    }

    /** @return Builder<ColumnChunk> */
    private static function at(int $revision): Builder
    {
        $chunks = ColumnChunk::query();
        $chunks->forceIndex(self::VERSIONS);

        return $chunks->where('since_revision', '<=', $revision)->where(static fn(Builder $query): Builder => $query->where('until_revision', '=', null)->orWhere('until_revision', '>', $revision));
    }

    /** @return list<int> how many rows each chunk has; all variables of a dataset are cut alike */
    public static function layout(int $variableId, int $revision): array
    {
        return array_map(static fn(\stdClass $row): int => is_int($row->rows) ? $row->rows : 0, self::read([$variableId], $revision, null, ['rows']));
    }

    /** @return array<int, int> the revision since which each chunk is as it is, by number */
    public static function versions(int $variableId, int $revision): array
    {
        $versions = [];
        foreach (self::rows($variableId, $revision, ['number', 'since_revision']) as $chunk) {
            $versions[$chunk->number] = $chunk->since_revision;
        }

        return $versions;
    }

    private static function chunk(ColumnChunk $row): Chunk
    {
        $isWhole = $row->decimals !== null;
        $number = static fn(?string $text): int|float|null => $text === null ? null : ($isWhole ? (int) $text : (float) $text);

        return new Chunk(
            $row->encoding,
            $row->rows,
            $row->missing,
            $row->payload,
            $row->decimals,
            $number($row->lowest),
            $number($row->highest),
            $row->sum === null || $row->squares === null ? null : PowerSums::fromTexts($row->rows - $row->missing, $row->sum, $row->squares, $row->decimals),
        );
    }
}
