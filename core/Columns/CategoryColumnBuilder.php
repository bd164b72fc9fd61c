<?php

declare(strict_types=1);

namespace RowTally\Core\Columns;

/**
 * Packs the cells of a category column as byte codes, the labels in order of first appearance. A label is the cell as it
 * stands, never trimmed; an empty cell is missing. With the 256th label the column turns into text from there on.
 */
final class CategoryColumnBuilder extends ColumnBuilder
{
    public const MAX_LABELS = 255;

    /** @var array<array-key, string> label => its code as a byte; an empty cell is missing */
    private array $bytes = ['' => "\0"];
    /** @var list<string> */
    private array $labels = [];
    /** @var array<int, int> code => how often; code 0 = missing */
    private array $counts = [];
    /** Of the chunk at hand. */
    private string $payload = '';
    private ?TextColumnBuilder $asText = null;

    /** @param list<string> $labels that have codes already, in their order */
    public function __construct(array $labels = [])
    {
        foreach (array_slice($labels, 0, self::MAX_LABELS) as $label) {
            if ($label !== '' && !isset($this->bytes[$label])) {
                $this->learn($label);
            }
        }
    }

    public function take(array $cells): void
    {
        if ($this->asText !== null) {
            $this->asText->take($cells);

            return;
        }
        $payload = '';
        foreach ($cells as $row => $cell) {
            $byte = $this->bytes[$cell] ?? $this->learn($cell);
            if ($byte === null) {
                $this->asText = new TextColumnBuilder();
                $this->asText->take([...array_map($this->label(...), str_split($this->payload . $payload)), ...array_slice($cells, $row)]);

                return;
            }
            $payload .= $byte;
        }
        $this->payload .= $payload;
    }

    public function chunk(): EncodedCells
    {
        if ($this->asText !== null) {
            return $this->asText->chunk();
        }
        $counts = count_chars($this->payload, 1);
        foreach ($counts as $code => $count) {
            $this->counts[$code] = ($this->counts[$code] ?? 0) + $count;
        }
        $chunk = new Chunk(ChunkEncoding::Codes, strlen($this->payload), $counts[0] ?? 0, $this->payload);
        $this->payload = '';

        return new EncodedCells($chunk);
    }

    /** Whether there were too many labels for a category. */
    public function becameText(): bool
    {
        return $this->asText !== null;
    }

    /** @return list<string> label of code 1, 2, … */
    public function labels(): array
    {
        return $this->labels;
    }

    /** @return list<int> how often each label occurs, in the order of `labels()` */
    public function labelCounts(): array
    {
        $counts = [];
        foreach (array_keys($this->labels) as $i) {
            $counts[] = $this->counts[$i + 1] ?? 0;
        }

        return $counts;
    }

    private function learn(string $cell): ?string
    {
        if (count($this->labels) === self::MAX_LABELS) {
            return null;
        }
        $this->labels[] = $cell;

        return $this->bytes[$cell] = chr(count($this->labels));
    }

    private function label(string $byte): string
    {
        return $byte === "\0" ? '' : $this->labels[ord($byte) - 1];
    }
}
