<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Formula\Node\Arithmetic;
use RowTally\Core\Formula\Node\Call;
use RowTally\Core\Formula\Node\Named;
use RowTally\Core\Formula\Node\Node;
use RowTally\Core\Values\Exact;

/**
 * A formula over the variables of a dataset, worked out for many rows at a time.
 *
 * Missing in, missing out. Sums, differences, products, whole powers, means and remainders of decimals are exact; where a result is no
 * decimal it is the double nearest to it.
 *
 * Cost  O(rows) for each sign in it; functions over all rows sort once more.
 */
final readonly class Formula
{
    /** More than anybody writes; what is longer can be made in steps. */
    public const MOST_PARTS = 600;
    /** A part for a row is a step; so many are some half a minute. */
    private const MOST_STEPS_WAITED_FOR = 60_000_000;

    /** @param list<string> $names of the variables in it */
    private function __construct(
        private Node $root,
        public array $names,
        /** Whether a row's result depends on other rows too. */
        public bool $needsAllRows,
        /** Whether all results are written with the same decimals: not where something is divided, which may end sooner. */
        private bool $hasFixedDecimals,
        /** How many names, numbers, signs and functions it has: each is worked out once a row. */
        public int $parts,
    ) {}

    /**
     * @param Basis $basis says what an outlier is
     *
     * @throws FormulaError
     */
    public static function of(string $text, Names $names, Basis $basis = new Basis()): self
    {
        $root = Parser::parse($text, $names, $basis);
        $found = [];
        $needsAllRows = $isDivided = false;
        $parts = 0;
        $walk = static function (Node $node) use (&$walk, &$found, &$needsAllRows, &$isDivided, &$parts): void {
            ++$parts;
            if ($node instanceof Named) {
                $found[$node->name] = true;
            }
            $needsAllRows = $needsAllRows || ($node instanceof Call && $node->function->needsAllRows());
            $isDivided = $isDivided || ($node instanceof Arithmetic && $node->sign === '/') || ($node instanceof Call && $node->function === Functions::Mean);
            array_map($walk, $node->parts());
        };
        $walk($root);
        if ($parts > self::MOST_PARTS) {
            throw FormulaError::tooManyParts($parts, self::MOST_PARTS, mb_strlen($text));
        }

        return new self($root, array_map(strval(...), array_keys($found)), $needsAllRows, !$isDivided, $parts);
    }

    /** The formula with one of its variables under a new name. */
    public static function renamed(string $formula, string $from, string $to): string
    {
        $renamed = '';
        $at = 0;
        foreach (Lexer::tokens($formula) as $token) {
            if ($token->kind === TokenKind::Name && $token->text === $from) {
                $renamed .= mb_substr($formula, $at, $token->at - $at) . self::name($to);
                $at = $token->at + $token->length;
            }
        }

        return $renamed . mb_substr($formula, $at);
    }

    /** A variable's name as it stands in a formula. */
    public static function name(string $name): string
    {
        $isPlain = preg_match('/^[\p{L}_][\p{L}\p{N}_.]*$/Du', $name) === 1 && !Parser::isWord($name);

        return $isPlain ? $name : '"' . str_replace('"', '""', $name) . '"';
    }

    /**
     * Itself, if it can be worked out for so many rows while somebody waits for it.
     *
     * @throws FormulaError
     */
    public function waitedFor(int $rows): self
    {
        return $this->parts * $rows <= self::MOST_STEPS_WAITED_FOR ? $this : throw FormulaError::tooCostly($this->parts, $rows, self::MOST_STEPS_WAITED_FOR);
    }

    public function kind(): Kind
    {
        return $this->root->kind();
    }

    /** @return list<bool|null> for a condition; null = one of its parts is missing */
    public function truths(Rows $rows): array
    {
        if ($this->root->kind() !== Kind::Truth) {
            throw FormulaError::wrongKind($this->root, Kind::Truth);
        }

        return array_map(static fn(float|BigDecimal|string|bool|null $value): ?bool => $value === null ? null : $value === true, $this->root->of($rows));
    }

    /** @return list<string> one cell a row, as a column of a file would hold it; missing is the empty text */
    public function cells(Rows $rows): array
    {
        $decimals = $this->hasFixedDecimals ? $this->root->decimals() : null;

        return array_map(static fn(float|BigDecimal|string|bool|null $value): string => match (true) {
            $value === null => '',
            is_bool($value) => $value ? 'yes' : 'no',
            is_string($value) => $value,
            $decimals === null => is_float($value) ? Exact::plainText($value) : Exact::plainDecimal($value),
            is_float($value) && Decimals::unscaled($value, $decimals) !== null => number_format($value, $decimals, '.', ''),
            default => (string) Decimals::exact($value)->toScale($decimals, RoundingMode::HALF_UP),
        }, $this->root->of($rows));
    }
}
