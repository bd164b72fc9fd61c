<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;

/**
 * A file that arrives in parts, one behind the other.
 *
 * @property int    $id
 * @property int    $user_id
 * @property string $file_name   as the person's machine calls it
 * @property string $path        below the storage folder
 * @property int    $bytes_total
 * @property int    $bytes_here  so many from its beginning are kept
 */
final class Upload extends Model
{
    use BootsByName;

    protected $table = 'uploads';

    protected $guarded = [];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['bytes_total' => 'integer', 'bytes_here' => 'integer'];
    }

    public function isWhole(): bool
    {
        return $this->bytes_here === $this->bytes_total;
    }
}
