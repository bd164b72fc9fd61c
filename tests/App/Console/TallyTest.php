<?php

declare(strict_types=1);

namespace Tests\App\Console;

use Illuminate\Support\Facades\Process;
use PHPUnit\Framework\Attributes\DataProvider;
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

    /** @return iterable<string, array{string, list<string>}> */
    public static function begun(): iterable
    {
        yield 'a command' => ['./tally re', ['report', 'recheck']];
        yield 'an option' => ['./tally profile --quart', ['--quartiles']];
        yield 'an option behind others' => ['./tally account x@example.org --pass', ['--password']];
        yield 'a file' => ['./tally profile demo/spring-inspection-', ['demo/spring-inspection-as-sent.csv']];
        yield 'nothing there is' => ['./tally profile --nothing-of-that', []];
    }

    /** @param list<string> $offered */
    #[DataProvider('begun')]
    public function test_bash_completes(string $begun, array $offered): void
    {
        $told = Process::path(base_path())->run(['bash', '-c', 'source ops/completion.bash; read -ra COMP_WORDS <<<"$1"; COMP_CWORD=$((${#COMP_WORDS[@]} - 1)); _tally_complete; printf "%s\n" "${COMPREPLY[@]}"', '-', $begun]);
        self::assertSame($offered, array_values(array_filter(explode("\n", $told->output()), static fn(string $line): bool => $line !== '')));
    }
}
