<?php

declare(strict_types=1);

namespace App\Drawing;

/** A picture, or why there is none. */
final readonly class DrawnScene
{
    private function __construct(
        /** Of whom it is: a group, or overall. */
        public string $name,
        public ?Scene $scene,
        public ?string $why,
    ) {}

    public static function of(string $name, ?Scene $scene, string $why): self
    {
        return new self($name, $scene, $scene === null ? "{$name}: {$why}." : null);
    }

    /** @return array{name: string, scene: array<string, mixed>|null, why: string|null} */
    public function toArray(): array
    {
        return ['name' => $this->name, 'scene' => $this->scene?->toArray(), 'why' => $this->why];
    }
}
