<?php

declare(strict_types=1);

namespace App\Operator;

use App\Models\Dataset;
use App\Store\ProfileVariables;
use App\Store\Question;
use App\Store\VariableSheet;
use Closure;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;
use Illuminate\Support\Facades\Storage;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Values\Figure;

/**
 * What an installation holds: how much of each kind, and of every dataset figures that take every byte of its values. A backup carries the
 * inventory of where it was made; restored, everything is worked out anew and held against it.
 *
 * @phpstan-type Summary array{format: int, made_at: string, migrations: list<string>, last_change: string|null, last_revision: int, counts: array<string, int>}
 * @phpstan-type Taken   array{format: int, made_at: string, migrations: list<string>, last_change: string|null, last_revision: int, counts: array<string, int>, datasets: list<array{id: int, revision: int, figures: array<string, string>}>}
 */
final readonly class Inventory
{
    private const FIGURES = ['n', 'missing', 'mean', 'sd', 'min', 'q1', 'median', 'q3', 'max', 'sum'];
    private const COUNTED = ['users', 'datasets', 'variables', 'revisions', 'reports', 'editions', 'edition_files', 'report_links', 'shares', 'imports'];

    public function __construct(private ProfileVariables $profileVariables) {}

    /**
     * @param Closure(int, int): void $progress of so many datasets
     *
     * @return Taken
     */
    public function take(Closure $progress): array
    {
        $ids = array_values(array_filter(DB::table('datasets')->where('revision', '>', 0)->orderBy('id')->pluck('id')->all(), is_int(...)));
        $datasets = [];
        foreach ($ids as $number => $id) {
            $progress($number, count($ids));
            $dataset = Dataset::query()->find($id);
            if ($dataset !== null) {
                $datasets[] = $this->dataset($dataset);
            }
        }

        return [...$this->summary(), 'datasets' => $datasets];
    }

    /** @return Summary without a figure: at once */
    public function summary(): array
    {
        $last = DB::table('revisions')->max('created_at');
        $number = DB::table('revisions')->max('id');

        return [
            'format' => 1,
            'made_at' => now()->toIso8601String(),
            'migrations' => array_values(array_filter(DB::table('migrations')->orderBy('id')->pluck('migration')->all(), is_string(...))),
            'last_change' => is_string($last) ? $last : null,
            'last_revision' => is_int($number) ? $number : 0,
            'counts' => array_combine(self::COUNTED, array_map(static fn(string $table): int => Schema::hasTable($table) ? DB::table($table)->count() : 0, self::COUNTED)),
        ];
    }

    /**
     * What is not as it was, in sentences. A dataset that was changed while the backup was made has another revision in it than in its
     * inventory, or is not there, and is told apart.
     *
     * @param Taken $was
     * @param Taken $is
     *
     * @return array{differences: list<string>, same: int, figures: int, changed_meanwhile: int}
     */
    public static function compare(array $was, array $is): array
    {
        $differences = [];
        $same = $figures = $changed = 0;
        $found = array_column($is['datasets'], null, 'id');
        foreach ($was['datasets'] as $dataset) {
            $other = $found[$dataset['id']] ?? null;
            if ($other === null || $other['revision'] !== $dataset['revision']) {
                ++$changed;
                continue;
            }
            $differing = [];
            foreach ($dataset['figures'] as $figure => $value) {
                $now = $other['figures'][$figure] ?? 'not there';
                if ($now !== $value) {
                    $differing[] = "Dataset {$dataset['id']}: {$figure} is {$now} and was {$value}.";
                }
            }
            $figures += count($dataset['figures']);
            $same += $differing === [] ? 1 : 0;
            $differences = [...$differences, ...$differing];
        }

        return ['differences' => $differences, 'same' => $same, 'figures' => $figures, 'changed_meanwhile' => $changed];
    }

    /** @return list<string> files that the database names and the storage folder has not */
    public static function lackingFiles(): array
    {
        $named = [...DB::table('imports')->whereNotNull('dataset_id')->pluck('path')->all(), ...DB::table('edition_files')->where('status', 'ready')->pluck('path')->all()];

        return array_values(array_filter($named, static fn(mixed $path): bool => is_string($path) && $path !== '' && !Storage::exists($path)));
    }

    /** @return array{id: int, revision: int, figures: array<string, string>} */
    private function dataset(Dataset $dataset): array
    {
        $statistics = array_values(array_filter(Catalogue::all(), static fn(Statistic $statistic): bool => in_array($statistic->key(), self::FIGURES, true)));
        $figures = ['rows' => (string) $dataset->rows];
        foreach ($this->profileVariables->overview($dataset, new Question([], [], new Basis(), $statistics))->sheets as $sheet) {
            foreach (self::figures($sheet) as $figure => $value) {
                $figures["{$figure} of {$sheet->variable->key}"] = $value;
            }
        }

        return ['id' => $dataset->id, 'revision' => $dataset->revision, 'figures' => $figures];
    }

    /** @return array<string, string> every double to its last digit */
    private static function figures(VariableSheet $sheet): array
    {
        $figures = ['missing' => (string) $sheet->variable->missing];
        foreach ($sheet->rows as $row) {
            $figures[$row['statistic']->key()] = self::written($row['figures'][0]);
        }
        if ($sheet->frequencies !== null) {
            $figures['labels'] = hash('sha256', json_encode([$sheet->frequencies->labels, $sheet->frequencies->counts], JSON_THROW_ON_ERROR));
        }
        if ($sheet->dates !== null) {
            $figures['dates'] = "{$sheet->dates['first']} to {$sheet->dates['last']}";
        }

        return $figures;
    }

    private static function written(Figure $figure): string
    {
        return $figure->value === null ? (string) $figure->reason?->value : json_encode($figure->value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }
}
