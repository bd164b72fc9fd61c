<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\ExceptionAnswers;
use App\Imports\StartImport;
use App\Intake\NotATable;
use App\Models\Import;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;

final class StartImportRequest extends FormRequest
{
    private const MOST_PASTED_BYTES = 16 << 20;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'file' => ['required_without:text', 'file', 'max:' . (config()->integer('intake.max_upload_bytes') >> 10)],
            'text' => ['nullable', 'string', 'max:' . self::MOST_PASTED_BYTES],
            'bytes' => ['nullable', 'integer', 'min:0'],
            'title' => ['nullable', 'string', 'max:200'],
            'begin' => ['nullable', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.required_without' => 'Choose a file to upload, or paste a table.',
            'text.max' => 'The text is longer than 16 MB. Save it as a file and upload that.',
            'file.uploaded' => 'The file did not arrive whole. Upload it again.',
            'file.max' => ExceptionAnswers::tooLarge(),
            'title.max' => 'A title has at most 200 characters.',
        ];
    }

    /** @throws NotATable */
    public function keep(StartImport $startImport, User $user): Import
    {
        $title = trim($this->string('title')->toString());
        $file = $this->file('file');
        if ($file instanceof UploadedFile && $this->filled('bytes') && $this->integer('bytes') !== $file->getSize()) {
            throw ValidationException::withMessages(['bytes' => 'Of ' . number_format($this->integer('bytes')) . ' bytes ' . number_format((int) $file->getSize()) . ' have arrived. Upload it again.']);
        }
        $import = $file instanceof UploadedFile
            ? $startImport->keepFile($user, $file, $file->getClientOriginalName(), $title === '' ? null : $title)
            : $startImport->keepText($user, $this->string('text')->toString(), $title === '' ? null : $title);

        return $this->boolean('begin') ? $startImport->begin($import) : $import;
    }
}
