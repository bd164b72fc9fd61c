<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Drawing\ClassesScene;
use App\Drawing\Svg;
use App\Models\Dataset;
use App\Report\Document\Block;
use App\Report\Record\StatedFigure;
use App\Store\AskedWords;
use App\Store\DrawScenes;
use App\Store\GroupedVariable;
use App\Store\StoredGrouping;
use App\Store\Tallies;

/** Any picture, drawn for the width of a page, in the light colours. */
final readonly class PictureBlock implements MakesBlock
{
    public const FIGURE = 'picture';
    private const WIDTH = 640.0;

    public function __construct(private DrawScenes $draw, private GroupedVariable $grouped, private Tallies $tallies) {}

    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock
    {
        $picture = $asked->picture($dataset, $block->look, self::WIDTH);
        $svg = Svg::of($this->draw->one($block->picture, $dataset, $picture, $block->column));
        $rows = StoredGrouping::of($dataset, $picture->question, $this->tallies)->rows;
        $basis = FiguresBlock::counted($dataset, $rows) . ' ' . $picture->question->basis->words();
        if ($block->picture === ClassesScene::kind()) {
            $basis .= ' ' . $this->grouped->profile($dataset, $picture->question, $picture->reading, $picture->countColumns)->words([]);
        }

        // A picture states no number of its own: whether it is the same is told by its bytes.
        return new MadeBlock($basis, svg: $svg, figures: [new StatedFigure($asked->toAddress(), self::FIGURE . ".{$block->picture}", null, 'Picture' . ($block->title === '' ? '' : " “{$block->title}”"), null, hash('sha256', $svg))]);
    }
}
