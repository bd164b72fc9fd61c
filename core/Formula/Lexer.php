<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

/**
 * Cuts a formula into numbers, 'texts', names ("in double quotes" where they hold blanks or signs) and signs.
 *
 * @internal
 */
final class Lexer
{
    private const SIGNS = ['≤' => '<=', '≥' => '>=', '≠' => '<>', '!=' => '<>', '==' => '=', '−' => '-', '×' => '*', '·' => '*', '÷' => '/', ';' => ','];
    private const PATTERN = '/\G(?:(?<blank>\s+)|(?<number>[0-9]+(?:\.[0-9]+)?(?:[eE][+\-]?[0-9]+)?|\.[0-9]+)|(?<name>[\p{L}_][\p{L}\p{N}_.]*)|\'(?<text>(?:[^\']|\'\')*)\'|"(?<quoted>(?:[^"]|"")*)"|(?<sign><=|>=|<>|!=|==|[≤≥≠−×·÷;+\-*\/^<>=(),]))/u';

    /**
     * @return list<Token> the last one is the end
     *
     * @throws FormulaError
     */
    public static function tokens(string $formula): array
    {
        $tokens = [];
        $at = $byte = 0;
        $length = strlen($formula);
        while ($byte < $length) {
            if (preg_match(self::PATTERN, $formula, $part, PREG_UNMATCHED_AS_NULL, $byte) !== 1) {
                $sign = mb_substr(substr($formula, $byte), 0, 1);
                throw $sign === '"' || $sign === "'" ? FormulaError::notClosed('quote', $at) : FormulaError::unknownSign($sign, $at);
            }
            $characters = mb_strlen($part[0]);
            $token = self::token($part, $at, $characters);
            if ($token !== null) {
                $tokens[] = $token;
            }
            $at += $characters;
            $byte += strlen($part[0]);
        }
        $tokens[] = new Token(TokenKind::End, '', $at, 0);

        return $tokens;
    }

    /** @param array<array-key, string|null> $part */
    private static function token(array $part, int $at, int $characters): ?Token
    {
        return match (true) {
            isset($part['number']) => new Token(TokenKind::Number, $part['number'], $at, $characters),
            isset($part['name']) => new Token(TokenKind::Name, $part['name'], $at, $characters),
            isset($part['text']) => new Token(TokenKind::Text, str_replace("''", "'", $part['text']), $at, $characters),
            isset($part['quoted']) => new Token(TokenKind::Name, str_replace('""', '"', $part['quoted']), $at, $characters, true),
            isset($part['sign']) => new Token(TokenKind::Sign, self::SIGNS[$part['sign']] ?? $part['sign'], $at, $characters),
            default => null,
        };
    }
}
