<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\ClassesDocument;
use App\Console\FileColumns;
use App\Console\FileQuestion;
use App\Console\ProfileDocument;
use App\Console\UnusableRequest;
use App\Files\WholeFile;
use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Store\Words;
use Illuminate\Console\Command;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureSet;
use RowTally\Core\Figures\PercentList;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Grouped\Amendments;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Parsing\VariableName;
use RowTally\Core\Plots\ClassChoice;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** The profile of a file, without database, account or server: the same intake and the same core as the application. */
final class Profile extends Command
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
        {--json : Write one JSON document with every figure instead of tables}';

    /** Words of a question as it is asked elsewhere too. */
    private const WORDS = ['where', 'as', 'quartiles', 'missing', 'fences', 'level', 'decimals', 'figures', 'percentiles', 'limits', 'cumulative', 'amend'];

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
          php artisan tally:profile budget.xlsx --sheet=2026 --read="Spend:number,decimal comma"
          php artisan tally:profile - --as=population --quartiles=hf7 --bins=0:5:right --json < values.csv

        Keys of figures are those of the JSON document, such as mean, sd, cv, trimmed_mean_5, skewness, shapiro_wilk_p.
        What should be known of the reading (cells that could not be read, columns in doubt, the sheet taken) is on standard error and, with
        --json, under "read". Exit code 0, or 2 with one sentence on standard error.
        HELP;

    protected function configure(): void
    {
        foreach (self::WORDS as $name) {
            $this->addOption($name, null, InputOption::VALUE_OPTIONAL, Words::named($name)->forShell());
        }
    }

    /** Options that do not exist end like any other unusable request. */
    public function run(InputInterface $input, OutputInterface $output): int
    {
        try {
            return parent::run($input, $output);
        } catch (ExceptionInterface $problem) {
            fwrite(STDERR, $problem->getMessage() . "\n");

            return 2;
        }
    }

    public function handle(ReadTable $readTable): int
    {
        try {
            $question = $this->fileQuestion();
            $columns = $this->columns($readTable);
            $question = $question->countedAsIn($columns);
            $document = $this->classes($columns, $question) ?? ProfileDocument::of($columns, $question);
            if ($this->option('json') === true) {
                $this->writeJson([...$document->toArray(), 'read' => $columns->readAs()]);
            } else {
                $this->writeTables($document, $question->working !== null || $question->match !== null);
            }
            // What somebody should know of the reading goes beside the results, never into them.
            foreach ($columns->remarks() as $remark) {
                fwrite(STDERR, "{$remark}\n");
            }
        } catch (NotATable|UnusableRequest|NotUnderstood|FormulaError $problem) {
            fwrite(STDERR, $problem->getMessage() . "\n");

            return 2;
        }

        return 0;
    }

    private function fileQuestion(): FileQuestion
    {
        $defaults = new Basis();
        $decimals = $this->word('decimals');
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
            new Basis(
                $this->convention('as', SampleOrPopulation::class) ?? $defaults->takenAs,
                $this->convention('quartiles', QuartileRule::class) ?? $defaults->quartileRule,
                $edge ?? $defaults->classEdge,
                $this->word('fences') ?? $defaults->innerFence,
                $this->word('level') ?? $defaults->level,
                $this->convention('missing', MissingRows::class) ?? $defaults->missingRows,
                $decimals === null ? null : ShownDecimals::ofWord($decimals),
                count($counts) === 1 ? $counts[0] : null,
                $this->word('where'),
            ),
            $figures,
            PercentList::of($this->word('percentiles') ?? ''),
            $classes,
            $this->word('match'),
            $this->word('working'),
            $this->word('bins') !== null,
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

    /** @param array<string, mixed> $document */
    private function writeJson(array $document): void
    {
        // Doubles in the shortest form that reads back the same, whatever php.ini says.
        ini_set('serialize_precision', '-1');
        $this->output->writeln(json_encode($document, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION), OutputInterface::OUTPUT_RAW);
    }

    private function writeTables(ProfileDocument|ClassesDocument $document, bool $onlyTexts): void
    {
        // Whatever is wrong with the request is found before anything is written.
        $texts = $document instanceof ProfileDocument ? $document->texts() : [];
        foreach ($onlyTexts ? [] : $document->tables() as $title => $table) {
            $this->newLine();
            $this->output->writeln($title, OutputInterface::OUTPUT_RAW);
            $numbers = (clone Table::getStyleDefinition('compact'))->setPadType(STR_PAD_LEFT);
            $this->table($table['head'], $table['rows'], 'compact', array_fill(1, count($table['head']) - 1, $numbers));
        }
        $this->output->writeln("\n" . $document->basis(), OutputInterface::OUTPUT_RAW);
        foreach ($texts as $text) {
            $this->output->writeln("\n" . rtrim($text), OutputInterface::OUTPUT_RAW);
        }
    }

    private function columns(ReadTable $readTable): FileColumns
    {
        $path = $this->input->getArgument('file');
        assert(is_string($path));
        if ($path === '-') {
            $copy = WholeFile::scratch();
            try {
                $file = WholeFile::create($copy);
                WholeFile::copy(STDIN, $file);
                WholeFile::close($file);

                return $this->read($readTable, $copy);
            } finally {
                unlink($copy);
            }
        }
        if (!is_file($path) || !is_readable($path)) {
            throw new UnusableRequest("There is no file \"{$path}\" that can be read. Check the path, or use - for standard input.");
        }

        return $this->read($readTable, $path);
    }

    private function read(ReadTable $readTable, string $path): FileColumns
    {
        $decisions = new Decisions($this->word('sheet'));
        $table = PreparedTable::of($path, $path, $decisions);
        if ($this->word('sheet') !== null && $table->sheets === []) {
            throw new UnusableRequest('The file has no sheets; leave --sheet out.');
        }
        $file = CsvFile::open($table->path, $table->decisions);
        $decisions = $this->decidedColumns($file, $table->decisions);
        $columns = new FileColumns($table->sheets, $table->sheet);
        $columns->finish($readTable->read($file, $columns, static function (): void {}, $decisions)->withNotes($table->remarks));

        return $columns;
    }

    /** What --read says of columns, by their names. */
    private function decidedColumns(CsvFile $file, Decisions $decisions): Decisions
    {
        $names = array_map(static fn(VariableName $name): string => $name->name, $file->names);
        foreach ($this->texts('read') as $words) {
            if (preg_match('/^(.+):\s*(number|category|date|text|id)?\s*,?\s*(?:decimal (comma|point))?$/u', $words, $part) !== 1 || ($part[2] ?? '') . ($part[3] ?? '') === '') {
                throw new UnusableRequest("--read=\"{$words}\" is not understood. Write the column's name, a colon and number, category, date, text or id, such as \"Spend:number\"; behind a comma \"decimal comma\" or \"decimal point\".");
            }
            $place = array_search($part[1], $names, true);
            $place = $place === false ? array_search($part[1], array_map(static fn(VariableName $name): string => $name->asItStands, $file->names), true) : $place;
            if ($place === false) {
                throw new UnusableRequest("The file has no column \"{$part[1]}\". It has: " . implode(', ', $names) . '.');
            }
            if (($part[2] ?? '') !== '') {
                $decisions = $decisions->with(['what' => 'type', 'column' => $place, 'value' => $part[2]]);
            }
            if (($part[3] ?? '') !== '') {
                $decisions = $decisions->with(['what' => 'decimal_mark', 'column' => $place, 'value' => $part[3] === 'comma' ? ',' : '.']);
            }
        }

        return $decisions;
    }

    /**
     * @template C of SampleOrPopulation|QuartileRule|MissingRows|StatedLimits
     *
     * @param class-string<C> $enum
     *
     * @return C|null
     */
    private function convention(string $option, string $enum): SampleOrPopulation|QuartileRule|MissingRows|StatedLimits|null
    {
        $word = $this->word($option);
        if ($word === null) {
            return null;
        }

        return $enum::tryFrom($word) ?? throw new UnusableRequest(
            "--{$option}={$word} is not known. Use one of: " . implode(', ', array_map(static fn(SampleOrPopulation|QuartileRule|MissingRows|StatedLimits $case): string => $case->value, $enum::cases())) . '.',
        );
    }

    /** @return list<string> */
    private function texts(string $option): array
    {
        /** @var list<string> $texts */
        $texts = $this->input->getOption($option);

        return $texts;
    }

    private function word(string $option): ?string
    {
        /** @var string|null $word */
        $word = $this->input->getOption($option);

        return $word;
    }
}
