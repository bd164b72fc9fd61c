<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Http\Middleware\TellsHowFar;
use App\Store\Stopped;
use App\Store\Underway;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Tests\App\AppTestCase;

/** How far an answer is that takes long, and that it stops when it is told to. */
final class UnderwayTest extends AppTestCase
{
    private const NAME = '0123456789abcdef0123456789abcdef';
    /** Longer than until something is told first, and than between two tellings. */
    private const A_WHILE = 550_000;

    public function test_what_takes_long_tells_how_far_it_is_until_its_end(): void
    {
        $seen = $this->asked(function (): array {
            Underway::tell('Counting', 1, 8);
            $atOnce = $this->getJson('/api/underway/' . self::NAME)->json();
            usleep(self::A_WHILE);
            Underway::tell('Counting', 2, 8);
            // So soon it is not told again.
            Underway::tell('Counting', 3, 8);

            return [$atOnce, $this->getJson('/api/underway/' . self::NAME)->json()];
        });
        $nothing = ['what' => null, 'share' => null];
        self::assertSame([$nothing, ['what' => 'Counting', 'share' => 0.25]], $seen);
        $this->getJson('/api/underway/' . self::NAME)->assertOk()->assertExactJson($nothing);
    }

    public function test_what_a_part_tells_is_its_share_of_the_whole(): void
    {
        $seen = $this->asked(function (): array {
            Underway::part('One after the other', 1, 4);
            usleep(self::A_WHILE);
            Underway::tell('Counting', 1, 2);
            $within = $this->getJson('/api/underway/' . self::NAME)->json();
            usleep(self::A_WHILE);
            Underway::part('One after the other', 2, 4);

            return [$within, $this->getJson('/api/underway/' . self::NAME)->json()];
        });
        self::assertSame([['what' => 'One after the other', 'share' => 0.375], ['what' => 'One after the other', 'share' => 0.5]], $seen);
    }

    public function test_counting_stops_within_one_variable(): void
    {
        $dataset = $this->dataset("x,g\n" . implode("\n", array_map(static fn(int $row): string => ($row * 7919 % 70_001) . '.123456,g' . $row % 3, range(1, 70_000))) . "\n");
        DB::table('tallies')->delete();
        $this->postJson('/api/underway/' . self::NAME . '/stop')->assertNoContent();
        $this->asked(function () use ($dataset): array {
            // The telling before the first chunk is over; the next is due.
            Underway::part('Counting the values', 0, 1);
            usleep(self::A_WHILE);
            $this->getJson("/api/datasets/{$dataset->id}/profile?of=x&by=g")->assertStatus(409)->assertJsonPath('message', 'It was stopped before it was done.');

            return [];
        });
        self::assertSame(0, DB::table('tallies')->count(), 'nothing is kept of it');
    }

    public function test_it_stops_when_it_is_told_to_but_not_by_others(): void
    {
        $this->asked(function (): array {
            $this->actingAs($this->account('stranger'));
            $this->postJson('/api/underway/' . self::NAME . '/stop')->assertNoContent();
            usleep(self::A_WHILE);
            Underway::tell('Counting', 1, 8);
            $this->getJson('/api/underway/' . self::NAME)->assertJsonPath('what', null);

            $this->actingAs($this->keeper);
            $this->postJson('/api/underway/' . self::NAME . '/stop')->assertNoContent();
            usleep(self::A_WHILE);
            $taken = [];
            try {
                foreach (Underway::through('Counting', ['a', 'b'], 2) as $piece) {
                    $taken[] = $piece;
                }
                self::fail('It went on.');
            } catch (Stopped $stopped) {
                self::assertSame('It was stopped before it was done.', $stopped->getMessage());
                self::assertSame([], $taken);
            }

            return [];
        });
    }

    public function test_a_name_is_of_questions_alone_and_has_one_form(): void
    {
        foreach ([Request::create('/api/x', 'POST', server: ['HTTP_X_UNDERWAY' => self::NAME]), Request::create('/api/x?underway=../' . self::NAME), Request::create('/api/x')] as $request) {
            $this->asked(function (): array {
                usleep(self::A_WHILE);
                Underway::tell('Counting', 1, 8);
                $this->getJson('/api/underway/' . self::NAME)->assertJsonPath('what', null);

                return [];
            }, $request);
        }
        $this->getJson('/api/underway/' . strtoupper(self::NAME))->assertNotFound();
    }

    public function test_whatever_takes_long_tells_how_far_it_is(): void
    {
        $dataset = $this->dataset("x,g,note\n" . implode("\n", array_map(static fn(int $row): string => "{$row}.5,g" . $row % 3 . ",note number {$row}", range(1, 5000))) . "\n");
        $told = [];
        foreach (['rows?sort=x', 'rows?sort=g:down', 'rows?sort=note', 'rows?where=x+%3E+7', 'rows/find?text=nowhere', 'profile?of=x', 'profile?of=x&where=x+%3E+8', 'overview?where=x+%3E+9', 'export?format=csv', 'export?format=csv&sort=x:down'] as $asked) {
            $told[$asked] = Underway::named($asked, function () use ($dataset, $asked): ?string {
                usleep(self::A_WHILE);
                $this->get("/api/datasets/{$dataset->id}/{$asked}", ['Accept' => 'application/json'])->assertOk();

                return Underway::of($asked)['what'] ?? null;
            });
        }
        self::assertSame([
            'rows?sort=x' => 'Putting the rows in order',
            'rows?sort=g:down' => 'Putting the rows in order',
            'rows?sort=note' => 'Putting the rows in order',
            'rows?where=x+%3E+7' => 'Looking at each row',
            'rows/find?text=nowhere' => 'Looking through the cells',
            'profile?of=x' => 'Counting the values',
            'profile?of=x&where=x+%3E+8' => 'Looking at each row',
            'overview?where=x+%3E+9' => 'Looking at each row',
            'export?format=csv' => 'Writing the file',
            'export?format=csv&sort=x:down' => 'Putting the rows in order',
        ], $told);
    }

    /**
     * @param callable(): array<mixed> $work
     *
     * @return array<mixed>
     */
    private function asked(callable $work, ?Request $request = null): array
    {
        $request ??= Request::create('/api/x', server: ['HTTP_X_UNDERWAY' => self::NAME]);
        $request->setUserResolver(fn() => $this->keeper);
        $seen = [];
        (new TellsHowFar())->handle($request, static function () use ($work, &$seen): Response {
            $seen = $work();

            return new Response();
        });

        return $seen;
    }
}
