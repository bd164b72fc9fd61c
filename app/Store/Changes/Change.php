<?php

declare(strict_types=1);

namespace App\Store\Changes;

use App\Store\UnknownVariable;

/** One kind of change to a dataset. It works on the draft of a revision and says in words what it did. */
interface Change
{
    /** The word for it in the API and in the list of changes. */
    public function kind(): string;

    /**
     * @return string what was done, in words
     *
     * @throws ChangeRefused
     * @throws UnknownVariable
     */
    public function apply(DraftRevision $draft): string;
}
