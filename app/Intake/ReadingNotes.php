<?php

declare(strict_types=1);

namespace App\Intake;

use App\Intake\Csv\CsvFile;
use App\Intake\Csv\PassedOver;
use RowTally\Core\Marks\NumberMarks;

/** What somebody should know of how a file was read, in sentences. */
final class ReadingNotes
{
    private const NAMES_IN_A_NOTE = 5;
    private const LONGEST_TITLE = 120;

    /**
     * @param list<RecognisedVariable> $variables
     *
     * @return list<string>
     */
    public static function doubts(CsvFile $file, Decisions $decisions, array $variables): array
    {
        $doubts = array_map(static fn(TwoReadings $two): string => ucfirst($two->why) . ": “{$two->text}” was read as {$two->readAs} and could mean {$two->couldBe}.", TwoReadings::ofTable($file, $decisions));
        foreach ($variables as $place => $variable) {
            $two = TwoReadings::of($place, $variable);
            if ($two !== null) {
                $doubts[] = "In {$variable->name} {$two->why}: “{$two->text}” was read as {$two->readAs} and could mean {$two->couldBe}.";
            }
        }

        return array_slice($doubts, 0, self::NAMES_IN_A_NOTE);
    }

    /**
     * @param list<array{string, int}> $unread names of the variables, and how many of their cells could not be read
     *
     * @return list<string> what the reader of the file should know
     */
    public static function of(CsvFile $file, PassedOver $rows, array $unread): array
    {
        $notes = [];
        foreach ($file->titles as $title) {
            $notes[] = 'Above the table stands: ' . mb_strimwidth($title, 0, self::LONGEST_TITLE, '…');
        }
        if (!$file->dialect->hasHeader) {
            $notes[] = 'The first line holds no names, so it was read as a row, and the variables were numbered.';
        }
        if ($rows->shortRows > 0) {
            $notes[] = sprintf(
                '%s fewer cells than there are names (the first is line %d of the file); the cells that are not there count as missing.',
                $rows->shortRows === 1 ? 'One row has' : NumberMarks::keptCount($rows->shortRows) . ' rows have',
                $rows->firstShortLine,
            );
        }
        if ($rows->longRows > 0) {
            $notes[] = sprintf(
                '%s more cells than there are names (the first is line %d of the file); what stands behind the last name was left out.',
                $rows->longRows === 1 ? 'One row has' : NumberMarks::keptCount($rows->longRows) . ' rows have',
                $rows->firstLongLine,
            );
        }
        if ($rows->blankLines > 0) {
            $notes[] = $rows->blankLines === 1 ? 'One blank line was passed over.' : NumberMarks::keptCount($rows->blankLines) . ' blank lines were passed over.';
        }
        if ($rows->remarks > 0) {
            $notes[] = $rows->remarks === 1 ? 'One line of remarks was passed over.' : NumberMarks::keptCount($rows->remarks) . ' lines of remarks were passed over.';
        }
        if ($rows->leftOut > 0) {
            $notes[] = $rows->leftOut === 1
                ? 'One row that begins with ' . self::entries($file->leaveOut) . ' was left out.'
                : NumberMarks::keptCount($rows->leftOut) . ' rows that begin with ' . self::entries($file->leaveOut) . ' were left out.';
        }
        $unread = array_values(array_filter($unread, static fn(array $variable): bool => $variable[1] > 0));
        if ($unread !== []) {
            $named = array_map(
                static fn(array $variable): string => "{$variable[0]} (" . NumberMarks::keptCount($variable[1]) . ')',
                array_slice($unread, 0, self::NAMES_IN_A_NOTE),
            );
            $more = count($unread) - count($named);
            $notes[] = 'Cells that could not be read were kept as text and count as missing: ' . implode(', ', $named) . ($more > 0 ? " and {$more} more variables." : '.');
        }

        return $notes;
    }

    /** @param list<string> $entries */
    private static function entries(array $entries): string
    {
        $named = array_map(static fn(string $entry): string => "“{$entry}”", array_slice($entries, 0, self::NAMES_IN_A_NOTE));
        $more = count($entries) - count($named);

        return implode(' or ', $named) . ($more > 0 ? ' or ' . NumberMarks::keptCount($more) . ' more such entries' : '');
    }
}
