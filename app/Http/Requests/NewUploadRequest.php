<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** How long a file is that is about to come in parts, and what it is called. */
final class NewUploadRequest extends FormRequest
{
    private const LONGEST_NAME = 255;
    private const NO_NAME = 'upload';

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['length' => ['required', 'integer', 'min:1']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['length' => 'Say in Upload-Length how many bytes the file has.'];
    }

    /** @return array<string, mixed> */
    public function validationData(): array
    {
        return ['length' => $this->header('Upload-Length')];
    }

    public function bytes(): int
    {
        return (int) $this->headers->get('Upload-Length');
    }

    /** Of `filename QmVlcy5jc3Y=,…` the name. */
    public function name(): string
    {
        foreach (explode(',', (string) $this->headers->get('Upload-Metadata')) as $pair) {
            [$key, $value] = [...explode(' ', trim($pair), 2), ''];
            $name = $key === 'filename' ? base64_decode($value, true) : false;
            if (is_string($name) && mb_check_encoding($name, 'UTF-8') && trim($name) !== '') {
                return mb_substr($name, 0, self::LONGEST_NAME);
            }
        }

        return self::NO_NAME;
    }
}
