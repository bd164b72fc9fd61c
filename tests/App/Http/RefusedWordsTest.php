<?php

declare(strict_types=1);

namespace Tests\App\Http;

use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Words of an address that cannot be meant get a sentence that names them and says what could be. */
final class RefusedWordsTest extends AppTestCase
{
    private const FILE = "tag,apiary,kg,seen\nA1,Alder,10.5,2026-03-01\nA2,Brook,12,2026-03-02\nA3,Alder,9.25,2026-03-03\nA4,Brook,11,2026-03-04\n";

    /** @return iterable<string, array{string, string}> words of a profile, how the sentence begins */
    public static function refused(): iterable
    {
        yield 'a variable that is not there' => ['of=weight', 'This dataset has no variable "weight".'];
        yield 'groups by a date' => ['of=kg&by=seen', '"seen" makes no groups. Split by a category'];
        yield 'counts in labels' => ['of=kg&counts=apiary', '"apiary" cannot say how often a row counts. Choose a number.'];
        yield 'fences at nothing' => ['of=kg&fences=0', 'Fences lie a positive number of interquartile ranges out'];
        yield 'fences in words' => ['of=kg&fences=far', 'Fences lie a positive number of interquartile ranges out'];
        yield 'certainty' => ['of=kg&level=1', 'A confidence level lies between 0.5 and 0.999'];
        yield 'a level in percent' => ['of=kg&level=95', 'A confidence level lies between 0.5 and 0.999'];
        yield 'too many decimals' => ['of=kg&decimals=11', 'Decimals are data+0 to data+10'];
        yield 'no decimals' => ['of=kg&decimals=some', 'Decimals are data+0 to data+10'];
        yield 'a figure that is not there' => ['of=kg&figures=mean,wobble', 'There is no figure "wobble".'];
        yield 'half a percentile' => ['of=kg&percentiles=0.5', '0.5 can mean two things: write 50 for the 50th percentile, or 0.5% for 0.5 percent.'];
        yield 'classes without a width' => ['of=kg&classes=0:0', '"0:0" makes no classes'];
        yield 'edges the wrong way round' => ['of=kg&classes=0,10,5', 'Edges of classes ascend, but 5 comes behind 10.'];
        yield 'a zoom to nothing' => ['of=kg&zoom=10:10', '"10:10" is no part of an axis'];
        yield 'too fine classes' => ['of=kg&classes=0:0.000001', 'That makes more than '];
        yield 'quartiles by another rule' => ['of=kg&quartiles=hf10', 'How quartiles are cut: one of '];
        yield 'a third split' => ['of=kg&by=apiary,tag,seen', 'Rows can be split by one or two variables.'];
        yield 'a condition that ends early' => ['of=kg&where=' . 'kg%20%3E', 'The formula ends too early.'];
    }

    #[DataProvider('refused')]
    public function test_a_word_that_cannot_be_meant_is_named_with_what_could_be(string $words, string $sentence): void
    {
        $dataset = $this->dataset(self::FILE);
        $answer = $this->getJson("/api/datasets/{$dataset->id}/profile?{$words}")->assertStatus(422);

        Contract::assertMeets('showProfile', $answer);
        self::assertNotSame('', $answer->json('message'));
        self::assertStringStartsWith($sentence, $answer->json('message'));
    }
}
