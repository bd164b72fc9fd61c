<?php

declare(strict_types=1);

namespace App\Models;

enum ImportStatus: string
{
    /** Uploaded; somebody still looks at how it is read. */
    case Waiting = 'waiting';
    case Queued = 'queued';
    case Running = 'running';
    case Done = 'done';
    case Failed = 'failed';
    case Cancelled = 'cancelled';

    /** @return list<self> those that have not ended */
    public static function open(): array
    {
        return array_values(array_filter(self::cases(), static fn(self $status): bool => $status->isOpen()));
    }

    public function isOpen(): bool
    {
        return match ($this) {
            self::Waiting, self::Queued, self::Running => true,
            self::Done, self::Failed, self::Cancelled => false,
        };
    }
}
