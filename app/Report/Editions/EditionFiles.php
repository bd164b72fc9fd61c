<?php

declare(strict_types=1);

namespace App\Report\Editions;

use App\Files\NoRoom;
use App\Files\StoredFile;
use App\Models\Edition;
use App\Models\EditionFile;
use App\Report\Forms\CannotHandOver;
use App\Report\Forms\Form;
use App\Report\Forms\HandOver;
use App\Report\Paper;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use Throwable;

/** The files of an edition: each form is made once, in the queue, and is the same bytes whenever it is fetched. */
final readonly class EditionFiles
{
    /** One that has been made for so long is made by nobody. */
    private const DEAD_AFTER_SECONDS = 400;

    public function __construct(private HandOver $handOver) {}

    /** Asks for a form; one that is there, or on its way, is that one. */
    public function ask(Edition $edition, Form $form, string $size): EditionFile
    {
        $size = $size === 'letter' && $form->hasSize() ? 'letter' : 'a4';
        $file = EditionFile::query()->firstOrCreate(
            ['edition_id' => $edition->id, 'form' => $form->value, 'size' => $size],
            ['status' => EditionFile::CANCELLED, 'asked_at' => time()],
        );
        $isDead = $file->status === EditionFile::MAKING && ($file->began_at ?? 0) < time() - self::DEAD_AFTER_SECONDS;
        if ($isDead || in_array($file->status, [EditionFile::FAILED, EditionFile::CANCELLED], true) || ($file->status === EditionFile::READY && !Storage::exists((string) $file->path))) {
            $file->update(['status' => EditionFile::WAITING, 'error' => null, 'asked_at' => time(), 'began_at' => null]);
            MakeFile::dispatch($file->id);
        }

        return $file->refresh();
    }

    public function cancel(EditionFile $file): void
    {
        EditionFile::query()->whereKey($file->id)->whereIn('status', [EditionFile::WAITING, EditionFile::MAKING])->update(['status' => EditionFile::CANCELLED]);
    }

    public function make(EditionFile $file): void
    {
        $taken = EditionFile::query()->whereKey($file->id)->where('status', EditionFile::WAITING)->update(['status' => EditionFile::MAKING, 'began_at' => time()]);
        $form = Form::tryFrom($file->form);
        if ($taken !== 1 || $form === null) {
            // Cancelled, or in other hands.
            return;
        }
        $isWanted = static fn(): bool => EditionFile::query()->whereKey($file->id)->where('status', EditionFile::MAKING)->exists();
        $end = static function (array $values) use ($file): bool {
            /** @var array<string, mixed> $values */
            return EditionFile::query()->whereKey($file->id)->where('status', EditionFile::MAKING)->update($values) === 1;
        };
        try {
            $edition = $file->edition;
            /** @var array<string, mixed> $record */
            $record = json_decode($edition->record, true, flags: JSON_THROW_ON_ERROR);
            $rows = $edition->rows_path === null ? null : (string) Storage::get($edition->rows_path);
            $bytes = $this->handOver->as($form, Paper::ofJson($edition->paper), $file->size === 'letter' ? 'letter' : 'a4', $record, $rows, $isWanted);
            $path = 'editions/' . Str::random(40) . ".{$form->extension()}";
            StoredFile::put($path, $bytes);
            if (!$end(['status' => EditionFile::READY, 'path' => $path, 'bytes' => strlen($bytes), 'sha256' => hash('sha256', $bytes)])) {
                Storage::delete($path);
            }
        } catch (CannotHandOver|NoRoom $problem) {
            $end(['status' => EditionFile::FAILED, 'error' => $problem->getMessage()]);
        } catch (Throwable $thrown) {
            $end(['status' => EditionFile::FAILED, 'error' => CannotHandOver::because('The file')->getMessage()]);
            throw $thrown;
        }
    }

    /** What was kept on the disk for a report that is deleted. */
    public static function deleteOf(int ...$reports): void
    {
        $editions = Edition::query()->with('files');
        $editions->whereIn('report_id', $reports);
        foreach ($editions->get(['id', 'rows_path']) as $edition) {
            Storage::delete(array_values(array_filter([$edition->rows_path, ...array_map(static fn(EditionFile $file): ?string => $file->path, $edition->files->all())], is_string(...))));
        }
    }
}
