<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Report\Words\FigureField;
use App\Report\Words\ReadFields;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** Figures that are set into sentences, and are to be shown as they are by now. */
final class FieldsRequest extends FormRequest
{
    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            'fields' => ['present', 'array', 'max:' . ReadFields::MOST_FIELDS],
            'fields.*' => [static function (string $attribute, mixed $value, Closure $fail): void {
                if (FigureField::ofAttributes($value) === null) {
                    $fail('A figure in a sentence is named by its address, its figure, and its group as a list of labels in JSON.');
                }
            }],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['fields' => 'Ask for at most ' . ReadFields::MOST_FIELDS . ' figures at once.'];
    }

    /** @return list<FigureField> */
    public function fields(): array
    {
        $fields = $this->input('fields');

        return array_values(array_filter(array_map(FigureField::ofAttributes(...), is_array($fields) ? array_values($fields) : [])));
    }
}
