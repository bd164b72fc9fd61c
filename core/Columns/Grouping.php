<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

use RowTally\Core\Exception\InvalidInput;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Values\Packed;

/**
 * Which group each row belongs to, cut into the chunks of the columns: a code of one byte a row, or of two where there are many
 * groups. Rows with the code behind the last group are left out of all of them.
 */
final readonly class Grouping
{
    private const NARROW = 256;
    public const MOST = 1000;

    /** @param list<string>|null $codes null = every row is of group 0 */
    private function __construct(
        private ?array $codes,
        public int $groups,
        private bool $isWide,
    ) {}

    /** All rows together. */
    public static function none(): self
    {
        return new self(null, 1, false);
    }

    /**
     * By the labels of a category: group 0 for the rows without one, group c for the label of byte code c.
     *
     * @param iterable<Chunk> $chunks
     *
     * @throws InvalidInput when the column is not held as byte codes
     */
    public static function ofCategory(iterable $chunks, int $labels): self
    {
        $codes = [];
        foreach ($chunks as $chunk) {
            if ($chunk->encoding !== ChunkEncoding::Codes) {
                throw InvalidInput::notEncodable('groups');
            }
            $codes[] = $chunk->payload;
        }

        return new self($codes, $labels + 1, false);
    }

    /**
     * @param iterable<array<int, int|null>> $chunks in row order the group of each row from 0; null = left out
     *
     * @throws InvalidInput for more groups than can be told apart
     */
    public static function ofCodes(iterable $chunks, int $groups): self
    {
        if ($groups > self::MOST) {
            throw NotUnderstood::tooManyGroups($groups, self::MOST);
        }
        $isWide = $groups >= self::NARROW;
        $codes = [];
        foreach ($chunks as $rows) {
            $codes[] = pack($isWide ? 'v*' : 'C*', ...array_map(static fn(?int $code): int => $code ?? $groups, $rows));
        }

        return new self($codes, $groups, $isWide);
    }

    public function isWhole(): bool
    {
        return $this->codes === null;
    }

    /** Byte codes of a chunk, which can be counted as they are; null where they are wider. */
    public function bytes(int $chunk): ?string
    {
        return $this->isWide ? null : ($this->codes[$chunk] ?? '');
    }

    /** @return array<int, int> keyed from 1; the number of groups for a row that is left out */
    public function codes(int $chunk): array
    {
        return Packed::integers($this->isWide ? 'v*' : 'C*', $this->codes[$chunk] ?? '');
    }
}
