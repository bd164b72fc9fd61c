<?php

declare(strict_types=1);

use Tests\faults\Browser;

require dirname(__DIR__, 2) . '/vendor/autoload.php';
require dirname(__DIR__) . '/faults/Browser.php';

[, $part, $address, $folder] = $argv;
$browser = new Browser($address);

function found(string $what): never
{
    fwrite(STDERR, "FAULT: {$what}\n");
    exit(1);
}

/** @return array<string, mixed> */
function get(string $path): array
{
    global $browser;
    $answer = $browser->ask('GET', $path);

    return $answer['status'] === 200 ? $answer['body'] : found("{$path} answers {$answer['status']}: {$answer['text']}");
}

/** What does not change any more: of each dataset but the busy one its cells as CSV, its changes and a profile; of each edition its files. */
function state(int $busy): array
{
    global $browser;
    $state = [];
    foreach (get('/datasets') as $dataset) {
        if ($dataset['id'] !== $busy) {
            $of = "/datasets/{$dataset['id']}";
            $state["rows of {$dataset['title']}"] = hash('sha256', $browser->ask('GET', "{$of}/export?format=csv")['text']);
            $state["changes of {$dataset['title']}"] = array_column(get("{$of}/changes")['changes'], 'summary');
            $state["figures of {$dataset['title']}"] = array_column(get("{$of}/overview")['lines'], 'values');
            foreach (get("{$of}/reports") as $report) {
                $state["report {$report['title']}"] = get("/reports/{$report['id']}")['document'];
                foreach (get("/reports/{$report['id']}/editions") as $edition) {
                    $state["edition {$edition['id']}"] = hash('sha256', $browser->ask('GET', "/editions/{$edition['id']}/files/tables")['text']);
                }
            }
        }
    }
    ksort($state);

    return $state;
}

function busy(): array
{
    foreach (get('/datasets') as $dataset) {
        if ($dataset['title'] === 'Busy') {
            return get("/datasets/{$dataset['id']}");
        }
    }
    found('the dataset that was worked on is not there');
}

/** The edits of the busy dataset are its rows: edit number n writes n into row n. */
function assertEdits(array $dataset): int
{
    $edits = $dataset['revision'] - 1;
    foreach (get("/datasets/{$dataset['id']}/rows?count=500")['cells']['kg'] as $row => $text) {
        $expected = $row < $edits ? (string) ($row + 1) : '0';
        $text === $expected || found("row {$row} of revision {$dataset['revision']} holds {$text}, not {$expected}");
    }

    return $edits;
}

switch ($part) {
    case 'fill':
        $import = $browser->ask('POST', '/imports', ['text' => "kg\n" . str_repeat("0\n", 500), 'title' => 'Busy', 'begin' => '1'])['body']['id'] ?? found('no import');
        while (in_array(($now = get("/imports/{$import}"))['status'], ['queued', 'running'], true)) {
            usleep(100_000);
        }
        $hives = array_values(array_filter(get('/datasets'), static fn(array $one): bool => str_contains($one['title'], 'nspection')))[0]['id'];
        $browser->ask('POST', "/datasets/{$hives}/changes", ['revision' => get("/datasets/{$hives}")['revision'], 'kind' => 'edit-cells', 'edits' => [['row' => 3, 'variable' => 'honey-yield', 'text' => '19.25']]])['status'] === 201 || found('no change');
        $report = $browser->ask('POST', "/datasets/{$hives}/reports", ['title' => 'Kept', 'plan' => 'groups', 'of' => ['honey-yield'], 'by' => 'apiary'])['body']['id'] ?? found('no report');
        $edition = $browser->ask('POST', "/reports/{$report}/editions", [])['body']['id'] ?? found('no edition');
        $browser->ask('POST', "/editions/{$edition}/files", ['form' => 'tables']);
        while (in_array(get("/editions/{$edition}/files/tables/status")['status'], ['waiting', 'making'], true)) {
            usleep(100_000);
        }
        file_put_contents("{$folder}/state.json", json_encode(state(busy()['id']), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION));
        break;
    case 'work':
        $dataset = busy();
        $acknowledged = 0;
        for ($number = 1; $number <= 500 && !is_file("{$folder}/enough"); ++$number) {
            $answer = $browser->ask('POST', "/datasets/{$dataset['id']}/changes", ['revision' => $number, 'kind' => 'edit-cells', 'edits' => [['row' => $number, 'variable' => 'kg', 'text' => (string) $number]]]);
            $answer['status'] === 201 || found("a change while the backup was made: {$answer['status']} {$answer['text']}");
            ++$acknowledged;
            file_put_contents("{$folder}/begun", (string) $acknowledged);
            usleep(30_000);
        }
        echo $acknowledged;
        break;
    case 'untouched':
        $edits = assertEdits(busy());
        $edits === (int) file_get_contents("{$folder}/made.json") || found("{$edits} changes are there");
        break;
    case 'restored':
        $edits = assertEdits(busy());
        $all = (int) file_get_contents("{$folder}/made.json");
        $edits > 0 && $edits <= $all || found("{$edits} of {$all} changes came back");
        $was = json_decode((string) file_get_contents("{$folder}/state.json"), true);
        $is = json_decode((string) json_encode(state(busy()['id']), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true);
        foreach ($was + $is as $what => $one) {
            ($was[$what] ?? null) === ($is[$what] ?? null) || found("{$what} is not as it was");
        }
        // It goes on: another change, and what was done before is taken back.
        $dataset = busy();
        foreach ([['kind' => 'edit-cells', 'edits' => [['row' => 500, 'variable' => 'kg', 'text' => '7']]], ['kind' => 'undo'], ['kind' => 'undo']] as $number => $change) {
            $browser->ask('POST', "/datasets/{$dataset['id']}/changes", ['revision' => $dataset['revision'] + $number, ...$change])['status'] === 201 || found('it does not go on');
        }
        printf("%d of %d changes, %d things the same to the byte\n", $edits, $all, count($is));
        break;
    default:
        found("there is no part {$part}");
}
