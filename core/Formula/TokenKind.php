<?php

declare(strict_types=1);

namespace RowTally\Core\Formula;

/** @internal */
enum TokenKind
{
    case Number;
    case Text;
    case Name;
    case Sign;
    case End;
}
