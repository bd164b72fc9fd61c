<?php

declare(strict_types=1);

namespace App\Report\Document;

use Closure;

/** A report as it is written: its title, its blocks in order, and which lines of how it was done stay out. */
final readonly class ReportDocument
{
    public const MOST_BLOCKS = 200;
    private const MOST_BYTES = 2 << 20;
    private const MOST_HIDDEN = 500;

    /**
     * @param list<Block>  $blocks
     * @param list<string> $hidden keys of lines
     */
    private function __construct(
        public string $title,
        public array $blocks = [],
        public array $hidden = [],
    ) {}

    /** @param list<Block> $blocks */
    public static function titled(string $title, array $blocks = []): self
    {
        return new self(mb_substr(trim($title) === '' ? 'Report' : trim($title), 0, Block::LONGEST_TITLE), $blocks);
    }

    public static function ofJson(string $json): self
    {
        $words = json_decode($json, true);
        $found = is_array($words) ? self::ofArray($words) : null;

        return $found instanceof self ? $found : self::titled('Report');
    }

    /**
     * @param array<array-key, mixed> $words
     *
     * @return self|string a sentence where it is none
     */
    public static function ofArray(array $words): self|string
    {
        $title = $words['title'] ?? null;
        $listed = $words['blocks'] ?? [];
        $hidden = $words['hidden'] ?? [];
        if (!is_string($title) || trim($title) === '' || mb_strlen($title) > Block::LONGEST_TITLE) {
            return 'A title has 1 to 200 characters.';
        }
        if (!is_array($listed) || !array_is_list($listed) || count($listed) > self::MOST_BLOCKS) {
            return 'A report has at most ' . self::MOST_BLOCKS . ' blocks.';
        }
        $blocks = [];
        $names = [];
        foreach ($listed as $one) {
            $block = is_array($one) ? Block::ofArray($one) : 'A block is an object.';
            if (is_string($block)) {
                return $block;
            }
            if (in_array($block->id, $names, true)) {
                return 'Two blocks have the same name.';
            }
            $names[] = $block->id;
            $blocks[] = $block;
        }
        if (!is_array($hidden) || count($hidden) > self::MOST_HIDDEN) {
            return 'At most ' . self::MOST_HIDDEN . ' lines can be left out.';
        }

        return new self(trim($title), $blocks, array_values(array_unique(array_filter($hidden, static fn(mixed $key): bool => is_string($key) && strlen($key) <= 100))));
    }

    public function block(string $id): ?Block
    {
        foreach ($this->blocks as $block) {
            if ($block->id === $id) {
                return $block;
            }
        }

        return null;
    }

    /** @return Closure(string): (string|null) what a block is called: "Table 2", or the title of one that has no number; null where it is gone */
    public function numberOf(): Closure
    {
        $numbers = $this->numbers();

        return function (string $id) use ($numbers): ?string {
            $block = $this->block($id);

            return $block === null ? null : $numbers[$id] ?? ($block->title === '' ? 'above' : "“{$block->title}”");
        };
    }

    /** @return array<string, string> by block, such as "Figure 1": of those that are numbered */
    public function numbers(): array
    {
        $next = ['Table' => 0, 'Figure' => 0];
        $numbers = [];
        foreach ($this->blocks as $block) {
            $as = $block->numberedAs();
            if ($as !== null) {
                // An id begins with a letter: no array takes it for a number.
                $numbers[$block->id] = $as . ' ' . ++$next[$as];
            }
        }

        return $numbers;
    }

    /** @param list<Block> $blocks */
    public function with(array $blocks): self
    {
        return new self($this->title, $blocks, $this->hidden);
    }

    /** @return array{title: string, blocks: list<array<string, mixed>>, hidden: list<string>} */
    public function toArray(): array
    {
        return ['title' => $this->title, 'blocks' => array_map(static fn(Block $block): array => $block->toArray(), $this->blocks), 'hidden' => $this->hidden];
    }

    public function toJson(): string
    {
        return json_encode($this->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }

    public function isTooLarge(): bool
    {
        return strlen($this->toJson()) > self::MOST_BYTES;
    }
}
