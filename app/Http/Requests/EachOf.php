<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;

/**
 * Looks at each part of a long list until one is wrong. The framework makes a rule for each part where it is asked for `rows.*`:
 * for ten thousand cells that took longer than to change them.
 */
final readonly class EachOf implements ValidationRule
{
    private const LONGEST_TEXT = 10_000;
    private const LONGEST_KEY = 80;

    /** @param Closure(mixed): (array{string, string}|null) $wrong where in the part, '' = the part itself, and what to do; null = it is right */
    private function __construct(private Closure $wrong) {}

    /** Numbers of rows. */
    public static function rowNumbers(): self
    {
        return new self(static fn(mixed $row): ?array => self::isRow($row) ? null : ['', self::ofRow()]);
    }

    /** Cells with what they are to hold. */
    public static function edits(): self
    {
        return new self(static function (mixed $edit): ?array {
            $edit = is_array($edit) ? $edit : [];
            $variable = $edit['variable'] ?? null;

            return match (true) {
                !self::isRow($edit['row'] ?? null) => ['.row', self::ofRow()],
                !is_string($variable) || $variable === '' || strlen($variable) > self::LONGEST_KEY => ['.variable', 'Say which variable, by its key.'],
                !array_key_exists('text', $edit) || !self::isText($edit['text']) => ['.text', self::ofText($edit['text'] ?? null)],
                default => null,
            };
        });
    }

    /** Rows that were typed: texts by variable. */
    public static function typedRows(): self
    {
        return new self(static function (mixed $row): ?array {
            if (!is_array($row)) {
                return ['', 'A row is typed as texts by variable.'];
            }
            foreach ($row as $key => $text) {
                if (!self::isText($text)) {
                    return [".{$key}", self::ofText($text)];
                }
            }

            return null;
        });
    }

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        foreach (is_array($value) ? $value : [] as $place => $part) {
            $wrong = ($this->wrong)($part);
            if ($wrong !== null) {
                $fail("{$attribute}.{$place}{$wrong[0]}", $wrong[1]);

                return;
            }
        }
    }

    private static function isRow(mixed $row): bool
    {
        $number = is_int($row) || is_string($row) ? filter_var($row, FILTER_VALIDATE_INT) : false;

        return $number !== false && $number >= 1;
    }

    private static function isText(mixed $text): bool
    {
        return $text === null || (is_string($text) && (strlen($text) <= self::LONGEST_TEXT || mb_strlen($text) <= self::LONGEST_TEXT));
    }

    private static function ofRow(): string
    {
        return 'A row is told by its number, a whole one from 1.';
    }

    private static function ofText(mixed $text): string
    {
        return is_string($text) ? 'A cell holds at most 10,000 characters, and one of these has more. Shorten it.' : 'What a cell is to hold is a text.';
    }
}
