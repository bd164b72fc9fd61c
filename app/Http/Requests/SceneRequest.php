<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;

/** A picture that the page paints, laid out for the room that it has. */
final class SceneRequest extends PlotRequest
{
    private const WIDTH = 760;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [...parent::rules(), 'width' => ['nullable', 'integer', 'between:160,4000']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), 'width' => 'A picture is 160 to 4000 pixels wide.'];
    }

    public function width(): float
    {
        return (float) ($this->word('width') ?? self::WIDTH);
    }
}
