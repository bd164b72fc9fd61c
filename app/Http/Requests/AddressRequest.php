<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Framework\SaidWords;
use Closure;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rules\Enum;

/** The words of an address, most of which may be left out. */
abstract class AddressRequest extends FormRequest
{
    use SaidWords;

    /** @return array<string, list<string|Closure|Enum>> by word */
    abstract public function rules(): array;

    /** Most questions are asked by the page, in words that are right: to make a validator for them took longer than to look at them. */
    public function validateResolved(): void
    {
        foreach ($this->validationRules() as $word => $rules) {
            if (!PlainWord::keeps($rules, $this->input($word))) {
                parent::validateResolved();

                return;
            }
        }
    }
}
