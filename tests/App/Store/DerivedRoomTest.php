<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Store\DerivedRoom;
use Illuminate\Support\Facades\DB;
use Tests\App\AppTestCase;

/** Derived data do not grow with every new question. */
final class DerivedRoomTest extends AppTestCase
{
    public function test_what_was_not_asked_for_longest_goes_first_by_number_and_by_room(): void
    {
        self::assertSame([], DerivedRoom::beyond(['a', 'b'], ['a' => 5, 'b' => 5], 2, 10));
        self::assertSame(['c'], DerivedRoom::beyond(['a', 'b', 'c'], [], 2, 10));
        self::assertSame(['b', 'c'], DerivedRoom::beyond(['a', 'b', 'c'], ['a' => 8, 'b' => 3, 'c' => 0], 9, 10));
        self::assertSame([], DerivedRoom::beyond(['a'], ['a' => 11], 9, 10), 'the newest stays');
    }

    public function test_groupings_with_their_tallies_are_kept_up_to_a_number(): void
    {
        $dataset = $this->dataset("yield\n" . implode("\n", range(1, 60)) . "\n");
        $ask = fn(int $from) => $this->getJson("/api/datasets/{$dataset->id}/profile?of=yield&where=" . urlencode("yield > {$from}"))->assertOk()->json('sheets.0.figures.0.values.0.value');
        $ask(0);
        for ($from = 1; $from < DerivedRoom::GROUPINGS; ++$from) {
            $ask($from);
        }
        // The first has been of use lately, so the second is the oldest.
        DB::table('row_groupings')->where('dataset_id', $dataset->id)->update(['used_at' => 100]);
        DB::table('row_groupings')->where('dataset_id', $dataset->id)->where('rows', 59)->update(['used_at' => 50]);
        self::assertSame(60, $ask(0));
        self::assertGreaterThan(100, DB::table('row_groupings')->where('dataset_id', $dataset->id)->where('rows', 60)->value('used_at'));

        self::assertSame(10, $ask(50));
        self::assertSame(DerivedRoom::GROUPINGS, DB::table('row_groupings')->where('dataset_id', $dataset->id)->count());
        self::assertSame(DerivedRoom::GROUPINGS, DB::table('tallies')->where('grouping', '<>', '')->count());
        self::assertSame([1, 0], [DB::table('row_groupings')->where('rows', 60)->count(), DB::table('row_groupings')->where('rows', 59)->count()]);
        self::assertSame(59, $ask(1), 'what was forgotten is worked out again');
    }

    public function test_views_of_the_rows_are_kept_up_to_a_number_and_the_oldest_goes(): void
    {
        $dataset = $this->dataset("yield\n" . implode("\n", range(1, 60)) . "\n");
        $ask = fn(int $from) => $this->getJson("/api/datasets/{$dataset->id}/rows?from=0&count=1&where=" . urlencode("yield > {$from}"))->assertOk()->json('total');
        for ($from = 0; $from < DerivedRoom::VIEWS; ++$from) {
            $ask($from);
        }
        DB::table('row_views')->where('rows', 55)->update(['used_at' => 50]);
        self::assertSame(10, $ask(50));
        self::assertSame([DerivedRoom::VIEWS, 0, 1], [DB::table('row_views')->count(), DB::table('row_views')->where('rows', 55)->count(), DB::table('row_views')->where('rows', 60)->count()]);
        self::assertSame(55, $ask(5));
    }
}
