<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Models\LongChange;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;

/** Makes one change that takes long; not tried again, for whoever asked is told and may. */
final class MakeLongChange implements ShouldQueue
{
    use Queueable;

    public int $tries = 1;

    public int $timeout = 3600;

    public function __construct(private readonly int $id) {}

    public function handle(LongChanges $longChanges): void
    {
        $long = LongChange::query()->find($this->id);
        if ($long !== null) {
            $longChanges->make($long);
        }
    }
}
