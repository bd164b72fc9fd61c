<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Http\Requests\PlainWord;
use App\Store\Words;
use Illuminate\Support\Facades\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;

final class PlainWordTest extends AppTestCase
{
    private const TEXTS = ['', '0', '1', '12', '007', '-1', '1.5', '1e3', ' 5', '5 ', "5\n", '999999999999999', '9999999999999999999', 'yes', 'no', 'hf7', 'HF7', 'nullable', 'ä', 'a,b', '0.90', '0.9'];

    /** @return iterable<string, array{list<string>}> */
    public static function rules(): iterable
    {
        yield 'a text' => [['nullable', 'string', 'max:3']];
        yield 'a choice' => [['nullable', 'string', 'in:yes,no,0.9,hf7']];
        yield 'a number' => [['nullable', 'integer', 'min:1', 'max:1000']];
        yield 'a number with one end' => [['nullable', 'integer', 'min:0']];
        yield 'one that must be said' => [['required', 'string', 'max:3']];
        yield 'another rule' => [['nullable', 'string', 'not_regex:/,/']];
    }

    /** @param list<string> $rules */
    #[DataProvider('rules')]
    public function test_what_is_plainly_right_the_validator_takes_too(array $rules): void
    {
        $plain = 0;
        foreach ([...self::TEXTS, null, ['1'], 1, 1.5, true] as $word) {
            if (PlainWord::keeps($rules, $word)) {
                ++$plain;
                self::assertTrue(Validator::make(['word' => $word], ['word' => $rules])->passes(), json_encode($word, JSON_THROW_ON_ERROR));
            }
        }

        self::assertSame($rules[0] === 'nullable' && $rules[2] !== 'not_regex:/,/', $plain >= 3, 'and most of what is right is plainly right');
    }

    public function test_every_word_of_a_question_has_rules_that_are_looked_at_so(): void
    {
        foreach ([...Words::all(), ...Words::ofCompare()] as $word) {
            foreach ($word->most === null ? $word->values() : [str_repeat('é', $word->most)] as $text) {
                self::assertTrue($text === '' || PlainWord::keeps($word->rules(), $text), "{$word->name} {$text}");
            }
            self::assertFalse(PlainWord::keeps($word->rules(), $word->most === null ? 'what nobody offers' : str_repeat('é', $word->most + 1)), $word->name);
        }
    }
}
