<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use DomainException;
use RowTally\Core\Exception\CoreException;
use RowTally\Core\Marks\NumberMarks;

/** A formula cannot be understood: where, why, and what would do. */
final class FormulaError extends DomainException implements CoreException
{
    private function __construct(
        string $message,
        /** Place of the first character it is about, from 0, in characters. */
        public readonly int $at,
        /** How many characters it is about; 0 = the place behind the last one. */
        public readonly int $length,
    ) {
        parent::__construct($message);
    }

    public static function unexpected(Token $token, string $expected): self
    {
        return $token->kind === TokenKind::End
            ? new self("The formula ends too early. Expected: {$expected}.", $token->at, 0)
            : new self("“{$token->text}” cannot stand here. Expected: {$expected}.", $token->at, mb_strlen($token->text));
    }

    public static function unknownSign(string $sign, int $at): self
    {
        return new self("“{$sign}” means nothing in a formula.", $at, mb_strlen($sign));
    }

    public static function notClosed(string $what, int $at): self
    {
        return new self("The {$what} that opens here is not closed.", $at, 1);
    }

    /** @param list<string> $near names that are close to it */
    public static function unknownName(Token $token, array $near): self
    {
        $hint = $near === [] ? '' : ' Did you mean ' . implode(' or ', array_map(static fn(string $name): string => "“{$name}”", $near)) . '?';
        if ($hint === '' && $token->isQuoted) {
            $hint = " A text stands in single quotes: '{$token->text}'.";
        }

        return new self("There is no variable “{$token->text}”.{$hint}", $token->at, $token->length);
    }

    /** @param list<string> $near */
    public static function unknownFunction(Token $token, array $near): self
    {
        return new self("There is no function “{$token->text}”." . ($near === [] ? '' : ' Did you mean ' . implode(' or ', $near) . '?'), $token->at, $token->length);
    }

    public static function wrongKind(Node\Node $node, Kind $expected): self
    {
        return new self("This is {$node->kind()->words()}. Expected: {$expected->words()}.", $node->at(), 1);
    }

    public static function differentKinds(Node\Node $node, Kind $left, Kind $right): self
    {
        return new self("{$left->words()} cannot be compared with {$right->words()}.", $node->at(), 1);
    }

    public static function argumentCount(Token $name, string $expected): self
    {
        return new self("{$name->text} takes {$expected}.", $name->at, $name->length);
    }

    public static function notFixed(Node\Node $node, string $what): self
    {
        return new self("{$what} must be a number written out.", $node->at(), 1);
    }

    public static function numberOutOfRange(Token $token): self
    {
        return new self("“{$token->text}” is beyond what can be reckoned with: numbers reach from 5e-324 to 1.7e308.", $token->at, $token->length);
    }

    public static function tooDeep(int $at): self
    {
        return new self('The formula is nested too deeply.', $at, 1);
    }

    public static function tooLong(int $at): self
    {
        return new self('The formula is too long. Make a variable of a part of it, and go on with that.', $at, 1);
    }

    public static function tooManyParts(int $parts, int $most, int $length): self
    {
        return new self("The formula has {$parts} parts (names, numbers, signs and functions); it may have {$most}. Make a variable of a part of it, and go on with that.", 0, $length);
    }

    public static function tooCostly(int $parts, int $rows, int $most): self
    {
        return new self(sprintf('The condition has %d parts, and there are %s rows: at most %d parts can be worked out for so many while you wait. Make a variable of a part of it, and go on with that.', $parts, NumberMarks::count($rows), intdiv($most, max(1, $rows))), 0, 1);
    }

    public static function decimalComma(Token $token): self
    {
        return new self('A comma sets apart what stands in brackets; decimals are written with a point, such as 0.5.', $token->at, 1);
    }
}
