<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Http\ExceptionAnswers;
use App\Imports\StartImport;
use App\Intake\NotATable;
use App\Models\Import;
use App\Models\Upload;
use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use RowTally\Core\Marks\NumberMarks;

final class StartImportRequest extends FormRequest
{
    private const MOST_PASTED_BYTES = 16 << 20;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'file' => ['required_without_all:text,upload', 'file', 'max:' . (config()->integer('intake.max_upload_bytes') >> 10)],
            'text' => ['nullable', 'string', 'max:' . self::MOST_PASTED_BYTES],
            'upload' => ['nullable', 'integer'],
            'bytes' => ['nullable', 'integer', 'min:0'],
            'title' => ['nullable', 'string', 'max:200'],
            'begin' => ['nullable', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'file.required_without_all' => 'Choose a file to upload, or paste a table.',
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
            throw ValidationException::withMessages(['bytes' => 'Of ' . NumberMarks::count($this->integer('bytes')) . ' bytes ' . NumberMarks::count((int) $file->getSize()) . ' have arrived. Upload it again.']);
        }
        $import = match (true) {
            $file instanceof UploadedFile => $startImport->keepFile($user, $file, $file->getClientOriginalName(), $title === '' ? null : $title),
            $this->filled('upload') => $startImport->keepUpload($user, $this->whole($user), $title === '' ? null : $title),
            default => $startImport->keepText($user, $this->string('text')->toString(), $title === '' ? null : $title),
        };

        return $this->boolean('begin') ? $startImport->begin($import) : $import;
    }

    /** The file that has come in parts, all of them. */
    private function whole(User $user): Upload
    {
        $upload = Upload::query()->where('user_id', $user->id)->find($this->integer('upload')) ?? throw ValidationException::withMessages(['upload' => 'There is no such upload. It may have rested for too long, or been brought in already: look at what is on its way.']);
        if (!$upload->isWhole()) {
            throw ValidationException::withMessages(['upload' => 'Of ' . NumberMarks::count($upload->bytes_total) . ' bytes ' . NumberMarks::count($upload->bytes_here) . ' have arrived. Send the rest, then bring it in.']);
        }

        return $upload;
    }
}
