<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\ExceptionAnswers;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

final class StartImportRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'file' => ['required', 'file', 'max:' . (config()->integer('intake.max_upload_bytes') >> 10)],
            'title' => ['nullable', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.required' => 'Choose a file to upload.',
            'file.uploaded' => 'The file did not arrive whole. Upload it again.',
            'file.max' => ExceptionAnswers::tooLarge(),
            'title.max' => 'A title has at most 200 characters.',
        ];
    }

    public function table(): UploadedFile
    {
        $file = $this->file('file');
        assert($file instanceof UploadedFile);

        return $file;
    }

    public function title(): ?string
    {
        $title = trim($this->string('title')->toString());

        return $title === '' ? null : $title;
    }
}
