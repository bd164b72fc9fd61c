<?php

declare(strict_types=1);

namespace Tests\App\Console;

use Illuminate\Support\Facades\Process;
use Tests\App\AppTestCase;

/** The short way in for people at a shell. */
final class TallyTest extends AppTestCase
{
    public function test_it_profiles_a_file_from_any_folder(): void
    {
        $told = Process::path(base_path('demo'))->run(['../tally', 'profile', 'queen-cells.csv', '--counts=Hives', '--json']);
        self::assertSame([0, ''], [$told->exitCode(), $told->errorOutput()]);
        self::assertJson($told->output());
        self::assertStringContainsString('"mean"', $told->output());
    }

    public function test_what_it_does_not_know_is_said(): void
    {
        $told = Process::path(base_path())->run(['./tally', 'sing']);
        self::assertSame([2, "./tally profile, compare, report, recheck or account; ./tally profile --help explains one.\n"], [$told->exitCode(), $told->errorOutput()]);
    }
}
