<?php

declare(strict_types=1);

namespace App\Report\Editions;

use App\Models\Edition;
use App\Models\ReportLink;
use App\Store\Changes\ChangeRefused;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Support\Carbon;

/** Makes a link by which an edition can be read without an account: nobody can guess it, and it can be taken back. */
final readonly class MakeLink
{
    private const BYTES = 24;
    private const MOST_OPEN = 50;

    public function __construct(private Hasher $hasher) {}

    /** @throws ChangeRefused */
    public function of(Edition $edition, string $passphrase, bool $withRows, ?Carbon $expires): ReportLink
    {
        if ($withRows && $edition->rows_path === null) {
            throw ChangeRefused::because('edition-without-rows', 'This edition was handed over without its rows.', 'an edition with its rows', 'Make an edition that has them, or let readers have the report alone.');
        }
        if (ReportLink::query()->where('edition_id', $edition->id)->whereNull('revoked_at')->count() >= self::MOST_OPEN) {
            throw ChangeRefused::because('links-full', 'This edition has ' . self::MOST_OPEN . ' links.', 'at most ' . self::MOST_OPEN, 'Take one back first.');
        }
        $token = rtrim(strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_'), '=');

        return ReportLink::query()->create([
            'edition_id' => $edition->id,
            'token_hash' => self::hash($token),
            'token' => $token,
            'passphrase' => $passphrase === '' ? null : $this->hasher->make($passphrase),
            'has_rows' => $withRows,
            'expires_at' => $expires,
            'opened' => 0,
            'made_at' => now(),
        ]);
    }

    public static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
