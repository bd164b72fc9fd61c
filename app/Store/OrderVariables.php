<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\Variable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Plots\MicroHistogram;

/**
 * Puts the values of number variables in order that had too many distinct ones to be counted while the file was read, and draws
 * their micro-plots. The dataset can be used meanwhile: a profile that comes first orders what it needs itself.
 */
final class OrderVariables implements ShouldQueue
{
    use Queueable;

    public int $tries = 3;

    public int $timeout = 3600;

    public function __construct(private readonly int $datasetId) {}

    public function handle(Tallies $tallies): void
    {
        $dataset = Dataset::query()->with('variables')->find($this->datasetId);
        foreach ($dataset->variables ?? [] as $variable) {
            if ($dataset !== null && $variable->type === VariableType::Number && $variable->micro_histogram === [] && $variable->missing < $dataset->rows) {
                $histogram = MicroHistogram::of($tallies->whole($variable, $dataset->revision)->values);
                // Somebody may have changed the values meanwhile: then it is a picture of others.
                Variable::query()->whereKey($variable->id)->where('data_revision', $variable->data_revision)->update(['micro_histogram' => json_encode($histogram, JSON_THROW_ON_ERROR)]);
            }
        }
    }
}
