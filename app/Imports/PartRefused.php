<?php

declare(strict_types=1);

namespace App\Imports;

use RuntimeException;

/** A part of a file that is not taken; nothing of what is kept changes. */
final class PartRefused extends RuntimeException
{
    /** As the protocol has it (tus 1.0.0, and its extension for sums). */
    private const NO_SUM_OF_THESE = 460;

    private function __construct(string $sentence, public readonly int $status)
    {
        parent::__construct($sentence);
    }

    public static function notNext(int $offset, int $here): self
    {
        return new self("The part begins at byte {$offset}, and {$here} are here. Ask how many are here, and go on from there.", 409);
    }

    public static function tooLong(): self
    {
        return new self('The part is longer than a part may be, or than what is missing of the file. Send a shorter one.', 413);
    }

    public static function damaged(): self
    {
        return new self('The part was damaged on its way: its sum is not the one that came with it. Send it again.', self::NO_SUM_OF_THESE);
    }

    public static function sumNotKnown(): self
    {
        return new self('A sum comes as “sha256” or “sha1”, a blank, and the sum in Base64.', 400);
    }

    public static function fileTooLong(int $most): self
    {
        return new self(sprintf('The file is larger than %d GB. Split it, or leave out columns that are not needed.', $most >> 30), 413);
    }

    public static function tooMany(int $most): self
    {
        return new self("{$most} files are on their way already. Let one of them end, or stop it, then begin another.", 409);
    }

    public static function gone(): self
    {
        return new self('What had arrived of the file is not here any more. Upload it again from its beginning.', 410);
    }
}
