<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;

/** Which picture of one variable is to be drawn, and how it is wanted. */
class PictureRequest extends PlotRequest
{
    use ReadsClasses;

    private const PICTURES = ['stack', 'boxes', 'dots', 'stems', 'qq', 'strips', 'slopes', 'steps', 'labels', 'classes'];
    private const WIDTH = 760;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            ...$this->classRules(),
            'picture' => ['required', 'string', 'in:' . implode(',', self::PICTURES)],
            'width' => ['nullable', 'integer', 'between:320,4000'],
            'arrange' => ['nullable', 'string', 'in:lanes,outlines'],
            'lane_order' => ['nullable', 'string', 'max:8000', 'regex:/^\d{1,4}(,\d{1,4})*$/'],
            'look' => ['nullable', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            ...parent::messages(),
            'picture' => 'A picture is one of: ' . implode(', ', self::PICTURES) . '.',
            'width' => 'A picture is 320 to 4000 pixels wide.',
            'lane_order' => 'Lanes are in an order of numbers: 0 for overall, then the groups from 1.',
        ];
    }

    public function picture(): string
    {
        return $this->word('picture') ?? '';
    }

    public function width(): float
    {
        return (float) ($this->word('width') ?? self::WIDTH);
    }

    public function asOutlines(): bool
    {
        return $this->word('arrange') === 'outlines';
    }

    /** @return list<int> lanes from the top, 0 = overall; those that are not named come behind in their own order */
    public function laneOrder(int $lanes): array
    {
        $named = array_filter(array_map(intval(...), self::words($this->string('lane_order')->toString())), static fn(int $lane): bool => $lane < $lanes);

        return array_values(array_unique([...$named, ...range(0, max(0, $lanes - 1))]));
    }

    /** @return list<string> */
    public function look(): array
    {
        return self::words($this->string('look')->toString());
    }
}
