<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Imports\RunImport;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Models\Variable;
use App\Store\OrderVariables;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use RuntimeException;
use Tests\App\AppTestCase;

final class OrderVariablesTest extends AppTestCase
{
    public function test_variables_with_very_many_values_are_ordered_after_the_import(): void
    {
        Queue::fake([OrderVariables::class]);
        $dataset = $this->dataset($this->manyDistinct());
        $variable = $dataset->variables[0];
        self::assertSame([[], 0], [$variable->micro_histogram, DB::table('tallies')->where('variable_id', $variable->id)->count()]);

        app()->call([new OrderVariables($dataset->id), 'handle']);

        self::assertSame(60_000, array_sum(Variable::query()->findOrFail($variable->id)->micro_histogram));
        self::assertSame(1, DB::table('tallies')->where('variable_id', $variable->id)->count());
    }

    public function test_a_profile_that_comes_first_does_not_wait_for_it(): void
    {
        Queue::fake([OrderVariables::class]);
        $figures = $this->figures($this->profile($this->dataset($this->manyDistinct()), 'of=x'));

        self::assertEquals([60_000, 0.001, 60, 30.0005], [$figures['n'][0], $figures['min'][0], $figures['max'][0], $figures['median'][0]]);
    }

    public function test_a_dataset_that_is_gone_by_then_is_no_error(): void
    {
        app()->call([new OrderVariables(999_999), 'handle']);

        $this->assertDatabaseCount('tallies', 0);
    }

    public function test_an_import_that_fails_for_our_own_reasons_says_so_and_leaves_nothing(): void
    {
        $import = $this->keeper->imports()->create([
            'title' => 'x', 'file_name' => 'x.csv', 'path' => 'uploads/x.csv', 'status' => ImportStatus::Running, 'bytes_total' => 1,
        ]);
        (new RunImport($import->id))->failed(new RuntimeException('the disk is full'));
        $import = Import::query()->findOrFail($import->id);

        self::assertSame(ImportStatus::Failed, $import->status);
        self::assertStringContainsString('Something went wrong on our side', (string) $import->error);
        self::assertStringNotContainsString('disk', (string) $import->error);
    }

    private function manyDistinct(): string
    {
        return "x\n" . implode("\n", array_map(static fn(int $i): string => number_format($i * 7919 % 60_000 / 1000 + 0.001, 3, '.', ''), range(0, 59_999))) . "\n";
    }
}
