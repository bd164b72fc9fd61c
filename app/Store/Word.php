<?php

declare(strict_types=1);

namespace App\Store;

use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Grouped\StatedLimits;

/** One word of a question: what it is about, what it may be, and what holds where it is not said. */
final readonly class Word
{
    /** @param list<array{value: string, words: string, sentence: string}> $choices */
    private function __construct(
        public string $name,
        public string $description,
        public string $default,
        public array $choices,
        /** How long it may be, where it may be something else than the choices; null where it may not. */
        public ?int $most,
    ) {}

    /**
     * One of these.
     *
     * @param list<SampleOrPopulation|QuartileRule|ClassEdge|MissingRows|StatedLimits> $cases
     * @param SampleOrPopulation|QuartileRule|ClassEdge|MissingRows|null               $default null = found out
     */
    public static function ofCases(string $name, string $description, array $cases, SampleOrPopulation|QuartileRule|ClassEdge|MissingRows|null $default): self
    {
        return new self($name, $description, $default->value ?? '', array_map(static fn(SampleOrPopulation|QuartileRule|ClassEdge|MissingRows|StatedLimits $case): array => ['value' => $case->value, 'words' => $case->words(), 'sentence' => $case->sentence()], $cases), null);
    }

    /** @param non-empty-array<string, string|array{string, string}> $choices value => words, or words and a sentence; the first is the default */
    public static function oneOf(string $name, string $description, array $choices): self
    {
        return new self($name, $description, array_key_first($choices), self::listed($choices), null);
    }

    /** @param array<array-key, string|array{string, string}> $common what is often said */
    public static function text(string $name, string $description, int $most, string $default = '', array $common = []): self
    {
        return new self($name, $description, $default, self::listed($common), $most);
    }

    /** @return list<string> */
    public function values(): array
    {
        return array_column($this->choices, 'value');
    }

    public function allows(string $text): bool
    {
        return $this->most === null ? in_array($text, $this->values(), true) : mb_strlen($text) <= $this->most;
    }

    /** @return list<string> how Laravel holds to it */
    public function rules(): array
    {
        return ['nullable', 'string', $this->most === null ? 'in:' . implode(',', $this->values()) : "max:{$this->most}"];
    }

    /** What is said of anything else. */
    public function refusal(): string
    {
        return $this->most === null ? ucfirst($this->description) . ': one of ' . implode(', ', $this->values()) . '.' : ucfirst($this->description) . ", in at most {$this->most} characters.";
    }

    /** Behind an option of the command line. */
    public function forShell(): string
    {
        $default = $this->default === '' ? '' : " (the default is {$this->default})";

        $values = array_filter($this->values(), static fn(string $value): bool => $value !== '');

        return ucfirst($this->description) . ($values === [] ? '' : ($this->most === null ? ': ' : '; such as ') . implode(', ', $values)) . $default;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['name' => $this->name, 'description' => $this->description, 'default' => $this->default, 'is_open' => $this->most !== null, 'choices' => $this->choices];
    }

    /**
     * @param array<array-key, string|array{string, string}> $choices
     *
     * @return list<array{value: string, words: string, sentence: string}>
     */
    private static function listed(array $choices): array
    {
        return array_map(
            static fn(string $value, string|array $words): array => ['value' => $value, 'words' => is_array($words) ? $words[0] : $words, 'sentence' => is_array($words) ? $words[1] : ''],
            array_map(strval(...), array_keys($choices)),
            array_values($choices),
        );
    }
}
