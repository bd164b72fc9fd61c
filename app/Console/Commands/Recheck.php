<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Report\Checks\CannotCheck;
use App\Report\Checks\CheckReport;
use App\Report\Checks\ReadRecord;
use Illuminate\Console\Command;
use RowTally\Core\Marks\NumberMarks;
use Symfony\Component\Console\Output\OutputInterface;

/** Checks a report that was handed over: its text against its record, every figure against the rows. */
final class Recheck extends Command
{
    protected $signature = 'tally:recheck
        {report : The report as it was handed over: PDF, page, zip, or its record (record.json)}
        {rows? : The rows, where they did not come along: the file that the record names, or the rows as they were taken out}
        {--json : Write all of it as JSON}';

    protected $description = 'Whether the figures of a report are those of the rows';

    protected $help = 'Exit code 0 where every figure agrees and the text is the one that was handed over, 1 where something differs or cannot be recomputed, 2 where it cannot be checked.';

    public function handle(CheckReport $checkReport): int
    {
        $path = $this->argument('report');
        $rows = $this->argument('rows');
        $came = null;
        try {
            if (!is_string($path) || !is_file($path)) {
                throw CannotCheck::isUnreadable('report', 'There is no such file.');
            }
            if (is_string($rows) && !is_file($rows)) {
                throw CannotCheck::hasUnreadableRows('There is no such file.');
            }
            $given = ReadRecord::of($path);
            if (!is_string($rows) && $given->rows !== null) {
                $rows = $came = (string) tempnam(sys_get_temp_dir(), 'rowtally');
                file_put_contents($came, $given->rows);
            }
            $result = $checkReport->of($given, is_string($rows) ? $rows : null, is_string($rows) ? basename($rows) : '', static function (): void {});
        } catch (CannotCheck $problem) {
            fwrite(STDERR, $problem->getMessage() . "\n");

            return 2;
        } finally {
            if ($came !== null) {
                unlink($came);
            }
        }
        if ($this->option('json') === true) {
            $this->output->writeln(json_encode($result, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRETTY_PRINT | JSON_PRESERVE_ZERO_FRACTION), OutputInterface::OUTPUT_RAW);
        } else {
            foreach (self::lines($result) as $line) {
                $this->output->writeln($line, OutputInterface::OUTPUT_RAW);
            }
        }

        return $result['differing'] === 0 && $result['lacking'] === 0 && ($result['text'] === null || ($result['text']['missing'] === [] && $result['text']['added'] === [])) ? 0 : 1;
    }

    /**
     * @param array{title: string, edition: int, notes: list<string>, text: array{missing: list<string>, added: list<string>, figures: list<array{number: string|null, label: string, text: string}>}|null, agree: int, differing: int, lacking: int, differs: list<array{number: string|null, label: string, stated: string, recomputed: string}>, lacks: list<array{number: string|null, label: string, stated: string, why: string}>} $result
     *
     * @return list<string>
     */
    private static function lines(array $result): array
    {
        $lines = ["{$result['title']}, edition {$result['edition']}", ...$result['notes']];
        $text = $result['text'];
        if ($text !== null && ($text['missing'] !== [] || $text['added'] !== [])) {
            $lines[] = 'The text was changed: it lacks ' . self::listed($text['missing']) . ' and has ' . self::listed($text['added']) . ' that the record does not have.';
            foreach ($text['figures'] as $figure) {
                $lines[] = '  may be ' . ($figure['number'] === null ? '' : "{$figure['number']}: ") . "{$figure['label']}, stated {$figure['text']}";
            }
        }
        foreach ($result['differs'] as $one) {
            $lines[] = 'Differs: ' . ($one['number'] === null ? '' : "{$one['number']}: ") . "{$one['label']}: stated {$one['stated']}, recomputed {$one['recomputed']}";
        }
        foreach ($result['lacks'] as $one) {
            $lines[] = 'Not recomputed: ' . ($one['number'] === null ? '' : "{$one['number']}: ") . "{$one['label']}: {$one['why']}";
        }
        $lines[] = $result['differing'] === 0 && $result['lacking'] === 0 ? 'Every figure agrees: ' . NumberMarks::count($result['agree']) . '.' : NumberMarks::count($result['agree']) . ' agree, ' . NumberMarks::count($result['differing']) . ' differ, ' . NumberMarks::count($result['lacking']) . ' cannot be recomputed.';

        return $lines;
    }

    /** @param list<string> $numbers */
    private static function listed(array $numbers): string
    {
        return $numbers === [] ? 'nothing' : implode(', ', $numbers);
    }
}
