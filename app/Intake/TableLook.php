<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use RowTally\Core\Parsing\MissingMarks;
use RowTally\Core\Parsing\NumberStyle;
use RowTally\Core\Parsing\NumberText;
use RowTally\Core\Parsing\VariableName;
use RowTally\Core\Parsing\VariableType;

/** A file as it would be read under some decisions: its first rows, what each column is, and what could not be read. */
final readonly class TableLook
{
    private const ROWS_SHOWN = 100;
    private const KINDS_SHOWN = 60;
    private const LINES_NAMED = 5;
    private const LONGEST_TEXT = 60;

    /**
     * @param list<RecognisedVariable>                                                          $variables
     * @param list<array{line: int, cells: list<string>, states: list<string>, left_out: bool}> $rows
     * @param list<UnreadKind>                                                                  $unread
     * @param list<TwoReadings>                                                                 $inDoubt
     */
    private function __construct(
        public PreparedTable $table,
        public CsvFile $file,
        /** What somebody decided, without what the file itself states. */
        public Decisions $decided,
        public array $variables,
        public array $rows,
        public array $unread,
        public int $unreadCells,
        public array $inDoubt,
        public int $rowsLookedAt,
        public bool $isWhole,
        public ?CountsQuestion $countsQuestion,
    ) {}

    /**
     * @param string|null $encoding of a text, where it was found out before
     *
     * @throws NotATable
     */
    public static function at(string $path, string $name, Decisions $decisions, ?string $encoding = null): self
    {
        $table = PreparedTable::of($path, $name, $decisions, true, $encoding);
        $file = CsvFile::open($table->path, $table->decisions);
        $reshape = Reshape::of($file->names, $table->decisions);
        $variables = RecogniseColumns::of($file, $table->decisions);
        $rows = $counting = [];
        $unread = [];
        $unreadCells = $seen = 0;
        $cells = new PlainCells($table->decisions->missing);
        $above = [];
        $isFilledDown = array_filter($variables, static fn(RecognisedVariable $variable): bool => $variable->isFilledDown);
        foreach ($file->head as $i => $row) {
            $isLeftOut = $file->leavesOut($row);
            foreach ($reshape->rows([$row]) as $shaped) {
                foreach ($isLeftOut ? [] : array_keys($isFilledDown) as $column) {
                    [[$cell], $above[$column]] = PackColumns::filledDown([$shaped[$column]], $above[$column] ?? '');
                    $shaped = array_values(array_replace($shaped, [$column => $cell]));
                }
                ++$seen;
                if (!$isLeftOut) {
                    $counting[] = $shaped;
                }
                $states = $isLeftOut ? array_fill(0, count($shaped), 'left-out') : self::states($shaped, $variables, $cells);
                foreach (array_keys($states, 'unread', true) as $column) {
                    $unread[$column][$shaped[$column]][] = $file->lines[$i];
                    ++$unreadCells;
                }
                if (count($rows) < self::ROWS_SHOWN) {
                    $rows[] = ['line' => $file->lines[$i], 'cells' => array_map(self::shortened(...), $shaped), 'states' => $states, 'left_out' => $isLeftOut];
                }
            }
        }

        return new self(
            $table,
            $file,
            $decisions,
            $variables,
            $rows,
            self::kinds($unread, $variables, $table->decisions, $file, $reshape->isPlain()),
            $unreadCells,
            [...TwoReadings::ofTable($file, $table->decisions), ...($reshape->isPlain() ? self::doubts($variables, $counting) : [])],
            $seen,
            $file->isWhole && !$table->isSample,
            CountsQuestion::of($variables, $counting),
        );
    }

    /** The same for every file with these columns, so that decisions about one serve the next. */
    public function fingerprint(): string
    {
        return hash('sha256', json_encode([
            $this->table->format->value,
            array_map(static fn($name): string => $name->asItStands, $this->file->names),
        ], JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
    }

    /**
     * @param list<RecognisedVariable> $variables
     * @param list<list<string>>       $rows
     *
     * @return list<TwoReadings>
     */
    private static function doubts(array $variables, array $rows): array
    {
        $whole = count(array_filter($rows, static fn(array $row): bool => count(array_filter($row, NumberText::isBlank(...))) <= 1));
        $areWhole = 10 * $whole >= 9 * count($rows);
        $doubts = [];
        foreach ($variables as $column => $variable) {
            $doubts[] = TwoReadings::of($column, $variable) ?? TwoReadings::gaps($column, $variable, array_column($rows, $column), $areWhole);
        }

        return array_values(array_filter($doubts, static fn(?TwoReadings $doubt): bool => $doubt !== null));
    }

    /**
     * @param list<string>             $row
     * @param list<RecognisedVariable> $variables
     *
     * @return list<string> read, missing or unread
     */
    private static function states(array $row, array $variables, PlainCells $cells): array
    {
        $states = [];
        foreach ($row as $column => $cell) {
            $variable = $variables[$column];
            $plain = $cells->of([$cell], $variable)[0];
            $states[] = match (true) {
                $variable->type === VariableType::Number && !NumberText::isBlank($plain) && NumberText::parse($plain, $variable->style->decimalMark) === null,
                $variable->type === VariableType::Date && !NumberText::isBlank($plain) && $variable->dateOrder?->iso($plain) === null => $variable->isTaken ? 'unread' : 'read',
                $plain === '', $variable->type !== VariableType::Category && NumberText::isBlank($plain) => 'missing',
                default => 'read',
            };
        }

        return $states;
    }

    /**
     * @param array<int, array<array-key, list<int>>> $unread    column => text => lines
     * @param list<RecognisedVariable>                $variables
     *
     * @return list<UnreadKind> the most common first
     */
    private static function kinds(array $unread, array $variables, Decisions $decisions, CsvFile $file, bool $isPlain): array
    {
        $kinds = [];
        foreach ($unread as $column => $texts) {
            foreach ($texts as $text => $lines) {
                $text = (string) $text;
                $kinds[] = new UnreadKind($column, self::shortened($text), count($lines), array_slice($lines, 0, self::LINES_NAMED), self::remedies($text, $column, $variables[$column], $decisions, $file, $isPlain));
            }
        }
        usort($kinds, static fn(UnreadKind $a, UnreadKind $b): int => $b->count <=> $a->count);

        return array_slice($kinds, 0, self::KINDS_SHOWN);
    }

    /** @return list<array{words: string, changes: list<array{what: string, column: int|null, value: mixed}>}> */
    private static function remedies(string $text, int $column, RecognisedVariable $variable, Decisions $decisions, CsvFile $file, bool $isPlain): array
    {
        $remedies = [];
        $shown = self::shortened(trim($text));
        $asMissing = ['words' => "treat “{$shown}” as missing", 'changes' => [['what' => 'missing', 'column' => null, 'value' => [...$decisions->missing, trim($text)]]]];
        if (MissingMarks::isKnown($text)) {
            $remedies[] = $asMissing;
        }
        if ($isPlain && $variable->type === VariableType::Number) {
            $parts = NumberStyle::numberAndAffix($text);
            if ($parts !== null && ($parts[1] === $variable->unit || VariableName::isUnit($parts[1]))) {
                $with = $variable->style->with($parts[1]);
                $other = new NumberStyle($with->decimalMark === '.' ? ',' : '.', $with->groupMark, $with->affixes);
                $affixes = ['what' => 'affixes', 'column' => $column, 'value' => $with->affixes];
                $words = "read “{$shown}” as {$parts[0]}";
                if ($with->parses($text)) {
                    $remedies[] = ['words' => $words, 'changes' => [$affixes]];
                } elseif ($other->parses($text)) {
                    $remedies[] = ['words' => $words . ($other->decimalMark === ',' ? ', with a decimal comma' : ', with a decimal point'), 'changes' => [$affixes, ['what' => 'decimal_mark', 'column' => $column, 'value' => $other->decimalMark]]];
                }
            }
            if (!$variable->style->negatives && $variable->style->withNegatives()->parses($text)) {
                $remedies[] = ['words' => "read “{$shown}” as " . str_replace('-', '−', $variable->style->withNegatives()->plain($text)), 'changes' => [['what' => 'negatives', 'column' => $column, 'value' => true]]];
            }
            foreach (self::otherMarks($text, $variable->style) as [$what, $value, $words]) {
                $remedies[] = ['words' => "read “{$shown}” {$words}", 'changes' => [['what' => $what, 'column' => $column, 'value' => $value]]];
            }
        }
        if (!MissingMarks::isKnown($text)) {
            $remedies[] = $asMissing;
        }
        if ($isPlain) {
            $remedies[] = ['words' => "read “{$variable->name}” as categories", 'changes' => [['what' => 'type', 'column' => $column, 'value' => VariableType::Category->value]]];
        }

        return $remedies;
    }

    /** @return list<array{string, string, string}> */
    private static function otherMarks(string $text, NumberStyle $style): array
    {
        $found = [];
        $otherMark = $style->decimalMark === '.' ? ',' : '.';
        if ((new NumberStyle($otherMark, '', $style->affixes))->parses($text)) {
            $found[] = ['decimal_mark', $otherMark, $otherMark === ',' ? 'with a decimal comma' : 'with a decimal point'];
        }
        foreach (NumberStyle::GROUP_MARKS as $mark) {
            if ($mark !== '' && $mark !== $style->decimalMark && $mark !== $style->groupMark && (new NumberStyle($style->decimalMark, $mark, $style->affixes))->parses($text)) {
                $words = ['.' => 'points', ',' => 'commas', ' ' => 'blanks', "'" => 'apostrophes'][$mark];
                $found[] = ['group_mark', $mark, "with {$words} between thousands"];
            }
        }

        return $found;
    }

    private static function shortened(string $text): string
    {
        return mb_strlen($text) > self::LONGEST_TEXT ? mb_substr($text, 0, self::LONGEST_TEXT - 1) . '…' : $text;
    }
}
