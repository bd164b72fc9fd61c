<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Models\User;
use App\Store\Question;
use App\Store\QuestionOfWords;
use App\Store\Word;
use App\Store\Words;
use Closure;

/** The words of the address, the same as on the command line: which variables and figures, split by what, under which basis. */
class ProfileRequest extends AddressRequest
{
    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        $rules = self::rulesOf(Words::ofQuestion($this->said()));
        foreach (['of', 'by'] as $name) {
            $sentence = isset($rules[$name]) ? QuestionOfWords::tooMany($name, $this->word($name) ?? '') : null;
            if ($sentence !== null) {
                $rules[$name][] = static fn(string $attribute, mixed $value, Closure $fail) => $fail($sentence);
            }
        }

        return $rules;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return array_merge(...array_map(static fn(Word $word): array => [$word->name . ($word->most === null ? '.in' : '.max') => $word->refusal()], Words::all()));
    }

    /**
     * @param list<Word> $words
     *
     * @return array<string, list<string|Closure>>
     */
    protected static function rulesOf(array $words): array
    {
        return array_combine(array_column($words, 'name'), array_map(static fn(Word $word): array => $word->rules(), $words));
    }

    public function question(Dataset $dataset): Question
    {
        $user = $this->user();

        return QuestionOfWords::of($dataset, fn(string $name): ?string => $this->word($name), $user instanceof User ? $user->chosen_figures : null);
    }

    /** @return list<string> names of the words that are said, these or others */
    protected function said(): array
    {
        return array_map(strval(...), array_keys($this->all()));
    }

    protected function word(string $name): ?string
    {
        // It may be asked for while it is still being looked at: then it may be anything.
        $said = $this->input($name);
        $word = is_scalar($said) ? trim((string) $said) : '';

        return $word === '' ? null : $word;
    }
}
