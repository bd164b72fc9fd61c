<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Models\Dataset;
use App\Models\HeldContent;
use App\Report\Document\Block;
use App\Report\PaperTable;
use App\Store\AskedWords;
use App\Store\KeptReading;
use App\Store\UnknownVariable;

/** What cannot be asked for again: as it was when it was kept. */
final readonly class HeldBlock implements MakesBlock
{
    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock
    {
        $held = $block->held === null ? null : HeldContent::query()->where('dataset_id', $dataset->id)->find($block->held);
        if ($held === null) {
            throw UnknownVariable::refused('What was held here is gone.');
        }
        $basis = trim("{$held->basis} As it was at revision {$held->revision} of the data" . ($held->revision === $dataset->revision ? ', which is the present one.' : '; it does not follow them.'));
        if ($held->kind === 'picture') {
            return new MadeBlock($basis, svg: $held->content);
        }
        if ($held->kind === 'reading') {
            return new MadeBlock($basis, said: [KeptReading::ofText($held->content)->sentence ?? '']);
        }
        /** @var list<list<string>> $cells */
        $cells = json_decode($held->content, true, flags: JSON_THROW_ON_ERROR);

        // The basis stands in the caption.
        return new MadeBlock($basis, [new PaperTable(array_values(array_filter($cells, static fn(array $row): bool => ($row[0] ?? '') !== 'Basis')))]);
    }
}
