<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Intake\TableLook;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Every reader on files that were whole and then spoilt: a clear error or a table, never a crash, a warning or a memory without
 * bound. The spoiling is seeded; a failure names its seed.
 */
final class FuzzTest extends TestCase
{
    private const FOLDER = __DIR__ . '/corpus/';
    /** Files of each kind: those that a process of its own reads take longer. FUZZ_FILES, in all, makes it more. */
    private const TRIES = 60;
    private const TRIES_APART = 6;
    private const MOST_BYTES = 128 << 20;

    /** @return iterable<string, array{string}> */
    public static function files(): iterable
    {
        foreach (['quoted-everything.csv', 'utf-16-le.csv', 'titles-above.csv', 'thin-space-thousands.csv', 'shared-texts-dates-gaps.xlsx', 'formulas-and-errors.xlsx',
            'repeats.ods', 'dates-notes-blanks.ods', 'objects.json', 'inside.json', 'lines.jsonl', 'package.zip', 'classes-with-counts.txt'] as $name) {
            yield $name => [$name];
        }
    }

    private static function tries(string $name): int
    {
        $wanted = (int) getenv('FUZZ_FILES');
        // Sixteen kinds of files are tried.
        return $wanted > 0 ? intdiv($wanted, 16) + 1 : (preg_match('/\.(?:csv|txt)$/', $name) === 1 ? self::TRIES : self::TRIES_APART);
    }

    private static function seed(): int
    {
        return max(1, (int) getenv('FUZZ_SEED'));
    }

    #[DataProvider('files')]
    public function test_a_spoilt_file_is_read_or_refused(string $name): void
    {
        $whole = (string) file_get_contents(self::FOLDER . $name);
        $path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        memory_reset_peak_usage();
        $before = memory_get_usage();
        $read = 0;
        $tries = self::tries($name);
        for ($seed = self::seed(); $seed < self::seed() + $tries; ++$seed) {
            mt_srand($seed);
            file_put_contents($path, self::spoilt($whole));
            try {
                TableLook::at($path, $name, new Decisions());
                $table = PreparedTable::of($path, $name, new Decisions());
                (new ReadTable())->read(CsvFile::open($table->path, $table->decisions), new KeptColumns(), static function (): void {}, $table->decisions);
                ++$read;
            } catch (NotATable $notATable) {
                self::assertNotSame('', $notATable->finding->remedy, "seed {$seed}");
            }
        }
        unlink($path);

        self::assertLessThan(self::MOST_BYTES, memory_get_peak_usage() - $before);
        self::assertGreaterThanOrEqual(0, $read);
    }

    public function test_a_spoilt_part_of_a_workbook_is_read_or_refused(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'rowtally');
        foreach (['shared-texts-dates-gaps.xlsx' => 'xl/worksheets/sheet1.xml', 'repeats.ods' => 'content.xml', 'package.zip' => 'datapackage.json'] as $name => $part) {
            for ($seed = self::seed(); $seed < self::seed() + self::tries($name); ++$seed) {
                mt_srand($seed);
                copy(self::FOLDER . $name, $path);
                $zip = new \ZipArchive();
                $zip->open($path);
                $zip->addFromString($part, self::spoilt((string) $zip->getFromName($part)));
                $zip->close();
                try {
                    TableLook::at($path, $name, new Decisions());
                } catch (NotATable $notATable) {
                    self::assertNotSame('', $notATable->finding->remedy, "{$name}, seed {$seed}");
                }
            }
        }
        unlink($path);
        self::assertFileDoesNotExist($path);
    }

    public function test_decisions_that_fit_nothing_are_read_or_refused(): void
    {
        $words = ['sheet' => ['x', 'Rows'], 'range' => ['A1:ZZ9', 'nonsense', 'B2'], 'encoding' => Decisions::ENCODINGS, 'delimiter' => Decisions::DELIMITERS, 'quote' => Decisions::QUOTES,
            'first_line' => [1, 3, 999_999], 'header' => [true, false], 'shape' => ['block', 'stack'], 'stacked' => [[0], [7, 99]], 'missing' => [['A1']], 'columns' => [[0 => ['type' => 'date']], [1 => ['take' => false]], [99 => ['name' => 'x']]]];
        foreach (glob(self::FOLDER . '*') ?: [] as $path) {
            mt_srand(crc32($path));
            for ($try = 0; $try < 12; ++$try) {
                $decided = [];
                foreach (array_rand($words, 3) as $word) {
                    $decided[$word] = $words[$word][array_rand($words[$word])];
                }
                try {
                    self::assertNotEmpty(TableLook::at($path, basename($path), Decisions::fromArray($decided))->variables);
                } catch (NotATable $notATable) {
                    self::assertNotSame('', $notATable->getMessage());
                }
            }
        }
    }

    /** Bytes changed, cut out, doubled, put elsewhere, or replaced by what is awkward. */
    private static function spoilt(string $text): string
    {
        $awkward = ["\0", '"', "'", "\r", "\n\n", "\xFF", "\xEF\xBB\xBF", '<', '&#0;', '&x;', ']]>', '{', '[', '1e999', '-', '=cmd|', str_repeat('9', 400), str_repeat('A1', 2000), "\u{202E}"];
        for ($i = mt_rand(1, 4); $i > 0; --$i) {
            $length = strlen($text);
            if ($length < 4) {
                return $text . $awkward[mt_rand(0, count($awkward) - 1)];
            }
            $at = mt_rand(0, $length - 2);
            $size = min($length - $at, mt_rand(1, 30));
            $text = match (mt_rand(0, 4)) {
                0 => substr_replace($text, chr(mt_rand(0, 255)), $at, 1),
                1 => substr_replace($text, '', $at, $size),
                2 => substr_replace($text, str_repeat(substr($text, $at, $size), mt_rand(1, 50)), $at, 0),
                3 => substr($text, $at) . substr($text, 0, $at),
                default => substr_replace($text, $awkward[mt_rand(0, count($awkward) - 1)], $at, mt_rand(0, 2)),
            };
        }

        return $text;
    }
}
