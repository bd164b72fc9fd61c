<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Console\UnusableRequest;
use App\Files\NoRoom;
use App\Files\WholeFile;
use App\Intake\ReadTable;
use App\Models\Dataset;
use App\Models\Variable;
use App\Report\Checks\ScratchDataset;
use App\Report\Document\FillPlan;
use App\Report\Document\Plan;
use App\Report\Forms\CannotHandOver;
use App\Report\Forms\Form;
use App\Report\Forms\HandOver;
use App\Report\MakePaper;
use App\Report\Record\BuildRecord;
use App\Store\UnknownVariable;
use Illuminate\Contracts\Container\Container;

/** A report of a file by a plan, in any form that the application hands over, with its record. */
final class Report extends FileCommand
{
    protected $signature = 'tally:report
        {file : Any file that can be read; - reads standard input}
        {--plan=dataset : What fills it: dataset, variable, groups, pairs or classes}
        {--variable=* : Name of a variable it is of; may be given several times}
        {--by= : Name of what splits the rows; of classes, of their counts}
        {--title= : Of the report (the default is the name of the file)}
        {--form=pdf : html, pdf, docx, odt, markdown or tables}
        {--paper=a4 : a4 or letter}
        {--rows : The rows go along, so that it can be checked by itself}
        {--out= : Where it is written (the default is standard output)}
        {--sheet= : Which sheet of a workbook, or table of a data package, is read}
        {--read=* : How a column is read, such as "Spend:number" or "Zip:text"}
        {--counting= : What a row is, one and many: hive,hives}';

    protected const WORDS = ['where', 'as', 'quartiles', 'missing', 'fences', 'level', 'decimals'];

    protected $description = 'A report of a file, as it would be handed over';

    protected $help = <<<'HELP'
        Examples:
          ops/artisan tally:report demo/spring-inspection.csv --out=report.pdf
          ops/artisan tally:report demo/spring-inspection.csv --plan=groups --variable="Honey yield" --by=Apiary --form=docx --out=report.docx
          ops/artisan tally:report demo/spring-inspection.csv --plan=variable --variable="Honey yield" --rows --form=html --out=report.html
          ops/artisan tally:recheck report.html

        The file is read into the database for as long as it takes. Exit code 0, or 2 with one sentence on standard error.
        HELP;

    protected function answer(ReadTable $readTable): void
    {
        $plan = Plan::tryFrom($this->word('plan') ?? '') ?? throw new UnusableRequest('--plan is one of: ' . implode(', ', array_column(Plan::cases(), 'value')) . '.');
        $form = Form::tryFrom($this->word('form') ?? '') ?? throw new UnusableRequest('--form is one of: ' . implode(', ', array_column(Form::cases(), 'value')) . '.');
        try {
            $bytes = $this->withFile(fn(string $path): string => $this->report($path, $plan, $form));
            $out = $this->word('out');
            if ($out === null) {
                fwrite(STDOUT, $bytes);
            } else {
                WholeFile::put($out, $bytes);
            }
        } catch (UnknownVariable|CannotHandOver|NoRoom $problem) {
            throw new UnusableRequest($problem->getMessage());
        }
    }

    private function report(string $path, Plan $plan, Form $form): string
    {
        $app = app();
        [, $file, $decisions] = $this->prepared($path);
        $named = $this->input->getArgument('file');
        $name = is_string($named) && $named !== '-' ? basename($named) : 'standard input';
        $word = $this->word('counting') === null ? null : $this->rowWord();
        $dataset = $app->make(ScratchDataset::class)->read($file, $decisions, [
            'title' => mb_substr($this->word('title') ?? pathinfo($name, PATHINFO_FILENAME), 0, 200),
            'source' => $name,
            'source_bytes' => (int) filesize($path),
            'source_sha256' => (string) hash_file('sha256', $path),
            'row_one' => $word?->one,
            'row_many' => $word?->many,
        ], static function (): void {});
        try {
            return $this->handedOver($app, $dataset, $plan, $form, $decisions->toArray(), $path);
        } finally {
            ScratchDataset::discard($dataset);
        }
    }

    /** @param array<string, mixed> $decisions */
    private function handedOver(Container $app, Dataset $dataset, Plan $plan, Form $form, array $decisions, string $path): string
    {
        $by = $this->word('by');
        $basis = [];
        foreach (self::WORDS as $name) {
            $basis[$name] = $this->word($name) ?? '';
        }
        $document = FillPlan::of(
            $dataset,
            $plan,
            array_map(static fn(string $own): string => self::key($dataset, $own), $this->texts('variable')),
            $by === null ? null : self::key($dataset, $by),
            http_build_query($basis),
            $dataset->title,
        );
        $paper = $app->make(MakePaper::class)->of($dataset, $document);
        $rows = $this->option('rows') === true ? (string) file_get_contents($path) : null;
        $record = $app->make(BuildRecord::class)->of($dataset, $document, $paper, 1, '', now()->toIso8601ZuluString(), $rows === null ? null : hash('sha256', $rows), $decisions);

        return $app->make(HandOver::class)->as($form, $paper, $this->word('paper') === 'letter' ? 'letter' : 'a4', $record, $rows);
    }

    private static function key(Dataset $dataset, string $name): string
    {
        return $dataset->variables->first(static fn(Variable $variable): bool => $name === $variable->name || $name === $variable->nameWithUnit())->key
            ?? throw new UnusableRequest("The file has no variable \"{$name}\". It has: " . implode(', ', array_map(static fn(Variable $variable): string => $variable->name, $dataset->variables->all())) . '.');
    }
}
