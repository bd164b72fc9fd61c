<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Models\Dataset;
use App\Models\Variable;
use Closure;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Events\QueryExecuted;
use Illuminate\Support\Facades\DB;
use Tests\App\AppTestCase;

/** What is asked of the database while a hand moves: each exchange with it takes a part of the time that an answer has. */
final class FewQuestionsTest extends AppTestCase
{
    public function test_another_basis_is_two_questions_to_the_database_with_groups_or_without(): void
    {
        $dataset = $this->many();
        foreach (['', '&by=g', '&where=' . urlencode('x > 20')] as $words) {
            $ask = fn(string $rule): array => $this->asked(fn() => $this->getJson("/api/datasets/{$dataset->id}/profile?of=x{$words}&figures=essentials,skewness&quartiles={$rule}")->assertOk());
            $ask('hf7');
            $asked = $ask('hf8');

            // A condition has its groups kept apart.
            self::assertCount($words === '' || $words === '&by=g' ? 2 : 3, $asked, implode("\n", $asked));
        }
    }

    public function test_a_window_of_rows_is_two(): void
    {
        $dataset = $this->many();

        self::assertCount(2, $this->asked(fn() => $this->getJson("/api/datasets/{$dataset->id}/rows?from=3000&count=50")->assertOk()));
    }

    public function test_the_bytes_of_older_versions_are_passed_over(): void
    {
        $dataset = $this->many();
        $this->change($dataset, ['kind' => 'edit-cells', 'edits' => [['row' => 2, 'variable' => 'x', 'text' => '77']]]);
        $asked = $this->asked(fn() => $this->getJson("/api/datasets/{$dataset->id}/rows?count=2")->assertOk()->assertJsonPath('cells.x', ['12.5', '77.0']));

        $of = array_values(array_filter($asked, static fn(string $sql): bool => str_contains($sql, 'column_chunks')));
        self::assertCount(1, $of);
        $plan = (array) DB::select('explain ' . preg_replace('/\?/', '1', $of[0]))[0];
        self::assertSame(['chunk_versions', 'Using index condition'], [$plan['key'], $plan['Extra']]);
    }

    public function test_the_variables_that_come_with_a_dataset_are_those_that_it_has(): void
    {
        $dataset = $this->dataset("n,x,g\n1,2,a\n2,3,b\n3,5,a\n");
        $this->change($dataset, ['kind' => 'delete-variable', 'variable' => 'x']);
        $this->change($dataset, ['kind' => 'set-aside', 'rows' => [2], 'reason' => 'a scale that stuck']);
        $this->getJson("/api/datasets/{$dataset->id}")->assertOk();
        $bound = $dataset->resolveRouteBinding((string) $dataset->id);
        self::assertInstanceOf(Dataset::class, $bound);
        self::assertTrue($bound->relationLoaded('variables'));
        $plain = static fn(Collection $variables): array => $variables->map(static fn(Variable $variable): array => $variable->getAttributes())->all();

        self::assertSame($plain(Dataset::query()->findOrFail($dataset->id)->variables), $plain($bound->variables));
        self::assertSame(['n', 'g'], $bound->variables->pluck('key')->all());
    }

    public function test_what_is_no_number_of_a_dataset_is_not_found(): void
    {
        $dataset = $this->dataset("x\n1\n2\n");
        foreach (['0', '999999', '1e0', "{$dataset->id}.0", '-1', 'x', '99999999999999999999999'] as $id) {
            $this->getJson('/api/datasets/' . $id)->assertNotFound();
        }
    }

    private function many(): Dataset
    {
        $lines = '';
        // More than 5,000: what looks at every value is kept beside them.
        for ($i = 0; $i < 6_000; ++$i) {
            $lines .= (12.5 + $i % 400 / 2) . ',g' . $i % 3 . "\n";
        }

        return $this->dataset("x,g\n{$lines}");
    }

    /** @return list<string> */
    private function asked(Closure $what): array
    {
        $asked = [];
        DB::listen(static function (QueryExecuted $query) use (&$asked): void {
            // A browser's cookies name a session that is there; here one is made each time.
            if (!str_contains($query->sql, 'sessions')) {
                $asked[] = $query->sql;
            }
        });
        $what();
        DB::getEventDispatcher()->forget(QueryExecuted::class);

        return $asked;
    }

    /** @param array<string, mixed> $words */
    private function change(Dataset $dataset, array $words): void
    {
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $dataset->refresh()->revision, ...$words])->assertSuccessful();
        $dataset->refresh();
    }
}
