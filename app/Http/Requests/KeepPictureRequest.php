<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Closure;

/** A picture to be drawn and held for the report. */
final class KeepPictureRequest extends SceneRequest
{
    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [...parent::rules(), ...KeepRequest::ITEM];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), 'title' => KeepRequest::NO_TITLE];
    }

    /** @return array<string, mixed> what is kept beside the drawing */
    public function item(): array
    {
        /** @var array<string, mixed> $validated */
        $validated = $this->validated();

        return [...array_intersect_key($validated, KeepRequest::ITEM), 'address' => $this->string('address')->toString()];
    }
}
