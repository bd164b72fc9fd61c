<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Models\Dataset;
use App\Store\StoredColumns;
use App\Store\Tallies;
use PHPUnit\Framework\Attributes\DataProvider;
use RowTally\Core\Columns\TallyColumn;
use Tests\App\AppTestCase;

/** Changes at random, undone and done again at random, beside a plain list of rows; and views of it beside plain filters. */
final class RandomChangesTest extends AppTestCase
{
    private const APIARIES = ['Alder', 'Brook', 'Cold'];
    private const STEPS = 40;

    /** @var list<list<array{kg: string, apiary: string}>> what there was before each change that can be undone */
    private array $past = [];
    /** @var list<list<array{kg: string, apiary: string}>> */
    private array $future = [];
    /** @var list<array{kg: string, apiary: string}> */
    private array $rows = [];

    /** @return array<string, array{int, int}> seed and rows at the beginning */
    public static function beginnings(): array
    {
        return ['few rows' => [1, 12], 'other few rows' => [2, 30], 'more than one chunk' => [3, 8200], 'over three chunks' => [4, 16_500]];
    }

    #[DataProvider('beginnings')]
    public function test_the_store_holds_what_a_plain_list_holds(int $seed, int $count): void
    {
        mt_srand($seed);
        $this->rows = array_map(static fn(): array => self::row(), range(1, $count));
        // Decimals are those of the widest number ever; here all have them from the start.
        $this->rows[0]['kg'] = '10.55';
        $dataset = $this->dataset("kg,apiary\n" . implode('', array_map(static fn(array $row): string => "{$row['kg']},{$row['apiary']}\n", $this->rows)));
        for ($step = 0; $step < self::STEPS; ++$step) {
            $this->oneChange($dataset, $said);
            self::assertSame(count($this->rows), $dataset->rows, $said);
            $this->assertWindow($dataset, $said);
            if ($step % 8 === 7) {
                $this->assertFigures($dataset, $said);
                $this->assertView($dataset, $said);
            }
        }
    }

    private function oneChange(Dataset $dataset, ?string &$said): void
    {
        $before = $this->rows;
        $n = count($this->rows);
        $kind = ['edit-cells', 'edit-cells', 'edit-cells', 'add-rows', 'delete-rows', 'undo', 'undo', 'redo'][mt_rand(0, 7)];
        if ($kind === 'undo' && $this->past === [] || $kind === 'redo' && $this->future === [] || $kind === 'delete-rows' && $n < 4) {
            $kind = 'add-rows';
        }
        $words = [];
        switch ($kind) {
            case 'edit-cells':
                $edits = [];
                for ($i = mt_rand(1, 5); $i > 0; --$i) {
                    $place = mt_rand(0, $n - 1);
                    $variable = ['kg', 'apiary'][mt_rand(0, 1)];
                    $edits["{$place} {$variable}"] = ['row' => $place + 1, 'variable' => $variable, 'text' => self::row()[$variable]];
                    $this->rows[$place][$variable] = $edits["{$place} {$variable}"]['text'];
                }
                if ($this->rows === $before) {
                    return;
                }
                $words = ['edits' => array_values($edits)];
                break;
            case 'add-rows':
                $added = array_map(static fn(): array => self::row(), range(1, mt_rand(1, 4)));
                $this->rows = [...$this->rows, ...$added];
                $words = ['rows' => $added];
                break;
            case 'delete-rows':
                $gone = array_unique(array_map(static fn(): int => mt_rand(1, $n), range(1, mt_rand(1, 3))));
                $this->rows = array_values(array_filter($this->rows, static fn(int $place): bool => !in_array($place + 1, $gone, true), ARRAY_FILTER_USE_KEY));
                $words = ['rows' => array_values($gone)];
                break;
            case 'undo':
                $this->future[] = $this->rows;
                $this->rows = array_pop($this->past) ?? [];
                break;
            default:
                $this->past[] = $this->rows;
                $this->rows = array_pop($this->future) ?? [];
        }
        if ($kind !== 'undo' && $kind !== 'redo') {
            $this->past[] = $before;
            $this->future = [];
        }
        $said = $kind . ' ' . json_encode($words, JSON_THROW_ON_ERROR);
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $dataset->revision, 'kind' => $kind, ...$words])->assertStatus(201);
        $dataset->refresh()->load('variables');
    }

    private function assertWindow(Dataset $dataset, ?string $said): void
    {
        $from = mt_rand(0, max(0, count($this->rows) - 1));
        $cells = $this->getJson("/api/datasets/{$dataset->id}/rows?from={$from}&count=40")->assertOk()->json('cells');
        $rows = array_slice($this->rows, $from, 40);

        self::assertSame(array_map(self::padded(...), array_column($rows, 'kg')), $cells['kg'], "{$said} at {$from}");
        self::assertSame(array_column($rows, 'apiary'), $cells['apiary'], "{$said} at {$from}");
    }

    /** What was carried over from change to change is what is counted anew. */
    private function assertFigures(Dataset $dataset, ?string $said): void
    {
        $kg = $dataset->variables[0];
        $carried = (new Tallies())->whole($kg, $dataset->revision);
        $anew = TallyColumn::whole(StoredColumns::number($kg, $dataset->revision));
        $values = array_map(floatval(...), array_filter(array_column($this->rows, 'kg'), static fn(string $text): bool => $text !== ''));

        self::assertSame(bin2hex($anew->values->toBytes()), bin2hex($carried->values->counted()->toBytes()), (string) $said);
        self::assertSame([count($values), count($this->rows) - count($values)], [$carried->n(), $carried->missing], (string) $said);
        $figures = $this->figures($this->profile($dataset, 'of=kg'));
        self::assertEqualsWithDelta(array_sum($values), $figures['sum'][0], 1e-6, (string) $said);
        self::assertEqualsWithDelta([min($values), max($values)], [$figures['min'][0], $figures['max'][0]], 1e-12, (string) $said);
    }

    private function assertView(Dataset $dataset, ?string $said): void
    {
        $bound = mt_rand(-20, 60);
        $apiary = self::APIARIES[mt_rand(0, 2)];
        [$where, $holds] = [
            ["kg > {$bound}", static fn(array $row): bool => $row['kg'] !== '' && (float) $row['kg'] > $bound],
            ["kg <= {$bound} and apiary = '{$apiary}'", static fn(array $row): bool => $row['kg'] !== '' && (float) $row['kg'] <= $bound && $row['apiary'] === $apiary],
            ["missing(kg) or apiary <> '{$apiary}'", static fn(array $row): bool => $row['kg'] === '' || ($row['apiary'] !== '' && $row['apiary'] !== $apiary)],
        ][mt_rand(0, 2)];
        $expected = array_keys(array_filter($this->rows, $holds));
        $isDescending = mt_rand(0, 1) === 1;
        $order = function (int $a, int $b) use ($isDescending): int {
            $missing = [$this->rows[$a]['kg'] === '', $this->rows[$b]['kg'] === ''];

            $byValue = $missing === [false, false] ? ($isDescending ? -1 : 1) * ((float) $this->rows[$a]['kg'] <=> (float) $this->rows[$b]['kg']) : $missing[0] <=> $missing[1];

            return $byValue === 0 ? $a <=> $b : $byValue;
        };
        usort($expected, $order);
        $answer = $this->getJson("/api/datasets/{$dataset->id}/rows?count=1000&sort=kg" . ($isDescending ? ':down' : '') . '&where=' . urlencode($where))->assertOk();

        self::assertSame(count($expected), $answer->json('total'), "{$said}; {$where}");
        self::assertSame(array_map(static fn(int $place): int => $place + 1, array_slice($expected, 0, 1000)), $answer->json('rows'), "{$said}; {$where}");
    }

    /** @return array{kg: string, apiary: string} */
    private static function row(): array
    {
        return [
            'kg' => mt_rand(0, 9) === 0 ? '' : (string) (mt_rand(-400, 9900) / 100),
            'apiary' => mt_rand(0, 11) === 0 ? '' : self::APIARIES[mt_rand(0, 2)],
        ];
    }

    /** As it is shown: with as many decimals as the column has. */
    private static function padded(string $text): string
    {
        return $text === '' ? '' : number_format((float) $text, 2, '.', '');
    }
}
