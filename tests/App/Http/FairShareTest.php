<?php

declare(strict_types=1);

namespace Tests\App\Http;

use Tests\App\AppTestCase;

final class FairShareTest extends AppTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        // Places are files beside the database: tests in another process, which has its own first account, must not find them taken.
        $this->keeper->forceFill(['id' => 1_000_000 + (int) getmypid()])->save();
        $this->actingAs($this->keeper);
    }

    public function test_an_account_waits_for_itself_and_not_for_others(): void
    {
        config()->set('app.seconds_for_a_share', 1);
        $held = $this->taken('share', 5);
        $began = microtime(true);
        $this->getJson('/api/datasets')->assertStatus(429)->assertJsonPath('message', 'Much that was asked for under this account is still being worked on. Wait for some of it, then try again.');
        self::assertGreaterThan(0.9, microtime(true) - $began);

        $this->actingAs($this->account('stranger'));
        $this->getJson('/api/datasets')->assertOk();

        fclose($held[3]);
        $this->actingAs($this->keeper);
        $this->getJson('/api/datasets')->assertOk();
        $this->getJson('/api/datasets')->assertOk();
    }

    public function test_so_many_of_its_own_wait_and_no_more(): void
    {
        $held = [...$this->taken('share', 5), ...$this->taken('wait', 7)];
        $began = microtime(true);
        $this->getJson('/api/datasets')->assertStatus(429)->assertHeader('Retry-After', '2');
        self::assertLessThan(1, microtime(true) - $began);
        self::assertCount(12, $held);
    }

    /** @return list<resource> places that others of the account have */
    private function taken(string $kind, int $places): array
    {
        $held = [];
        for ($number = 0; $number < $places; ++$number) {
            $file = fopen(storage_path("framework/{$kind}-{$this->keeper->id}-{$number}"), 'c');
            assert($file !== false);
            flock($file, LOCK_EX);
            $held[] = $file;
        }

        return $held;
    }
}
