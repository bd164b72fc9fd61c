<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\ComparisonDocument;
use App\Console\FileColumns;
use App\Console\UnusableRequest;
use App\Intake\ReadTable;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Readings\GoodDirection;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Output\OutputInterface;

/** Groups, or the same rows earlier and later, of a file against each other, without database, account or server. */
final class Compare extends FileCommand
{
    protected $signature = 'tally:compare
        {file : Any file that can be read, as tally:profile takes it; - reads standard input}
        {--sheet= : Which sheet of a workbook, or table of a data package, is read (the default is the first with an entry)}
        {--read=* : How a column is read, such as "Spend:number,decimal comma"; may be given several times}
        {--variable= : Name of the number whose groups are compared, with --by}
        {--by=* : Name of a category, or of a number by its classes, that splits the rows; twice for groups within groups}
        {--group=* : Label of a group, the first one first; each other is compared with it (the default is every group with a label, in its order)}
        {--pair=* : Names of two numbers of the same rows, the earlier first and then the later: their changes}
        {--counts= : Name of the number that says how often each row counts; it need not be whole}
        {--good= : Which direction is the good one: more or fewer}
        {--counting= : What a row is, one and many, for sentences: hive,hives}
        {--readings : What the figures say, in sentences, each by a rule}
        {--json : Write one JSON document instead of tables}';

    protected const WORDS = ['where', 'as', 'quartiles', 'missing', 'fences', 'level', 'decimals'];

    protected $description = 'Groups of a file, or the same rows earlier and later, against each other';

    protected $help = <<<'HELP'
        Everything is the second less the first, or the second over the first.

        Examples:
          php artisan tally:compare demo/spring-inspection.csv --variable="Honey yield" --by=Apiary --group="Alder Wick" --group=Dunmere
          php artisan tally:compare demo/spring-inspection.csv --variable="Honey yield" --by=Apiary --good=more --readings --counting=hive,hives
          php artisan tally:compare demo/spring-inspection.csv --pair="Mites before" --pair="Mites after" --good=fewer --json

        Groups whose rows have no entry are compared only where they are named: --group="no entry". Exit code 0, or 2 with one sentence on
        standard error.
        HELP;

    protected function answer(ReadTable $readTable): void
    {
        $good = $this->good();
        $rows = $this->rowWord();
        $basis = $this->basis($this->word('counts'));
        [$variable, $pair, $by] = [$this->word('variable'), $this->texts('pair'), $this->texts('by')];
        if ($pair !== [] && ($variable !== null || $by !== [] || $this->texts('group') !== [])) {
            throw new UnusableRequest('Give either --variable and --by, or --pair twice; not both.');
        }
        if ($pair === [] && ($variable === null || $by === [])) {
            throw new UnusableRequest('Say what is compared: --variable and --by for groups, or --pair twice for the same rows earlier and later.');
        }
        if ($pair !== [] && count($pair) !== 2) {
            throw new UnusableRequest('A pair is two numbers: give --pair twice, the earlier one first.');
        }
        if (count($by) > 2) {
            throw new UnusableRequest('Rows can be split by one or two variables; give --by once or twice.');
        }
        $columns = $this->columns($readTable);
        $basis = self::countedAsIn($columns, $basis);
        $document = $variable !== null
            ? ComparisonDocument::ofGroups($columns, $variable, $by, $this->texts('group'), $basis, $good, $rows)
            : ComparisonDocument::ofPairs($columns, $pair[0] ?? '', $pair[1] ?? '', $basis, $good, $rows);
        $withReadings = $this->option('readings') === true;
        if ($this->option('json') === true) {
            $this->writeJson([...$document->toArray($withReadings), 'read' => $columns->readAs()]);
        } else {
            $this->writeTables($document, $withReadings);
        }
        $this->tellRemarks($columns);
    }

    private function writeTables(ComparisonDocument $document, bool $withReadings): void
    {
        foreach ($document->tables() as $title => $table) {
            $this->newLine();
            $this->output->writeln($title, OutputInterface::OUTPUT_RAW);
            $numbers = (clone Table::getStyleDefinition('compact'))->setPadType(STR_PAD_LEFT);
            $this->table($table['head'], $table['rows'], 'compact', array_fill(1, count($table['head']) - 1, $numbers));
        }
        foreach ($withReadings ? $document->readingTexts() : [] as $text) {
            $this->output->writeln("\n{$text}", OutputInterface::OUTPUT_RAW);
        }
        $this->output->writeln("\n" . $document->basis(), OutputInterface::OUTPUT_RAW);
    }

    private function good(): ?GoodDirection
    {
        $word = $this->word('good');

        return $word === null ? null : GoodDirection::tryFrom($word) ?? throw new UnusableRequest("--good={$word} is not known. Use one of: more, fewer.");
    }

    private static function countedAsIn(FileColumns $columns, Basis $basis): Basis
    {
        return $basis->counts === null ? $basis : $basis->countedIn($columns->variable($basis->counts)->unit);
    }
}
