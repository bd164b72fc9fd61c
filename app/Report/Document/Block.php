<?php

declare(strict_types=1);

namespace App\Report\Document;

use App\Drawing\Pictures;
use App\Report\Words\OwnWords;

/**
 * One block of a report: what it is, the words of an address that it asks, what somebody wrote. It holds no number (but where it is held as
 * it was): what it shows is asked for whenever it is looked at.
 */
final readonly class Block
{
    public const LONGEST_TITLE = 200;
    private const LONGEST_CAPTION = 1000;
    private const LONGEST_ADDRESS = 8000;
    private const MOST_READINGS = 60;
    private const LONGEST_SENTENCE = 2000;

    /**
     * @param list<array{key: string, column: string|null, variable: string|null, said: string, own: string|null}> $readings the chosen ones, with what
     *                                                                                                                       the rule said when somebody
     *                                                                                                                       said it otherwise
     */
    private function __construct(
        public string $id,
        public BlockKind $kind,
        public string $title,
        public string $caption,
        public OwnWords $words,
        public string $address,
        /** profile or compare: where it can be seen alive. */
        public string $place,
        /** Which picture, and what was chosen of it; of what is held whether it is a picture, a table or a reading. */
        public string $picture,
        public string $look,
        /** Which of several pictures, 0 = overall. */
        public int $column,
        /** Of a heading, 1 or 2. */
        public int $level,
        public array $readings,
        /** Number of the content that is held. */
        public ?int $held,
    ) {}

    public static function newId(): string
    {
        return 'b' . bin2hex(random_bytes(5));
    }

    /**
     * @param array<array-key, mixed> $words
     *
     * @return self|string a sentence where it is none
     */
    public static function ofArray(array $words): self|string
    {
        $text = static fn(string $name): ?string => match (true) {
            !isset($words[$name]) => '',
            is_string($words[$name]) => $words[$name],
            default => null,
        };
        $kind = BlockKind::tryFrom($text('kind') ?? '');
        if ($kind === null) {
            return 'A block is one of: ' . implode(', ', array_column(BlockKind::cases(), 'value')) . '.';
        }
        $id = $text('id') ?? '';
        $own = isset($words['words']) ? OwnWords::ofDocument($words['words']) : OwnWords::ofText('');
        $readings = self::readings($words['readings'] ?? []);
        [$title, $caption, $address, $picture, $look] = array_map($text, ['title', 'caption', 'address', 'picture', 'look']);
        $column = $words['column'] ?? 0;
        $level = $words['level'] ?? 1;
        $held = $words['held'] ?? null;

        return match (true) {
            $id !== '' && preg_match('/^b[0-9a-f]{4,16}$/D', $id) !== 1 => 'A block has no such name.',
            $title === null || mb_strlen($title) > self::LONGEST_TITLE => 'A title has at most 200 characters.',
            $kind === BlockKind::Heading && trim($title) === '' => 'A heading has 1 to 200 characters.',
            $caption === null || mb_strlen($caption) > self::LONGEST_CAPTION => 'A caption has at most 1,000 characters.',
            $own === null => OwnWords::REFUSAL,
            $address === null || strlen($address) > self::LONGEST_ADDRESS => 'An address has at most 8,000 characters.',
            $picture === null || ($kind === BlockKind::Picture && Pictures::of($picture) === null) => 'There is no such picture. Choose one of: ' . implode(', ', Pictures::kinds()) . '.',
            $look === null || strlen($look) > 400 => 'What is chosen of a picture has at most 400 characters.',
            !is_int($column) || $column < 0 || $column > 1000 => 'There is no such group; 0 is overall.',
            !in_array($level, [1, 2], true) => 'A heading is of level 1 or 2.',
            $readings === null => 'Readings are named by their rule, at most ' . self::MOST_READINGS . ', with sentences of at most 2,000 characters.',
            $held !== null && !is_int($held) => 'What is held has a number.',
            default => new self(
                $id === '' ? self::newId() : $id,
                $kind,
                trim($title),
                trim($caption),
                $own,
                $address,
                $text('place') === 'compare' ? 'compare' : 'profile',
                $picture,
                $look,
                $column,
                $level,
                $readings,
                $held,
            ),
        };
    }

    /** What it is numbered as; what is held by what it is. */
    public function numberedAs(): ?string
    {
        return $this->kind !== BlockKind::Held ? $this->kind->numberedAs() : match ($this->picture) {
            'table' => 'Table',
            'picture' => 'Figure',
            default => null,
        };
    }

    /** @return array<string, mixed> only what differs from nothing */
    public function toArray(): array
    {
        return ['id' => $this->id, 'kind' => $this->kind->value, ...array_filter([
            'title' => $this->title,
            'caption' => $this->caption,
            'words' => $this->words->orNothing(),
            'address' => $this->address,
            'place' => $this->place === 'profile' ? null : $this->place,
            'picture' => $this->picture,
            'look' => $this->look,
            'column' => $this->column === 0 ? null : $this->column,
            'level' => $this->kind === BlockKind::Heading ? $this->level : null,
            'readings' => $this->readings === [] ? null : $this->readings,
            'held' => $this->held,
        ], static fn(mixed $value): bool => $value !== null && $value !== '')];
    }

    /** @return list<array{key: string, column: string|null, variable: string|null, said: string, own: string|null}>|null */
    private static function readings(mixed $readings): ?array
    {
        if (!is_array($readings) || !array_is_list($readings) || count($readings) > self::MOST_READINGS) {
            return null;
        }
        $chosen = [];
        foreach ($readings as $reading) {
            $text = static fn(string $name): ?string => is_array($reading) && is_string($reading[$name] ?? null) && mb_strlen($reading[$name]) <= self::LONGEST_SENTENCE ? $reading[$name] : null;
            $key = $text('key');
            if ($key === null || $key === '') {
                return null;
            }
            $own = trim($text('own') ?? '');
            $chosen[] = ['key' => $key, 'column' => $text('column'), 'variable' => $text('variable'), 'said' => $text('said') ?? '', 'own' => $own === '' ? null : $own];
        }

        return $chosen;
    }
}
