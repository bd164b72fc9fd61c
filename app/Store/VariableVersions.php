<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Variable;
use Illuminate\Support\Facades\DB;

/** What a variable was at each revision, but for its chunks, which have versions of their own. */
final class VariableVersions
{
    private const FIELDS = [
        'position', 'name', 'type', 'unit', 'label', 'description', 'missing_marks', 'decimals', 'missing', 'unread', 'dictionary', 'micro_histogram', 'label_counts',
        'data_revision', 'made', 'shown_decimals', 'deleted_revision', 'label_mark',
    ];

    public static function keep(Variable $variable, int $revision): void
    {
        // As the database holds them: JSON columns as text, so that they go back as they are.
        $state = array_intersect_key($variable->getAttributes(), array_flip(self::FIELDS));
        DB::table('variable_versions')->updateOrInsert(
            ['variable_id' => $variable->id, 'since_revision' => $revision],
            ['state' => json_encode($state, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)],
        );
    }

    /**
     * @return array<string, mixed>|null as the database holds them; null when it did not exist then
     */
    public static function at(int $variableId, int $revision): ?array
    {
        $state = DB::table('variable_versions')->where('variable_id', $variableId)->where('since_revision', '<=', $revision)
            ->orderByDesc('since_revision')->value('state');
        /** @var mixed $fields */
        $fields = is_string($state) ? json_decode($state, true) : null;
        if (!is_array($fields)) {
            return null;
        }

        /** @var array<string, mixed> $fields */
        return $fields;
    }
}
