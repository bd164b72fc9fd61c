<?php

declare(strict_types=1);

namespace App\Imports;

use App\Files\NoRoom;
use App\Files\StoredFile;
use App\Models\Upload;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/**
 * Takes a file in parts, each where the one before has ended, so that a lost connection costs one part (decision 0047). A part is kept whole
 * or not at all, and only where its sum is the one that came with it.
 */
final class ReceiveParts
{
    private const SUMS = ['sha256', 'sha1'];
    /** What is left free on the disk for everything else. */
    private const KEPT_FREE_BYTES = 1 << 30;
    private const SWEPT_AT_ONCE = 100;

    /**
     * @throws PartRefused
     * @throws NoRoom      where the whole of it would not find room
     */
    public function begin(User $user, string $name, int $bytes): Upload
    {
        $largest = config()->integer('intake.max_bytes_in_parts');
        if ($bytes > $largest) {
            throw PartRefused::fileTooLong($largest);
        }
        $most = config()->integer('intake.most_uploads');
        if (Upload::query()->where('user_id', $user->id)->count() >= $most) {
            throw PartRefused::tooMany($most);
        }
        if (StoredFile::isHere()) {
            Storage::makeDirectory('uploads');
            if ((float) disk_free_space(Storage::path('uploads')) < $bytes + self::KEPT_FREE_BYTES) {
                throw new NoRoom();
            }
        }
        $path = 'uploads/' . Str::random(40);
        StoredParts::begin($path);

        return Upload::query()->create(['user_id' => $user->id, 'file_name' => $name, 'path' => $path, 'bytes_total' => $bytes, 'bytes_here' => 0]);
    }

    /**
     * @param string|null $sum name and Base64, as in `sha256 47DEQpj8HBSa…`
     *
     * @throws PartRefused
     * @throws NoRoom
     */
    public function take(Upload $upload, int $offset, string $part, ?string $sum): Upload
    {
        if (strlen($part) > config()->integer('intake.most_part_bytes')) {
            throw PartRefused::tooLong();
        }
        self::check($part, $sum);

        DB::transaction(static function () use ($upload, $offset, $part): void {
            $query = Upload::query()->whereKey($upload->id);
            $query->lockForUpdate();
            $now = $query->get()->firstOrFail();
            if ($offset !== $now->bytes_here) {
                throw PartRefused::notNext($offset, $now->bytes_here);
            }
            if ($offset + strlen($part) > $now->bytes_total) {
                throw PartRefused::tooLong();
            }
            StoredParts::put($now->path, $offset, $part, $offset + strlen($part) === $now->bytes_total);
            $now->update(['bytes_here' => $offset + strlen($part)]);
        });

        return $upload->refresh();
    }

    /** Those that have rested for long. */
    public function sweep(): void
    {
        $rested = Upload::query();
        $rested->where('updated_at', '<', now()->subSeconds(config()->integer('intake.upload_rests_seconds')))->limit(self::SWEPT_AT_ONCE);
        foreach ($rested->get() as $upload) {
            $this->drop($upload);
        }
    }

    public function drop(Upload $upload): void
    {
        $upload->delete();
        StoredParts::delete($upload->path);
    }

    private static function check(string $part, ?string $sum): void
    {
        if ($sum === null) {
            return;
        }
        [$name, $said] = [...explode(' ', trim($sum), 2), ''];
        $bytes = base64_decode($said, true);
        if (!in_array($name, self::SUMS, true) || $bytes === false || $bytes === '') {
            throw PartRefused::sumNotKnown();
        }
        if (!hash_equals(hash($name, $part, true), $bytes)) {
            throw PartRefused::damaged();
        }
    }
}
