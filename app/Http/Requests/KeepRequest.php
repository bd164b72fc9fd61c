<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Models\User;
use App\Report\Document\Block;
use App\Report\Document\BlockKind;
use App\Store\AskedWords;
use App\Store\QuestionOfWords;
use App\Store\UnknownVariable;
use Illuminate\Foundation\Http\FormRequest;

/** Something of a profile or a comparison to be put into a report: as the question that it answers. */
final class KeepRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['kind' => ['required', 'string'], 'report' => ['nullable', 'integer']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['kind' => 'A block is one of: ' . implode(', ', array_column(BlockKind::cases(), 'value')) . '.', 'report' => 'A report is named by its number.'];
    }

    public function report(): ?int
    {
        return $this->has('report') && is_numeric($this->input('report')) ? $this->integer('report') : null;
    }

    /** @throws UnknownVariable */
    public function block(Dataset $dataset, User $user): Block
    {
        /** @var array<array-key, mixed> $said */
        $said = $this->json()->all();
        $block = Block::ofArray([...array_diff_key($said, ['id' => true, 'held' => true, 'report' => true])]);
        if (is_string($block)) {
            throw UnknownVariable::refused($block);
        }
        if ($block->kind === BlockKind::Held) {
            throw UnknownVariable::refused('What is kept follows the data: it is kept as the question that it answers.');
        }
        $asked = AskedWords::ofAddress($block->address);
        OtherDatasets::areTheirs($user, $block);
        if ($block->kind !== BlockKind::Figures) {
            return $block;
        }
        // Those that are seen now, whatever the account chooses later.
        $question = QuestionOfWords::of($dataset, $asked->word(...), $user->chosen_figures);
        $kept = Block::ofArray([...$block->toArray(), 'address' => $asked->withFigures($question)->toAddress()]);

        return $kept instanceof Block ? $kept : throw UnknownVariable::refused($kept);
    }
}
