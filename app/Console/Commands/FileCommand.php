<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\FileColumns;
use App\Console\UnusableRequest;
use App\Files\WholeFile;
use App\Intake\Csv\CsvFile;
use App\Intake\Decisions;
use App\Intake\NotATable;
use App\Intake\PreparedTable;
use App\Intake\ReadTable;
use App\Store\Words;
use Closure;
use Illuminate\Console\Command;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Parsing\VariableName;
use RowTally\Core\Readings\RowWord;
use Symfony\Component\Console\Exception\ExceptionInterface;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** A command that reads one file, as the application would, and answers from its columns in memory. */
abstract class FileCommand extends Command
{
    /** @var list<string> words of a question as it is asked elsewhere too */
    protected const WORDS = [];

    /** @throws NotATable|UnusableRequest|NotUnderstood|FormulaError */
    abstract protected function answer(ReadTable $readTable): void;

    protected function configure(): void
    {
        /** @var list<string> $words */
        $words = static::WORDS;
        foreach ($words as $name) {
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
            $this->answer($readTable);
        } catch (NotATable|UnusableRequest|NotUnderstood|FormulaError $problem) {
            fwrite(STDERR, $problem->getMessage() . "\n");

            return 2;
        }

        return 0;
    }

    /** What somebody should know of the reading goes beside the results, never into them. */
    protected function tellRemarks(FileColumns $columns): void
    {
        foreach ($columns->remarks() as $remark) {
            fwrite(STDERR, "{$remark}\n");
        }
    }

    protected function basis(?string $counts, ?ClassEdge $edge = null): Basis
    {
        $defaults = new Basis();
        $decimals = $this->word('decimals');

        return new Basis(
            $this->convention('as', SampleOrPopulation::class) ?? $defaults->takenAs,
            $this->convention('quartiles', QuartileRule::class) ?? $defaults->quartileRule,
            $edge ?? $defaults->classEdge,
            $this->word('fences') ?? $defaults->innerFence,
            $this->word('level') ?? $defaults->level,
            $this->convention('missing', MissingRows::class) ?? $defaults->missingRows,
            $decimals === null ? null : ShownDecimals::ofWord($decimals),
            $counts,
            $this->word('where'),
        );
    }

    /** What a row is called, as --counting=hive,hives says. */
    protected function rowWord(): RowWord
    {
        $words = $this->word('counting');

        return $words === null ? new RowWord() : RowWord::ofText($words);
    }

    /** @param array<string, mixed> $document */
    protected function writeJson(array $document): void
    {
        // Doubles in the shortest form that reads back the same, whatever php.ini says.
        ini_set('serialize_precision', '-1');
        $this->output->writeln(json_encode($document, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION), OutputInterface::OUTPUT_RAW);
    }

    protected function columns(ReadTable $readTable): FileColumns
    {
        return $this->withFile(function (string $path) use ($readTable): FileColumns {
            [$table, $file, $decisions] = $this->prepared($path);
            $columns = new FileColumns($table->sheets, $table->sheet);
            $columns->finish($readTable->read($file, $columns, static function (): void {}, $decisions)->withNotes($table->remarks));

            return $columns;
        });
    }

    /**
     * With the path of the file that is named; of a copy where it comes on standard input.
     *
     * @template T
     *
     * @param Closure(string): T $work
     *
     * @return T
     */
    protected function withFile(Closure $work): mixed
    {
        $path = $this->input->getArgument('file');
        assert(is_string($path));
        if ($path === '-') {
            $copy = WholeFile::scratch();
            try {
                $file = WholeFile::create($copy);
                WholeFile::copy(STDIN, $file);
                WholeFile::close($file);

                return $work($copy);
            } finally {
                unlink($copy);
            }
        }
        if (!is_file($path) || !is_readable($path)) {
            throw new UnusableRequest("There is no file \"{$path}\" that can be read. Check the path, or use - for standard input.");
        }

        return $work($path);
    }

    /** @return array{PreparedTable, CsvFile, Decisions} the file as a table, and what was decided of its columns */
    protected function prepared(string $path): array
    {
        $decisions = new Decisions($this->word('sheet'));
        $table = PreparedTable::of($path, $path, $decisions);
        if ($this->word('sheet') !== null && $table->sheets === []) {
            throw new UnusableRequest('The file has no sheets; leave --sheet out.');
        }
        $file = CsvFile::open($table->path, $table->decisions);

        return [$table, $file, $this->decidedColumns($file, $table->decisions)];
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
    protected function convention(string $option, string $enum): SampleOrPopulation|QuartileRule|MissingRows|StatedLimits|null
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
    protected function texts(string $option): array
    {
        /** @var list<string> $texts */
        $texts = $this->input->getOption($option);

        return $texts;
    }

    protected function word(string $option): ?string
    {
        /** @var string|null $word */
        $word = $this->input->getOption($option);

        return $word;
    }
}
