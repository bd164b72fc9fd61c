<?php

declare(strict_types=1);

namespace App\Report\Checks;

use App\Models\Dataset;
use App\Report\MakePaper;
use App\Report\Record\FigureChanges;
use App\Report\Record\ShownNumbers;
use App\Report\Record\StatedFigure;
use Closure;

/**
 * Checks a report: whether its text is the one that was handed over, whether the rows are those that it rests on, and every figure that it
 * states, asked anew of those rows in the same words.
 */
final readonly class CheckReport
{
    /** So many of each kind are listed. */
    private const LISTED = 500;

    public function __construct(private MakePaper $makePaper, private ScratchDataset $scratch) {}

    /**
     * @param string|null             $rowsPath of the rows where they did not come along
     * @param Closure(int, int): void $beat     how many bytes and rows are read; it may throw to end it
     *
     * @return array{title: string, edition: int, made_at: string, form: string, rows: int, notes: list<string>, text: array{missing: list<string>, added: list<string>, figures: list<array{number: string|null, label: string, text: string}>}|null, agree: int, differing: int, lacking: int, differs: list<array{block: string, number: string|null, label: string, stated: string, recomputed: string, stated_value: int|float|null, recomputed_value: int|float|null, difference: int|float|null}>, lacks: list<array{block: string, number: string|null, label: string, stated: string, why: string}>}
     *
     * @throws CannotCheck
     */
    public function of(GivenReport $given, ?string $rowsPath, string $rowsName, Closure $beat): array
    {
        if ($rowsPath === null) {
            throw CannotCheck::lacksRows();
        }
        $text = $given->found === null || $given->numbers === [] ? null : ShownNumbers::compared($given->numbers, $given->found);
        [$dataset, $notes] = $this->scratch->of($given, $rowsPath, $rowsName, $beat);
        try {
            $now = $given->marks->during(fn(): array => $this->stated($dataset, $given, $beat));
        } finally {
            ScratchDataset::discard($dataset);
        }

        return [
            'title' => $given->document->title,
            'edition' => $given->edition,
            'made_at' => $given->madeAt,
            'form' => $given->form,
            'rows' => $dataset->rows,
            'notes' => $notes,
            'text' => $text === null ? null : [...$text, 'figures' => self::namedBy($given, $text['missing'])],
            ...self::compared($given, $now),
        ];
    }

    /**
     * @param Closure(int, int): void $beat
     *
     * @return array<string, array<string, StatedFigure>|string> by block: its figures by key, or why there are none
     */
    private function stated(Dataset $dataset, GivenReport $given, Closure $beat): array
    {
        $now = [];
        foreach ($given->document->blocks as $block) {
            $beat(0, $dataset->rows);
            $made = $this->makePaper->block($dataset, $given->document, $block);
            $own = [];
            foreach ($made->stated() as $figure) {
                $own[$figure->key()] = $figure;
            }
            $now[$block->id] = $own === [] && $made->lacks !== [] ? implode(' ', $made->lacks) : $own;
        }

        return $now;
    }

    /**
     * @param array<string, array<string, StatedFigure>|string> $now
     *
     * @return array{agree: int, differing: int, lacking: int, differs: list<array{block: string, number: string|null, label: string, stated: string, recomputed: string, stated_value: int|float|null, recomputed_value: int|float|null, difference: int|float|null}>, lacks: list<array{block: string, number: string|null, label: string, stated: string, why: string}>}
     */
    private static function compared(GivenReport $given, array $now): array
    {
        $agree = $differing = $lacking = 0;
        $differs = $lacks = [];
        foreach ($given->figures as ['block' => $block, 'number' => $number, 'figure' => $stated]) {
            $own = $now[$block] ?? 'The record has no such block.';
            $is = is_array($own) ? $own[$stated->key()] ?? null : null;
            if ($is === null) {
                ++$lacking;
                if (count($lacks) < self::LISTED) {
                    $lacks[] = ['block' => $block, 'number' => $number, 'label' => $stated->name, 'stated' => $stated->text, 'why' => is_string($own) ? $own : 'The rows do not give it: the variable, the group or the label is not there.'];
                }
            } elseif (FigureChanges::isSame($stated, $is)) {
                ++$agree;
            } else {
                ++$differing;
                if (count($differs) < self::LISTED) {
                    $isPicture = str_starts_with($stated->figure, 'picture.');
                    $differs[] = [
                        'block' => $block,
                        'number' => $number,
                        'label' => $stated->name,
                        'stated' => $isPicture ? 'as handed over' : $stated->text,
                        'recomputed' => $isPicture ? 'drawn otherwise by these rows' : $is->text,
                        'stated_value' => self::value($stated),
                        'recomputed_value' => self::value($is),
                        'difference' => is_array($stated->value) || is_array($is->value) || $stated->value === null || $is->value === null ? null : $is->value - $stated->value,
                    ];
                }
            }
        }

        return ['agree' => $agree, 'differing' => $differing, 'lacking' => $lacking, 'differs' => $differs, 'lacks' => $lacks];
    }

    private static function value(StatedFigure $figure): int|float|null
    {
        return is_array($figure->value) ? null : $figure->value;
    }

    /**
     * Which figures are shown as a number that the text does not have.
     *
     * @param list<string> $missing
     *
     * @return list<array{number: string|null, label: string, text: string}>
     */
    private static function namedBy(GivenReport $given, array $missing): array
    {
        $named = [];
        foreach ($given->figures as ['number' => $number, 'figure' => $figure]) {
            foreach (array_column(ShownNumbers::of($figure->text), 0) as $shown) {
                if (count($named) < 50 && in_array($shown, $missing, true) && !str_starts_with($figure->figure, 'picture.')) {
                    $named[] = ['number' => $number, 'label' => $figure->name, 'text' => $figure->text];
                    break;
                }
            }
        }

        return $named;
    }
}
