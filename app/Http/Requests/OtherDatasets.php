<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Models\User;
use App\Report\Document\Block;
use App\Store\AskedWords;
use App\Store\UnknownVariable;

/** A block is drawn for everybody who may read its dataset: it may name only other datasets that whoever writes it may see. */
final class OtherDatasets
{
    /** @throws UnknownVariable */
    public static function areTheirs(User $user, Block ...$blocks): void
    {
        foreach ($blocks as $block) {
            $other = AskedWords::ofAddress($block->address)->word('other');
            $dataset = $other === null ? null : Dataset::query()->find((int) $other);
            if ($other !== null && (!$dataset instanceof Dataset || !$user->can('view', $dataset))) {
                throw UnknownVariable::comparesNoDataset();
            }
        }
    }
}
