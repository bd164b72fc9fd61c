<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;
use Illuminate\Foundation\Http\FormRequest;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Statistic;

/** Figures that were chosen, and for a set its name. */
final class FiguresRequest extends FormRequest
{
    private const MOST = 120;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            'figures' => ['required', 'array', 'min:1', 'max:' . self::MOST, self::known(...)],
            'figures.*' => ['string', 'max:60'],
            'name' => [$this->isMethod('post') ? 'required' : 'nullable', 'string', 'max:80'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['figures' => 'Choose at least one figure.', 'name' => 'Give the set a name of up to 80 characters.'];
    }

    /** @return list<string> in the order of the catalogue */
    public function figures(): array
    {
        return array_map(static fn(Statistic $statistic): string => $statistic->key(), Catalogue::chosen($this->chosen()));
    }

    /** @return list<string> */
    private function chosen(): array
    {
        /** @var list<string> $figures */
        $figures = $this->array('figures');

        return $figures;
    }

    /** @param Closure(string): mixed $fail */
    private static function known(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            Catalogue::chosen(is_array($value) ? array_values(array_filter($value, is_string(...))) : []);
        } catch (NotUnderstood $problem) {
            $fail($problem->getMessage());
        }
    }
}
