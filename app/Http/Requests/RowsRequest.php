<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Store\ReadRows;
use App\Store\RowsQuestion;
use Illuminate\Validation\Rules\Enum;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Marks\NumberMarks;

/** The words of the address of rows: of, where, sort, from, count. */
class RowsRequest extends AddressRequest
{
    /** @return array<string, list<string|Enum>> */
    public function rules(): array
    {
        return [
            'of' => ['nullable', 'string', 'max:20000'],
            'where' => ['nullable', 'string', 'max:5000'],
            'quartiles' => ['nullable', 'string', new Enum(QuartileRule::class)],
            'fences' => ['nullable', 'string', 'max:20'],
            'sort' => ['nullable', 'string', 'max:90'],
            'from' => ['nullable', 'integer', 'min:0'],
            'count' => ['nullable', 'integer', 'min:1', 'max:' . ReadRows::MOST_ROWS],
            'text' => ['nullable', 'string', 'max:1000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'where.max' => 'A condition has at most 5,000 characters. Make a variable of a part of it.',
            'quartiles' => 'Quartiles are cut by one of: ' . implode(', ', array_column(QuartileRule::cases(), 'value')) . '.',
            'text.max' => 'A text to find has at most 1,000 characters.',
            'count' => 'From 1 to ' . NumberMarks::count(ReadRows::MOST_ROWS) . ' rows are given at once.',
            'from' => 'Rows are given from a place on that is a whole number, 0 for the first.',
        ];
    }

    public function question(): RowsQuestion
    {
        $sort = $this->string('sort')->toString();
        $isDescending = str_ends_with($sort, ':down');

        return new RowsQuestion(
            array_values(array_filter(explode(',', $this->string('of')->toString()), static fn(string $key): bool => $key !== '')),
            $this->string('where')->toString() === '' ? null : $this->string('where')->toString(),
            $sort === '' ? null : ($isDescending ? substr($sort, 0, -5) : $sort),
            $isDescending,
            $this->integer('from'),
            $this->integer('count', 200),
            $this->basis(),
        );
    }

    private function basis(): Basis
    {
        $defaults = new Basis();

        return new Basis(
            quartileRule: $this->enum('quartiles', QuartileRule::class) ?? $defaults->quartileRule,
            innerFence: $this->string('fences')->toString() === '' ? $defaults->innerFence : $this->string('fences')->toString(),
        );
    }

    public function text(): string
    {
        return $this->string('text')->toString();
    }
}
