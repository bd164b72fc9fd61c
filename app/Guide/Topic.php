<?php

declare(strict_types=1);

namespace App\Guide;

use RowTally\Core\Marks\NumberMarks;

/** A short page of the guide: what something is, when to use it, how it misleads, its formula and source. */
final readonly class Topic
{
    private const FORMULA = 'Formula';
    private const SOURCE = 'Source';

    /**
     * @param string                                       $key     as in /guide/skewness
     * @param string                                       $symbol  '' where it has none
     * @param string|null                                  $speaks  of what is said in sentences: when it is said
     * @param list<array{words: string, sentence: string}> $choices of a convention
     * @param list<string>                                 $of      keys of the figures, pictures, readings or words of a question that it is about
     */
    public function __construct(
        public string $key,
        public TopicKind $kind,
        public string $title,
        public string $symbol,
        public string $what,
        public ?string $speaks,
        public ?string $when,
        public ?string $misleads,
        public ?string $definition,
        public ?string $undefined,
        public ?string $source,
        public array $choices,
        public array $of,
    ) {}

    /** @return list<array{label: string, text: string}> what there is to say of it, in the order in which it is read */
    public function parts(): array
    {
        $parts = [];
        foreach (['Said when' => $this->speaks, 'When to use it' => $this->when, 'How it misleads' => $this->misleads, self::FORMULA => $this->definition, 'Without a value' => $this->undefined, self::SOURCE => $this->source] as $label => $text) {
            if ($text !== null && $text !== '') {
                $parts[] = ['label' => $label, 'text' => $text];
            }
        }

        return $parts;
    }

    /** @return array<string, mixed> with the marks in force, but for sources, whose numbers are names */
    public function toArray(): array
    {
        $read = NumberMarks::inForce()->rewritten(...);

        return [
            'key' => $this->key,
            'kind' => $this->kind->value,
            'title' => $this->title,
            'symbol' => $this->symbol,
            'what' => $read($this->what),
            'parts' => array_map(static fn(array $part): array => ['label' => $part['label'], 'text' => $part['label'] === self::SOURCE ? $part['text'] : $read($part['text']), 'is_formula' => $part['label'] === self::FORMULA], $this->parts()),
            'choices' => array_map(static fn(array $choice): array => ['words' => $choice['words'], 'sentence' => $read($choice['sentence'])], $this->choices),
            'of' => $this->of,
        ];
    }
}
