<?php

declare(strict_types=1);

namespace Tests\App\Intake;

use App\Models\Import;
use App\Models\ImportStatus;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

final class NotATableTest extends AppTestCase
{
    private const TABLE = 'a table: text with one row a line and cells set apart by commas, semicolons or tabs, a workbook (XLSX, ODS), JSON, or a data package';

    /** @return iterable<string, array{string, string}> */
    public static function files(): iterable
    {
        yield 'empty' => ['', 'The file is empty. Expected: ' . self::TABLE . '. Check that the right file was chosen and that it was saved before.'];
        yield 'only line breaks' => ["\n\r\n\n", 'The file is empty.'];
        yield 'header only' => ["a,b\n", 'The file has 2 names in its first line and no row below it. Expected: at least one row under the names. Add the rows, or choose the file that holds them.'];
        yield 'header and blank lines' => ["a\n\n\n", 'The file has one name in its first line and no row below it.'];
        yield 'a row too long' => ["a,b\n1,2\n1,2,3\n", 'Line 3 has 3 cells, but the first line has 2 names. Expected: no more cells in a row than there are names.'];
        yield 'a row too long, far down' => ["a,b\n" . str_repeat("1,2\n", 50_000) . "1,2,3\n", 'Line 50002 has 3 cells, but the first line has 2 names.'];
        yield 'binary' => ["PK\x03\x04\x14\x00\x06\x00", 'The file cannot be read: the zip archive that it is cannot be opened.'];
        yield 'a picture' => ["\x89PNG\r\n\x1A\n", 'The file is not text: it begins like a picture.'];
        yield 'zero bytes' => ["a,b\n1,\0\n", 'The file is not text: byte 7 is a zero byte.'];
        yield 'zero bytes far down' => ["a,b\n" . str_repeat("1,2\n", 90_000) . "1,\0\n", 'The file is not text: line'];
        yield 'UTF-16 without a row' => ["\xFF\xFEa\0,\0b\0", 'The file has 2 names in its first line and no row below it.'];
        yield 'a web page' => ["<!DOCTYPE html><html></html>\n<p>\n", 'The file begins like a web page or XML.'];
        yield 'JSON that ends early' => ["[{\"a\": 1}, {\n", 'The JSON cannot be read: the list does not end (line 2).'];
        yield 'JSON that is no table' => ["{\"a\": 1}\n", 'The JSON is no table: it is an object without a list of objects in it.'];
        yield 'a line without end' => [str_repeat('x', 5_000_000), 'Line 1 is longer than'];
        yield 'too many columns' => [implode(',', range(1, 1001)) . "\n" . str_repeat(',', 1000) . "\n", 'The first line has 1001 cells. Expected: at most 1000 columns.'];
    }

    #[DataProvider('files')]
    public function test_what_is_no_table_gets_a_sentence_and_leaves_nothing(string $content, string $sentence): void
    {
        $answer = $this->post('/api/imports', ['file' => UploadedFile::fake()->createWithContent('hives.csv', $content), 'begin' => '1'], ['Accept' => 'application/json']);

        Contract::assertMeets('startImport', $answer);
        if ($answer->getStatusCode() === 422) {
            // Seen at once: the file is not even kept.
            self::assertStringStartsWith($sentence, $answer->json('message'));
            $this->assertDatabaseCount('imports', 0);
            self::assertSame([], Storage::allFiles());
        } else {
            // Seen only while all of it was read.
            $import = Import::query()->findOrFail($answer->json('id'));
            self::assertSame(ImportStatus::Waiting, $import->status, 'for other decisions');
            self::assertStringStartsWith($sentence, (string) $import->error);
            self::assertNull($import->dataset_id);
            Storage::assertExists($import->path);
            Contract::assertMeets('showImport', $this->getJson("/api/imports/{$import->id}")->assertOk()->assertJsonPath('status', 'waiting'));
        }
        $this->assertDatabaseCount('datasets', 0);
        $this->assertDatabaseCount('variables', 0);
        $this->assertDatabaseCount('column_chunks', 0);
    }

    public function test_an_upload_without_a_file_is_refused(): void
    {
        $answer = $this->postJson('/api/imports', [])->assertStatus(422);

        Contract::assertMeets('startImport', $answer);
        self::assertSame('Choose a file to upload, or paste a table.', $answer->json('message'));
    }

    public function test_a_file_over_the_limit_is_refused_with_the_limit(): void
    {
        config(['intake.max_upload_bytes' => 1 << 20]);
        $answer = $this->post('/api/imports', ['file' => UploadedFile::fake()->create('big.csv', 2000)], ['Accept' => 'application/json']);

        $answer->assertStatus(422)->assertJsonPath('message', 'The file is larger than 1 MB. Split it, or leave out columns that are not needed.');
    }
}
