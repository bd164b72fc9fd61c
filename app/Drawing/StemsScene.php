<?php

declare(strict_types=1);

namespace App\Drawing;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Observations\Observations;
use RowTally\Core\Plots\StemLeaf;

/**
 * Stem-and-leaf as it is written, two groups back to back, or turned on its side, where its lines of leaves are the bars of a histogram.
 *
 * Definition  see `StemLeaf`.
 * When        for up to some two hundred values that somebody wants to read one by one.
 * Misleads    Leaves are cut off and not rounded; above a thousand values a leaf stands for several.
 * Source      see `StemLeaf`.
 */
final class StemsScene implements Picture
{
    private const LINE = 24.0;
    /** A leaf as it is printed; smaller where a line has many. */
    private const LEAF = 9.0;
    private const LONGEST = 320.0;
    /** Digits smaller than this cannot be read. */
    private const LEGIBLE = 4.0;
    private const STEM = 48.0;
    private const MARGIN = 12.0;
    private const NARROWEST = 260.0;
    private const ROW = 17.0;

    public static function kind(): string
    {
        return 'stems';
    }

    public static function name(): string
    {
        return 'Stem-and-leaf';
    }

    public static function options(PictureSource $of, Look $look): array
    {
        return [
            ...self::unitAndLines($of, $look),
            self::apart(),
            ...(count($of->names()) === 3 ? [self::back()] : []),
            self::turned(),
        ];
    }

    public static function draw(PictureSource $of, Look $look, float $width): array
    {
        $displays = self::displays($of, $look);
        $names = $of->names();
        if (count($names) === 3 && $look->is(self::back())) {
            return [DrawnScene::of("{$names[1]} and {$names[2]}", self::backToBack($displays[1], $displays[2], $of), 'no values')];
        }

        return array_map(static fn(StemLeaf $display, int $i): DrawnScene => DrawnScene::of(
            $names[$i],
            $display->lines === [] && $display->low === [] && $display->high === [] ? null : ($look->is(self::turned()) ? self::lying($display, $of, $i) : self::written($display, $of, $i)),
            'no values',
        ), $displays, array_keys($displays));
    }

    /** @return non-empty-list<StemLeaf> overall, then the groups that are shown, all in the leaf unit of the overall one */
    private static function displays(PictureSource $of, Look $look): array
    {
        $columns = $of->columns();
        $unit = $look->word('unit');
        $apart = $look->is(self::apart());
        $lines = match ($look->word('lines')) {
            '2' => 2,
            '5' => 5,
            default => 1,
        };
        $overall = StemLeaf::of($columns[0], $of->basis(), $unit === null ? null : (int) $unit, $lines, $apart);

        return [$overall, ...array_map(static fn(Observations $group): StemLeaf => $overall->ofGroup($group, $of->basis(), $apart), array_slice($columns, 1))];
    }

    /** @return list<Option> what was chosen for these values stands for "chosen" */
    private static function unitAndLines(PictureSource $of, Look $look): array
    {
        $display = self::displays($of, $look)[0];
        $units = StemLeaf::exponents($of->columns()[0]);
        $own = $display->leafUnit;
        $values = array_map(static fn(int $exponent): array => ['value' => (string) $exponent, 'words' => DecimalText::whole(StemLeaf::unit($exponent))], $units);
        $exponent = array_values(array_filter($units, static fn(int $unit): bool => StemLeaf::unit($unit)->isEqualTo($own)))[0] ?? $units[0];

        return [
            new Option('unit', 'Leaf unit', 'Leaf unit ', $values, (string) $exponent),
            new Option('lines', 'Lines a stem', ', ', array_map(static fn(int $number): array => ['value' => (string) $number, 'words' => $number === 1 ? 'one line a stem' : "{$number} lines a stem"], [1, 2, 5]), (string) $display->linesPerStem),
        ];
    }

    private static function apart(): Option
    {
        return Option::whether('apart', 'Far outliers', '; far outliers ', 'on their stems', 'on lines of their own');
    }

    private static function back(): Option
    {
        return Option::whether('back', 'Two groups', '; ', 'one after the other', 'back to back');
    }

    private static function turned(): Option
    {
        return Option::whether('turned', 'Stems stand', '; ', 'as text', 'turned on its side', 'So that its lines are the bars of a histogram.');
    }

    /** Depth, stem and leaves; ½ with the count of its own on the line that holds the median. */
    private static function written(StemLeaf $display, PictureSource $of, int $lane): Scene
    {
        $lines = self::lines($display, $of, $lane);
        $ends = self::ends($display);
        $character = TextWidth::of('0', TextWidth::FIGURES);
        $depths = array_map(static fn(array $line): string => ($line['holdsMedian'] ? '½ ' : '') . $line['depth'], $lines);
        $deep = self::MARGIN + TextWidth::widest(['high', ...$depths], TextWidth::FIGURES);
        $stem = $deep + 2 * $character + TextWidth::widest(array_column($lines, 'stem'), TextWidth::FIGURES);
        $start = $stem + 2 * $character;
        $longest = TextWidth::widest([...array_column($lines, 'digits'), ...$ends], TextWidth::FIGURES);
        $apart = array_filter($ends, static fn(string $end): bool => $end !== '');
        $scene = new Scene(
            max(self::NARROWEST, $start + $longest + 2 * self::MARGIN),
            (count($lines) + count($apart)) * self::ROW + 2 * self::MARGIN,
            "{$of->axisName()}, {$of->names()[$lane]}: stem-and-leaf",
            self::sentences($lines, $ends),
            self::caption($display, $lines, count($of->names()) > 1 ? $of->names()[$lane] : null),
            [['Depth', 'Stem', 'Leaves'], ...array_map(static fn(array $line, string $depth): array => [$depth, $line['stem'], $line['digits']], $lines, $depths)],
            self::plain($lines, $depths, $ends),
        );
        $y = self::MARGIN;
        if ($ends['low'] !== '') {
            $y += self::ROW;
            self::end($scene, 'low', $ends['low'], $deep, $start, $y);
        }
        foreach ($lines as $i => $line) {
            $y += self::ROW;
            $scene->text($deep, $y, $depths[$i], ['anchor' => 'end', 'face' => 'figures', 'role' => 'depth']);
            $scene->text($stem, $y, $line['stem'], ['anchor' => 'end', 'face' => 'figures', 'fill' => 'ink', 'role' => 'stem']);
            $at = $start;
            $scene->open('leaves', $line['stem']);
            foreach ($line['runs'] as $run) {
                $wide = TextWidth::of($run['digits'], TextWidth::FIGURES);
                $scene->text($at, $y, $run['digits'], ['face' => 'figures', 'fill' => 'ink', 'role' => 'leaf', 'id' => "{$line['stem']} │ {$run['digit']}", 'rows' => $run['rows']]);
                $at += $wide;
            }
            $scene->close();
            $scene->step(0, self::said($line), $start, $y - 12, max(4.0, $at - $start), 15, $line['rows']);
        }
        if ($lines !== []) {
            $top = self::MARGIN + ($ends['low'] === '' ? 0.0 : self::ROW);
            $scene->line($stem + $character, $top + 4, $stem + $character, $top + count($lines) * self::ROW + 4, ['stroke' => 'hair-strong']);
        }
        if ($ends['high'] !== '') {
            self::end($scene, 'high', $ends['high'], $deep, $start, $y + self::ROW);
        }

        return $scene;
    }

    private static function end(Scene $scene, string $name, string $words, float $deep, float $start, float $y): void
    {
        $scene->text($deep, $y, $name, ['anchor' => 'end', 'face' => 'figures']);
        $scene->text($start, $y, $words, ['face' => 'figures', 'fill' => 'ink', 'role' => 'apart', 'id' => $name]);
    }

    private static function lying(StemLeaf $display, PictureSource $of, int $lane): Scene
    {
        $lines = self::lines($display, $of, $lane);
        $most = max([1, ...array_map(static fn(array $line): int => strlen($line['digits']), $lines)]);
        $leaf = min(self::LEAF, self::LONGEST / $most);
        $height = self::STEM + $most * $leaf + self::MARGIN;
        $base = $height - self::STEM;
        $scene = new Scene(
            count($lines) * self::LINE + 2 * self::MARGIN,
            $height,
            "{$of->axisName()}, {$of->names()[$lane]}: stem-and-leaf turned on its side",
            self::sentences($lines, self::ends($display)),
            self::caption($display, $lines, count($of->names()) > 1 ? $of->names()[$lane] : null),
            [['Stem', 'Leaves'], ...array_map(static fn(array $line): array => [$line['stem'], $line['digits']], $lines)],
        );
        foreach ($lines as $i => $line) {
            $left = self::MARGIN + $i * self::LINE;
            $long = strlen($line['digits']) * $leaf;
            $scene->rect($left + 1, $base - $long, self::LINE - 1, $long, ['fill' => "lane-{$lane}", 'wash' => 0.3, 'role' => 'stem-bar', 'id' => $line['stem'], 'rows' => $line['rows']]);
            $scene->text($left + self::LINE - 7, $base + 8, $line['stem'], ['anchor' => 'end', 'face' => 'figures', 'turn' => -90]);
            if ($leaf >= self::LEGIBLE && $line['digits'] !== '') {
                $scene->text($left + self::LINE - 7, $base, $line['digits'], ['fill' => 'ink', 'face' => 'figures', 'turn' => -90, 'length' => round($long, 2)]);
            }
            $scene->step(0, self::said($line), $left + 1, $base - $long, self::LINE - 1, $long, $line['rows']);
        }
        $scene->line(self::MARGIN, $base, self::MARGIN + count($lines) * self::LINE, $base, ['stroke' => 'ink', 'role' => 'axis']);

        return $scene;
    }

    /** The leaves of the first group run to the left. */
    private static function backToBack(StemLeaf $first, StemLeaf $second, PictureSource $of): ?Scene
    {
        $names = array_slice($of->names(), 1, 2);
        $both = self::together(self::lines($first, $of, 1), self::lines($second, $of, 2));
        if ($both === []) {
            return null;
        }
        $character = TextWidth::of('0', TextWidth::FIGURES);
        $wide = static fn(int $side): float => max(TextWidth::of($names[$side]), TextWidth::widest(array_map(static fn(array $line): string => $line[$side]['digits'] ?? '', $both), TextWidth::FIGURES));
        $stems = TextWidth::widest(array_column($both, 'stem'), TextWidth::FIGURES);
        $left = self::MARGIN + $wide(0);
        $right = $left + 4 * $character + $stems;
        $text = ['face' => 'figures', 'fill' => 'ink'];
        $scene = new Scene(
            $right + $wide(1) + 2 * self::MARGIN,
            (count($both) + 1) * self::ROW + 2 * self::MARGIN,
            "{$of->axisName()}: stem-and-leaf of {$names[0]} and {$names[1]} back to back",
            array_map(static fn(array $line): string => "Stem {$line['stem']}: " . implode('; ', array_map(static fn(int $side): string => "{$names[$side]} " . self::orNone($line[$side]['digits'] ?? ''), [0, 1])) . '.', $both),
            self::caption($first->perLeaf >= $second->perLeaf ? $first : $second, [...array_column($both, 0), ...array_column($both, 1)], null),
            [[$names[0], 'Stem', $names[1]], ...array_map(static fn(array $line): array => [strrev($line[0]['digits'] ?? ''), $line['stem'], $line[1]['digits'] ?? ''], $both)],
            self::plainBack($both, $names),
        );
        $y = self::MARGIN + self::ROW - 4;
        $scene->text($left, $y, $names[0], ['anchor' => 'end', 'fill' => 'lane-1']);
        $scene->text($right, $y, $names[1], ['fill' => 'lane-2']);
        foreach ($both as $i => $line) {
            $y = self::MARGIN + self::ROW * ($i + 2) - 2;
            $scene->text($left + 2 * $character + $stems, $y, $line['stem'], [...$text, 'anchor' => 'end', 'role' => 'stem']);
            foreach ([0, 1] as $side) {
                $digits = $line[$side]['digits'] ?? '';
                if ($digits === '') {
                    continue;
                }
                $long = TextWidth::of($digits, TextWidth::FIGURES);
                $scene->text($side === 0 ? $left : $right, $y, $side === 0 ? strrev($digits) : $digits, [...$text, 'anchor' => $side === 0 ? 'end' : 'start', 'role' => 'leaves', 'id' => $line['stem']]);
                $scene->step($side, "{$names[$side]}, stem {$line['stem']}: {$digits}", $side === 0 ? $left - $long : $right, $y - 12, $long, 15, $line[$side]['rows'] ?? null);
            }
        }
        foreach ([$left + $character, $right - $character] as $x) {
            $scene->line($x, self::MARGIN + self::ROW + 2, $x, $y + 4, ['stroke' => 'hair-strong']);
        }

        return $scene;
    }

    /**
     * Lines of two displays in one leaf unit, those of the same stem beside each other.
     *
     * @param list<array{stem: string, digits: string, depth: int, holdsMedian: bool, runs: list<array{digits: string, digit: int, rows: string|null}>, rows: string|null, place: int}> $first
     * @param list<array{stem: string, digits: string, depth: int, holdsMedian: bool, runs: list<array{digits: string, digit: int, rows: string|null}>, rows: string|null, place: int}> $second
     *
     * @return list<array{stem: string, 0?: array{stem: string, digits: string, depth: int, holdsMedian: bool, runs: list<array{digits: string, digit: int, rows: string|null}>, rows: string|null, place: int}, 1?: array{stem: string, digits: string, depth: int, holdsMedian: bool, runs: list<array{digits: string, digit: int, rows: string|null}>, rows: string|null, place: int}}>
     */
    private static function together(array $first, array $second): array
    {
        $both = [];
        foreach ([$first, $second] as $side => $lines) {
            foreach ($lines as $line) {
                $both[$line['place']] = ['stem' => $line['stem'], ...($both[$line['place']] ?? []), $side => $line];
            }
        }
        ksort($both);

        return array_values($both);
    }

    /** @return list<array{stem: string, digits: string, depth: int, holdsMedian: bool, runs: list<array{digits: string, digit: int, rows: string|null}>, rows: string|null, place: int}> */
    private static function lines(StemLeaf $display, PictureSource $of, int $lane): array
    {
        return array_map(static function (array $line) use ($display, $of, $lane): array {
            $isNegative = str_starts_with($line['stem'], '-');
            $stem = substr($line['stem'], $isNegative ? 1 : 0);
            $each = explode('-', $line['digits']);
            $range = static function (int $from, int $to) use ($display, $stem, $isNegative, $of, $lane): ?string {
                $at = static fn(int $digit): BigDecimal => BigDecimal::of($stem)->multipliedBy(10)->plus($digit)->multipliedBy($display->leafUnit)->multipliedBy($isNegative ? -1 : 1);

                return $of->rowsWhere(Condition::awayFromZero($of->variable(), $at($from), $at($to + 1)), $lane);
            };
            $seen = $written = 0;
            $runs = [];
            foreach ($line['leaves'] as $leaf) {
                // Of many values one for several: rounding what has been counted so far keeps their number in step.
                $seen += $leaf['count'];
                $upTo = max($written, (int) floor($seen / $display->perLeaf + 0.5));
                if ($upTo > $written) {
                    $runs[] = ['digits' => str_repeat((string) $leaf['digit'], $upTo - $written), 'digit' => $leaf['digit'], 'rows' => $range($leaf['digit'], $leaf['digit'])];
                }
                $written = $upTo;
            }
            $place = 10 * (int) $stem + (int) $each[0];

            return [
                'stem' => str_replace('-', '−', $line['stem']),
                'digits' => implode('', array_column($runs, 'digits')),
                'depth' => $line['depth'],
                'holdsMedian' => $line['holdsMedian'],
                'runs' => $runs,
                'rows' => $range((int) $each[0], (int) ($each[1] ?? $each[0])),
                'place' => $isNegative ? -1 - $place : $place,
            ];
        }, $display->lines);
    }

    private static function orNone(string $digits): string
    {
        return $digits === '' ? 'no leaf' : $digits;
    }

    /** @return array{low: string, high: string} what stands apart */
    private static function ends(StemLeaf $display): array
    {
        $more = static fn(int $count): array => $count === 0 ? [] : ['and ' . Counted::text($count) . ' more'];

        return [
            'low' => implode('  ', [...self::listed($display->low), ...$more($display->moreLow)]),
            'high' => implode('  ', [...$more($display->moreHigh), ...self::listed($display->high)]),
        ];
    }

    /**
     * @param list<array{value: BigDecimal, count: int}> $entries
     *
     * @return list<string>
     */
    private static function listed(array $entries): array
    {
        return array_map(static fn(array $entry): string => DecimalText::plain($entry['value']) . ($entry['count'] > 1 ? " ×{$entry['count']}" : ''), $entries);
    }

    /** @param array{stem: string, digits: string, ...} $line */
    private static function said(array $line): string
    {
        $leaves = strlen($line['digits']);

        return "{$line['stem']}: " . Counted::text($leaves) . ($leaves === 1 ? ' leaf' : ' leaves');
    }

    /**
     * @param list<array{stem: string, digits: string, ...}> $lines
     * @param array{low: string, high: string}               $ends
     *
     * @return list<string>
     */
    private static function sentences(array $lines, array $ends): array
    {
        return [
            ...($ends['low'] === '' ? [] : ["Low: {$ends['low']}."]),
            ...array_map(static fn(array $line): string => "Stem {$line['stem']}: " . self::orNone($line['digits']) . '.', $lines),
            ...($ends['high'] === '' ? [] : ["High: {$ends['high']}."]),
        ];
    }

    /**
     * How to read it.
     *
     * @param list<array{stem: string, runs: list<array{digits: string, digit: int, rows: string|null}>, ...}> $lines
     */
    private static function caption(StemLeaf $display, array $lines, ?string $of): string
    {
        $unit = $display->leafUnit;
        $filled = array_values(array_filter($lines, static fn(array $line): bool => $line['runs'] !== []))[0] ?? null;
        $example = '';
        if ($filled !== null) {
            $digit = $filled['runs'][0]['digit'];
            $value = BigDecimal::of(str_replace('−', '', $filled['stem']) . $digit)->multipliedBy($unit);
            $example = "{$filled['stem']} │ {$digit} is " . (str_starts_with($filled['stem'], '−') ? '−' : '') . DecimalText::plain($value->toScale(max(0, $unit->getScale()), RoundingMode::UNNECESSARY)) . '; ';
        }

        return ($of === null ? 'Leaf unit ' : "{$of}: leaf unit ") . DecimalText::whole($unit) . ". {$example}leaves are cut off, not rounded." . ($display->perLeaf > 1 ? ' One leaf = ' . Counted::things($display->perLeaf, 'row') . '.' : '')
            . ' On the left, how many lie on a line and further out; ½ marks the line of the median, with its own count.';
    }

    /**
     * @param list<array{stem: string, digits: string, ...}> $lines
     * @param list<string>                                   $depths
     * @param array{low: string, high: string}               $ends
     */
    private static function plain(array $lines, array $depths, array $ends): string
    {
        $deep = max(3, ...array_map(mb_strlen(...), ['', ...$depths]));
        $wide = max([0, ...array_map(mb_strlen(...), array_column($lines, 'stem'))]);
        $padded = static fn(string $text, int $length): string => str_repeat(' ', max(0, $length - mb_strlen($text))) . $text;

        return implode("\n", [
            ...($ends['low'] === '' ? [] : [$padded('low', $deep) . "  {$ends['low']}", '']),
            ...array_map(static fn(array $line, string $depth): string => "{$padded($depth, $deep)}  {$padded($line['stem'], $wide)} │ {$line['digits']}", $lines, $depths),
            ...($ends['high'] === '' ? [] : ['', $padded('high', $deep) . "  {$ends['high']}"]),
        ]);
    }

    /**
     * @param list<array{stem: string, 0?: array{digits: string, ...}, 1?: array{digits: string, ...}}> $both
     * @param list<string>                                                                              $names
     */
    private static function plainBack(array $both, array $names): string
    {
        $wide = max([mb_strlen($names[0]), ...array_map(static fn(array $line): int => strlen($line[0]['digits'] ?? ''), $both)]);
        $middle = max([0, ...array_map(static fn(array $line): int => mb_strlen($line['stem']), $both)]);
        $padded = static fn(string $text, int $length): string => str_repeat(' ', max(0, $length - mb_strlen($text))) . $text;

        return implode("\n", [
            "{$padded($names[0], $wide)} │ {$padded('', $middle)} │ {$names[1]}",
            ...array_map(static fn(array $line): string => "{$padded(strrev($line[0]['digits'] ?? ''), $wide)} │ {$padded($line['stem'], $middle)} │ " . ($line[1]['digits'] ?? ''), $both),
        ]);
    }
}
