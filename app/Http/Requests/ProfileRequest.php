<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Store\Question;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Enum;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\TakenAs;

/** The words of the address: of, by, as, quartiles. */
final class ProfileRequest extends FormRequest
{
    private const MOST_VARIABLES = 60;

    /** @return array<string, list<string|Enum|Closure>> */
    public function rules(): array
    {
        return [
            'of' => ['nullable', 'string', 'max:6000', self::fewEnough(...)],
            'by' => ['nullable', 'string', 'max:80'],
            'as' => ['nullable', 'string', Rule::enum(TakenAs::class)],
            'quartiles' => ['nullable', 'string', Rule::enum(QuartileRule::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'as' => 'The data are taken as one of: ' . implode(', ', array_map(static fn(TakenAs $case): string => $case->value, TakenAs::cases())) . '.',
            'quartiles' => 'Quartiles are cut by one of: ' . implode(', ', array_map(static fn(QuartileRule $case): string => $case->value, QuartileRule::cases())) . '.',
        ];
    }

    public function question(): Question
    {
        $defaults = new Basis();

        return new Question(
            self::variableKeys($this->string('of')->toString()),
            $this->string('by')->toString() === '' ? null : $this->string('by')->toString(),
            new Basis(
                $this->enum('as', TakenAs::class) ?? $defaults->takenAs,
                $this->enum('quartiles', QuartileRule::class) ?? $defaults->quartileRule,
            ),
        );
    }

    /** @param Closure(string): mixed $fail */
    private static function fewEnough(string $attribute, mixed $value, Closure $fail): void
    {
        if (is_string($value) && count(self::variableKeys($value)) > self::MOST_VARIABLES) {
            $fail('At most ' . self::MOST_VARIABLES . ' variables can be shown at once. Untick some.');
        }
    }

    /** @return list<string> */
    private static function variableKeys(string $words): array
    {
        return array_values(array_unique(array_filter(explode(',', $words), static fn(string $key): bool => $key !== '')));
    }
}
