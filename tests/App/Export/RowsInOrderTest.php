<?php

declare(strict_types=1);

namespace Tests\App\Export;

use App\Export\RowsInOrder;
use Tests\App\AppTestCase;

/** A view of very many rows leaves in its order, though no more than a part of it is ever held. */
final class RowsInOrderTest extends AppTestCase
{
    public function test_rows_come_back_by_their_places_in_bands(): void
    {
        $places = range(0, 19_999);
        mt_srand(7);
        shuffle($places);
        $order = new RowsInOrder();
        foreach ($places as $place) {
            $order->add($place, ["cell {$place}", $place % 3 === 0 ? '' : "a\0b\x1F\"{$place}"], $place % 1000 === 7 ? [1] : []);
        }
        self::assertSame(3, $order->bands());
        $cells = $unread = [];
        $before = 0;
        foreach ($order->blocks(2) as $block) {
            self::assertCount($block['rows'], $block['cells'][0]);
            self::assertSame([], $block['unread'][0]);
            foreach (array_keys($block['unread'][1]) as $row) {
                $unread[] = $before + $row;
            }
            $cells = [...$cells, ...array_map(null, ...$block['cells'])];
            $before += $block['rows'];
        }
        self::assertSameRows(array_map(static fn(int $place): array => ["cell {$place}", $place % 3 === 0 ? '' : "a\0b\x1F\"{$place}"], range(0, 19_999)), $cells);
        self::assertSame(range(7, 19_999, 1000), $unread);
    }

    public function test_a_large_view_is_taken_out_as_it_is_seen(): void
    {
        mt_srand(11);
        $lines = ['n,x,g,note'];
        for ($row = 1; $row <= 9500; ++$row) {
            $lines[] = implode(',', [$row, $row % 997 === 0 ? 'about 5' : mt_rand(1, 300), 'g' . mt_rand(1, 4), "\"n, {$row}\""]);
        }
        $dataset = $this->dataset(implode("\n", $lines) . "\n");
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $dataset->revision, 'kind' => 'set-aside', 'rows' => [3, 8000], 'reason' => 'fell over'])->assertSuccessful();

        foreach (['sort=x:down&where=' . urlencode("g <> 'g2'"), 'sort=note', 'where=' . urlencode('n > 2000')] as $view) {
            $seen = [];
            for ($from = 0; $from < 9500; $from += 1000) {
                $window = $this->getJson("/api/datasets/{$dataset->id}/rows?{$view}&from={$from}&count=1000")->assertOk()->json();
                self::assertIsArray($window);
                foreach ($window['rows'] as $i => $row) {
                    $seen[] = [...array_map(static fn(string $key): string => $window['cells'][$key][$i], ['n', 'x', 'g', 'note']), in_array($row, [3, 8000], true) ? 'fell over' : ''];
                }
            }
            self::assertGreaterThan(4000, count($seen), 'not one window after the other');
            $file = $this->get("/api/datasets/{$dataset->id}/export?format=csv&{$view}")->assertOk()->streamedContent();
            $taken = array_map(static fn(string $line): array => str_getcsv($line, escape: ''), explode("\r\n", trim($file)));
            self::assertSameRows($seen, array_slice($taken, 1));
        }
    }

    /**
     * The first that differs is enough: to tell all of them apart takes minutes.
     *
     * @param list<list<string>> $expected
     * @param list<list<string>> $rows
     */
    private static function assertSameRows(array $expected, array $rows): void
    {
        self::assertCount(count($expected), $rows);
        foreach ($expected as $i => $row) {
            self::assertSame($row, $rows[$i], "row {$i}");
        }
    }
}
