<?php

declare(strict_types=1);

namespace App\Report;

use App\Models\Dataset;
use App\Models\Variable;
use App\Report\Blocks\MadeBlock;
use App\Report\Document\Block;
use App\Report\Document\BlockKind;
use App\Report\Document\ReportDocument;
use App\Report\Words\WriteWords;
use App\Store\AskedWords;
use App\Store\Underway;
use App\Store\UnknownVariable;
use Illuminate\Contracts\Container\Container;
use RowTally\Core\Exception\CoreException;
use RowTally\Core\Marks\NumberMarks;

/** Makes what a report says of the data by now. What has come to nothing says why in its place, and the rest goes on. */
final readonly class MakePaper
{
    public function __construct(private WriteWords $writeWords, private MakeMethod $makeMethod, private Container $container) {}

    public function of(Dataset $dataset, ReportDocument $document): Paper
    {
        return new Paper(
            $document->title,
            self::subtitle($dataset),
            array_map(function (Block $block, int $i) use ($dataset, $document): PaperBlock {
                Underway::part('Working out the report', $i, count($document->blocks));

                return $this->block($dataset, $document, $block);
            }, $document->blocks, array_keys($document->blocks)),
            $this->makeMethod->of($dataset, $document),
            $dataset->revision,
        );
    }

    public static function subtitle(Dataset $dataset): string
    {
        return "{$dataset->title} · " . NumberMarks::count($dataset->rows) . ' ' . ($dataset->rows === 1 ? $dataset->rowWord()->one : $dataset->rowWord()->many) . ' × ' . $dataset->variables->count() . ' variables';
    }

    public function block(Dataset $dataset, ReportDocument $document, Block $block): PaperBlock
    {
        $maker = $block->kind->maker();
        try {
            $asked = AskedWords::ofAddress($block->address);
            self::areThere($dataset, $asked);
            $made = $maker === null ? new MadeBlock() : $this->container->make($maker)->make($dataset, $block, $asked);
            $lacks = $made->lacks;
        } catch (CoreException|UnknownVariable $problem) {
            $made = new MadeBlock();
            $lacks = [$problem->getMessage()];
        }
        $words = $this->writeWords->of($dataset, $block->words, $document->numberOf());

        return new PaperBlock(
            $block->id,
            $block->title,
            $document->numbers()[$block->id] ?? null,
            $block->kind === BlockKind::Heading ? $block->level : 0,
            $made->svg,
            $made->tables,
            $made->said,
            $words,
            trim("{$block->caption} {$made->basis}"),
            $made->figures,
            [...$lacks, ...($words === null ? [] : $words->lacks)],
        );
    }

    /** @throws UnknownVariable of one that was deleted, by its name */
    private static function areThere(Dataset $dataset, AskedWords $asked): void
    {
        $counts = $asked->word('counts');
        foreach ([...$asked->list('of'), ...$asked->list('by'), ...($counts === null ? [] : [$counts])] as $key) {
            if ($dataset->variables->firstWhere('key', $key) === null) {
                $gone = $dataset->allVariables()->get()->firstWhere('key', $key);
                throw $gone instanceof Variable ? UnknownVariable::isDeleted($gone->name) : UnknownVariable::named($key);
            }
        }
    }
}
