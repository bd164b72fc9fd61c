<?php

declare(strict_types=1);

namespace App\Framework;

use Illuminate\Http\Request;

/** Whether a request proves itself by a token alone: it has no session then, and no form of another site could have made it. */
final class ByToken
{
    public static function is(Request $request): bool
    {
        return $request->bearerToken() !== null && $request->route()->getAction('scope') !== null;
    }
}
