<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use Brick\Math\BigDecimal;
use RowTally\Core\Values\Exact;

/** Conditions as somebody would type them: which rows are behind a part of a picture. Cost: the length of the text. */
final class Condition
{
    private const WORDS = ['and', 'or', 'not', 'mod', 'in', 'between'];

    /** A variable's name as it stands in a formula. */
    public static function name(string $name): string
    {
        return preg_match('/^[\p{L}_][\p{L}\p{N}_.]*$/u', $name) === 1 && !in_array(mb_strtolower($name), self::WORDS, true) ? $name : '"' . str_replace('"', '""', $name) . '"';
    }

    /** From one value to another, both included. */
    public static function from(string $name, BigDecimal $low, BigDecimal $high): string
    {
        return self::between($name, $low, true, $high, true);
    }

    /** From one value away from zero up to another, not included; zero itself is not negative. */
    public static function awayFromZero(string $name, BigDecimal $near, BigDecimal $far): string
    {
        return $far->isLessThan($near) ? self::between($name, $far, false, $near, !$near->isZero()) : self::between($name, $near, true, $far, false);
    }

    /** Of one label; null = without an entry. */
    public static function label(string $name, ?string $label): string
    {
        return $label === null ? 'missing(' . self::name($name) . ')' : self::name($name) . " = '" . str_replace("'", "''", $label) . "'";
    }

    /** All of them hold; one that is somebody's own stands in brackets. */
    public static function all(?string $own, string ...$conditions): string
    {
        return implode(' and ', [...$conditions, ...($own === null ? [] : ["({$own})"])]);
    }

    /** From one value to another, each included or not. */
    public static function between(string $name, BigDecimal $low, bool $isLowIn, BigDecimal $high, bool $isHighIn): string
    {
        $from = Exact::plainDecimal($low);
        $to = $high === $low ? $from : Exact::plainDecimal($high);

        return $from . ($isLowIn ? ' <= ' : ' < ') . self::name($name) . ($isHighIn ? ' <= ' : ' < ') . $to;
    }
}
