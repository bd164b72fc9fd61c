<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A part of a file: where it begins, its bytes, and its sum. */
final class PartRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['offset' => ['required', 'integer', 'min:0'], 'type' => ['required', 'in:application/offset+octet-stream']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['offset' => 'Say in Upload-Offset at which byte the part begins.', 'type' => 'A part comes as application/offset+octet-stream.'];
    }

    /** @return array<string, mixed> */
    public function validationData(): array
    {
        return ['offset' => $this->header('Upload-Offset'), 'type' => $this->header('Content-Type')];
    }

    public function offset(): int
    {
        return (int) $this->header('Upload-Offset');
    }

    public function part(): string
    {
        return $this->getContent();
    }

    public function sum(): ?string
    {
        return $this->headers->get('Upload-Checksum');
    }
}
