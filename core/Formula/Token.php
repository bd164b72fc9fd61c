<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

/** @internal */
final readonly class Token
{
    public function __construct(
        public TokenKind $kind,
        /** Without quotes; signs in their plain spelling. */
        public string $text,
        /** In characters, from 0. */
        public int $at,
        public int $length,
        public bool $isQuoted = false,
    ) {}

    /** Words in small letters; they may stand in capitals. */
    public function is(string ...$texts): bool
    {
        return ($this->kind === TokenKind::Sign || ($this->kind === TokenKind::Name && !$this->isQuoted)) && in_array(strtolower($this->text), $texts, true);
    }
}
