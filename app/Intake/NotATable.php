<?php

declare(strict_types=1);

namespace App\Intake;

use RowTally\Core\Parsing\Finding;
use RuntimeException;

/** A file cannot be read as a table. The finding says why, where, and what to do; nothing of it is kept half-read. */
final class NotATable extends RuntimeException
{
    private const TABLE = 'a text file in UTF-8 with one row a line, cells set apart by commas, semicolons or tabs, names in the first line';

    private function __construct(public readonly Finding $finding)
    {
        parent::__construct($finding->sentence());
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
