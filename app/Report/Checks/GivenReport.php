<?php

declare(strict_types=1);

namespace App\Report\Checks;

use App\Report\Document\ReportDocument;
use App\Report\Record\StatedFigure;
use RowTally\Core\Marks\NumberMarks;

/** A report that somebody hands in to be checked: its record, and what stands in its text. */
final readonly class GivenReport
{
    /**
     * @param string                                                                $form    what it was handed in as
     * @param array<string, mixed>                                                  $data    what the record says of the data
     * @param list<array{block: string, number: string|null, figure: StatedFigure}> $figures
     * @param list<array{string, int}>                                              $numbers that the record says stand in the text
     * @param list<array{string, int}>|null                                         $found   that do stand there; null = there is no text
     * @param string|null                                                           $rows    as CSV, where they came along
     */
    public function __construct(
        public string $form,
        public ReportDocument $document,
        public int $edition,
        public string $madeAt,
        public array $data,
        public array $figures,
        public array $numbers,
        public ?array $found,
        public ?string $rows,
        /** with which its figures are written */
        public NumberMarks $marks,
    ) {}

    public function text(string $name): ?string
    {
        $text = $this->data[$name] ?? null;

        return is_string($text) ? $text : null;
    }

    public function number(string $name): ?int
    {
        $number = $this->data[$name] ?? null;

        return is_int($number) ? $number : null;
    }

    /** @return list<array<array-key, mixed>> */
    public function variables(): array
    {
        $variables = $this->data['variables'] ?? null;

        return is_array($variables) ? array_values(array_filter($variables, is_array(...))) : [];
    }
}
