<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Drawing\Pictures;
use App\Store\Word;
use App\Store\Words;

/** The words of questions with what holds where they are not said, and the pictures: served, and written into the page. */
final class Conventions
{
    /** @return array{words: list<array<string, mixed>>, pictures: list<array<string, mixed>>} */
    public static function all(): array
    {
        return ['words' => array_map(static fn(Word $word): array => $word->toArray(), Words::all()), 'pictures' => Pictures::listed()];
    }
}
