<?php

declare(strict_types=1);

namespace App\Drawing;

use UnexpectedValueException;

/** What a picture is drawn from, as the page gets it too: data coordinates and texts, no pixels. Read by name and kind. */
final readonly class Geometry
{
    /** @param array<mixed> $parts */
    private function __construct(private array $parts) {}

    /** @throws UnexpectedValueException where it is no JSON object or list */
    public static function ofJson(string $json): self
    {
        return self::of(json_decode($json, true, flags: JSON_THROW_ON_ERROR));
    }

    private static function of(mixed $parts): self
    {
        return is_array($parts) ? new self($parts) : throw new UnexpectedValueException('Not a part of a picture.');
    }

    public function part(string $name): self
    {
        return self::of($this->parts[$name] ?? null);
    }

    public function partOrNull(string $name): ?self
    {
        return isset($this->parts[$name]) ? self::of($this->parts[$name]) : null;
    }

    /** @return list<self> */
    public function parts(string $name): array
    {
        return array_map(self::of(...), $this->entries($name));
    }

    public function number(string $name): float
    {
        return self::asNumber($this->parts[$name] ?? null);
    }

    public function numberOrNull(string $name): ?float
    {
        return isset($this->parts[$name]) ? $this->number($name) : null;
    }

    /** @return list<float> those that are missing as 0 */
    public function numbers(string $name): array
    {
        return array_map(static fn(mixed $entry): float => $entry === null ? 0.0 : self::asNumber($entry), $this->entries($name));
    }

    /** @return list<list<float>> */
    public function points(string $name): array
    {
        return array_map(static fn(mixed $point): array => array_map(self::asNumber(...), is_array($point) ? array_values($point) : []), $this->entries($name));
    }

    public function text(string $name): string
    {
        return self::asText($this->parts[$name] ?? null);
    }

    public function textOrNull(string $name): ?string
    {
        return isset($this->parts[$name]) ? $this->text($name) : null;
    }

    /** @return list<string> those that are missing as '' */
    public function texts(string $name): array
    {
        return array_map(static fn(mixed $entry): string => $entry === null ? '' : self::asText($entry), $this->entries($name));
    }

    public function is(string $name): bool
    {
        return ($this->parts[$name] ?? false) === true;
    }

    /** @return list<mixed> */
    private function entries(string $name): array
    {
        $entries = $this->parts[$name] ?? [];

        return is_array($entries) ? array_values($entries) : throw new UnexpectedValueException("No list: {$name}.");
    }

    private static function asNumber(mixed $entry): float
    {
        return is_numeric($entry) ? (float) $entry : throw new UnexpectedValueException('Not a number of a picture.');
    }

    private static function asText(mixed $entry): string
    {
        return is_string($entry) || is_int($entry) || is_float($entry) ? (string) $entry : throw new UnexpectedValueException('Not a text of a picture.');
    }
}
