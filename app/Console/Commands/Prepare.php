<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Files\StoredFile;
use App\Imports\ImportFile;
use App\Imports\SweepImports;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Models\User;
use App\Operator\Production;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use RowTally\Demo\DemoFiles;

/** Run by ./start before the servers: the demo account with its data, once, and imports that were cut short, again. */
final class Prepare extends Command
{
    protected $signature = 'tally:prepare';

    protected $description = 'Loads the demo account once, where it is asked for, and puts interrupted imports back into the queue';

    public const EMAIL = Production::DEMO;
    public const PASSWORD = 'fenmoor';

    /** Tables of classes or values with counts, as their question is answered: the second column counts the first. */
    private const COUNTED = ['honey-by-experience.csv', 'queen-cells.csv'];

    /** What their rows are. */
    private const ROWS = ['spring-inspection.csv' => ['hive', 'hives'], 'honey-two-seasons.csv' => ['hive', 'hives'], 'swarm-call-outs.csv' => ['call-out', 'call-outs']];

    public function handle(ImportFile $importFile, SweepImports $sweepImports): int
    {
        if (!config()->boolean('app.is_one_of_many')) {
            // No worker is running now: what is reserved was cut short by the last stop.
            DB::table('jobs')->update(['reserved_at' => null, 'attempts' => 0]);
            Import::query()->where('status', ImportStatus::Running)->update(['beat_at' => 0]);
        }
        $sweepImports->imports();
        $sweepImports->files();
        if (config()->boolean('app.demo') && !User::query()->where('email', self::EMAIL)->exists()) {
            $this->info('Loading the demo data');
            $user = User::query()->create(['name' => 'Fenmoor Beekeepers', 'email' => self::EMAIL, 'password' => self::PASSWORD]);
            foreach (array_reverse(DemoFiles::LOADED) as $file => $title) {
                $this->load($importFile, $user, $file, $title);
            }
        }

        return self::SUCCESS;
    }

    private function load(ImportFile $importFile, User $user, string $file, string $title): void
    {
        $path = "uploads/demo-{$file}";
        StoredFile::put($path, (string) file_get_contents(base_path("demo/{$file}")));
        $import = $user->imports()->create([
            'title' => $title,
            'file_name' => $file,
            'path' => $path,
            'status' => ImportStatus::Queued,
            'bytes_total' => Storage::size($path),
            'decisions' => in_array($file, self::COUNTED, true) ? ['counts' => 1, 'counted' => 0] : null,
        ]);
        $importFile->import($import);
        [$one, $many] = self::ROWS[$file] ?? [null, null];
        Dataset::query()->whereKey($import->refresh()->dataset_id)->update(['row_one' => $one, 'row_many' => $many]);
    }
}
