<?php

declare(strict_types=1);

namespace App\Framework;

use Illuminate\Auth\EloquentUserProvider;
use Illuminate\Contracts\Auth\Authenticatable;
use Illuminate\Support\Facades\Session;

/** Accounts, of which the one that is signed in came with its session and is not asked for again. */
final class SessionUsers extends EloquentUserProvider
{
    public function retrieveById($identifier): ?Authenticatable
    {
        $handler = Session::getHandler();
        $known = $handler instanceof UnchangedSession ? $handler->user() : null;
        if ($known === null || $known['id'] !== $identifier) {
            return parent::retrieveById($identifier);
        }

        return $this->createModel()->newFromBuilder($known);
    }
}
