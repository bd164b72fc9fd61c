<?php

declare(strict_types=1);

namespace App\Intake;

use App\Files\WholeFile;
use App\Intake\Formats\Format;
use App\Intake\Formats\TextEncoding;
use Closure;
use RowTally\Core\Parsing\ValueList;
use RowTally\Core\Parsing\VariableType;
use Throwable;

/**
 * Any file as CSV in UTF-8, which is what the reader of tables reads: text in UTF-8 as it stands, everything else as a copy that
 * is gone with this object.
 */
final class PreparedTable
{
    private const SAMPLE_BYTES = CopiedTable::SAMPLE_BYTES;

    /** @param list<string> $sheets */
    private function __construct(
        public readonly Format $format,
        /** CSV in UTF-8 */
        public readonly string $path,
        /** What was decided, with what the file itself states. */
        public readonly Decisions $decisions,
        /** Tables in the file, by name; empty where it has only one without a name. */
        public readonly array $sheets = [],
        public readonly ?string $sheet = null,
        /** How the text was encoded; null for other formats. */
        public readonly ?string $encoding = null,
        private readonly bool $isCopy = true,
        /** Whether the copy holds only the beginning. */
        public readonly bool $isSample = false,
        /** Whether all of it is known to be UTF-8. */
        public readonly bool $isChecked = false,
        /** @var list<string> what somebody should know of it */
        public readonly array $remarks = [],
    ) {}

    public function __destruct()
    {
        if ($this->isCopy) {
            @unlink($this->path);
        }
    }

    /**
     * @param bool                   $sample     only the beginning is needed
     * @param string|null            $recognised the encoding of a text, where it was found out before
     * @param (Closure(): void)|null $meanwhile  called a few times a second while a copy is made; may throw, which ends it
     *
     * @throws NotATable
     */
    public static function of(string $path, string $name, Decisions $decisions, bool $sample = false, ?string $recognised = null, ?Closure $meanwhile = null): self
    {
        clearstatcache(true, $path);
        if ((int) filesize($path) === 0) {
            throw NotATable::empty();
        }
        $encoding = $decisions->encoding;
        // What an archive is is found out where it can do no harm.
        $format = $encoding === null ? (Format::isArchive($path) ? null : Format::of($path, $name)) : Format::Text;
        if ($format === Format::Text || $format === Format::ValueList) {
            return self::text($path, $decisions, $encoding ?? $recognised ?? TextEncoding::of($path), $sample);
        }
        $copy = WholeFile::scratch();
        try {
            $copied = CopyProcess::copy($path, $name, $format, $decisions, $sample, $copy, $meanwhile ?? static function (): void {});
        } catch (Throwable $thrown) {
            @unlink($copy);
            throw $thrown;
        }

        return new self($copied->format, $copy, $copied->decisions, $copied->sheets, $copied->sheet, isSample: $copied->isCut, remarks: $copied->remarks);
    }

    private static function text(string $path, Decisions $decisions, string $encoding, bool $sample): self
    {
        if ($encoding === 'utf-8') {
            $list = self::asList($path, $decisions);

            return $list === null
                // Where the encoding was recognised, all of the file was looked through.
                ? new self(Format::Text, $path, $decisions, encoding: $encoding, isCopy: false, isChecked: $decisions->encoding === null)
                : self::listed($list, self::valuesOf($list, $decisions));
        }
        $copy = WholeFile::scratch();
        TextEncoding::toUtf8($path, $encoding, $copy, $sample ? self::SAMPLE_BYTES : null);

        return new self(Format::Text, $copy, $decisions, encoding: $encoding, isSample: $sample && filesize($path) > self::SAMPLE_BYTES);
    }

    /** Values are numbers and never ids, even where they run 1, 2, 3; classes are labels. */
    private static function valuesOf(ValueList $list, Decisions $decisions): Decisions
    {
        foreach ($list->names as $place => $name) {
            if ($name !== 'Class' && $decisions->column($place)->type === null) {
                $decisions = $decisions->with(['what' => 'type', 'column' => $place, 'value' => VariableType::Number->value]);
            }
        }

        return $decisions;
    }

    /** A short text without a table in it may be a list of values. */
    private static function asList(string $path, Decisions $decisions): ?ValueList
    {
        $decided = $decisions->delimiter !== null || $decisions->hasHeader !== null || $decisions->firstLine !== null;
        if ($decided || filesize($path) > self::SAMPLE_BYTES) {
            return null;
        }
        $text = (string) file_get_contents($path);
        $lines = explode("\n", str_replace(["\r\n", "\r"], "\n", trim($text)), 4);
        // Lines of equally many cells are a table; one value a line may as well be read as one, with its name on top.
        $cells = array_map(static fn(string $line): int => 1 + (int) preg_match_all('/[,;\t]/', trim($line)), array_slice($lines, 0, 3));
        if (count($lines) > 1 && count(array_unique($cells)) === 1 && preg_match('/^\s*[\d.,+\-−]+\s*(?:[×x*–—\-]|to|bis|and|[<>≤≥])/iu', $text) !== 1 && ($cells[0] > 1 || preg_match('/\s/', trim($lines[0])) !== 1)) {
            return null;
        }

        return ValueList::of($text);
    }

    private static function listed(ValueList $list, Decisions $decisions): self
    {
        $copy = WholeFile::scratch();

        return new self(Format::ValueList, $copy, CopiedTable::write($copy, [$list->names, ...$list->rows], $decisions, PHP_INT_MAX)->decisions);
    }
}
