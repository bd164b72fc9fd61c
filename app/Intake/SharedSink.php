<?php

declare(strict_types=1);

namespace App\Intake;

/** A sink that two processes can write to at once, each its own columns. */
interface SharedSink extends ColumnSink
{
    /** Lets go of what two processes cannot hold together; called before there are two. */
    public function beforeSharing(): void;

    /** Puts in place what is still held back; called once all columns of a process are written. */
    public function flush(): void;
}
