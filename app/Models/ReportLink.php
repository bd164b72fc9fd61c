<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A link by which an edition is read without an account.
 *
 * @property int         $id
 * @property int         $edition_id
 * @property string      $token_hash SHA-256: by it a link is found, and it does not lead back
 * @property string      $token      encrypted, so that its owner can copy it again
 * @property string|null $passphrase hashed; null = none is asked
 * @property bool        $has_rows   whether readers may have the rows
 * @property Carbon|null $expires_at
 * @property Carbon|null $revoked_at
 * @property int         $opened     how often it was read
 * @property Carbon      $made_at
 * @property Edition     $edition
 */
final class ReportLink extends Model
{
    use BootsByName;

    protected $table = 'report_links';

    public $timestamps = false;

    protected $guarded = [];

    protected $hidden = ['passphrase', 'token', 'token_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['token' => 'encrypted', 'has_rows' => 'boolean', 'expires_at' => 'datetime', 'revoked_at' => 'datetime', 'made_at' => 'datetime', 'opened' => 'integer'];
    }

    /** @return BelongsTo<Edition, $this> */
    public function edition(): BelongsTo
    {
        return $this->belongsTo(Edition::class);
    }

    public function isOpen(): bool
    {
        return $this->revoked_at === null && ($this->expires_at === null || $this->expires_at->isFuture());
    }
}
