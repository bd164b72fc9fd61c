<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\ClassesDocument;
use App\Console\FileAnswers;
use App\Console\FileColumns;
use App\Console\FileQuestion;
use App\Console\ProfileDocument;
use App\Console\ProfileTables;
use App\Console\UnusableRequest;
use App\Intake\ReadTable;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureSet;
use RowTally\Core\Figures\PercentList;
use RowTally\Core\Grouped\Amendments;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Plots\ClassChoice;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Output\OutputInterface;

/** The profile of a file, without database, account or server: the same intake and the same core as the application. */
final class Profile extends FileCommand
{
    protected $signature = 'tally:profile
        {file : Any file that can be read: CSV and its cousins, XLSX, ODS, JSON, JSON Lines, a data package; - reads standard input}
        {--sheet= : Which sheet of a workbook, or table of a data package, is read (the default is the first with an entry)}
        {--read=* : How a column is read, such as "Spend:number", "Spend:number,decimal comma" or "Zip:text": number, category, date, text or id; decimal comma, decimal point; may be given several times}
        {--variable=* : Name of a variable; may be given several times (the default is every number variable)}
        {--by=* : Name of a category, or of a number by its classes, that splits the rows; twice for groups within groups}
        {--counts=* : Name of the number that says how often each row counts; it need not be whole; with --classes once for each group that has a column}
        {--classes= : Name of a category whose labels are classes, such as 12-17 or 48 and over; with --counts}
        {--low= : Name of the number that is the lower limit of the class of each row, with --high and --counts}
        {--high= : Name of the number that is the upper limit}
        {--bins= : Classes of the histogram: start:width, edges such as 0,5,10,20, sturges, scott or freedman-diaconis (the default); with :left (the default) or :right for the closed side}
        {--working= : Key of a figure: how it came about, in words}
        {--match= : A figure as it was given to you: which figures under which conventions round to it}
        {--readings : What the figures say, in sentences, each by a rule}
        {--counting= : What a row is, one and many, for those sentences: hive,hives}
        {--json : Write one JSON document with every figure instead of tables}';

    protected const WORDS = ['where', 'as', 'quartiles', 'missing', 'fences', 'level', 'decimals', 'figures', 'percentiles', 'limits', 'cumulative', 'amend'];

    protected $description = 'Figures and histogram classes of the variables of a file, overall and by group';

    protected $help = <<<'HELP'
        Examples:
          php artisan tally:profile demo/spring-inspection.csv
          php artisan tally:profile demo/spring-inspection.csv --variable="Honey yield" --by=Apiary --by=Temper
          php artisan tally:profile demo/spring-inspection.csv --variable="Honey yield" --figures=shape --where="Apiary = 'Dunmere'"
          php artisan tally:profile demo/queen-cells.csv --variable="Queen cells" --counts=Hives
          php artisan tally:profile demo/honey-by-experience.csv --classes="Years of experience" --counts="Jars (thousands)" --limits=completed --amend=width5:10
          php artisan tally:profile demo/spring-inspection.csv --variable="Honey yield" --bins=0:10
          php artisan tally:profile demo/spring-inspection.csv --variable="Honey yield" --percentiles=5,50,95 --working=q1
          php artisan tally:profile demo/spring-inspection.csv --variable="Honey yield" --match=23.41
          php artisan tally:profile demo/spring-inspection.csv --variable="Honey yield" --by=Apiary --readings --counting=hive,hives
          php artisan tally:profile budget.xlsx --sheet=2026 --read="Spend:number,decimal comma"
          php artisan tally:profile - --as=population --quartiles=hf7 --bins=0:5:right --json < values.csv

        Keys of figures are those of the JSON document, such as mean, sd, cv, trimmed_mean_5, skewness, shapiro_wilk_p.
        What should be known of the reading (cells that could not be read, columns in doubt, the sheet taken) is on standard error and, with
        --json, under "read". Exit code 0, or 2 with one sentence on standard error.
        HELP;

    protected function answer(ReadTable $readTable): void
    {
        $question = $this->fileQuestion();
        $columns = $this->columns($readTable);
        $question = $question->countedAsIn($columns);
        $classes = $this->classes($columns, $question);
        if ($this->option('json') === true) {
            $this->writeJson([...($classes ?? new ProfileDocument(FileAnswers::of($columns, $question)))->toArray(), 'read' => $columns->readAs()]);
        } else {
            $this->writeTables($classes ?? new ProfileTables(FileAnswers::of($columns, $question)), $question->working !== null || $question->match !== null);
        }
        $this->tellRemarks($columns);
    }

    private function fileQuestion(): FileQuestion
    {
        [$classes, $edge] = $this->bins();
        $figures = array_merge(...array_map(static fn(string $word): array => FigureSet::tryFrom($word)?->keys() ?? [$word], explode(',', $this->word('figures') ?? 'essentials')));
        Catalogue::chosen($figures);
        $counts = $this->texts('counts');
        if (count($counts) > 1 && $this->word('classes') === null) {
            throw NotUnderstood::columnsNeedClasses();
        }
        if (count($this->texts('by')) > 2) {
            throw new UnusableRequest('Rows can be split by one or two variables; give --by once or twice.');
        }

        return new FileQuestion(
            $this->texts('variable'),
            $this->texts('by'),
            $this->basis(count($counts) === 1 ? $counts[0] : null, $edge),
            $figures,
            PercentList::of($this->word('percentiles') ?? ''),
            $classes,
            $this->word('match'),
            $this->word('working'),
            $this->word('bins') !== null,
            $this->option('readings') === true ? $this->rowWord() : null,
        );
    }

    /** @return array{ClassChoice, ClassEdge|null} */
    private function bins(): array
    {
        $word = $this->word('bins') ?? '';
        $side = preg_match('/:(left|right)$/', $word, $part) === 1 ? $part[1] : '';

        return [ClassChoice::ofWord($side === '' ? $word : substr($word, 0, -strlen($side) - 1)), ClassEdge::tryFrom($side)];
    }

    /** Of classes with counts, where they are asked for. */
    private function classes(FileColumns $columns, FileQuestion $question): ?ClassesDocument
    {
        $amend = $this->word('amend');
        $cumulative = $this->word('cumulative');
        if ($cumulative !== null && $cumulative !== 'yes' && $cumulative !== 'no') {
            throw new UnusableRequest("--cumulative={$cumulative} is not known. Use one of: yes, no.");
        }
        $reading = new ClassReading(
            $this->convention('limits', StatedLimits::class),
            $amend === null ? null : Amendments::ofWord($amend),
            isCumulative: $cumulative === null ? null : $cumulative === 'yes',
        );
        [$labels, $low, $high] = [$this->word('classes'), $this->word('low'), $this->word('high')];
        if (($low === null) !== ($high === null)) {
            throw new UnusableRequest('Classes in two columns need both --low and --high.');
        }

        return match (true) {
            $labels !== null => ClassesDocument::ofLabels($columns, $question, $labels, $reading, $this->texts('counts')),
            $low !== null && $high !== null => ClassesDocument::ofLimits($columns, $question, $low, $high, $reading),
            default => null,
        };
    }

    private function writeTables(ProfileTables|ClassesDocument $document, bool $onlyTexts): void
    {
        // Whatever is wrong with the request is found before anything is written.
        $texts = $document instanceof ProfileTables ? $document->texts() : [];
        foreach ($onlyTexts ? [] : $document->tables() as $title => $table) {
            $this->newLine();
            $this->output->writeln($title, OutputInterface::OUTPUT_RAW);
            $numbers = (clone Table::getStyleDefinition('compact'))->setPadType(STR_PAD_LEFT);
            $this->table($table['head'], $table['rows'], 'compact', array_fill(1, count($table['head']) - 1, $numbers));
        }
        $this->output->writeln("\n" . $document->basis(), OutputInterface::OUTPUT_RAW);
        foreach ([...$texts, ...($document instanceof ProfileTables ? $document->readingTexts() : [])] as $text) {
            $this->output->writeln("\n" . rtrim($text), OutputInterface::OUTPUT_RAW);
        }
    }
}
