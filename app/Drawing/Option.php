<?php

declare(strict_types=1);

namespace App\Drawing;

/** Something of a picture that can be chosen: its words stand in the sentence above the picture, in the address and in the API. */
final readonly class Option
{
    /** @param non-empty-list<array{value: string, words: string, sentence?: string}> $values the first is the one that holds unless another is chosen */
    public function __construct(
        public string $name,
        /** What is chosen, for those who do not see the sentence. */
        public string $label,
        /** What stands before it in the sentence. */
        public string $before,
        public array $values,
        private ?string $default = null,
        /** Whether it makes a difference to this picture of these data; it may be said where it does not. */
        public bool $isOffered = true,
    ) {}

    /** One that holds or does not. */
    public static function whether(string $name, string $label, string $before, string $no, string $yes, ?string $sentence = null, bool $isDefault = false): self
    {
        return new self($name, $label, $before, [['value' => 'no', 'words' => $no], ['value' => 'yes', 'words' => $yes, ...($sentence === null ? [] : ['sentence' => $sentence])]], $isDefault ? 'yes' : 'no');
    }

    public function default(): string
    {
        return $this->default ?? $this->values[0]['value'];
    }

    /** @return list<string> */
    public function words(): array
    {
        return array_column($this->values, 'value');
    }

    /** @return array<string, mixed> */
    public function toArray(Look $look): array
    {
        return ['name' => $this->name, 'label' => $this->label, 'before' => $this->before, 'values' => $this->values, 'value' => $look->of($this)];
    }
}
