<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Models\Dataset;
use App\Report\Document\Block;
use App\Store\AskedWords;
use App\Store\UnknownVariable;
use RowTally\Core\Exception\CoreException;

/** Makes what a kind of block shows, of the data by now. */
interface MakesBlock
{
    /** @throws UnknownVariable|CoreException where it has come to nothing */
    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock;
}
