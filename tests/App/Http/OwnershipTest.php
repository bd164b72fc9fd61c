<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Models\Dataset;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

final class OwnershipTest extends AppTestCase
{
    /** @return iterable<string, array{string, string, string}> */
    public static function routes(): iterable
    {
        yield 'dataset' => ['GET', '/api/datasets/{dataset}', 'showDataset'];
        yield 'profile' => ['GET', '/api/datasets/{dataset}/profile?of=kg', 'showProfile'];
        yield 'delete dataset' => ['DELETE', '/api/datasets/{dataset}', 'deleteDataset'];
        yield 'import' => ['GET', '/api/imports/{import}', 'showImport'];
        yield 'cancel import' => ['POST', '/api/imports/{import}/cancel', 'cancelImport'];
    }

    #[DataProvider('routes')]
    public function test_what_belongs_to_another_account_does_not_exist(string $method, string $path, string $operation): void
    {
        $import = $this->upload("kg\n1\n2\n");
        $address = str_replace(['{dataset}', '{import}'], [(string) $import->dataset_id, (string) $import->id], $path);

        $this->actingAs($this->account('neighbour'));
        Contract::assertMeets($operation, $this->json($method, $address)->assertNotFound());
        self::assertNotNull(Dataset::query()->find($import->dataset_id), 'and it is still there');

        Auth::logout();
        Contract::assertMeets($operation, $this->json($method, $address)->assertUnauthorized());
    }

    public function test_the_list_holds_only_my_own_datasets_the_latest_first(): void
    {
        $this->dataset("kg\n1\n", 'older.csv');
        $this->travel(1)->minutes();
        $this->dataset("kg,g\n1,a\n2,b\n", 'newer.csv');
        $answer = $this->getJson('/api/datasets')->assertOk();
        Contract::assertMeets('listDatasets', $answer);
        self::assertSame([['newer', 2, 2], ['older', 1, 1]], array_map(
            static fn(array $dataset): array => [$dataset['title'], $dataset['rows'], $dataset['variables']],
            $answer->json(),
        ));

        $this->actingAs($this->account('neighbour'));
        $this->getJson('/api/datasets')->assertOk()->assertExactJson([]);
        $this->getJson('/api/imports')->assertOk()->assertExactJson([]);
    }

    public function test_a_draft_that_is_still_being_written_is_nowhere_to_be_seen(): void
    {
        $draft = Dataset::query()->create(['user_id' => $this->keeper->id, 'title' => 'half-made', 'notes' => []]);

        $this->getJson('/api/datasets')->assertExactJson([]);
        $this->getJson("/api/datasets/{$draft->id}")->assertNotFound();
    }

    public function test_deleting_a_dataset_deletes_all_of_it(): void
    {
        $import = $this->upload("kg,g\n1,a\nx,b\n3,a\n");
        Storage::assertExists($import->path);
        Contract::assertMeets('deleteDataset', $this->deleteJson("/api/datasets/{$import->dataset_id}")->assertNoContent());

        foreach (['datasets', 'revisions', 'variables', 'variable_versions', 'column_chunks', 'tallies', 'imports'] as $table) {
            $this->assertDatabaseCount($table, 0);
        }
        Storage::assertMissing($import->path);
    }

    public function test_an_address_of_the_api_that_does_not_exist_says_so_in_json(): void
    {
        $this->getJson('/api/nothing/here')->assertNotFound()->assertJsonStructure(['message']);
    }

    public function test_every_other_address_is_the_page(): void
    {
        $this->withoutVite()->get('/datasets/7/profile?of=kg')->assertOk()->assertSee('<div id="app">', false);
    }
}
