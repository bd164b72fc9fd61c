<?php

declare(strict_types=1);

namespace Tests\App\Imports;

use App\Files\StoredFile;
use App\Imports\SumSource;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\ImportStatus;
use App\Models\Upload;
use Illuminate\Support\Facades\Storage;
use Tests\App\AppTestCase;
use Tests\App\Support\DistantDisk;

/** Files on a disk that is no folder: uploads, imports, what is read again, reports. */
final class DistantDiskTest extends AppTestCase
{
    private const HIVES = "Tag,Apiary,kg\nA1,Alder,20.5\nA2,Brook,22\nA3,Alder,\n";

    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir() . '/rowtally-distant-' . bin2hex(random_bytes(6));
        DistantDisk::use($this->folder);
    }

    protected function tearDown(): void
    {
        shell_exec('rm -rf ' . escapeshellarg($this->folder));
        parent::tearDown();
    }

    public function test_a_file_and_a_text_become_datasets(): void
    {
        $dataset = $this->dataset(self::HIVES);
        self::assertSame([3, hash('sha256', self::HIVES)], [$dataset->rows, $dataset->refresh()->source_sha256]);
        self::assertSame(hash('sha256', self::HIVES), SumSource::of($dataset));
        $pasted = $this->postJson('/api/imports', ['text' => self::HIVES])->assertStatus(202);
        self::assertSame(3, count($this->getJson("/api/imports/{$pasted->json('id')}/reading")->assertOk()->json('rows')));
        $again = $this->postJson("/api/datasets/{$dataset->id}/reread")->assertSuccessful();
        self::assertSame('waiting', $again->json('status'));
        self::assertCount(3, Storage::files('uploads'));
        $copy = StoredFile::of(Storage::files('uploads')[0]);
        $path = $copy->path;
        self::assertFileExists($path);
        unset($copy);
        self::assertFileDoesNotExist($path);
    }

    public function test_a_file_in_parts_is_put_together(): void
    {
        $begun = $this->call('POST', '/api/uploads', server: $this->transformHeadersToServerVars(['Accept' => 'application/json', 'Upload-Length' => (string) strlen(self::HIVES), 'Upload-Metadata' => 'filename ' . base64_encode('hives.csv')]))->assertCreated();
        foreach (str_split(self::HIVES, 20) as $i => $part) {
            $this->call('PATCH', "/api/uploads/{$begun->json('id')}", server: $this->transformHeadersToServerVars(['Accept' => 'application/json', 'Upload-Offset' => (string) (20 * $i), 'Content-Type' => 'application/offset+octet-stream']), content: $part)->assertNoContent();
        }
        $path = Upload::query()->findOrFail($begun->json('id'))->path;
        self::assertSame([self::HIVES, []], [Storage::get($path), Storage::files("{$path}.parts")]);
        $import = Import::query()->findOrFail($this->postJson('/api/imports', ['upload' => $begun->json('id'), 'begin' => true])->assertStatus(202)->json('id'));
        self::assertSame([ImportStatus::Done, 3], [$import->status, $import->rows_read]);

        // Given up in the middle, nothing of it stays.
        $begun = $this->call('POST', '/api/uploads', server: $this->transformHeadersToServerVars(['Accept' => 'application/json', 'Upload-Length' => '40']))->assertCreated();
        $this->call('PATCH', "/api/uploads/{$begun->json('id')}", server: $this->transformHeadersToServerVars(['Accept' => 'application/json', 'Upload-Offset' => '0', 'Content-Type' => 'application/offset+octet-stream']), content: 'a part')->assertNoContent();
        $path = Upload::query()->findOrFail($begun->json('id'))->path;
        self::assertCount(1, Storage::files("{$path}.parts"));
        $this->deleteJson("/api/uploads/{$begun->json('id')}")->assertNoContent();
        self::assertSame([], Storage::files("{$path}.parts"));
    }

    public function test_several_workers_read_it_each_its_own_copy(): void
    {
        config(['intake.shares_from_bytes' => 1]);
        $dataset = $this->dataset(self::HIVES);

        self::assertSame([3, ['Alder', 'Brook']], [$dataset->rows, Dataset::query()->findOrFail($dataset->id)->variables[1]->dictionary]);
    }
}
