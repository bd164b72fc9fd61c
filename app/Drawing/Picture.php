<?php

declare(strict_types=1);

namespace App\Drawing;

use RowTally\Core\Exception\NotUnderstood;

/** A kind of picture of one variable. One more is a class of this and a line in `Pictures`. */
interface Picture
{
    /** How it is asked for, as in /plots/stems. */
    public static function kind(): string;

    /** What it is called. */
    public static function name(): string;

    /** @return list<Option> what can be chosen of it, in the order of a sentence */
    public static function options(PictureSource $of, Look $look): array;

    /**
     * @return non-empty-list<DrawnScene> one for each group where each has its own, or one
     *
     * @throws NotUnderstood
     */
    public static function draw(PictureSource $of, Look $look, float $width): array;
}
