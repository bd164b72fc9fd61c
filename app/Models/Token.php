<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Support\Carbon;
use Laravel\Sanctum\PersonalAccessToken;

/**
 * What a script shows instead of a password, as Sanctum keeps it: by its hash.
 *
 * @property int          $id
 * @property string       $name         what it is for
 * @property list<string> $abilities    scopes
 * @property Carbon       $created_at
 * @property Carbon       $expires_at
 * @property Carbon|null  $last_used_at to a minute
 */
final class Token extends PersonalAccessToken
{
    use BootsByName;

    protected $table = 'personal_access_tokens';
}
