<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Operator\Production;
use Illuminate\Console\Command;
use Symfony\Component\Finder\Finder;

/** Run by ./start --production and the units of systemd before anything is served: exit code 1 with what stands against it. */
final class CheckProduction extends Command
{
    protected $signature = 'tally:production';

    protected $description = 'Whether this installation may be let at people';

    private const PROGRAM = ['app', 'api', 'bootstrap', 'config', 'database', 'demo', 'docs', 'ops', 'resources', 'routes', 'tests'];

    public function handle(): int
    {
        $secrets = ['APP_KEY' => config('app.key'), 'DB_PASSWORD' => config('database.connections.mariadb.password')];
        $folders = array_filter(array_map(base_path(...), self::PROGRAM), is_dir(...));
        $known = [];
        foreach (Finder::create()->files()->in($folders)->depth('< 4')->size('< 200k') as $file) {
            $known[] = $file->getContents();
        }
        foreach ($troubles = Production::troubles(array_map(static fn(mixed $secret): string => is_string($secret) ? $secret : '', $secrets), $known) as $trouble) {
            fwrite(STDERR, "Row Tally: {$trouble}\n");
        }

        return $troubles === [] ? self::SUCCESS : self::FAILURE;
    }
}
