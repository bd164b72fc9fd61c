<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Exception\NotUnderstood;

/** What was chosen of a picture, such as notches:yes,standing:yes. */
final readonly class Look
{
    /** @param list<array{string, string}> $chosen */
    private function __construct(private array $chosen = []) {}

    /** @throws NotUnderstood */
    public static function ofWord(string $word): self
    {
        $chosen = [];
        foreach (array_filter(explode(',', $word), static fn(string $part): bool => $part !== '') as $part) {
            $pair = explode(':', $part, 2);
            $chosen[] = isset($pair[1]) ? [$pair[0], $pair[1]] : throw NotUnderstood::noChoice($part);
        }

        return new self($chosen);
    }

    public function of(Option $option): string
    {
        return $this->word($option->name) ?? $option->default();
    }

    public function is(Option $option): bool
    {
        return $this->of($option) === 'yes';
    }

    public function word(string $name): ?string
    {
        foreach ($this->chosen as [$own, $value]) {
            if ($own === $name) {
                return $value;
            }
        }

        return null;
    }

    /**
     * @param list<Option> $options
     *
     * @throws NotUnderstood where something is chosen that is not among them
     */
    public function holdTo(array $options): void
    {
        foreach ($this->chosen as [$name, $value]) {
            $option = array_values(array_filter($options, static fn(Option $option): bool => $option->name === $name))[0] ?? throw NotUnderstood::noOption($name, array_map(static fn(Option $option): string => $option->name, $options));
            in_array($value, $option->words(), true) || throw NotUnderstood::noOption("{$name}:{$value}", array_map(static fn(string $word): string => "{$name}:{$word}", $option->words()));
        }
    }
}
