<?php

declare(strict_types=1);

namespace App\Report\Checks;

use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Models\Dataset;
use App\Models\User;
use App\Models\Variable;
use App\Store\DatasetWriter;
use Closure;
use Illuminate\Support\Str;
use RowTally\Core\Parsing\VariableType;
use Throwable;

/**
 * The rows of a report that is checked, read into a dataset of nobody's, which is gone afterwards: so everything that a report can ask is asked
 * of them in the same way. Its variables have the keys that they have in the record.
 */
final readonly class ScratchDataset
{
    private const OWNER = '@checks.invalid';
    private const FORGOTTEN_AFTER_SECONDS = 7200;

    public function __construct(private ReadTable $readTable) {}

    /**
     * @param Closure(int, int): void $beat
     *
     * @return array{Dataset, list<string>} and what somebody should know of the rows
     *
     * @throws CannotCheck
     */
    public function of(GivenReport $given, string $path, string $name, Closure $beat): array
    {
        $sha256 = (string) hash_file('sha256', $path);
        $isSource = $sha256 === $given->text('source_sha256');
        $notes = self::notes($given, $sha256, $isSource);
        $words = is_array($given->data['row_word'] ?? null) ? $given->data['row_word'] : [];
        $word = static fn(int $i): ?string => is_string($words[$i] ?? null) ? mb_substr($words[$i], 0, 40) : null;
        try {
            $sourceDecisions = $given->data['source_decisions'] ?? null;
            $decisions = $isSource && is_array($sourceDecisions) ? Decisions::fromArray($sourceDecisions) : self::decisions($given, $path);
            $table = PreparedTable::of($path, $name, $decisions, meanwhile: static function () use ($beat): void {
                $beat(0, 0);
            });
            $dataset = $this->read(CsvFile::open($table->path, $table->decisions, $table->isChecked), $table->decisions, ['title' => mb_substr($given->text('title') ?? 'Rows', 0, 200), 'row_one' => $word(0), 'row_many' => $word(1)], $beat);
        } catch (NotATable $problem) {
            throw CannotCheck::hasUnreadableRows($problem->finding->sentence());
        }
        self::adapt($dataset, $given);

        return [Dataset::query()->with('variables')->findOrFail($dataset->id), $notes];
    }

    /**
     * A file as a dataset of nobody's, to be discarded.
     *
     * @param array<string, mixed>    $about of the dataset, its title at least
     * @param Closure(int, int): void $beat
     *
     * @throws NotATable
     */
    public function read(CsvFile $file, Decisions $decisions, array $about, Closure $beat): Dataset
    {
        $owner = User::query()->create(['name' => 'A check', 'email' => Str::random(40) . self::OWNER, 'password' => Str::random(40)]);
        try {
            $dataset = Dataset::query()->create(['user_id' => $owner->id, 'source' => null, 'notes' => [], ...$about]);
            $writer = new DatasetWriter($dataset);
            $reading = $this->readTable->read($file, $writer, $beat, $decisions);
            $writer->publish($reading, 'Read to be checked');

            return Dataset::query()->with('variables')->findOrFail($dataset->id);
        } catch (Throwable $thrown) {
            $owner->delete();
            throw $thrown;
        }
    }

    public static function discard(Dataset $dataset): void
    {
        User::query()->whereKey($dataset->user_id)->where('email', 'like', '%' . self::OWNER)->delete();
    }

    /** What a check left whose process is gone. */
    public static function sweep(): void
    {
        User::query()->where('email', 'like', '%' . self::OWNER)->where('created_at', '<', now()->subSeconds(self::FORGOTTEN_AFTER_SECONDS))->delete();
    }

    /** @return list<string> */
    private static function notes(GivenReport $given, string $sha256, bool $isSource): array
    {
        $revision = $given->number('revision') ?? 1;
        $rows = $given->text('rows_sha256');

        return match (true) {
            $rows !== null && $rows === $sha256 => ['The rows are those that the record names, to the byte.'],
            $isSource && $revision > 1 => ["This is the file that the record names. The report rests on revision {$revision} of the data: changes were made after the file was read, which are not made here. Figures that rest on them differ."],
            $isSource => ['This is the file that the record names, to the byte.'],
            $rows !== null => ['These are not the rows that the record names: the file is another.'],
            $given->text('source_sha256') !== null => ['This is not the file that the record names: it may be the rows as they were taken out, or other rows.'],
            default => [],
        };
    }

    /** How rows are read that were taken out: nothing is guessed that the record tells. */
    private static function decisions(GivenReport $given, string $path): Decisions
    {
        $file = fopen($path, 'rb');
        if ($file === false) {
            throw CannotCheck::hasUnreadableRows('The file cannot be opened.');
        }
        $first = (string) fgets($file, 1 << 20);
        fclose($file);
        $header = str_getcsv((string) preg_replace('/^\xEF\xBB\xBF/', '', rtrim($first, "\r\n")), escape: '');
        $columns = [];
        foreach ($header as $place => $title) {
            foreach ($given->variables() as $variable) {
                $name = is_string($variable['name'] ?? null) ? $variable['name'] : '';
                $unit = is_string($variable['unit'] ?? null) ? $variable['unit'] : null;
                if (in_array($title, [$name, "{$name} ({$unit})"], true)) {
                    $type = VariableType::tryFrom(is_string($variable['type'] ?? null) ? $variable['type'] : '');
                    $columns[$place] = array_filter([
                        'name' => $name,
                        'unit' => $unit,
                        'type' => $type?->value,
                        'decimal_mark' => $type === VariableType::Number ? '.' : null,
                        'order' => $type === VariableType::Category && is_array($variable['labels'] ?? null) ? $variable['labels'] : null,
                    ], static fn(mixed $word): bool => $word !== null);
                    break;
                }
            }
        }

        // A file of other columns is read as it is recognised.
        return $columns === [] ? new Decisions() : Decisions::fromArray(['delimiter' => ',', 'quote' => '"', 'encoding' => 'utf-8', 'header' => true, 'first_line' => 1, 'leave_out_totals' => false, 'columns' => $columns]);
    }

    /** Gives variables the keys and the decimals that they have in the record, and sets the rows aside that were. */
    private static function adapt(Dataset $dataset, GivenReport $given): void
    {
        $variables = Variable::query()->where('dataset_id', $dataset->id)->get();
        // Out of the way of those that are given.
        $variables->each(static fn(Variable $variable): bool => $variable->update(['key' => " {$variable->id}"]));
        $taken = [];
        foreach ($given->variables() as $told) {
            $variable = $variables->first(static fn(Variable $variable): bool => $variable->name === ($told['name'] ?? null) && !in_array($variable->id, $taken, true));
            $key = $told['key'] ?? null;
            if (!$variable instanceof Variable || !is_string($key) || $key === '' || strlen($key) > 100) {
                continue;
            }
            $taken[] = $variable->id;
            $decimals = $told['shown_decimals'] ?? $told['decimals'] ?? null;
            $isAside = ($told['role'] ?? null) === Variable::ASIDE && $variable->type === VariableType::Category;
            $variable->update([
                'key' => $key,
                'shown_decimals' => is_int($decimals) && $decimals >= 0 && $decimals <= 15 ? $decimals : null,
                'label_mark' => ($told['label_mark'] ?? null) === ',' || ($told['label_mark'] ?? null) === '.' ? $told['label_mark'] : $variable->label_mark,
                ...($isAside ? ['role' => Variable::ASIDE] : []),
            ]);
            if ($isAside) {
                $dataset->update(['set_aside' => $dataset->rows - $variable->missing]);
            }
        }
        foreach ($variables as $variable) {
            if (!in_array($variable->id, $taken, true)) {
                $variable->update(['key' => "other-{$variable->id}"]);
            }
        }
    }
}
