<?php

declare(strict_types=1);

namespace App\Report;

use App\Models\Dataset;
use App\Report\Document\BlockKind;
use App\Report\Document\ReportDocument;
use App\Store\AskedWords;
use App\Store\Changes\History;
use App\Store\ReadRows;
use App\Store\RowsQuestion;
use App\Store\UnknownVariable;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Exception\CoreException;
use RowTally\Core\Marks\NumberMarks;

/** How a report was done, line by line: made by itself, and never written by anybody. */
final readonly class MakeMethod
{
    public const MADE_WITH = 'Row Tally 0.16';
    private const CHANGES_LISTED = 200;
    private const ASIDE_LISTED = 50;

    public function __construct(private ReadRows $readRows) {}

    /** @return list<array{name: string, lines: list<array{key: string, text: string}>}> without the lines that stay out */
    public function of(Dataset $dataset, ReportDocument $document): array
    {
        $shown = [];
        foreach ($this->all($dataset, $document) as ['name' => $name, 'lines' => $lines]) {
            $left = array_values(array_filter($lines, static fn(array $line): bool => !in_array($line['key'], $document->hidden, true)));
            if ($left !== []) {
                $shown[] = ['name' => $name, 'lines' => $left];
            }
        }

        return $shown;
    }

    /** @return list<array{name: string, lines: non-empty-list<array{key: string, text: string}>}> */
    public function all(Dataset $dataset, ReportDocument $document): array
    {
        $parts = [];
        foreach ([
            'Where the rows come from' => self::source($dataset),
            'Changes to the data' => self::changes($dataset),
            'Made variables' => self::made($dataset),
            'Set aside' => $this->aside($dataset),
            'Conventions' => self::conventions($dataset, $document),
            'Made with' => ['with' => self::MADE_WITH . ", of revision {$dataset->revision} of the data."],
        ] as $name => $lines) {
            $keyed = [];
            foreach ($lines as $key => $text) {
                $keyed[] = ['key' => $key, 'text' => $text];
            }
            if ($keyed !== []) {
                $parts[] = ['name' => $name, 'lines' => $keyed];
            }
        }

        return $parts;
    }

    /** @return array<string, string> */
    private static function source(Dataset $dataset): array
    {
        $lines = ['source' => $dataset->source === null || $dataset->source === '' ? 'Entered by hand.' : $dataset->source . ($dataset->source_bytes === null ? '' : ', ' . NumberMarks::count($dataset->source_bytes) . ' bytes')];
        if ($dataset->source_sha256 !== null) {
            $lines['sha256'] = "SHA-256 of the file: {$dataset->source_sha256}";
        }
        foreach ($dataset->notes as $i => $note) {
            $lines["note-{$i}"] = $note;
        }

        return $lines;
    }

    /** @return array<string, string> */
    private static function changes(Dataset $dataset): array
    {
        $lines = [];
        foreach (array_reverse(History::of($dataset)->changes) as $change) {
            if ($change->number > 1) {
                $lines["change-{$change->number}"] = "{$change->number}: {$change->summary}";
            }
        }
        $more = count($lines) - self::CHANGES_LISTED;

        return match (true) {
            $lines === [] => ['changes' => 'None.'],
            $more > 0 => [...array_slice($lines, 0, self::CHANGES_LISTED), 'changes-more' => "and {$more} more"],
            default => $lines,
        };
    }

    /** @return array<string, string> */
    private static function made(Dataset $dataset): array
    {
        $lines = [];
        foreach ($dataset->variables as $variable) {
            if ($variable->made !== null) {
                $lines["made-{$variable->key}"] = "{$variable->nameWithUnit()} = {$variable->made['formula']}" . ($variable->made['frozen'] ? ', as it was when it stopped following' : '');
            }
        }

        return $lines;
    }

    /** @return array<string, string> */
    private function aside(Dataset $dataset): array
    {
        if ($dataset->set_aside === 0) {
            return [];
        }
        $lines = ['aside' => NumberMarks::count($dataset->set_aside) . ' of ' . NumberMarks::count($dataset->rows) . ' rows are in no figure.'];
        $first = $dataset->variables->first();
        $answer = $first === null ? null : $this->readRows->window($dataset, new RowsQuestion([$first->key], where: Blocks\RowsBlock::asideCondition(), count: self::ASIDE_LISTED));
        foreach ($answer === null ? [] : $answer->rows as $place => $row) {
            $lines["aside-{$row}"] = "Row {$row}: " . ($answer->aside[$place] ?? '');
        }
        $more = $dataset->set_aside - self::ASIDE_LISTED;

        return $more > 0 ? [...$lines, 'aside-more' => "and {$more} more"] : $lines;
    }

    /** @return array<string, string> of every basis that a block rests on */
    private static function conventions(Dataset $dataset, ReportDocument $document): array
    {
        $lines = [];
        foreach ($document->blocks as $block) {
            $basis = $block->kind->maker() === null || $block->kind === BlockKind::Held || $block->kind === BlockKind::Rows ? null : self::basis($dataset, $block->address);
            if ($basis !== null) {
                $words = $basis->words();
                $lines['basis-' . substr(hash('sha256', $words), 0, 8)] = $words;
                $lines["rule-{$basis->quartileRule->value}"] = "Quartiles by {$basis->quartileRule->words()}: {$basis->quartileRule->sentence()} {$basis->quartileRule->source()}";
            }
        }

        return $lines === [] ? [] : [...$lines, 'rounding' => 'Figures are rounded once, half away from zero, from their full precision; tables as CSV have all of it.'];
    }

    private static function basis(Dataset $dataset, string $address): ?Basis
    {
        try {
            return AskedWords::ofAddress($address)->question($dataset)->basis;
        } catch (CoreException|UnknownVariable) {
            return null;
        }
    }
}
