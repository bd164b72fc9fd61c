<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Illuminate\Contracts\Queue\ShouldBeUniqueUntilProcessing;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\MicroHistogram;

/** Draws the micro-plots of a dataset anew, of the rows that are not set aside. */
final class DrawMicroPlots implements ShouldBeUniqueUntilProcessing, ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 3600;

    /** Seconds after which one that was lost holds no other up. */
    public int $uniqueFor = 60;

    /** Up to so many rows it is done before the change is answered. */
    private const AT_ONCE = 50_000;
    /** Whoever made the change looks at figures first: these do not wait for the heads of columns. */
    private const WAIT_SECONDS = 2;

    public function __construct(private readonly int $datasetId) {}

    public function uniqueId(): string
    {
        return (string) $this->datasetId;
    }

    public static function after(Dataset $dataset): void
    {
        if ($dataset->rows <= self::AT_ONCE) {
            self::dispatchSync($dataset->id);
        } else {
            self::dispatch($dataset->id)->delay(self::WAIT_SECONDS);
        }
    }

    public function handle(Tallies $tallies): void
    {
        $dataset = Dataset::query()->with('variables')->find($this->datasetId);
        foreach ($dataset->variables ?? [] as $variable) {
            $counts = match (true) {
                $dataset === null => null,
                $variable->type === VariableType::Number => MicroHistogram::of($tallies->inForce($variable, [], $dataset->aside(), $dataset->revision)[0]->values),
                // Where none is set aside they are the counts of the labels.
                $variable->type === VariableType::Category => $dataset->aside() === null ? [] : $tallies->labelsInForce($variable, $dataset->aside(), $dataset->revision)->counts[0],
                default => null,
            };
            if ($counts !== null && $counts !== $variable->micro_histogram) {
                // Somebody may have changed the values meanwhile: then it is a picture of others.
                Variable::query()->whereKey($variable->id)->where('data_revision', $variable->data_revision)->update(['micro_histogram' => json_encode($counts, JSON_THROW_ON_ERROR)]);
            }
        }
    }
}
