<?php

declare(strict_types=1);

namespace Tests\App;

use App\Models\Dataset;
use App\Models\Import;
use App\Models\User;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\DatabaseTruncation;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use RuntimeException;
use Tests\App\Support\Contract;

/** Runs against the MariaDB that ./test has started; imports run at once instead of in the queue. */
abstract class AppTestCase extends TestCase
{
    use DatabaseTruncation;

    protected User $keeper;

    public function createApplication(): Application
    {
        if (getenv('ROWTALLY_INSTANCE') !== 'test') {
            throw new RuntimeException('These tests need the test database: run them with ./test app.');
        }
        // Processes that run side by side have a database each.
        $place = getenv('TEST_TOKEN');
        if (is_string($place)) {
            putenv('DB_DATABASE=' . ($_SERVER['DB_DATABASE'] = $_ENV['DB_DATABASE'] = "rowtally_{$place}"));
        }
        $app = require dirname(__DIR__, 2) . '/bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();

        return $app;
    }

    protected function setUp(): void
    {
        parent::setUp();
        Storage::fake('local');
        $this->keeper = $this->account('keeper');
        $this->actingAs($this->keeper);
    }

    protected function tearDown(): void
    {
        // Each test has an application of its own; their connections must not add up.
        DB::disconnect();
        parent::tearDown();
    }

    protected function account(string $name): User
    {
        return User::query()->create(['name' => $name, 'email' => "{$name}@example.org", 'password' => 'nectar-flow'])->refresh();
    }

    /** Uploads a file as the page does and runs its import. */
    protected function upload(string $content, string $name = 'hives.csv'): Import
    {
        $answer = $this->post('/api/imports', ['file' => UploadedFile::fake()->createWithContent($name, $content), 'begin' => '1'], ['Accept' => 'application/json'])
            ->assertStatus(202);
        Contract::assertMeets('startImport', $answer);

        return Import::query()->findOrFail($answer->json('id'));
    }

    /** A dataset made from a file that must be readable. */
    protected function dataset(string $content, string $name = 'hives.csv'): Dataset
    {
        $import = $this->upload($content, $name);
        self::assertNull($import->error);

        return Dataset::query()->findOrFail($import->dataset_id);
    }

    /** @return array<string, mixed> the answer, held to the contract */
    protected function profile(Dataset $dataset, string $words): array
    {
        $answer = $this->getJson("/api/datasets/{$dataset->id}/profile?{$words}")->assertOk();
        Contract::assertMeets('showProfile', $answer);

        return $answer->json();
    }

    /**
     * The figures of one sheet by key, overall first and then of each group.
     *
     * @return array<string, list<int|float|string|null>> value, or the reason where there is none
     */
    protected function figures(array $profile, int $sheet = 0): array
    {
        $figures = [];
        foreach ($profile['sheets'][$sheet]['figures'] as $row) {
            $figures[$row['key']] = array_map(static fn(array $figure): int|float|string|null => $figure['value'] ?? $figure['reason'], $row['values']);
        }

        return $figures;
    }
}
