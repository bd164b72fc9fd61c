<?php

declare(strict_types=1);

namespace App\Models;

enum ImportStatus: string
{
    case Queued = 'queued';
    case Running = 'running';
    case Cancelling = 'cancelling';
    case Done = 'done';
    case Failed = 'failed';
    case Cancelled = 'cancelled';

    public function isOpen(): bool
    {
        return match ($this) {
            self::Queued, self::Running, self::Cancelling => true,
            self::Done, self::Failed, self::Cancelled => false,
        };
    }
}
