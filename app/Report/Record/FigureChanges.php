<?php

declare(strict_types=1);

namespace App\Report\Record;

use App\Report\Paper;
use App\Report\PaperBlock;

/** Which figures of a report are others than they were. */
final class FigureChanges
{
    /**
     * @param array<string, list<StatedFigure>> $before by block
     * @param array<string, list<StatedFigure>> $after
     *
     * @return list<array{block: string, label: string, before: string|null, after: string|null}> null = it was, or is, not there
     */
    public static function between(array $before, array $after): array
    {
        $changes = [];
        foreach ($before as $block => $figures) {
            if (!isset($after[$block])) {
                continue;
            }
            $now = self::byKey($after[$block]);
            foreach (self::byKey($figures) as $key => $was) {
                $is = $now[$key] ?? null;
                if ($is === null || !self::isSame($was, $is)) {
                    $changes[] = ['block' => $block, 'label' => $was->name, 'before' => self::shown($was), 'after' => $is === null ? null : self::shown($is)];
                }
            }
            foreach (array_diff_key($now, self::byKey($figures)) as $new) {
                $changes[] = ['block' => $block, 'label' => $new->name, 'before' => null, 'after' => self::shown($new)];
            }
        }

        return $changes;
    }

    /** @return array<string, list<StatedFigure>> by block */
    public static function of(Paper $paper): array
    {
        $figures = [];
        foreach ($paper->blocks as $block) {
            $figures[$block->id] = $block->stated();
        }

        return $figures;
    }

    /** @return list<StatedFigure> */
    public static function ofBlock(PaperBlock $block): array
    {
        return $block->stated();
    }

    /** Whether both are shown alike and have the same value; another rounding of the last bit is none. */
    public static function isSame(StatedFigure $one, StatedFigure $other): bool
    {
        if ($one->text !== $other->text) {
            return false;
        }
        $values = [is_array($one->value) ? $one->value : [$one->value], is_array($other->value) ? $other->value : [$other->value]];
        foreach ($values[0] as $i => $value) {
            $second = $values[1][$i] ?? null;
            if (($value === null) !== ($second === null) || ($value !== null && $second !== null && abs($value - $second) > 1e-12 * max(abs($value), abs($second)))) {
                return false;
            }
        }

        return count($values[0]) === count($values[1]);
    }

    /** What a figure is called and shown as; of a picture that it is another. */
    private static function shown(StatedFigure $figure): string
    {
        return str_starts_with($figure->figure, 'picture.') ? 'drawn as ' . substr($figure->text, 0, 8) : $figure->text;
    }

    /**
     * @param list<StatedFigure> $figures
     *
     * @return array<string, StatedFigure> a key begins with a bracket: no array takes it for a number
     */
    private static function byKey(array $figures): array
    {
        $keyed = [];
        foreach ($figures as $figure) {
            $keyed[$figure->key()] = $figure;
        }

        return $keyed;
    }
}
