<?php

declare(strict_types=1);

namespace App\Accounts;

/** What a token may do; each route names the one that it asks for (routes/web.php). */
enum Scope: string
{
    /** Of routes that no token may: an account and its proofs. */
    public const NONE = 'none';

    case Read = 'read';
    case Change = 'change';
    case Own = 'own';

    public function words(): string
    {
        return match ($this) {
            self::Read => 'look at datasets and reports and take them out',
            self::Change => 'bring in, make and change datasets and reports, and hand reports over',
            self::Own => 'share, hand over and delete datasets, and make links to reports',
        };
    }
}
