<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Accounts\DeleteAccount;
use App\Accounts\Tokens;
use App\Framework\KeptSessions;
use App\Models\User;
use App\Store\Changes\ChangeRefused;
use Illuminate\Console\Command;

/** Makes an account, gives one a new name or password, or deletes one; while the server runs. */
final class Account extends Command
{
    protected $signature = 'tally:account
        {email : What the account signs in with}
        {--name= : What it is called on screen (the default is the address)}
        {--password= : At least 8 characters; asked for if not given}
        {--delete : Deletes the account with all that is its}';

    protected $description = 'Makes an account, gives one a new name or password and signs it out everywhere, or deletes it';

    private const SHORTEST = 8;

    public function handle(): int
    {
        $email = User::address($this->word($this->argument('email')) ?? '');
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            return $this->refuse("\"{$email}\" is no e-mail address.");
        }
        if ($this->option('delete') === true) {
            $gone = User::query()->where('email', '=', $email)->first();
            if ($gone === null) {
                return $this->refuse("There is no account {$email}.");
            }
            try {
                app(DeleteAccount::class)->delete($gone);
            } catch (ChangeRefused $refused) {
                return $this->refuse($refused->getMessage());
            }
            $this->info("The account {$email} is gone, with all that was its.");

            return self::SUCCESS;
        }
        $password = $this->word($this->option('password')) ?? $this->word($this->secret('Password')) ?? '';
        if (mb_strlen($password) < self::SHORTEST) {
            return $this->refuse('A password has at least ' . self::SHORTEST . ' characters.');
        }
        $user = User::query()->where('email', '=', $email)->first() ?? new User(['email' => $email, 'name' => $email]);
        $isNew = !$user->exists;
        $name = $this->word($this->option('name'));
        $user->forceFill(['password' => $password, 'waits_since' => null, ...($name === null ? [] : ['name' => $name])])->save();
        // Whoever is signed in with the old password is no longer.
        app(KeptSessions::class)->endAll($user->id);
        Tokens::revokeAll($user);
        $this->info($isNew ? "Made the account {$email}." : "Changed the account {$email}.");

        return self::SUCCESS;
    }

    private function word(mixed $word): ?string
    {
        return is_string($word) && $word !== '' ? $word : null;
    }

    private function refuse(string $sentence): int
    {
        fwrite(STDERR, $sentence . "\n");

        return 2;
    }
}
