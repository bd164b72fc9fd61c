<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\StoredFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\TableLook;
use App\Models\Import;
use App\Models\ImportStatus;
use Illuminate\Support\Facades\Storage;

/** How a waiting file would be read, and decisions about it, whose effect is seen at once. */
final class DecideReading
{
    /** @throws NotATable when the decisions so far make it unreadable */
    public function look(Import $import): TableLook
    {
        return $this->at($import, Decisions::fromArray($import->decisions ?? []));
    }

    /**
     * @param list<array{what: string, column?: int|null, value: mixed}> $changes
     *
     * @throws NotATable when the file cannot be read so; the decisions before stand then
     */
    public function decide(Import $import, array $changes): TableLook
    {
        $decisions = Decisions::fromArray($import->decisions ?? []);
        foreach ($changes as $change) {
            $decisions = $decisions->with($change);
        }
        $look = $this->at($import, $decisions);
        if ($import->status === ImportStatus::Waiting) {
            $import->update(['decisions' => $decisions->toArray()]);
        }

        return $look;
    }

    /** @throws NotATable */
    private function at(Import $import, Decisions $decisions): TableLook
    {
        if (!Storage::exists($import->path)) {
            throw NotATable::gone();
        }

        $file = StoredFile::of($import->path);

        return TableLook::at($file->path, $import->file_name, $decisions, $import->encoding);
    }
}
