<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Models\User;
use App\Store\CompareQuestion;
use App\Store\UnknownVariable;
use App\Store\Word;
use App\Store\Words;
use Brick\Math\BigDecimal;
use Closure;
use RowTally\Core\Readings\GoodDirection;

/** The words about what is compared. */
trait Compares
{
    /** @return array<string, list<string|Closure>> */
    protected function compareRules(): array
    {
        $rules = self::rulesOf(Words::ofCompare());
        $rules['groups'][] = static function (string $attribute, mixed $value, Closure $fail): void {
            if (self::names($value) === null) {
                $fail('Groups are named as a list of texts in JSON.');
            }
        };
        $rules['factor'][] = 'regex:/^[0-9]{1,12}(\.[0-9]{1,12})?$/';
        $rules['factor'][] = static function (string $attribute, mixed $value, Closure $fail): void {
            if (is_numeric($value) && (float) $value <= 0.0) {
                $fail('A factor is above 0.');
            }
        };
        $rules['other'][] = 'regex:/^[1-9][0-9]*$/';

        return $rules;
    }

    /** @return array<string, string> */
    protected function compareMessages(): array
    {
        return [
            ...array_merge(...array_map(static fn(Word $word): array => [$word->name . ($word->most === null ? '.in' : '.max') => $word->refusal()], Words::ofCompare())),
            'factor.regex' => 'A factor is a number above 0 with at most 12 decimals, such as 0.4536.',
            'other.regex' => 'The other dataset is named by its number.',
        ];
    }

    /** @return CompareQuestion|null null where nothing is compared */
    public function compareQuestion(Dataset $dataset): ?CompareQuestion
    {
        $what = $this->word('what');
        $factor = $this->word('factor');

        return $what === null ? null : new CompareQuestion(
            $what,
            $this->question($dataset),
            self::names($this->input('groups')) ?? [],
            $this->enum('good', GoodDirection::class),
            $this->other(),
            $this->word('other_of'),
            $factor === null ? null : BigDecimal::of($factor),
            $this->word('turned') === 'yes',
        );
    }

    /** The other dataset, where this account may see it. */
    private function other(): ?Dataset
    {
        $id = $this->word('other');
        if ($id === null) {
            return null;
        }
        $other = Dataset::query()->where('revision', '>', 0)->with('variables')->find((int) $id);
        $user = $this->user();

        return $other instanceof Dataset && $user instanceof User && $user->can('view', $other) ? $other : throw UnknownVariable::comparesNoDataset();
    }

    /** @return list<string>|null null where it is no list of texts */
    private static function names(mixed $value): ?array
    {
        if ($value === null || $value === '') {
            return [];
        }
        $names = is_string($value) ? json_decode($value, true) : null;
        if (!is_array($names) || !array_is_list($names)) {
            return null;
        }
        $texts = array_filter($names, is_string(...));

        return count($texts) === count($names) ? array_values(array_unique($texts)) : null;
    }
}
