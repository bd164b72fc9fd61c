<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Drawing\Pictures;
use App\Models\Dataset;
use App\Models\User;
use Illuminate\Support\Facades\Queue;
use Symfony\Component\Yaml\Yaml;
use Tests\App\AppTestCase;

/**
 * Calls of the API made from its contract and then spoilt: each is answered in the words of the house, none ends in an error of the
 * server, and none tells of what belongs to somebody else. FUZZ_CALLS and FUZZ_SEED make it longer and other (see tests/fuzz/run).
 */
final class ApiFuzzTest extends AppTestCase
{
    private const CALLS = 500;
    private const FRESH_EVERY = 60;
    private const SECRET = 'Secretissima';

    /** What no schema asks for, or only just. */
    private const ODD = [
        '', ' ', "\xFF\xFE", "a\xC3", "\0", '0', '-0', '-1', '1.0', '1e308', '-1e999', '99999999999999999999', '9223372036854775807', 'NaN', 'null', 'true', '[]', '{}', '%', "'", '"', '`',
        'a,a', ',,,', 'kg,kg', 'nothing', 'kg > ', 'kg >', "kg = 'x", 'outlier(kg)', 'kg ^ 1e9', 'round(kg, 1000000)', '((((((((((((((((kg))))))))))))))))', '1/0', 'ln(-1)', "\u{202E}abc", '１２', '＝1+1', 'données', '1;2', '0:0', '0:1e-300', '5,1',
        's999', 'data+1', 'percentile_50', 'percentile_1e9', 'q1', 'by', '../../etc/passwd', '<script>', 'kg:down:down', ':', '2024-13-45', [], [[]], ['a' => ['b' => 1]], ['x', 'y'], [null], 0, -1, 1.5, 1e308, PHP_INT_MAX, true, false, null,
    ];

    /** @var array<string, mixed> */
    private array $contract;
    private User $stranger;
    private Dataset $foreign;
    private Dataset $own;

    public function test_every_call_is_answered_in_the_words_of_the_house(): void
    {
        $seed = (int) (getenv('FUZZ_SEED') ?: 20261127);
        $calls = (int) (getenv('FUZZ_CALLS') ?: self::CALLS);
        Queue::fake();
        $this->contract = Yaml::parseFile(base_path('api/openapi.yaml'));
        $this->stranger = $this->account('stranger');
        $this->actingAs($this->stranger);
        Queue::getFacadeRoot();
        $this->foreign = $this->made(self::SECRET);
        $this->actingAs($this->keeper);
        $operations = $this->operations();
        $changing = array_values(array_filter($operations, static fn(array $operation): bool => $operation[2]['operationId'] === 'changeDataset'))[0];
        $statuses = $faults = [];
        for ($call = 0; $call < $calls; ++$call) {
            mt_srand($seed + $call);
            if ($call % self::FRESH_EVERY === 0 || !Dataset::query()->whereKey($this->own->id)->exists()) {
                $this->actingAs($this->keeper);
                $this->own = $this->made('Hives');
            }
            [$method, $path, $operation] = mt_rand(0, 3) === 0 ? $changing : $operations[mt_rand(0, count($operations) - 1)];
            [$address, $body] = $this->request($path, $method, $operation);
            $answer = $this->call($method, $address, [], [], [], ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'], $body);
            $status = $answer->getStatusCode();
            $content = $answer->baseResponse instanceof \Symfony\Component\HttpFoundation\StreamedResponse ? $answer->streamedContent() : (string) $answer->getContent();
            $told = $status < 400 ? null : json_decode($content, true);
            $isTold = $status < 400 || (is_array($told) && is_string($told['message'] ?? null) && strlen($told['message']) > 8);
            if ($status >= 500 || !$isTold || str_contains($content, self::SECRET)) {
                $thrown = $answer->exception;
                $faults[$thrown === null ? $content : "{$thrown->getFile()}:{$thrown->getLine()}"] ??= 'FUZZ_SEED=' . ($seed + $call) . " FUZZ_CALLS=1  {$status} {$method} {$address} {$body}\n    " . ($thrown === null ? substr($content, 0, 200) : get_class($thrown) . ': ' . substr($thrown->getMessage(), 0, 300) . "\n    " . strtr(implode("\n    ", array_slice(array_filter(explode("\n", $thrown->getTraceAsString()), static fn(string $line): bool => preg_match('~/(?:app|core)/~', $line) === 1), 0, 4)), [base_path() . '/' => '']));
            }
            $statuses[$status] = ($statuses[$status] ?? 0) + 1;
        }
        self::assertSame([], array_values($faults), implode("\n", $faults));
        // A fuzz that is refused at the door each time tries nothing.
        self::assertGreaterThan($calls / 20, ($statuses[200] ?? 0) + ($statuses[201] ?? 0) + ($statuses[204] ?? 0), (string) json_encode($statuses));
        self::assertDatabaseHas('datasets', ['id' => $this->foreign->id, 'revision' => 1, 'title' => self::SECRET]);
    }

    private function made(string $title): Dataset
    {
        $user = $title === self::SECRET ? $this->stranger : $this->keeper;
        $import = $user->imports()->create(['title' => $title, 'file_name' => "{$title}.csv", 'path' => 'uploads/' . $title . mt_rand() . '.csv', 'status' => 'queued', 'bytes_total' => 0]);
        $lines = "tag,site,kg,before,day,2019,huge\n" . implode('', array_map(static fn(int $i): string => "T{$i}," . ['Mill', 'Oak', ''][$i % 3] . ',' . ($i % 7 === 0 ? 'n/a' : $i * 1.5) . ',' . ($i * 13 % 17) . ",2026-03-{$i}," . $i % 4 . ',' . ($i % 2 === 0 ? '1.7e308' : '1e308') . "\n", range(10, 28)));
        \Illuminate\Support\Facades\Storage::put($import->path, $lines);
        $import->update(['bytes_total' => strlen($lines)]);
        app(\App\Imports\ImportFile::class)->import($import->refresh());

        return Dataset::query()->findOrFail($import->refresh()->dataset_id);
    }

    /** @return list<array{string, string, array<string, mixed>}> */
    private function operations(): array
    {
        $operations = [];
        foreach ($this->contract['paths'] as $path => $methods) {
            foreach ($methods as $method => $operation) {
                if (is_array($operation) && isset($operation['operationId']) && $operation['operationId'] !== 'signOut') {
                    $operation['parameters'] = [...($methods['parameters'] ?? []), ...($operation['parameters'] ?? [])];
                    $operations[] = [strtoupper($method), (string) $path, $operation];
                }
            }
        }

        return $operations;
    }

    /**
     * @param array<string, mixed> $operation
     *
     * @return array{string, string} address and body
     */
    private function request(string $path, string $method, array $operation): array
    {
        $words = [];
        foreach ($operation['parameters'] as $parameter) {
            $parameter = $this->resolved($parameter);
            if ($parameter['in'] === 'path') {
                $path = str_replace('{' . $parameter['name'] . '}', rawurlencode((string) $this->id($parameter['name'])), $path);
            } else {
                $schema = $this->resolved($parameter['schema'] ?? []);
                // Of an object each property is a parameter of its own.
                foreach ($schema['properties'] ?? [$parameter['name'] => $schema] as $name => $property) {
                    if (($parameter['required'] ?? false) || mt_rand(0, 3) === 0) {
                        $words[$name] = $this->word((string) $name, $property);
                    }
                }
            }
        }
        $schema = $operation['requestBody']['content']['application/json']['schema'] ?? $operation['requestBody']['content']['multipart/form-data']['schema'] ?? null;
        $body = match (true) {
            $operation['operationId'] === 'changeDataset' => $this->change(),
            $schema === null => null,
            default => $this->body($schema),
        };

        return ['/api' . $path . ($words === [] ? '' : '?' . http_build_query($words)), $body === null ? '' : (string) json_encode($body, JSON_INVALID_UTF8_IGNORE | JSON_PARTIAL_OUTPUT_ON_ERROR)];
    }

    /** @return array<string, mixed> one of the kinds of changes, each of its words now and then an odd one */
    private function change(): array
    {
        $keys = ['tag', 'site', 'kg', 'before', 'day', '2019', 'huge', 'nothing'];
        $key = fn(): mixed => $this->now(static fn(): string => $keys[mt_rand(0, count($keys) - 1)]);
        $row = fn(): mixed => $this->now(static fn(): int => mt_rand(1, 21));
        $text = fn(): mixed => $this->now(static fn(): string => ['12', 'Mill', '2019', '2026-03-01', 'x', '1e400', "two\nlines", '１２'][mt_rand(0, 7)]);
        $many = static fn(callable $one): array => array_map(static fn(): mixed => $one(), range(1, mt_rand(1, 4)));
        $type = fn(): mixed => $this->now(static fn(): string => ['number', 'category', 'date', 'id', 'text'][mt_rand(0, 4)]);
        $formula = fn(): mixed => $this->now(static fn(): string => ['kg * 2', '"2019" + before', 'huge * 10', 'z(kg)', 'classes(kg, 0, 5)', 'if(missing(kg), 0, 1)', 'site', 'rank(huge)', "site = 'Mill'", 'outlier(kg)', 'round(kg / 3, 2)'][mt_rand(0, 10)]);
        $kinds = [
            'edit-cells' => ['edits' => $this->now(fn(): array => $many(fn(): mixed => $this->now(static fn(): array => ['row' => $row(), 'variable' => $key(), 'text' => $text()]))), 'anyway' => true],
            'add-rows' => ['rows' => $this->now(fn(): array => $many(fn(): mixed => $this->now(static fn(): array => ['kg' => $text(), '2019' => $text(), 'site' => $text()]))), 'anyway' => true],
            'delete-rows' => ['rows' => $this->now(static fn(): array => $many($row))],
            'restore-row' => ['deleted_row' => $row()],
            'add-variable' => ['name' => $text(), 'type' => $type(), 'unit' => $text()],
            'delete-variable' => ['variable' => $key()],
            'restore-variable' => ['variable' => $key()],
            'freeze-variable' => ['variable' => $key()],
            'describe-variable' => ['variable' => $key(), 'name' => $text(), 'unit' => $text(), 'label' => $text(), 'description' => $text(), 'shown_decimals' => $row(), 'missing_marks' => $this->now(static fn(): array => $many($text))],
            'retype-variable' => ['variable' => $key(), 'type' => $type()],
            'arrange-labels' => ['variable' => $key(), 'order' => $this->now(static fn(): array => [['Mill', 'Oak'], ['Oak'], ['0', '1', '2', '3']][mt_rand(0, 2)]), 'merged' => $this->now(static fn(): array => $many(static fn(): array => ['from' => $text(), 'to' => $text()]))],
            'recode-variable' => ['variable' => $key(), 'name' => $text(), 'labels' => $this->now(static fn(): array => [['from' => 'Mill', 'to' => $text()], ['from' => $text(), 'to' => '']])],
            'make-variable' => ['name' => $text(), 'formula' => $formula(), 'unit' => $text(), 'description' => $text()],
            'undo' => [],
            'redo' => [],
        ];
        $kind = array_rand($kinds);
        $words = array_filter($kinds[$kind], static fn(): bool => mt_rand(0, 12) > 0);

        return ['kind' => $kind, 'revision' => $this->now(fn(): int => $this->own->refresh()->revision), ...$words];
    }

    /** As it should be, and now and then anything else. */
    private function now(callable $likely): mixed
    {
        return mt_rand(0, 14) === 0 ? self::ODD[mt_rand(0, count(self::ODD) - 1)] : $likely();
    }

    private function id(string $name): int|string
    {
        return match (mt_rand(0, 9)) {
            0 => $this->foreign->id,
            1 => ['1abc', '0', '-1', '99999999999999999999', '1.0', 'a', '%00', "\xFF"][mt_rand(0, 7)],
            default => match ($name) {
                'dataset' => $this->own->id,
                'kind' => Pictures::kinds()[mt_rand(0, count(Pictures::kinds()) - 1)],
                'variable' => ['tag', 'site', 'kg', 'before', 'day', 'nothing', '2019'][mt_rand(0, 6)],
                'import' => (int) ($this->keeper->imports()->max('id') ?? 1),
                'report' => (int) (\App\Models\Report::query()->max('id') ?? 1),
                'edition' => (int) (\App\Models\Edition::query()->max('id') ?? 1),
                'form' => ['html', 'markdown', 'parchment'][mt_rand(0, 2)],
                default => mt_rand(1, 5),
            },
        };
    }

    /** @param array<string, mixed> $schema */
    private function word(string $name, array $schema): mixed
    {
        if (mt_rand(0, 2) === 0) {
            return self::ODD[mt_rand(0, count(self::ODD) - 1)];
        }
        $schema = $this->resolved($schema);
        $likely = match ($name) {
            'of', 'variable', 'sort', 'with' => ['kg', 'before', 'site', 'kg,before', 'day', 'tag', 'huge', '2019', 'v2019'],
            'by' => ['site', 'site,tag', 'kg', '2019'],
            'where', 'formula' => ['kg > 20', "site = 'Mill'", 'missing(kg)', 'outlier(kg)', 'kg * 2 + before', 'z(kg)', 'classes(kg, 0, 5)', 'huge > 1e308', 'huge + huge', '"2019" + 1'],
            'counts' => ['before'],
            'figures' => ['mean,sd', 'essentials', 'full'],
            'figure' => ['mean', 'sd', 'q1', 'modes'],
            'classes' => ['0:5', '0,10,30', 'sturges', ''],
            'revision' => [$this->own->refresh()->revision],
            'look' => ['notches:yes,standing:yes', 'unit:1,lines:5', 'arrange:outlines', 'to:before', 'bars:stacked', 'drawn:0', 'a:b', 'notches'],
            'width' => [320, 760, 4000],
            'kind' => ['set-cells', 'insert-rows', 'delete-rows', 'rename-variable', 'make-variable', 'add-variable', 'retype-variable', 'recode-variable', 'undo', 'redo', 'delete-variable', 'merge-labels', 'order-labels', 'describe-variable'],
            'type' => ['number', 'category', 'date', 'id', 'text'],
            'title', 'name', 'label' => ['A title', 'kg', '2019'],
            'value', 'text', 'stated' => ['12.5', 'Mill', '40'],
            default => null,
        };
        if ($likely !== null) {
            return $likely[mt_rand(0, count($likely) - 1)];
        }
        if (isset($schema['enum'])) {
            return $schema['enum'][mt_rand(0, count($schema['enum']) - 1)];
        }

        return match ($schema['type'] ?? 'string') {
            'integer', 'number' => mt_rand(-2, 300),
            'boolean' => mt_rand(0, 1) === 1,
            'array' => array_map(fn(): mixed => $this->word('', $schema['items'] ?? []), range(1, mt_rand(1, 3))),
            'object' => $this->body($schema),
            default => ['a', '1', '2019', 'kg'][mt_rand(0, 3)],
        };
    }

    /** @param array<string, mixed> $schema */
    private function body(array $schema): mixed
    {
        $schema = $this->resolved($schema);
        foreach (['oneOf', 'anyOf', 'allOf'] as $several) {
            if (isset($schema[$several])) {
                return $this->body($schema[$several][mt_rand(0, count($schema[$several]) - 1)]);
            }
        }
        if (!isset($schema['properties'])) {
            return $this->word('', $schema);
        }
        $body = [];
        foreach ($schema['properties'] as $name => $property) {
            if (in_array($name, $schema['required'] ?? [], true) ? mt_rand(0, 9) > 0 : mt_rand(0, 1) === 1) {
                $property = $this->resolved($property);
                $body[$name] = isset($property['properties']) && mt_rand(0, 3) > 0 ? $this->body($property) : $this->word((string) $name, $property);
            }
        }

        return $body;
    }

    /**
     * @param array<string, mixed> $part
     *
     * @return array<string, mixed>
     */
    private function resolved(array $part): array
    {
        if (!isset($part['$ref'])) {
            return $part;
        }
        $found = $this->contract;
        foreach (explode('/', substr((string) $part['$ref'], 2)) as $step) {
            $found = $found[$step];
        }

        return $found;
    }
}
