<?php

declare(strict_types=1);

namespace Tests\App\Console;

use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Hash;
use Tests\App\AppTestCase;

final class AccountTest extends AppTestCase
{
    public function test_an_account_is_made_and_signs_in(): void
    {
        self::assertSame(0, Artisan::call('tally:account', ['email' => 'Ada@Rowtally.example', '--name' => 'Ada', '--password' => 'long enough']));
        $this->postJson('/api/session', ['email' => 'ada@rowtally.example', 'password' => 'long enough'])->assertOk()->assertJsonPath('account.name', 'Ada');
    }

    public function test_a_second_time_its_password_changes_and_its_name_stays(): void
    {
        Artisan::call('tally:account', ['email' => 'ada@rowtally.example', '--name' => 'Ada', '--password' => 'long enough']);
        Artisan::call('tally:account', ['email' => 'ada@rowtally.example', '--password' => 'another one']);
        $ada = User::query()->where('email', 'ada@rowtally.example')->sole();

        self::assertSame('Ada', $ada->name);
        self::assertTrue(Hash::check('another one', $ada->getAuthPassword()));
    }

    public function test_without_an_address_or_a_password_worth_the_name_it_is_refused(): void
    {
        self::assertSame(2, Artisan::call('tally:account', ['email' => 'ada', '--password' => 'long enough']));
        self::assertSame(2, Artisan::call('tally:account', ['email' => 'ada@rowtally.example', '--password' => 'short']));
        self::assertSame(0, User::query()->where('email', 'like', 'ada%')->count());
    }
}
