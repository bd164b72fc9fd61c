<?php

declare(strict_types=1);

namespace App\Report\Blocks;

use App\Models\Dataset;
use App\Report\Document\Block;
use App\Report\Record\StatedFigure;
use App\Store\AskedWords;
use App\Store\CompareVariables;
use App\Store\SayCompared;
use App\Store\SayReadings;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Readings\Reading;

/** Sentences that rules say of the figures by now, or somebody says instead. */
final readonly class ReadingsBlock implements MakesBlock
{
    /** Of a block in which none is chosen: the heaviest. */
    private const HEAVIEST = 4;

    public function __construct(private SayReadings $say, private CompareVariables $compare) {}

    public function make(Dataset $dataset, Block $block, AskedWords $asked): MadeBlock
    {
        $now = $this->now($dataset, $asked);
        $areMany = $asked->word('what') === null && count($asked->list('of')) !== 1;
        $chosen = $block->readings;
        if ($chosen === []) {
            $chosen = array_map(static fn(array $one): array => ['key' => $one['reading']->key, 'column' => $one['reading']->column, 'variable' => $one['variable'], 'said' => '', 'own' => null], array_slice($now, 0, self::HEAVIEST));
        }
        $said = $figures = $lacks = [];
        foreach ($chosen as $one) {
            $found = array_values(array_filter($now, static fn(array $other): bool => $other['reading']->key === $one['key'] && $other['reading']->column === $one['column'] && ($one['variable'] === null || $one['variable'] === $other['variable'])))[0] ?? null;
            $sentence = $found === null ? null : self::sentence($found['reading'], $areMany ? $found['name'] : null);
            if ($sentence === null) {
                $lacks[] = 'a reading that the figures do not give any more' . ($one['said'] === '' ? '' : ": {$one['said']}");
            } elseif ($one['own'] !== null && $one['said'] !== '' && !NumberMarks::saySame($one['said'], $sentence)) {
                $lacks[] = "what was said in other words is another by now: {$sentence}";
            }
            if ($sentence !== null) {
                $figures[] = new StatedFigure($asked->toAddress(), "reading.{$one['key']}", [$one['column'], $one['variable']], 'What the figures say' . ($one['column'] === null ? '' : " of {$one['column']}"), null, $sentence);
            }
            if ($one['own'] !== null || $sentence !== null) {
                $said[] = $one['own'] ?? $sentence;
            }
        }
        $edited = array_values(array_filter(array_map(static fn(array $one): ?string => $one['own'] !== null && $one['said'] !== '' ? $one['said'] : null, $chosen), static fn(?string $source): bool => $source !== null));
        $question = $asked->question($dataset);

        return new MadeBlock($question->basis->words() . ($edited === [] ? '' : ' In the author’s words; the rule said: ' . implode(' ', $edited)), said: $said, figures: $figures, lacks: $lacks);
    }

    /** @param string|null $variable its name, where it is said of several */
    private static function sentence(Reading $reading, ?string $variable): string
    {
        $of = implode(', ', array_filter([$variable, $reading->column], static fn(?string $name): bool => $name !== null));

        return $of === '' ? $reading->sentence : "{$of}: {$reading->sentence}";
    }

    /** @return list<array{variable: string|null, name: string|null, reading: Reading}> the heaviest first */
    private function now(Dataset $dataset, AskedWords $asked): array
    {
        if ($asked->word('what') === null) {
            return array_map(static fn(array $one): array => ['variable' => $one['variable']->key, 'name' => $one['variable']->name, 'reading' => $one['reading']], $this->say->of($dataset, $asked->question($dataset), $asked->classReading()));
        }
        $question = $asked->compare($dataset);
        $sides = $this->compare->sides($dataset, $question);
        $say = new SayCompared($dataset, $question, $sides);

        return array_map(static fn(Reading $reading): array => ['variable' => null, 'name' => null, 'reading' => $reading], $say->readings(1));
    }
}
