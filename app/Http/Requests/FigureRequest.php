<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Brick\Math\BigDecimal;
use Closure;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Match\Stated;

/** A question about one variable, overall or in one group: one figure, a figure that was stated, or a value. */
final class FigureRequest extends ProfileRequest
{
    use ReadsClasses;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'of' => ['required', 'string', 'max:200', 'not_regex:/,/'],
            'column' => ['nullable', 'integer', 'min:0', 'max:1000'],
            'figure' => ['nullable', 'string', 'max:60'],
            'stated' => ['nullable', 'string', 'max:40'],
            'value' => ['nullable', 'string', 'max:40'],
            'tolerance' => ['nullable', 'string', 'max:40'],
            ...$this->classRules(),
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), 'of' => 'Say which one variable this is about.'];
    }

    public function statistic(): Statistic
    {
        return Catalogue::chosen([$this->word('figure') ?? ''])[0];
    }

    public function stated(): string
    {
        return $this->word('stated') ?? '';
    }

    public function value(): BigDecimal
    {
        $stated = Stated::of($this->word('value') ?? '');

        return $stated->isPercent ? throw NotUnderstood::noNumber($this->word('value') ?? '') : $stated->value;
    }

    /** As it was typed: `15%` or `0.5`. */
    public function tolerance(): string
    {
        return $this->word('tolerance') ?? '0';
    }

    /** 0 = overall, then the groups as they are shown. */
    public function column(): int
    {
        return $this->integer('column');
    }
}
