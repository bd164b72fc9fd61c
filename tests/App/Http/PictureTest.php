<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Models\Dataset;
use DOMDocument;
use DOMElement;
use DOMXPath;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Pictures that the server draws: SVG that stands by itself, its marks where the numbers say. */
final class PictureTest extends AppTestCase
{
    private const FILE = "g,x (kg),y\nnorth,12,3\nnorth,15,1\nsouth,21,4\nsouth,21,9\nsouth,34,2\nnorth,,7\n";

    public function test_bars_are_as_high_as_their_counts_and_stand_on_one_line(): void
    {
        $bars = $this->marks($this->draw($this->dataset(self::FILE), 'of=x&picture=stack&classes=10:10'), 'bar');

        self::assertCount(3, $bars);
        $heights = array_map(static fn(DOMElement $bar): float => (float) $bar->getAttribute('height'), $bars);
        self::assertEqualsWithDelta([$heights[1], $heights[1], $heights[1] / 2], $heights, 0.02);
        $bases = array_map(static fn(DOMElement $bar): float => (float) $bar->getAttribute('y') + (float) $bar->getAttribute('height'), $bars);
        self::assertEqualsWithDelta([$bases[0], $bases[0], $bases[0]], $bases, 0.02);
    }

    public function test_lanes_are_named_in_the_order_asked_for(): void
    {
        $picture = $this->draw($this->dataset(self::FILE), 'of=x&by=g&picture=stack&lane_order=0,2');
        self::assertSame(['Overall', 'south', 'north'], array_map(static fn(DOMElement $lane): string => $lane->getAttribute('data-lane'), $this->marks($picture, 'lane')));

        $outlined = $this->draw($this->dataset(self::FILE), 'of=x&by=g&picture=stack&arrange=outlines&scale=percent');
        self::assertSame([0, 2], [count($this->marks($outlined, 'bar')), count($this->marks($outlined, 'outline'))]);
    }

    /** @return iterable<string, array{string, string, int}> words, a kind of mark, how many of it */
    public static function pictures(): iterable
    {
        yield 'boxes lying' => ['of=x&by=g&picture=boxes', 'box', 3];
        yield 'boxes standing' => ['of=x&by=g&picture=boxes&look=standing,notches,root-n,numbers,extremes', 'whisker', 6];
        yield 'dots' => ['of=x&by=g&picture=dots', 'dot', 10];
        yield 'normal plot' => ['of=x&picture=qq', 'point', 5];
        yield 'of a group' => ['of=x&by=g&picture=qq&column=2', 'point', 3];
        yield 'share at or below' => ['of=x&by=g&picture=steps', 'steps', 3];
        yield 'strip' => ['of=x&picture=strips', 'cut', 3];
        yield 'slopes' => ['of=x&with=y&picture=slopes', 'slope', 5];
        yield 'stems as text' => ['of=x&picture=stems&unit=0', 'leaves', 3];
        yield 'stems turned' => ['of=x&picture=stems&unit=0&look=turned', 'stem-bar', 3];
        yield 'labels' => ['of=g&picture=labels', 'label-bar', 2];
        yield 'labels by group' => ['of=g&by=g&picture=labels&look=stacked,percent', 'label-bar', 4];
        yield 'cumulative' => ['of=g&picture=labels&look=cumulative', 'cumulative', 1];
    }

    #[DataProvider('pictures')]
    public function test_every_picture_has_its_marks(string $words, string $kind, int $number): void
    {
        self::assertCount($number, $this->marks($this->draw($this->dataset(self::FILE), $words), $kind));
    }

    public function test_classes_with_counts_have_a_bar_each(): void
    {
        $dataset = $this->dataset("Age,Keepers\n0-9,4\n10-19,11\n20 and over,3\n");
        $picture = $this->draw($dataset, 'of=age&counts=keepers&picture=classes');

        self::assertSame(['0-9', '10-19', '20 and over'], array_map(static fn(DOMElement $bar): string => $bar->getAttribute('data-class'), $this->marks($picture, 'class')));
        self::assertCount(3, $this->marks($picture, 'quartile'));
        $this->getJson("/api/datasets/{$dataset->id}/plots/picture?of=age&counts=keepers&picture=classes&column=2")->assertUnprocessable();
    }

    public function test_labels_that_look_like_markup_are_text(): void
    {
        $name = '"<script>alert(1)</script>"';
        $picture = $this->draw($this->dataset("g,x\n{$name},1\n\u{1}&amp;,2\n{$name},3\n"), 'of=g&picture=labels');

        self::assertSame(0, $picture->query('//*[local-name()="script"]')?->length);
    }

    /** @return iterable<string, array{string}> */
    public static function unusable(): iterable
    {
        yield 'no such picture' => ['of=x&picture=pie'];
        yield 'too narrow' => ['of=x&picture=stack&width=100'];
        yield 'no group of that number' => ['of=x&picture=stems&column=3'];
        yield 'no number' => ['of=g&picture=stack'];
        yield 'no value is left' => ['of=x&picture=dots&where=x > 99'];
        yield 'one value has no normal plot' => ['of=x&picture=qq&where=x > 30'];
        yield 'lanes that are no numbers' => ['of=x&picture=stack&lane_order=a'];
    }

    #[DataProvider('unusable')]
    public function test_what_cannot_be_drawn_is_refused_with_a_sentence(string $words): void
    {
        $answer = $this->getJson("/api/datasets/{$this->dataset(self::FILE)->id}/plots/picture?{$words}");

        Contract::assertMeets('drawPicture', $answer->assertUnprocessable());
    }

    private function draw(Dataset $dataset, string $words): DOMXPath
    {
        $answer = $this->get("/api/datasets/{$dataset->id}/plots/picture?{$words}")->assertOk()->assertHeader('Content-Type', 'image/svg+xml');
        $document = new DOMDocument();
        self::assertTrue($document->loadXML((string) $answer->getContent()));

        return new DOMXPath($document);
    }

    /** @return list<DOMElement> */
    private function marks(DOMXPath $picture, string $kind): array
    {
        $marks = [];
        foreach ($picture->query("//*[@data-{$kind}]") ?: [] as $mark) {
            self::assertInstanceOf(DOMElement::class, $mark);
            $marks[] = $mark;
        }

        return $marks;
    }
}
