<?php

declare(strict_types=1);

namespace App\Report\Record;

/** A number as a report states it: under which words of an address, which figure, of which group, its value and how it is shown. */
final readonly class StatedFigure
{
    /**
     * @param list<string|null>|null     $group null = overall
     * @param int|float|list<float>|null $value in full precision; null where what is stated is no number, or has no value
     */
    public function __construct(
        public string $address,
        public string $figure,
        public ?array $group,
        /** Such as "Mean of Honey yield (kg), Dunmere". */
        public string $name,
        public int|float|array|null $value,
        public string $text,
    ) {}

    /** The same for the same figure of the same question, whatever its value. */
    public function key(): string
    {
        return json_encode([$this->address, $this->figure, $this->group], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    /** @return array{words: string, figure: string, group: list<string|null>|null, label: string, value: int|float|list<float>|null, text: string} */
    public function toArray(): array
    {
        return ['words' => $this->address, 'figure' => $this->figure, 'group' => $this->group, 'label' => $this->name, 'value' => $this->value, 'text' => $this->text];
    }

    /** @return self|null null where it is none */
    public static function ofArray(mixed $stated): ?self
    {
        if (!is_array($stated)) {
            return null;
        }
        $texts = array_map(static fn(string $name): ?string => is_string($stated[$name] ?? null) ? $stated[$name] : null, ['words', 'figure', 'label', 'text']);
        [$address, $figure, $name, $text] = $texts;
        $group = $stated['group'] ?? null;
        $value = $stated['value'] ?? null;
        $isGroup = $group === null || (is_array($group) && array_is_list($group) && array_filter($group, static fn(mixed $label): bool => $label !== null && !is_string($label)) === []);
        $isValue = $value === null || is_int($value) || is_float($value) || (is_array($value) && array_is_list($value) && array_filter($value, static fn(mixed $one): bool => !is_int($one) && !is_float($one)) === []);
        if ($address === null || $figure === null || $name === null || $text === null || !$isGroup || !$isValue) {
            return null;
        }

        /** @var list<string|null>|null $group */
        /** @var int|float|list<float>|null $value */
        return new self($address, $figure, $group, $name, $value, $text);
    }
}
