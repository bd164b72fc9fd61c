<?php

declare(strict_types=1);

namespace App\Report\Document;

/** What a report can be begun with. */
enum Plan: string
{
    case Dataset = 'dataset';
    case Variable = 'variable';
    case Groups = 'groups';
    case Pairs = 'pairs';
    case Classes = 'classes';

    public function words(): string
    {
        return match ($this) {
            self::Dataset => 'describe this dataset',
            self::Variable => 'one variable in depth',
            self::Groups => 'compare groups',
            self::Pairs => 'before and after',
            self::Classes => 'a table of classes',
        };
    }

    public function sentence(): string
    {
        return match ($this) {
            self::Dataset => 'What stands out, a line for each variable, then each with its sentence, its picture and its figures.',
            self::Variable => 'One number from all sides: shape, figures, values that stand apart, and whether it looks normal.',
            self::Groups => 'A number by group: boxes side by side, figures of each, and how two of them differ.',
            self::Pairs => 'The same rows in two numbers: who rose and who fell, how far, and how sure that is.',
            self::Classes => 'Counts of classes as they came, their picture, and the figures estimated from them.',
        };
    }
}
