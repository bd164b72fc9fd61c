<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\FileColumns;
use App\Console\ProfileDocument;
use App\Console\UnusableRequest;
use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use Illuminate\Console\Command;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\TakenAs;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\Console\Helper\Table;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** The profile of a file, without database, account or server: the same intake and the same core as the application. */
final class Profile extends Command
{
    protected $signature = 'tally:profile
        {file : Any file that can be read: CSV and its cousins, XLSX, ODS, JSON, JSON Lines, a data package; - reads standard input}
        {--variable=* : Name of a variable; may be given several times (the default is every number variable)}
        {--by=* : Name of the category that splits the rows}
        {--as= : sample (the default) or population}
        {--quartiles= : halves-excluded (the default), halves-included, or hf1 to hf9}
        {--json : Write one JSON document instead of tables}';

    protected $description = 'Figures and histogram classes of the variables of a file, overall and by group';

    protected $help = <<<'HELP'
        Examples:
          php artisan tally:profile demo/spring-inspection.csv
          php artisan tally:profile demo/spring-inspection.csv --variable="Honey yield" --by=Apiary
          php artisan tally:profile - --as=population --quartiles=hf7 --json < values.csv

        Exit code 0, or 2 with one sentence on standard error.
        HELP;

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
            $basis = new Basis(
                $this->convention('as', TakenAs::class) ?? (new Basis())->takenAs,
                $this->convention('quartiles', QuartileRule::class) ?? (new Basis())->quartileRule,
            );
            $columns = $this->columns($readTable);
            $document = ProfileDocument::of($columns, $this->texts('variable'), $this->texts('by'), $basis);
        } catch (NotATable|UnusableRequest $problem) {
            fwrite(STDERR, $problem->getMessage() . "\n");

            return 2;
        }
        if ($this->option('json') === true) {
            // Doubles in the shortest form that reads back the same, whatever php.ini says.
            ini_set('serialize_precision', '-1');
            $this->output->writeln(json_encode($document->toArray(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION), OutputInterface::OUTPUT_RAW);

            return 0;
        }
        foreach ($document->tables() as $title => $table) {
            $this->newLine();
            $this->output->writeln($title, OutputInterface::OUTPUT_RAW);
            $numbers = (clone Table::getStyleDefinition('compact'))->setPadType(STR_PAD_LEFT);
            $this->table($table['head'], $table['rows'], 'compact', array_fill(1, count($table['head']) - 1, $numbers));
        }

        return 0;
    }

    private function columns(ReadTable $readTable): FileColumns
    {
        $path = $this->input->getArgument('file');
        assert(is_string($path));
        if ($path === '-') {
            $copy = tempnam(sys_get_temp_dir(), 'rowtally');
            file_put_contents($copy, STDIN);
            try {
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
        $columns = new FileColumns();
        $table = PreparedTable::of($path, $path, new Decisions());
        $columns->finish($readTable->read(CsvFile::open($table->path, $table->decisions), $columns, static function (): void {}, $table->decisions));

        return $columns;
    }

    /**
     * @template C of TakenAs|QuartileRule
     *
     * @param class-string<C> $enum
     *
     * @return C|null
     */
    private function convention(string $option, string $enum): TakenAs|QuartileRule|null
    {
        /** @var string|null $word */
        $word = $this->input->getOption($option);
        if ($word === null) {
            return null;
        }

        return $enum::tryFrom($word) ?? throw new UnusableRequest(
            "--{$option}={$word} is not known. Use one of: " . implode(', ', array_map(static fn(TakenAs|QuartileRule $case): string => $case->value, $enum::cases())) . '.',
        );
    }

    /** @return list<string> */
    private function texts(string $option): array
    {
        /** @var list<string> $texts */
        $texts = $this->input->getOption($option);

        return $texts;
    }
}
