<?php

declare(strict_types=1);

namespace App\Framework;

/** Where sessions are kept that need not be written, nor their cookies sent, with each answer. */
interface AliveSession
{
    public const TOUCH_AFTER_SECONDS = 300;

    /** Whether the session last read was there, and was written so lately that neither it nor its cookies need a later end yet. */
    public function isAlive(): bool;
}
