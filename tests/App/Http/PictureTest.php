<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Drawing\Palette;
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

    public function test_a_file_is_the_picture_of_the_page_in_colours_of_choice_with_its_faces_inside(): void
    {
        $dataset = $this->dataset(self::FILE);
        $scene = $this->getJson("/api/datasets/{$dataset->id}/plots/stack?of=x&width=600")->assertOk()->json('scenes.0.scene');
        $file = (string) $this->get("/api/datasets/{$dataset->id}/plots/stack?of=x&width=600&format=svg&palette=dark&heading=Hives+%26+more")->assertOk()->getContent();

        self::assertStringContainsString('Hives &amp; more</text>', $file);
        self::assertStringContainsString('@font-face{font-family:"Instrument Sans Variable";src:url(data:font/woff2;base64,', $file);
        self::assertStringContainsString(Palette::named('dark')->ink('ink'), $file);
        self::assertStringNotContainsString(Palette::named('light')->ink('ink'), $file);
        self::assertStringContainsString('width="' . (600 + 16) . '"', $file);
        self::assertSame(600, $scene['width']);
    }

    public function test_lanes_go_by_a_figure_the_largest_first(): void
    {
        $picture = $this->draw($this->dataset(self::FILE), 'stack?of=x&by=g&lane_order=mean');
        self::assertSame(['Overall', 'south', 'north'], array_map(static fn(DOMElement $lane): string => $lane->getAttribute('data-lane'), $this->marks($picture, 'lane')));

        $outlined = $this->draw($this->dataset(self::FILE), 'stack?of=x&by=g&look=arrange:outlines&scale=percent');
        self::assertSame([0, 2], [count($this->marks($outlined, 'bar')), count($this->marks($outlined, 'outline'))]);
    }

    /** @return iterable<string, array{string, string, int}> words, a kind of mark, how many of it */
    public static function pictures(): iterable
    {
        yield 'boxes lying' => ['boxes?of=x&by=g', 'box', 3];
        yield 'boxes standing' => ['boxes?of=x&by=g&look=standing:yes,notches:yes,root-n:yes,numbers:no,extremes:yes', 'whisker', 6];
        yield 'dots' => ['dots?of=x&by=g', 'dot', 10];
        yield 'normal plot' => ['qq?of=x', 'point', 5];
        yield 'of a group' => ['qq?of=x&by=g&column=2', 'point', 3];
        yield 'share at or below' => ['steps?of=x&by=g', 'steps', 3];
        yield 'strip' => ['strips?of=x', 'cut', 3];
        yield 'slopes' => ['slopes?of=x&look=to:y', 'slope', 5];
        yield 'stems as text' => ['stems?of=x&look=unit:0', 'stem', 3];
        yield 'stems turned' => ['stems?of=x&look=unit:0,turned:yes', 'stem-bar', 3];
        yield 'labels' => ['labels?of=g', 'label-bar', 2];
        yield 'labels by group' => ['labels?of=g&by=g&look=bars:stacked,in:percent', 'label-bar', 4];
        yield 'cumulative' => ['labels?of=g&look=bars:cumulative', 'cumulative', 1];
    }

    #[DataProvider('pictures')]
    public function test_every_picture_has_its_marks(string $words, string $kind, int $number): void
    {
        self::assertCount($number, $this->marks($this->draw($this->dataset(self::FILE), $words), $kind));
    }

    public function test_classes_with_counts_have_a_bar_each(): void
    {
        $dataset = $this->dataset("Age,Keepers\n0-9,4\n10-19,11\n20 and over,3\n");
        $picture = $this->draw($dataset, 'classes?of=age&counts=keepers');

        self::assertSame(['0-9', '10-19', '20 and over'], array_map(static fn(DOMElement $bar): string => $bar->getAttribute('data-class'), $this->marks($picture, 'class')));
        self::assertCount(3, $this->marks($picture, 'quartile'));
        $this->getJson("/api/datasets/{$dataset->id}/plots/classes?of=age&counts=keepers&look=drawn:2")->assertUnprocessable();
    }

    public function test_labels_that_look_like_markup_are_text(): void
    {
        $name = '"<script>alert(1)</script>"';
        $picture = $this->draw($this->dataset("g,x\n{$name},1\n\u{1}&amp;,2\n{$name},3\n"), 'labels?of=g');

        self::assertSame(0, $picture->query('//*[local-name()="script"]')?->length);
    }

    /** @return iterable<string, array{string}> */
    public static function unusable(): iterable
    {
        yield 'too narrow' => ['stack?of=x&width=100'];
        yield 'too wide' => ['stack?of=x&width=99999'];
        yield 'no group of that number' => ['stems?of=x&column=3'];
        yield 'no number' => ['stack?of=g'];
        yield 'no value is left' => ['dots?of=x&where=x > 99'];
        yield 'one value has no normal plot' => ['qq?of=x&where=x > 30'];
        yield 'lanes by no figure' => ['stack?of=x&lane_order=a'];
        yield 'no such choice' => ['boxes?of=x&look=notches:perhaps'];
        yield 'nothing that is chosen' => ['boxes?of=x&look=tilted:yes'];
        yield 'no other variable' => ['slopes?of=x&look=to:wax'];
        yield 'colours that there are not' => ['boxes?of=x&palette=sepia'];
        yield 'stacked without groups' => ['labels?of=g&look=bars:stacked'];
    }

    #[DataProvider('unusable')]
    public function test_what_cannot_be_drawn_is_refused_with_a_sentence(string $words): void
    {
        $answer = $this->getJson("/api/datasets/{$this->dataset(self::FILE)->id}/plots/{$words}&format=svg");

        Contract::assertMeets('drawScenes', $answer->assertUnprocessable());
    }

    private function draw(Dataset $dataset, string $words): DOMXPath
    {
        $answer = $this->get("/api/datasets/{$dataset->id}/plots/{$words}&format=svg")->assertOk()->assertHeader('Content-Type', 'image/svg+xml');
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
