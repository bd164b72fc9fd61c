<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Files\WholeFile;
use App\Imports\CompareEntries;
use App\Intake\NotATable;
use App\Models\Dataset;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

/** A second file, or a second typing as text. */
final class CompareEntriesRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'file' => ['required_without:text', 'file', 'max:' . (config()->integer('intake.max_upload_bytes') >> 10)],
            'text' => ['nullable', 'string', 'max:16777216'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['file.required_without' => 'Choose the second file, or type the entries a second time.'];
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotATable
     */
    public function compare(Dataset $dataset, CompareEntries $compareEntries): array
    {
        $file = $this->file('file');
        if ($file instanceof UploadedFile) {
            return $compareEntries->with($dataset, $file->getPathname(), $file->getClientOriginalName());
        }
        $path = WholeFile::scratch();
        try {
            WholeFile::put($path, $this->string('text')->toString());

            return $compareEntries->with($dataset, $path, 'typed.txt');
        } finally {
            unlink($path);
        }
    }
}
