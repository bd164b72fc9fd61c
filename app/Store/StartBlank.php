<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Dataset;
use App\Models\User;
use App\Models\Variable;
use Illuminate\Support\Facades\DB;
use RowTally\Core\Parsing\VariableType;

/** A dataset with one number variable and no row, to be typed into. */
final class StartBlank
{
    public function start(User $user, string $title): Dataset
    {
        /** @var Dataset $dataset */
        $dataset = DB::transaction(static function () use ($user, $title): Dataset {
            $dataset = Dataset::query()->create(['user_id' => $user->id, 'title' => $title, 'notes' => [], 'rows' => 0, 'revision' => 1]);
            $variable = Variable::query()->create([
                'dataset_id' => $dataset->id,
                'position' => 0,
                'key' => 'value',
                'name' => 'Value',
                'type' => VariableType::Number,
                'decimals' => 0,
                'dictionary' => [],
            ]);
            VariableVersions::keep($variable->refresh(), 1);
            $dataset->revisions()->create(['number' => 1, 'user_id' => $user->id, 'kind' => 'import', 'summary' => 'Begun without rows', 'rows' => 0]);

            return $dataset->refresh();
        });

        return $dataset;
    }
}
