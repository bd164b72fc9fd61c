<?php

declare(strict_types=1);

/*
 * Makes a CSV copy of a table in a workbook, a JSON document or an archive; started by App\Intake\CopyProcess, which bounds what it
 * may take. What is to be done comes as JSON; how it went is told as JSON.
 */

use App\Intake\CopiedTable;
use App\Intake\Decisions;
use App\Intake\Formats\Format;
use App\Intake\NotATable;
use App\Files\NoRoom;

require dirname(__DIR__) . '/vendor/autoload.php';

/** @var array{path: string, name: string, format: string|null, decisions: array<string, mixed>, sample: bool, copy: string} $asked */
$asked = json_decode((string) stream_get_contents(STDIN), true, 512, JSON_THROW_ON_ERROR);
try {
    $format = $asked['format'] === null ? Format::of($asked['path'], $asked['name']) : Format::from($asked['format']);
    $answer = CopiedTable::make($asked['path'], $format, Decisions::fromArray($asked['decisions']), $asked['sample'], $asked['copy'])->toArray();
} catch (NotATable $notATable) {
    $finding = $notATable->finding;
    $answer = ['finding' => [$finding->code, $finding->found, $finding->expected, $finding->remedy, $finding->line]];
} catch (NoRoom) {
    $answer = ['no_room' => true];
}
echo json_encode($answer, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE);
