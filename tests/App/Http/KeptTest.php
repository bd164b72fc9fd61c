<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Drawing\Faces;
use App\Models\Dataset;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** What is held for a report: as it was, in its order, and nobody else's. */
final class KeptTest extends AppTestCase
{
    private const PICTURE = ['title' => 'Yield', 'address' => 'of=yield'];
    private const TABLE = ['title' => 'Figures', 'content' => '[["","Overall"],["Mean","1.5"]]', 'address' => 'of=yield&as=population&quartiles=hf2', 'revision' => 1];

    public function test_what_is_kept_comes_back_as_it_was_in_the_order_it_was_given(): void
    {
        $dataset = $this->dataset("yield\n1\n2\n");
        $first = $this->keepPicture($dataset);
        $second = $this->keep($dataset, self::TABLE);

        $drawn = $this->get("/api/datasets/{$dataset->id}/plots/stack?of=yield&format=svg")->assertOk()->getContent();
        self::assertSame([$drawn, null, 1], [Faces::into($first['picture']), $first['cells'], $first['revision']], 'kept without the faces that it leaves with');
        self::assertSame([null, [['', 'Overall'], ['Mean', '1.5']]], [$second['picture'], $second['cells']]);
        $this->putJson("/api/datasets/{$dataset->id}/kept/order", ['ids' => [$second['id'], $first['id']]])->assertNoContent();
        $list = $this->getJson("/api/datasets/{$dataset->id}/kept")->assertOk();
        Contract::assertMeets('listKept', $list);
        self::assertSame(['Figures', 'Yield'], array_column($list->json(), 'title'));
    }

    public function test_what_it_rests_on_is_said_by_the_server_from_the_words_of_the_profile(): void
    {
        $dataset = $this->dataset("yield,size,hives\n1,0-4,2\n2,5-9,3\n");
        $words = 'of=yield&as=population&quartiles=hf2';
        $wanted = $this->getJson("/api/datasets/{$dataset->id}/profile?{$words}")->assertOk()->json('basis.words');

        self::assertSame($wanted, $this->keep($dataset, [...self::TABLE, 'address' => $words, 'basis' => 'Made up.'])['basis']);
        self::assertStringContainsString('population', $wanted);
        $picture = $this->postJson("/api/datasets/{$dataset->id}/plots/stack?{$words}", self::PICTURE)->assertCreated();
        self::assertSame($wanted, $picture->json('basis'));

        $classes = $this->getJson("/api/datasets/{$dataset->id}/classes?of=size&counts=hives")->assertOk()->json('words');
        $kept = $this->keep($dataset, [...self::TABLE, 'address' => 'of=size&counts=hives', 'is_of_classes' => true]);
        self::assertStringEndsWith($classes, $kept['basis']);
        self::assertStringContainsString('hives', $kept['basis']);

        self::assertStringContainsString('sample', $this->keep($dataset, [...self::TABLE, 'address' => ''])['basis'], 'the overview under the defaults');
        $this->postJson("/api/datasets/{$dataset->id}/kept", [...self::TABLE, 'address' => 'as=guess'])->assertUnprocessable();
    }

    public function test_title_and_note_are_changed_and_an_item_is_taken_out(): void
    {
        $dataset = $this->dataset("yield\n1\n2\n");
        $id = $this->keepPicture($dataset)['id'];
        $note = ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Two hives, on average '], ['type' => 'figureField', 'attrs' => ['address' => 'of=yield', 'figure' => 'mean', 'group' => '']]]]]];
        $this->patchJson("/api/kept/{$id}", ['note' => $note])->assertOk()->assertJsonPath('note', $note)->assertJsonPath('title', 'Yield');
        $list = $this->getJson("/api/datasets/{$dataset->id}/kept")->assertOk()->assertJsonPath('0.note', $note);
        Contract::assertMeets('listKept', $list);
        $this->patchJson("/api/kept/{$id}", ['note' => 'Two hives.'])->assertUnprocessable();
        $this->patchJson("/api/kept/{$id}", ['note' => ['type' => 'doc', 'content' => [['type' => 'script']]]])->assertUnprocessable();
        $this->patchJson("/api/kept/{$id}", ['note' => null])->assertOk()->assertJsonPath('note', null);
        $this->patchJson("/api/kept/{$id}", ['title' => ''])->assertUnprocessable();
        $this->deleteJson("/api/kept/{$id}")->assertNoContent();
        $this->getJson("/api/datasets/{$dataset->id}/kept")->assertOk()->assertExactJson([]);
    }

    public function test_what_is_kept_is_brought_up_to_date_or_says_why_it_cannot_be(): void
    {
        $dataset = $this->dataset("yield,apiary\n1,a\n2,b\n");
        $picture = $this->postJson("/api/datasets/{$dataset->id}/plots/boxes?of=yield&by=apiary&look=notches:yes", ['title' => 'Boxes', 'address' => 'of=yield&by=apiary'])->assertCreated()->json();
        $figures = $this->keep($dataset, ['title' => 'Figures', 'content' => '[["yield","Overall","a","b"],["Mean x̄","1.5","1.0","2.0"]]', 'address' => 'of=yield&by=apiary&figures=mean&as=population', 'figures_of' => 'yield', 'revision' => 1]);
        $other = $this->keep($dataset, self::TABLE);
        self::assertSame([true, true, false], [$picture['can_renew'], $figures['can_renew'], $other['can_renew']]);
        $this->postJson("/api/kept/{$other['id']}/renew")->assertUnprocessable();

        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'yield', 'text' => '5']]])->assertCreated();
        $renewed = $this->postJson("/api/kept/{$figures['id']}/renew")->assertOk();
        Contract::assertMeets('renewKept', $renewed);
        self::assertSame([[['yield', 'Overall', 'a', 'b'], ['Mean µ', '3.5', '5.0', '2.0']], 2], [$renewed->json('cells'), $renewed->json('revision')]);
        $drawn = $this->postJson("/api/kept/{$picture['id']}/renew")->assertOk();
        $now = Faces::into($drawn->json('picture'));
        self::assertSame($now, $this->get("/api/datasets/{$dataset->id}/plots/boxes?of=yield&by=apiary&look=notches:yes&format=svg")->assertOk()->getContent());

        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 2, 'kind' => 'delete-variable', 'variable' => 'yield'])->assertCreated();
        $this->postJson("/api/kept/{$figures['id']}/renew")->assertUnprocessable();
        $this->postJson("/api/kept/{$picture['id']}/renew")->assertUnprocessable();
        self::assertSame($renewed->json('cells'), $this->getJson("/api/datasets/{$dataset->id}/kept")->json('1.cells'), 'what stands there stays');
    }

    public function test_own_words_are_an_item_of_their_own(): void
    {
        $dataset = $this->dataset("yield\n1\n2\n");
        $words = ['type' => 'doc', 'content' => [['type' => 'paragraph', 'content' => [['type' => 'text', 'text' => 'Little honey.']]]]];
        $kept = $this->keep($dataset, ['kind' => 'text', 'title' => 'In short', 'content' => json_encode($words, JSON_THROW_ON_ERROR), 'address' => '', 'revision' => 1]);
        self::assertSame(['text', 'In short', $words, null, null, null], [$kept['kind'], $kept['title'], $kept['note'], $kept['cells'], $kept['picture'], $kept['reading']]);
        $this->postJson("/api/datasets/{$dataset->id}/kept", ['kind' => 'text', 'title' => 'In short', 'content' => 'Little honey.', 'address' => '', 'revision' => 1])->assertUnprocessable();
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function unusable(): iterable
    {
        yield 'no cells' => [['content' => '{"a": 1}']];
        yield 'cells that are no texts' => [['content' => '[[1]]']];
        yield 'no title' => [['title' => '']];
    }

    /** @param array<string, mixed> $change */
    #[DataProvider('unusable')]
    public function test_what_is_no_table_is_refused(array $change): void
    {
        $this->postJson("/api/datasets/{$this->dataset("yield\n1\n")->id}/kept", [...self::TABLE, ...$change])->assertUnprocessable();
    }

    public function test_a_picture_needs_a_title_and_something_to_draw(): void
    {
        $place = "/api/datasets/{$this->dataset("yield\n1\n")->id}/plots";
        $this->postJson("{$place}/stack?of=yield", [...self::PICTURE, 'title' => ''])->assertUnprocessable()->assertJsonValidationErrorFor('title');
        $this->postJson("{$place}/film?of=yield", self::PICTURE)->assertNotFound();
        $this->postJson("{$place}/stack?of=yield&where=missing(yield)", self::PICTURE)->assertUnprocessable();
    }

    public function test_an_order_of_what_are_no_numbers_changes_nothing(): void
    {
        $dataset = $this->dataset("yield\n1\n");
        $id = $this->keep($dataset, self::TABLE)['id'];
        $this->putJson("/api/datasets/{$dataset->id}/kept/order", ['ids' => [true, (string) $id]])->assertNoContent();
        self::assertSame([$id], array_column($this->getJson("/api/datasets/{$dataset->id}/kept")->json(), 'id'));
    }

    public function test_for_another_account_it_does_not_exist(): void
    {
        $dataset = $this->dataset("yield\n1\n");
        $id = $this->keep($dataset, self::TABLE)['id'];
        $this->actingAs($this->account('stranger'));

        $this->getJson("/api/datasets/{$dataset->id}/kept")->assertNotFound();
        $this->postJson("/api/datasets/{$dataset->id}/kept", self::TABLE)->assertNotFound();
        $this->getJson("/api/datasets/{$dataset->id}/plots/stack?of=yield")->assertNotFound();
        $this->postJson("/api/datasets/{$dataset->id}/plots/stack?of=yield", self::PICTURE)->assertNotFound();
        $this->putJson("/api/datasets/{$dataset->id}/kept/order", ['ids' => [$id]])->assertNotFound();
        $this->patchJson("/api/kept/{$id}", ['note' => 'mine'])->assertNotFound();
        $this->deleteJson("/api/kept/{$id}")->assertNotFound();
    }

    /**
     * @param array<string, mixed> $item
     *
     * @return array<string, mixed>
     */
    private function keep(Dataset $dataset, array $item): array
    {
        $answer = $this->postJson("/api/datasets/{$dataset->id}/kept", $item)->assertCreated();
        Contract::assertMeets('keepTable', $answer);

        return $answer->json();
    }

    /** @return array<string, mixed> */
    private function keepPicture(Dataset $dataset): array
    {
        $answer = $this->postJson("/api/datasets/{$dataset->id}/plots/stack?of=yield", self::PICTURE)->assertCreated();
        Contract::assertMeets('keepPicture', $answer);

        return $answer->json();
    }
}
