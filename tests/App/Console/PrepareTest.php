<?php

declare(strict_types=1);

namespace Tests\App\Console;

use App\Console\Commands\Prepare;
use App\Models\Dataset;
use App\Models\User;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use RowTally\Demo\DemoFiles;
use Tests\App\AppTestCase;

final class PrepareTest extends AppTestCase
{
    public function test_the_demo_account_and_its_data_are_loaded_once(): void
    {
        Artisan::call('tally:prepare');
        Artisan::call('tally:prepare');
        $demo = User::query()->where('email', Prepare::EMAIL)->get();

        self::assertCount(1, $demo);
        self::assertTrue(Hash::check(Prepare::PASSWORD, $demo[0]->getAuthPassword()));
        self::assertEqualsCanonicalizing(array_values(DemoFiles::LOADED), Dataset::query()->where('user_id', $demo[0]->id)->pluck('title')->all());
    }

    public function test_what_the_demo_account_deleted_does_not_come_back(): void
    {
        Artisan::call('tally:prepare');
        Dataset::query()->where('title', 'Swarm call-outs')->delete();
        Artisan::call('tally:prepare');

        self::assertSame(count(DemoFiles::LOADED) - 1, Dataset::query()->count());
    }

    public function test_jobs_that_the_last_stop_cut_short_are_free_again(): void
    {
        DB::table('jobs')->insert(['queue' => 'default', 'payload' => '{}', 'attempts' => 2, 'reserved_at' => 1, 'available_at' => 1, 'created_at' => 1]);
        Artisan::call('tally:prepare');

        self::assertEquals(['reserved_at' => null, 'attempts' => 0], (array) DB::table('jobs')->select('reserved_at', 'attempts')->first());
    }

    public function test_the_first_dataset_of_the_list_is_the_one_the_guide_begins_with(): void
    {
        Artisan::call('tally:prepare');
        $this->actingAs(User::query()->where('email', Prepare::EMAIL)->firstOrFail());

        $this->getJson('/api/datasets')->assertJsonPath('0.title', 'Spring inspection')->assertJsonPath('0.rows', 236);
    }
}
