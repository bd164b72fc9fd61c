<?php

declare(strict_types=1);

namespace Tests\App\Store;

use App\Models\Variable;
use App\Store\Changes\TypedCells;
use PHPUnit\Framework\Attributes\DataProvider;
use RowTally\Core\Parsing\VariableType;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** A change that cannot be made says why and what would do, and leaves everything as it was. */
final class RefusedChangesTest extends AppTestCase
{
    /** @return iterable<string, array{string, array<string, mixed>, string}> kind, words, code of the finding */
    public static function refused(): iterable
    {
        yield 'a row that is not there' => ['edit-cells', ['edits' => [['row' => 9, 'variable' => 'kg', 'text' => '1']]], 'no-row'];
        yield 'the same entry again' => ['edit-cells', ['edits' => [['row' => 1, 'variable' => 'kg', 'text' => ' 1.5 ']]], 'no-change'];
        yield 'a new row with a text as a number' => ['add-rows', ['rows' => [['kg' => 'much']]], 'not-a-number'];
        yield 'a name that is taken' => ['describe-variable', ['variable' => 'kg', 'name' => 'apiary'], 'name-taken'];
        yield 'no name' => ['describe-variable', ['variable' => 'kg', 'name' => '  '], 'no-name'];
        yield 'nothing new' => ['describe-variable', ['variable' => 'kg', 'unit' => null], 'no-change'];
        yield 'the type it has' => ['retype-variable', ['variable' => 'kg', 'type' => 'number'], 'no-change'];
        yield 'labels of a number' => ['arrange-labels', ['variable' => 'kg', 'order' => ['a']], 'no-category'];
        yield 'a label left out' => ['arrange-labels', ['variable' => 'apiary', 'order' => ['Alder']], 'label-lost'];
        yield 'a label twice' => ['arrange-labels', ['variable' => 'apiary', 'order' => ['Alder', 'Brook', 'Brook']], 'label-twice'];
        yield 'fewer labels of a number' => ['recode-variable', ['variable' => 'kg', 'name' => 'x', 'labels' => [['from' => '1', 'to' => 'a']]], 'no-category'];
        yield 'a made variable with a taken name' => ['make-variable', ['name' => 'kg', 'formula' => '1'], 'name-taken'];
        yield 'freezing what follows nothing' => ['freeze-variable', ['variable' => 'kg'], 'not-following'];
        yield 'bringing back what is there' => ['restore-variable', ['variable' => 'kg'], 'not-deleted'];
        yield 'bringing back no row' => ['restore-row', ['deleted_row' => 77], 'not-deleted'];
        yield 'nothing to undo' => ['undo', [], 'nothing-to-undo'];
        yield 'nothing to do again' => ['redo', [], 'nothing-to-redo'];
    }

    /** @param array<string, mixed> $words */
    #[DataProvider('refused')]
    public function test_a_change_that_cannot_be_made_changes_nothing(string $kind, array $words, string $code): void
    {
        $dataset = $this->dataset("apiary,kg\nAlder,1.5\nBrook,2\n");
        $before = [$this->getJson("/api/datasets/{$dataset->id}")->json(), $this->getJson("/api/datasets/{$dataset->id}/rows")->json()];
        $answer = $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => $kind, ...$words])->assertStatus(422);

        Contract::assertMeets('changeDataset', $answer);
        self::assertSame([$code], array_column($answer->json('findings'), 'code'));
        self::assertSame($before, [$this->getJson("/api/datasets/{$dataset->id}")->json(), $this->getJson("/api/datasets/{$dataset->id}/rows")->json()]);
        $this->assertDatabaseCount('revisions', 1);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> words of a change, how the sentence begins */
    public static function tooMuch(): iterable
    {
        yield 'rows to add' => [['kind' => 'add-rows', 'rows' => array_fill(0, 10_001, ['kg' => '1'])], 'At most 10,000 rows can be added at once.'];
        yield 'rows to delete' => [['kind' => 'delete-rows', 'rows' => range(1, 10_001)], 'At most 10,000 rows can be deleted at once.'];
        yield 'a long cell' => [['kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'apiary', 'text' => str_repeat('x', 10_001)]]], 'A cell holds at most 10,000 characters'];
        yield 'a long new cell' => [['kind' => 'add-rows', 'rows' => [['apiary' => str_repeat('x', 10_001)]]], 'A cell holds at most 10,000 characters'];
        yield 'a long name' => [['kind' => 'describe-variable', 'variable' => 'kg', 'name' => str_repeat('x', 201)], 'A name has at most 200 characters.'];
        yield 'a new variable without a name' => [['kind' => 'add-variable', 'name' => '', 'type' => 'number'], 'Give the variable a name.'];
        yield 'a long unit' => [['kind' => 'describe-variable', 'variable' => 'kg', 'unit' => str_repeat('x', 33)], 'A unit has at most 32 characters.'];
        yield 'decimals' => [['kind' => 'describe-variable', 'variable' => 'kg', 'shown_decimals' => 11], 'Shown decimals are a whole number from 0 to 10'];
        yield 'a long label' => [['kind' => 'arrange-labels', 'variable' => 'apiary', 'order' => [str_repeat('x', 1001)]], 'A label has at most 1,000 characters.'];
        yield 'no formula' => [['kind' => 'make-variable', 'name' => 'x', 'formula' => ''], 'Write a formula.'];
        yield 'a long formula' => [['kind' => 'make-variable', 'name' => 'x', 'formula' => '1' . str_repeat(' + 1', 1300)], 'A formula has at most 5,000 characters.'];
    }

    /** @param array<string, mixed> $words */
    #[DataProvider('tooMuch')]
    public function test_too_much_at_once_says_how_much_there_may_be_and_what_to_do(array $words, string $sentence): void
    {
        $dataset = $this->dataset("apiary,kg\nAlder,1.5\nBrook,2\n");
        $answer = $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, ...$words])->assertStatus(422);

        Contract::assertMeets('changeDataset', $answer);
        self::assertStringStartsWith($sentence, $answer->json('message'));
        self::assertSame(1, $dataset->refresh()->revision);
    }

    public function test_the_last_variable_stays(): void
    {
        $dataset = $this->dataset("kg\n1\n2\n");
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'delete-variable', 'variable' => 'kg'])
            ->assertStatus(422)->assertJsonPath('findings.0.code', 'last-variable');
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wordsThatAreOff(): iterable
    {
        yield 'no kind' => [['revision' => 1]];
        yield 'an unknown kind' => [['revision' => 1, 'kind' => 'explode']];
        yield 'no revision' => [['kind' => 'undo']];
        yield 'an edit without a row' => [['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['variable' => 'kg', 'text' => '1']]]];
        yield 'row zero' => [['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 0, 'variable' => 'kg', 'text' => '1']]]];
        yield 'an unknown variable' => [['revision' => 1, 'kind' => 'delete-variable', 'variable' => 'nothing']];
        yield 'an unknown type' => [['revision' => 1, 'kind' => 'retype-variable', 'variable' => 'kg', 'type' => 'colour']];
        yield 'a formula that is off' => [['revision' => 1, 'kind' => 'make-variable', 'name' => 'x', 'formula' => '1 +']];
        yield 'rows that are texts' => [['revision' => 1, 'kind' => 'delete-rows', 'rows' => ['all']]];
    }

    /** @param array<string, mixed> $words */
    #[DataProvider('wordsThatAreOff')]
    public function test_words_that_are_off_are_refused(array $words): void
    {
        $dataset = $this->dataset("apiary,kg\nAlder,1.5\nBrook,2\n");
        $answer = $this->postJson("/api/datasets/{$dataset->id}/changes", $words)->assertStatus(422);

        Contract::assertMeets('changeDataset', $answer);
        self::assertNotSame('', $answer->json('message'));
        $this->assertDatabaseCount('revisions', 1);
    }

    /** @return iterable<string, array{VariableType, string, string, bool}> type, typed, text, whether it was read */
    public static function typed(): iterable
    {
        yield 'a number' => [VariableType::Number, ' 12.50 ', '12.50', true];
        yield 'a decimal comma' => [VariableType::Number, '12,5', '12.5', true];
        yield 'a comma before three digits can be two things' => [VariableType::Number, '1,234', '1,234', false];
        yield 'a comma before three digits after a zero cannot' => [VariableType::Number, '0,234', '0.234', true];
        yield 'a typographic minus' => [VariableType::Number, '−3', '-3', true];
        yield 'an exponent' => [VariableType::Number, '1e3', '1000', true];
        yield 'a double' => [VariableType::Number, '1e300', '1.0e+300', true];
        yield 'a text' => [VariableType::Number, 'many', 'many', false];
        yield 'nothing' => [VariableType::Number, '  ', '', true];
        yield 'a missing mark' => [VariableType::Number, 'n/a', '', true];
        yield 'a day' => [VariableType::Date, '21.3.2026', '2026-03-21', true];
        yield 'no day' => [VariableType::Date, '30.2.2026', '30.2.2026', false];
        yield 'a label as it stands' => [VariableType::Category, ' Alder ', ' Alder ', true];
    }

    #[DataProvider('typed')]
    public function test_what_is_typed_is_read_after_the_type(VariableType $type, string $typed, string $text, bool $isRead): void
    {
        $variable = new Variable(['name' => 'x', 'type' => $type, 'missing_marks' => ['n/a']]);
        $cell = TypedCells::into($variable)->read($typed);

        self::assertSame([$text, $isRead], [$cell->text, $cell->isRead]);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> words of a change, and the part that is wrong */
    public static function wrongParts(): iterable
    {
        $edits = static fn(mixed $edit): array => ['kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '5'], $edit]];
        yield 'an edit that is none' => [$edits('5'), 'edits.1.row'];
        yield 'a row before the first' => [$edits(['row' => 0, 'variable' => 'kg', 'text' => '5']), 'edits.1.row'];
        yield 'half a row' => [$edits(['row' => 1.5, 'variable' => 'kg', 'text' => '5']), 'edits.1.row'];
        yield 'more than a number holds' => [$edits(['row' => '99999999999999999999', 'variable' => 'kg', 'text' => '5']), 'edits.1.row'];
        yield 'no variable' => [$edits(['row' => '2', 'text' => '5']), 'edits.1.variable'];
        yield 'a key that is too long' => [$edits(['row' => 2, 'variable' => str_repeat('k', 81), 'text' => '5']), 'edits.1.variable'];
        yield 'no text' => [$edits(['row' => 2, 'variable' => 'kg']), 'edits.1.text'];
        yield 'a list as a text' => [$edits(['row' => 2, 'variable' => 'kg', 'text' => ['5']]), 'edits.1.text'];
        yield 'a new row that is a text' => [['kind' => 'add-rows', 'rows' => [['kg' => '1'], 'kg']], 'rows.1'];
        yield 'a new cell that is a list' => [['kind' => 'add-rows', 'rows' => [['kg' => '1'], ['kg' => ['2']]]], 'rows.1.kg'];
        foreach (['delete-rows', 'set-aside', 'bring-back'] as $kind) {
            yield "{$kind}: a text" => [['kind' => $kind, 'rows' => [1, 'two'], 'reason' => 'r'], 'rows.1'];
            yield "{$kind}: a list" => [['kind' => $kind, 'rows' => [[1]], 'reason' => 'r'], 'rows.0'];
        }
    }

    /** @param array<string, mixed> $words */
    #[DataProvider('wrongParts')]
    public function test_a_part_of_a_list_that_is_wrong_is_named(array $words, string $part): void
    {
        $dataset = $this->dataset("apiary,kg\nAlder,1.5\nBrook,2\n");
        $answer = $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, ...$words])->assertStatus(422);

        Contract::assertMeets('changeDataset', $answer);
        self::assertSame([$part], array_keys($answer->json('errors')));
        $this->assertDatabaseCount('revisions', 1);
    }

    public function test_many_cells_changed_at_once_are_as_if_they_had_come_so(): void
    {
        $cells = array_map(static fn(int $row): array => ['few' => (string) ($row % 7), 'many' => (string) ($row / 8)], range(1, 300));
        $csv = static fn(array $cells): string => "few,many\n" . implode('', array_map(static fn(array $row): string => implode(',', $row) . "\n", $cells));
        $dataset = $this->dataset($csv($cells));
        $edits = [];
        for ($i = 0; $i < 150; ++$i) {
            $edit = ['row' => 2 * $i + 1, 'variable' => $i % 2 === 0 ? 'few' : 'many', 'text' => $i % 9 === 0 ? '' : (string) ($i % 5)];
            $cells[$edit['row'] - 1][$edit['variable']] = $edit['text'];
            $edits[] = $edit;
        }
        $other = $this->dataset($csv($cells));
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => $edits])->assertCreated();
        foreach (['rows?from=0&count=150' => 'cells', 'rows?from=150&count=150' => 'cells', 'profile?of=few,many' => 'sheets'] as $place => $part) {
            $told = $this->getJson("/api/datasets/{$other->id}/{$place}")->assertOk()->json($part);
            self::assertNotEmpty($told);
            self::assertSame($told, $this->getJson("/api/datasets/{$dataset->id}/{$place}")->json($part));
        }
    }

    public function test_a_list_that_is_a_blank_text_and_a_row_that_is_no_number_are_no_fault_of_ours(): void
    {
        $dataset = $this->dataset("g,x\na,1\nb,2\n");
        foreach ([
            ['kind' => 'arrange-labels', 'variable' => 'g', 'order' => ['b', 'a'], 'merged' => "\0"],
            ['kind' => 'describe-variable', 'variable' => 'x', 'missing_marks' => "\0"],
            ['kind' => 'edit-cells', 'edits' => [['row' => true, 'variable' => 'x', 'text' => '5']]],
            ['kind' => 'delete-rows', 'rows' => [true]],
        ] as $words) {
            $answer = $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => $dataset->refresh()->revision, ...$words]);
            self::assertLessThan(500, $answer->getStatusCode(), (string) json_encode($words));
        }
    }
}
