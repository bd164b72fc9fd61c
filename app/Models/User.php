<?php

declare(strict_types=1);

namespace App\Models;

use App\Framework\BootsByName;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Carbon;
use Laravel\Sanctum\HasApiTokens;
use RowTally\Core\Marks\NumberMarks;

/**
 * An account.
 *
 * @property int                       $id
 * @property string                    $name
 * @property string                    $email          as `address()` writes it
 * @property string                    $password       hashed
 * @property list<string>|null         $chosen_figures the figures that were chosen last
 * @property Carbon|null               $waits_since    since when its address waits to be confirmed; null = it does not
 * @property string|null               $factor_secret  key of one-time codes
 * @property Carbon|null               $factor_at      since when they are asked for; null = they are not
 * @property int                       $factor_step    of the last code that was taken
 * @property list<string>|null         $recovery_codes hashes of those that are left
 * @property array<string, mixed>|null $number_marks   how numbers and days are written; null = as the standard has it
 */
final class User extends Authenticatable
{
    use BootsByName;
    /** @use HasApiTokens<Token> */
    use HasApiTokens;

    public const FIRST_DAYS = ['monday', 'sunday', 'saturday'];

    protected $table = 'users';

    protected $fillable = ['name', 'email', 'password', 'chosen_figures'];

    protected $attributes = ['number_marks' => null];

    protected $hidden = ['password', 'remember_token', 'factor_secret', 'recovery_codes'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'chosen_figures' => 'array', 'waits_since' => 'datetime', 'factor_secret' => 'encrypted', 'factor_at' => 'datetime', 'factor_step' => 'integer', 'recovery_codes' => 'array', 'number_marks' => 'array'];
    }

    /** An e-mail address as it is kept and looked for: without blanks around it, in small letters. */
    public static function address(string $typed): string
    {
        return mb_strtolower(preg_replace('/^[\s\p{Z}\p{C}]+|[\s\p{Z}\p{C}]+$/u', '', $typed) ?? $typed);
    }

    public function marks(): NumberMarks
    {
        return NumberMarks::ofWords($this->number_marks);
    }

    /** On which day a week begins where one is shown; no figure knows weeks. */
    public function firstDay(): string
    {
        $day = $this->number_marks['week'] ?? null;

        return is_string($day) && in_array($day, self::FIRST_DAYS, true) ? $day : self::FIRST_DAYS[0];
    }

    /** However it is set, it is written as it is looked for. */
    protected function email(): Attribute
    {
        return Attribute::make(set: static fn(string $typed): string => self::address($typed));
    }

    /** @return HasMany<Dataset, $this> */
    public function datasets(): HasMany
    {
        return $this->hasMany(Dataset::class);
    }

    /** @return HasMany<FigureSet, $this> */
    public function figureSets(): HasMany
    {
        $sets = $this->hasMany(FigureSet::class);
        $sets->orderBy('name');

        return $sets;
    }

    /** @return HasMany<Import, $this> */
    public function imports(): HasMany
    {
        return $this->hasMany(Import::class);
    }
}
