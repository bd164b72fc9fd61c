<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

use RowTally\Core\Basis\Basis;
use RowTally\Core\Formula\Node\Arithmetic;
use RowTally\Core\Formula\Node\Call;
use RowTally\Core\Formula\Node\Comparison;
use RowTally\Core\Formula\Node\Fixed;
use RowTally\Core\Formula\Node\Logic;
use RowTally\Core\Formula\Node\Named;
use RowTally\Core\Formula\Node\Node;

/**
 * Reads a formula by recursive descent, the loosest first: or, and, not, comparisons (which may chain, as in 20 ≤ x < 30; `in` a list,
 * `between` two ends), + −, × / mod, a sign, ^ (to the right), brackets and calls. A sign is weaker than a power: −2 ^ 2 is −4. Words
 * may be written in capitals.
 *
 * Source  Aho, Lam, Sethi & Ullman, Compilers (2nd ed. 2007), section 4.4.
 *
 * @internal
 */
final class Parser
{
    private const DEEPEST = 100;
    /** A formula of more than so many words and signs is refused: each sign is a step deeper when it is worked out. */
    private const MOST_TOKENS = 5000;
    private const WORDS = ['and', 'or', 'not', 'mod', 'in', 'between'];
    private const COMPARISONS = ['=', '<>', '<', '<=', '>', '>='];

    private int $next = 0;
    private int $depth = 0;

    /** @param list<Token> $tokens */
    private function __construct(
        private readonly array $tokens,
        private readonly Names $names,
        private readonly Basis $basis,
    ) {}

    /** @throws FormulaError */
    public static function parse(string $formula, Names $names, Basis $basis): Node
    {
        $tokens = Lexer::tokens($formula);
        if (count($tokens) > self::MOST_TOKENS) {
            throw FormulaError::tooLong($tokens[self::MOST_TOKENS]->at);
        }
        $parser = new self($tokens, $names, $basis);
        $node = $parser->or();
        $end = $parser->token();
        if ($end->kind !== TokenKind::End) {
            throw $end->is(',') ? FormulaError::decimalComma($end) : FormulaError::unexpected($end, 'a sign such as + or >, or the end');
        }

        return $node;
    }

    /** Whether it would be taken for a word of the language, in capitals too. */
    public static function isWord(string $text): bool
    {
        return in_array(strtolower($text), self::WORDS, true);
    }

    /** @phpstan-impure */
    private function token(): Token
    {
        return $this->tokens[min($this->next, count($this->tokens) - 1)];
    }

    /** @phpstan-impure */
    private function take(string ...$texts): ?Token
    {
        $token = $this->token();
        if (!$token->is(...$texts)) {
            return null;
        }
        ++$this->next;

        return $token;
    }

    private function or(): Node
    {
        if (++$this->depth > self::DEEPEST) {
            throw FormulaError::tooDeep($this->token()->at);
        }
        $node = $this->joined('or', fn(): Node => $this->joined('and', $this->not(...)));
        --$this->depth;

        return $node;
    }

    /** @param callable(): Node $part */
    private function joined(string $word, callable $part): Node
    {
        $conditions = [$part()];
        $at = $this->token()->at;
        while ($this->take($word) !== null) {
            $conditions[] = $part();
        }
        if (count($conditions) === 1) {
            return $conditions[0];
        }

        return new Logic($word, array_map(static fn(Node $node): Node => self::needed($node, Kind::Truth), $conditions), $at);
    }

    private function not(): Node
    {
        $word = $this->token();
        // A variable of that name in other letters, "Not", is still that variable.
        if (!$word->is('not') || ($word->text !== 'not' && $this->names->has($word->text))) {
            return $this->comparison();
        }
        ++$this->next;
        if (++$this->depth > self::DEEPEST) {
            throw FormulaError::tooDeep($word->at);
        }
        $node = new Logic('not', [self::needed($this->not(), Kind::Truth)], $word->at);
        --$this->depth;

        return $node;
    }

    private function comparison(): Node
    {
        $left = $this->sum();
        if (($among = $this->among($left)) !== null) {
            return $among;
        }
        $comparisons = [];
        $at = $this->token()->at;
        while (($sign = $this->take(...self::COMPARISONS)) !== null) {
            $right = $this->sum();
            $comparisons[] = self::compared($sign->text, $left, $right, $sign->at);
            $left = $right;
        }

        return match (count($comparisons)) {
            0 => $left,
            1 => $comparisons[0],
            default => new Logic('and', $comparisons, $at),
        };
    }

    private static function compared(string $sign, Node $left, Node $right, int $at): Comparison
    {
        if ($left->kind() !== $right->kind() || $left->kind() === Kind::Truth) {
            throw FormulaError::differentKinds($right, $left->kind(), $right->kind());
        }

        return new Comparison($sign, $left, $right, $at);
    }

    /** `in (a, b, …)` and `between a and b`, ends included, or either with "not" before it; null where none of them follows. */
    private function among(Node $left): ?Node
    {
        $not = $this->take('not');
        $word = $this->take('in', 'between');
        if ($word === null) {
            return $not === null ? null : throw FormulaError::unexpected($this->token(), '“in” or “between” behind “not”');
        }
        $node = $word->is('in') ? $this->inList($left, $word) : $this->between($left, $word);

        return $not === null ? $node : new Logic('not', [$node], $not->at);
    }

    private function inList(Node $left, Token $word): Node
    {
        $open = $this->token();
        if ($this->take('(') === null) {
            throw FormulaError::unexpected($open, 'a list in brackets, such as (1, 2, 3)');
        }
        $any = [];
        do {
            $any[] = self::compared('=', $left, $this->sum(), $word->at);
        } while ($this->take(',') !== null);
        if ($this->take(')') === null) {
            throw FormulaError::notClosed('bracket', $open->at);
        }

        return count($any) === 1 ? $any[0] : new Logic('or', $any, $word->at);
    }

    private function between(Node $left, Token $word): Node
    {
        $low = self::compared('>=', $left, $this->sum(), $word->at);
        if ($this->take('and') === null) {
            throw FormulaError::unexpected($this->token(), '“and”, and the upper end');
        }

        return new Logic('and', [$low, self::compared('<=', $left, $this->sum(), $word->at)], $word->at);
    }

    private function sum(): Node
    {
        $left = $this->product();
        while (($sign = $this->take('+', '-')) !== null) {
            $left = new Arithmetic($sign->text, self::needed($left, Kind::Number), self::needed($this->product(), Kind::Number), $sign->at);
        }

        return $left;
    }

    private function product(): Node
    {
        $left = $this->signed();
        while (($sign = $this->take('*', '/', 'mod')) !== null) {
            $left = new Arithmetic(strtolower($sign->text), self::needed($left, Kind::Number), self::needed($this->signed(), Kind::Number), $sign->at);
        }

        return $left;
    }

    private function signed(): Node
    {
        $sign = $this->take('-', '+');
        if ($sign === null) {
            return $this->power();
        }
        if (++$this->depth > self::DEEPEST) {
            throw FormulaError::tooDeep($sign->at);
        }
        $of = self::needed($this->signed(), Kind::Number);
        --$this->depth;
        if ($sign->text === '+') {
            return $of;
        }

        return $of instanceof Fixed ? $of->negated($sign->at) : new Arithmetic('-', Fixed::zero($sign->at), $of, $sign->at);
    }

    private function power(): Node
    {
        $base = $this->primary();
        $sign = $this->take('^');
        if ($sign === null) {
            return $base;
        }
        if (++$this->depth > self::DEEPEST) {
            throw FormulaError::tooDeep($sign->at);
        }
        $node = new Arithmetic('^', self::needed($base, Kind::Number), self::needed($this->signed(), Kind::Number), $sign->at);
        --$this->depth;

        return $node;
    }

    private function primary(): Node
    {
        $token = $this->token();
        if ($token->is('(')) {
            ++$this->next;
            $node = $this->or();
            if ($this->take(')') === null) {
                throw $this->token()->is(',') ? FormulaError::decimalComma($this->token()) : FormulaError::notClosed('bracket', $token->at);
            }

            return $node;
        }
        ++$this->next;

        return match ($token->kind) {
            TokenKind::Number => Fixed::number($token),
            TokenKind::Text => Fixed::text($token->text, $token->at),
            TokenKind::Name => !$token->isQuoted && $this->token()->is('(') ? $this->call($token) : $this->named($token),
            default => throw FormulaError::unexpected($token, 'a number, a variable or a function'),
        };
    }

    private function named(Token $token): Node
    {
        if (!$this->names->has($token->text)) {
            throw self::isWord($token->text) && !$token->isQuoted
                ? FormulaError::unexpected($token, 'a number, a variable or a function')
                : FormulaError::unknownName($token, $this->names->near($token->text));
        }

        return new Named($token->text, $this->names->kind($token->text), $this->names->decimals($token->text), $token->at);
    }

    private function call(Token $name): Node
    {
        $function = Functions::tryFrom(strtolower($name->text))
            ?? throw FormulaError::unknownFunction($name, Names::nearest($name->text, array_column(Functions::cases(), 'value')));
        $open = $this->token();
        ++$this->next;
        $arguments = [];
        if ($this->take(')') === null) {
            do {
                $arguments[] = $this->or();
            } while ($this->take(',') !== null);
            if ($this->take(')') === null) {
                throw FormulaError::notClosed('bracket', $open->at);
            }
        }
        [$fewest, $most] = $function->arguments();
        if (count($arguments) < $fewest || count($arguments) > $most || $arguments === []) {
            throw FormulaError::argumentCount($name, $fewest === $most ? ($fewest === 1 ? 'one part' : "{$fewest} parts") : "{$fewest} to {$most} parts");
        }

        return new Call($function, $arguments, $this->basis, $name->at);
    }

    private static function needed(Node $node, Kind $kind): Node
    {
        return $node->kind() === $kind ? $node : throw FormulaError::wrongKind($node, $kind);
    }
}
