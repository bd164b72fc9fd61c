<?php

declare(strict_types=1);

namespace Tests\App\Imports;

use App\Files\NoRoom;
use App\Imports\ReceiveParts;
use App\Imports\SweepImports;
use App\Models\Dataset;
use App\Models\Import;
use App\Models\Upload;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Files in parts: sent twice, out of order, damaged, never; the dataset is the one that a whole upload makes. */
final class UploadTest extends AppTestCase
{
    private function begin(int $bytes, string $name = 'Bienenstöcke.csv'): int
    {
        $begun = $this->call('POST', '/api/uploads', server: $this->transformHeadersToServerVars(['Accept' => 'application/json', 'Upload-Length' => (string) $bytes, 'Upload-Metadata' => 'size MQ==,filename ' . base64_encode($name)]))->assertCreated();
        Contract::assertMeets('beginUpload', $begun);
        self::assertSame(["/api/uploads/{$begun->json('id')}", '1.0.0', '0'], [$begun->headers->get('Location'), $begun->headers->get('Tus-Resumable'), $begun->headers->get('Upload-Offset')]);

        return $begun->json('id');
    }

    /** @return TestResponse<Response> */
    private function send(int $upload, int $offset, string $part, ?string $sum = null, string $type = 'application/offset+octet-stream'): TestResponse
    {
        $heads = ['Accept' => 'application/json', 'Upload-Offset' => (string) $offset, 'Content-Type' => $type, ...($sum === null ? [] : ['Upload-Checksum' => $sum])];

        return $this->call('PATCH', "/api/uploads/{$upload}", server: $this->transformHeadersToServerVars($heads), content: $part);
    }

    private function here(int $upload): int
    {
        $answer = $this->getJson("/api/uploads/{$upload}")->assertOk();
        Contract::assertMeets('showUpload', $answer);
        self::assertSame((string) $answer->json('bytes_here'), $this->call('HEAD', "/api/uploads/{$upload}")->assertOk()->headers->get('Upload-Offset'));

        return $answer->json('bytes_here');
    }

    public function test_parts_become_the_file_whatever_happens_on_the_way(): void
    {
        $text = (string) file_get_contents(base_path('demo/spring-inspection.csv'));
        $parts = str_split($text, 5000);
        $upload = $this->begin(strlen($text));
        $sum = static fn(string $part): string => 'sha256 ' . base64_encode(hash('sha256', $part, true));

        $this->send($upload, 0, $parts[0], $sum($parts[0]))->assertNoContent()->assertHeader('Upload-Offset', '5000');
        // Sent twice, for the answer was lost; out of order; damaged; with a sum that is none.
        $this->send($upload, 0, $parts[0], $sum($parts[0]))->assertConflict();
        $this->send($upload, 10_000, $parts[2], $sum($parts[2]))->assertConflict()->assertJsonFragment(['message' => 'The part begins at byte 10000, and 5000 are here. Ask how many are here, and go on from there.']);
        $this->send($upload, 5000, strrev($parts[1]), $sum($parts[1]))->assertStatus(460);
        $this->send($upload, 5000, $parts[1], 'md5 abc')->assertStatus(400);
        $this->send($upload, 5000, $parts[1], type: 'text/csv')->assertUnprocessable();
        self::assertSame(5000, $this->here($upload));
        // A process that died had begun to write the next one.
        file_put_contents(Storage::path(Upload::query()->findOrFail($upload)->path), 'half a part', FILE_APPEND);

        $list = $this->getJson('/api/uploads')->assertOk();
        Contract::assertMeets('listUploads', $list);
        self::assertSame([['id' => $upload, 'file_name' => 'Bienenstöcke.csv', 'bytes_total' => strlen($text), 'bytes_here' => 5000]], $list->json());

        // Not whole yet.
        $this->postJson('/api/imports', ['upload' => $upload])->assertUnprocessable()->assertJsonPath('errors.upload.0', 'Of 13,850 bytes 5,000 have arrived. Send the rest, then bring it in.');
        $this->send($upload, 5000, $parts[1], 'sha1 ' . base64_encode(sha1($parts[1], true)))->assertNoContent();
        $this->send($upload, 10_000, $parts[2] . 'more than there is')->assertStatus(413);
        $this->send($upload, 10_000, $parts[2], $sum($parts[2]))->assertNoContent();
        self::assertSame(strlen($text), $this->here($upload));
        self::assertSame($text, Storage::get(Upload::query()->findOrFail($upload)->path));

        $import = $this->postJson('/api/imports', ['upload' => $upload, 'begin' => true])->assertStatus(202);
        self::assertSame('Bienenstöcke', $import->json('title'));
        $dataset = Import::query()->findOrFail($import->json('id'))->refresh()->dataset;
        self::assertInstanceOf(Dataset::class, $dataset);
        $whole = $this->dataset($text, 'whole.csv');
        $bytes = static fn(Dataset $of): array => DB::table('column_chunks')->join('variables', 'variables.id', '=', 'variable_id')->where('dataset_id', $of->id)->orderBy('position')->orderBy('number')->pluck('payload')->all();
        self::assertNotSame([], $bytes($whole));
        self::assertSame($bytes($whole), $bytes($dataset));
        // It is brought in once.
        $this->postJson('/api/imports', ['upload' => $upload])->assertUnprocessable();
        $this->getJson("/api/uploads/{$upload}")->assertNotFound();
    }

    public function test_a_disk_that_fills_on_the_way_costs_one_part(): void
    {
        $text = "kg,g\n" . str_repeat("1,a\n", 25);
        $upload = $this->begin(strlen($text));
        $this->send($upload, 0, substr($text, 0, 60))->assertNoContent();
        // Twenty bytes more, and nothing is written any longer.
        pcntl_signal(SIGXFSZ, SIG_IGN);
        posix_setrlimit(POSIX_RLIMIT_FSIZE, 80, -1);
        try {
            app(ReceiveParts::class)->take(Upload::query()->findOrFail($upload), 60, substr($text, 60), null);
            self::fail('it had room');
        } catch (NoRoom) {
            // As it should be.
        } finally {
            posix_setrlimit(POSIX_RLIMIT_FSIZE, -1, -1);
            pcntl_signal(SIGXFSZ, SIG_DFL);
        }
        self::assertSame(60, $this->here($upload));
        self::assertSame(60, Storage::size(Upload::query()->findOrFail($upload)->path), 'nothing half written stays');

        $this->send($upload, 60, substr($text, 60))->assertNoContent();
        self::assertSame($text, Storage::get(Upload::query()->findOrFail($upload)->path));
    }

    public function test_what_is_refused_before_anything_is_sent(): void
    {
        $ask = fn(string $bytes): TestResponse => $this->call('POST', '/api/uploads', server: $this->transformHeadersToServerVars(['Accept' => 'application/json', 'Upload-Length' => $bytes]));
        $ask('')->assertUnprocessable();
        $ask('-5')->assertUnprocessable();
        $ask((string) (5 << 30))->assertStatus(413)->assertJsonPath('message', 'The file is larger than 4 GB. Split it, or leave out columns that are not needed.');
        config()->set('intake.max_bytes_in_parts', 1 << 50);
        $ask((string) (1 << 49))->assertStatus(507);
        self::assertSame(0, Upload::query()->count());
        config()->set('intake.most_uploads', 1);
        $upload = $this->begin(10, '');
        self::assertSame('upload', Upload::query()->findOrFail($upload)->file_name);
        $ask('10')->assertConflict();
        config()->set('intake.most_part_bytes', 4);
        $this->send($upload, 0, '12345')->assertStatus(413);
    }

    public function test_it_is_nobody_elses_and_goes_away(): void
    {
        $upload = $this->begin(10);
        $path = Upload::query()->findOrFail($upload)->path;
        $this->actingAs($this->account('stranger'));
        self::assertSame([], $this->getJson('/api/uploads')->json());
        $this->getJson("/api/uploads/{$upload}")->assertNotFound();
        $this->send($upload, 0, '1234')->assertNotFound();
        $this->postJson('/api/imports', ['upload' => $upload])->assertUnprocessable();
        $this->actingAs($this->keeper);

        // It may rest for a day, however old its file is; then nobody comes back to it.
        touch(Storage::path($path), time() - 7200);
        app(SweepImports::class)->files();
        Storage::assertExists($path);
        Upload::query()->whereKey($upload)->toBase()->update(['updated_at' => now()->subDays(2)]);
        app(SweepImports::class)->files();
        Storage::assertMissing($path);
        self::assertSame(0, Upload::query()->count());

        $given = $this->begin(10);
        $path = Upload::query()->findOrFail($given)->path;
        $this->deleteJson("/api/uploads/{$given}")->assertNoContent();
        Storage::assertMissing($path);
        // What is here of it was lost: said, and not filled with nothing.
        $lost = $this->begin(10);
        Storage::delete(Upload::query()->findOrFail($lost)->path);
        $this->send($lost, 0, '1234567890')->assertStatus(410);
    }

    public function test_a_file_that_is_no_table_is_said_and_nothing_stays(): void
    {
        $upload = app(ReceiveParts::class)->begin($this->keeper, 'picture.csv', 4);
        $this->send($upload->id, 0, "\x89PNG")->assertNoContent();
        $this->postJson('/api/imports', ['upload' => $upload->id])->assertUnprocessable();
        Storage::assertMissing($upload->path);
        self::assertSame(0, Upload::query()->count());
    }
}
