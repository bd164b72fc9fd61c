<?php

declare(strict_types=1);

namespace App\Framework;

use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;

/**
 * The session without a note of the last address, which nothing here reads: a request that changes nothing in the session then
 * writes nothing (see `UnchangedSession`), and so waits for no disk.
 */
final class QuietSession extends StartSession
{
    protected function storeCurrentUrl(Request $request, $session): void {}
}
