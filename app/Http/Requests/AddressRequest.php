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
}
