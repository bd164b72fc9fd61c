<?php

declare(strict_types=1);

namespace App\Report\Words;

/**
 * A figure set into a sentence: which figure of which variable, overall or in a group, under the words of an address. It follows the
 * data. Beside the figures of numbers there are `rows`, the rows of the question, and, of a category, `label_count` and `label_share`
 * of the label that stands as the group.
 */
final readonly class FigureField
{
    public const ROWS = 'rows';
    public const LABEL_COUNT = 'label_count';
    public const LABEL_SHARE = 'label_share';
    private const LONGEST_ADDRESS = 4000;
    private const LONGEST_GROUP = 2000;
    private const LONGEST_FIGURE = 60;

    /** @param list<string|null>|null $group a label for each variable that splits the rows, null = no entry; null = overall */
    public function __construct(
        public string $address,
        public string $figure,
        public ?array $group,
    ) {}

    /** @return self|null null where it is none */
    public static function ofAttributes(mixed $attributes): ?self
    {
        if (!is_array($attributes)) {
            return null;
        }
        $address = $attributes['address'] ?? null;
        $figure = $attributes['figure'] ?? null;
        $group = $attributes['group'] ?? '';
        if (!is_string($address) || !is_string($figure) || !is_string($group) || $figure === '' || strlen($address) > self::LONGEST_ADDRESS || strlen($figure) > self::LONGEST_FIGURE || strlen($group) > self::LONGEST_GROUP) {
            return null;
        }
        if ($group === '') {
            return new self($address, $figure, null);
        }
        $labels = json_decode($group, true);
        if (!is_array($labels) || !array_is_list($labels) || $labels === []) {
            return null;
        }
        $texts = [];
        foreach ($labels as $label) {
            if ($label !== null && !is_string($label)) {
                return null;
            }
            $texts[] = $label;
        }

        return new self($address, $figure, $texts);
    }

    /** Whether it is a figure of a number, from the catalogue. */
    public function isOfNumber(): bool
    {
        return !in_array($this->figure, [self::ROWS, self::LABEL_COUNT, self::LABEL_SHARE], true);
    }

    /** @return array{address: string, figure: string, group: string} */
    public function toAttributes(): array
    {
        return ['address' => $this->address, 'figure' => $this->figure, 'group' => $this->group === null ? '' : json_encode($this->group, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)];
    }
}
