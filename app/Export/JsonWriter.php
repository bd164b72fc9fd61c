<?php

declare(strict_types=1);

namespace App\Export;

use App\Files\WholeFile;
use RowTally\Core\Parsing\VariableType;

/** A list of objects (RFC 8259), or one object a line. Numbers are written with the digits they have; missing is null. */
final class JsonWriter implements TableWriter
{
    public function __construct(private readonly bool $isLines) {}

    public function write(ExportedTable $table, $out): void
    {
        $names = array_map(static fn(ExportedVariable $variable): string => self::text($variable->name) . ':', $table->variables);
        $between = '';
        WholeFile::write($out, $this->isLines ? '' : "[\n");
        foreach ($table->blocks as $block) {
            $columns = [];
            foreach ($table->variables as $i => $variable) {
                $columns[] = self::values($block['cells'][$i], $block['unread'][$i], $variable->type === VariableType::Number);
            }
            $text = '';
            for ($row = 0; $row < $block['rows']; ++$row) {
                $parts = [];
                foreach ($names as $i => $name) {
                    $parts[] = $name . $columns[$i][$row];
                }
                $text .= $between . '{' . implode(',', $parts) . '}';
                $between = $this->isLines ? "\n" : ",\n";
            }
            WholeFile::write($out, $text);
        }
        WholeFile::write($out, $this->isLines ? "\n" : "\n]\n");
    }

    /**
     * @param list<string>     $cells
     * @param array<int, true> $unread
     *
     * @return list<string>
     */
    private static function values(array $cells, array $unread, bool $isNumber): array
    {
        $values = [];
        foreach ($cells as $i => $cell) {
            $values[] = match (true) {
                $cell === '' => 'null',
                $isNumber && !isset($unread[$i]) => $cell,
                default => self::text($cell),
            };
        }

        return $values;
    }

    private static function text(string $text): string
    {
        return json_encode($text, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_INVALID_UTF8_SUBSTITUTE);
    }
}
