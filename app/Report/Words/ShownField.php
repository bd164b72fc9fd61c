<?php

declare(strict_types=1);

namespace App\Report\Words;

/** What a field shows: a figure as its basis rounds it, or the reason why there is none. */
final readonly class ShownField
{
    private function __construct(
        /** Such as "Mean of Honey yield (kg), Dunmere". */
        public string $name,
        public ?string $text,
        /** @var int|float|list<float>|null in full precision */
        public int|float|array|null $value,
        public ?string $why,
    ) {}

    /** @param int|float|list<float>|null $value */
    public static function of(string $name, ?string $text, int|float|array|null $value, ?string $why): self
    {
        return new self($name, $text, $value, $text === null ? $why ?? 'it has no value' : null);
    }

    public static function without(string $name, string $why): self
    {
        return new self($name, null, null, $why);
    }
}
