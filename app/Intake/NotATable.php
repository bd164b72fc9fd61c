<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Parsing\Finding;
use RuntimeException;

/** A file cannot be read as a table. The finding says why, where, and what to do; nothing of it is kept half-read. */
final class NotATable extends RuntimeException
{
    private const TABLE = 'a table: text with one row a line and cells set apart by commas, semicolons or tabs, a workbook (XLSX, ODS), JSON, or a data package';

    private function __construct(public readonly Finding $finding)
    {
        parent::__construct($finding->sentence());
    }

    /** As another process has told it. */
    public static function because(Finding $finding): self
    {
        return new self($finding);
    }

    public static function tooMuch(string $what): self
    {
        return new self(new Finding('too-much', "Reading the file would take {$what}.", 'a table that can be read within that', 'Save the table as CSV, or leave out what is not needed.'));
    }

    public static function gone(): self
    {
        return new self(new Finding('gone', 'The file is not kept any more: its import was cancelled or has failed.', 'an import that waits or was done', 'Upload the file again.'));
    }

    public static function empty(): self
    {
        return new self(new Finding('empty-file', 'The file is empty.', self::TABLE, 'Check that the right file was chosen and that it was saved before.'));
    }

    public static function headerOnly(int $names): self
    {
        $what = $names === 1 ? 'one name' : "{$names} names";

        return new self(new Finding('header-only', "The file has {$what} in its first line and no row below it.", 'at least one row under the names', 'Add the rows, or choose the file that holds them.', 1));
    }

    /** @param list<string> $names */
    public static function noColumnKnown(array $names): self
    {
        return new self(new Finding('no-column-known', 'None of its columns has the name of a variable here.', 'one of: ' . implode(', ', array_slice($names, 0, 20)), 'Put the names into the first line.'));
    }

    public static function noColumnTaken(): self
    {
        return new self(new Finding('no-column', 'No column is taken.', 'at least one column to read', 'Tick a column.'));
    }

    public static function damaged(string $what): self
    {
        return new self(new Finding('damaged', "The file cannot be read: {$what}.", 'a whole workbook, archive or JSON text', 'Save it again in the program it came from, or save the table as CSV.'));
    }

    /** @param list<string> $sheets */
    public static function noSheet(string $sheet, array $sheets): self
    {
        return new self(new Finding('no-sheet', "There is no sheet \"{$sheet}\".", 'one of: ' . implode(', ', array_slice($sheets, 0, 20)), 'Choose one of them.'));
    }

    public static function badRange(string $range): self
    {
        return new self(new Finding('bad-range', "\"{$range}\" names no cells with an entry.", 'two corners, such as B3:F40', 'Correct the range, or leave it empty for the whole sheet.'));
    }

    public static function tooManyRows(int $found, int $most): self
    {
        return new self(new Finding('too-many-rows', 'The sheet has ' . NumberMarks::count($found) . ' rows.', 'at most ' . NumberMarks::count($most) . ' rows', 'Save the table as CSV, which may have more, or split it.'));
    }

    public static function jsonTooLarge(int $megabytes): self
    {
        return new self(new Finding('json-too-large', "The JSON document is larger than {$megabytes} MB.", "a document of at most {$megabytes} MB", 'Save it as JSON Lines (one object a line) or as CSV, which may be larger.'));
    }

    public static function badJson(int $line, string $problem): self
    {
        return new self(new Finding('bad-json', "The JSON cannot be read: {$problem}" . ($line > 1 ? " (line {$line})." : '.'), 'a list of objects, an object of lists, or one object a line', 'Correct it, or save the table as CSV.', $line));
    }

    public static function otherJson(string $what): self
    {
        return new self(new Finding('other-json', "The JSON is no table: it is {$what}.", 'a list of objects, an object of lists, or one object a line', 'Save the rows as a list of objects.'));
    }

    public static function badPackage(string $what): self
    {
        return new self(new Finding('bad-package', "The data package cannot be read: {$what}.", 'a datapackage.json with a tabular resource whose CSV file is in the archive', 'Make the package again, or upload the CSV file from it.'));
    }

    public static function binary(string $looksLike): self
    {
        return new self(new Finding('not-text', "The file is not text: {$looksLike}.", self::TABLE, 'Open it in the program it came from and save it as CSV (UTF-8).'));
    }

    public static function otherFormat(string $looksLike): self
    {
        return new self(new Finding('not-a-table', "The file {$looksLike}.", self::TABLE, 'Save the table as CSV and choose that file.', 1));
    }

    public static function notUtf8(int $line): self
    {
        return new self(new Finding('not-utf-8', "Line {$line} holds bytes that are not UTF-8.", self::TABLE, 'Save the file as "CSV UTF-8" and upload it again.', $line));
    }

    public static function tooManyCells(int $line, int $found, int $expected): self
    {
        $names = $expected === 1 ? 'one name' : "{$expected} names";

        return new self(new Finding('ragged-row', "Line {$line} has {$found} cells, but the first line has {$names}.", 'no more cells in a row than there are names', 'Put cells that hold the delimiter in quotation marks, or take the extra cells out.', $line));
    }

    public static function tooManyColumns(int $found, int $most): self
    {
        return new self(new Finding('too-many-columns', "The first line has {$found} cells.", "at most {$most} columns", 'Leave out columns that are not needed, or put measurements that repeat into rows.', 1));
    }

    public static function badQuote(int $line): self
    {
        return new self(new Finding('quotation-mark', "The quotation mark that opens a cell in line {$line} is not closed where the cell ends.", 'quotation marks in pairs around a cell, and doubled inside it', 'Correct the quotation marks in that line.', $line));
    }

    public static function lineTooLong(int $line, int $mostBytes): self
    {
        return new self(new Finding('line-too-long', sprintf('Line %d is longer than %d MB.', $line, $mostBytes >> 20), self::TABLE, 'Check that rows end with line breaks.', $line));
    }
}
