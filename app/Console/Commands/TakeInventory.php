<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Operator\Inventory;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

/**
 * Run by ./backup and ./restore: what is there, with figures of every dataset; or whether it is what an inventory says.
 *
 * @phpstan-import-type Taken from Inventory
 */
final class TakeInventory extends Command
{
    protected $signature = 'tally:inventory
        {--summary : Counts and the last change alone}
        {--against= : An inventory to hold it against; exit code 1 where something differs}';

    protected $description = 'What this installation holds, with figures of every dataset, as JSON';

    public function handle(Inventory $inventory): int
    {
        if ($this->option('summary') === true) {
            $this->output->writeln(json_encode($inventory->summary(), JSON_THROW_ON_ERROR), OutputInterface::OUTPUT_RAW);

            return self::SUCCESS;
        }
        $now = $inventory->take(static function (int $done, int $of): void {
            if (stream_isatty(STDERR)) {
                fwrite(STDERR, "\rFigures of dataset " . ($done + 1) . " of {$of} …");
            }
        });
        if (stream_isatty(STDERR)) {
            fwrite(STDERR, "\r\e[K");
        }
        $against = $this->option('against');
        if (!is_string($against)) {
            $this->output->writeln(json_encode($now, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), OutputInterface::OUTPUT_RAW);

            return self::SUCCESS;
        }
        /** @var Taken $was */
        $was = json_decode((string) file_get_contents($against), true, 64, JSON_THROW_ON_ERROR);
        $told = Inventory::compare($was, $now);
        foreach ([...$told['differences'], ...array_map(static fn(string $path): string => "The file {$path} did not come along.", Inventory::lackingFiles())] as $difference) {
            fwrite(STDERR, "{$difference}\n");
        }
        $this->line("{$told['figures']} figures of {$told['same']} datasets worked out anew: the same to the last digit." . ($told['changed_meanwhile'] === 0 ? '' : " {$told['changed_meanwhile']} more were changed while the backup was made."));

        return $told['differences'] === [] ? self::SUCCESS : self::FAILURE;
    }
}
