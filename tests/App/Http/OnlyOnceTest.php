<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Store\DoneOnce;
use Illuminate\Support\Facades\DB;
use Tests\App\AppTestCase;

/** A request that names itself is done once, whatever comes again. */
final class OnlyOnceTest extends AppTestCase
{
    public function test_the_same_name_is_the_same_request(): void
    {
        $dataset = $this->dataset("kg\n1\n2\n");
        $keep = fn(string $name, string $title = 'Table') => $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'heading', 'title' => $title], ['Idempotency-Key' => $name]);

        $blocks = fn(): int => $this->getJson("/api/datasets/{$dataset->id}/reports")->json('0.blocks');

        $first = $keep('one')->assertStatus(201);
        $again = $keep('one')->assertStatus(201)->assertHeader('Idempotent-Replayed', 'true');
        self::assertSame($first->json('block'), $again->json('block'));
        self::assertNotSame($first->json('block'), $keep('two')->assertStatus(201)->json('block'));
        self::assertSame(2, $blocks());
        $keep(str_repeat('x', 201))->assertStatus(422);
        // A refusal is an answer too.
        $keep('three', '')->assertStatus(422);
        self::assertSame('A heading has 1 to 200 characters.', $keep('three', '')->assertStatus(422)->json('message'));
        // Without a name each is one of its own.
        $keep('')->assertStatus(201);
        $keep('')->assertStatus(201);
        self::assertSame(4, $blocks());
    }

    public function test_a_name_is_that_of_an_account(): void
    {
        $make = fn() => $this->postJson('/api/datasets', ['title' => 'Empty'], ['Idempotency-Key' => 'one']);
        $own = $make()->json('id');
        $this->actingAs($this->account('stranger'));

        self::assertNotSame($own, $make()->json('id'));
    }

    public function test_what_failed_on_our_side_may_be_asked_for_again(): void
    {
        $doneOnce = new DoneOnce();
        self::assertTrue($doneOnce->begin('a'));
        self::assertFalse($doneOnce->begin('a'));
        self::assertNull($doneOnce->answer('a'));
        $doneOnce->forget('a');
        self::assertFalse($doneOnce->answer('a'));
        self::assertTrue($doneOnce->begin('a'));
        self::assertTrue($doneOnce->finish('a', 201, '{}'));
        self::assertSame(['status' => 201, 'answer' => '{}'], $doneOnce->answer('a'));
        // One whose process died, and what is a day old, are forgotten.
        DB::table('done_once')->insert([['request' => 'dead', 'at' => time() - 200, 'status' => null], ['request' => 'old', 'at' => time() - 90_000, 'status' => 201]]);
        self::assertTrue($doneOnce->begin('dead'));
        self::assertFalse($doneOnce->answer('old'));
    }
}
