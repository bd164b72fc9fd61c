<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Foundation\Auth\User as Authenticatable;

/**
 * An account.
 *
 * @property int               $id
 * @property string            $name
 * @property string            $email
 * @property list<string>|null $chosen_figures the figures that were chosen last
 */
final class User extends Authenticatable
{
    use BootsByName;

    protected $table = 'users';

    protected $fillable = ['name', 'email', 'password', 'chosen_figures'];

    protected $hidden = ['password', 'remember_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed', 'chosen_figures' => 'array'];
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
