<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Report\OwnWords;
use App\Store\KeptReading;
use App\Store\Words;
use Closure;
use RowTally\Core\Figures\Statistic;

/** A table, a sentence or somebody’s own words to be held for the report, and the words of the profile it was taken from. */
final class KeepRequest extends ProfileRequest
{
    use ReadsClasses;

    /** What is said of anything that is kept. */
    public const ITEM = [
        'title' => ['required', 'string', 'max:200'],
        // Empty where all words are the defaults.
        'address' => ['present', 'nullable', 'string', 'max:8000'],
        'place' => ['nullable', 'string', 'in:profile,compare'],
    ];
    public const NO_TITLE = 'A title has 1 to 200 characters.';
    private const MOST_BYTES = 4 << 20;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            ...$this->classRules(),
            ...self::ITEM,
            'is_of_classes' => ['nullable', 'boolean'],
            'kind' => ['nullable', 'string', 'in:table,reading,text'],
            'figures_of' => ['nullable', 'string', 'max:80'],
            'content' => ['required', 'string', $this->isContent(...)],
            'revision' => ['required', 'integer', 'min:1'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [...parent::messages(), 'title' => self::NO_TITLE, 'kind' => 'What is kept is one of: table, reading, text.', 'place' => 'A place of a dataset is one of: profile, compare.'];
    }

    /** The words of the address are asked as the profile asks them. */
    protected function prepareForValidation(): void
    {
        $address = $this->input('address');
        parse_str(is_string($address) ? $address : '', $words);
        $this->merge(array_intersect_key($words, [...parent::rules(), ...$this->classRules()]));
    }

    /** @return array<string, mixed> what is kept */
    public function item(): array
    {
        /** @var array<string, mixed> $validated */
        $validated = $this->validated();

        $kind = $this->word('kind') ?? 'table';

        return [
            ...array_intersect_key($validated, [...self::ITEM, 'content' => true, 'revision' => true]),
            // Somebody's own words are all note.
            ...($kind === 'text' ? ['content' => '', 'note' => OwnWords::ofStored($this->string('content')->toString())->toStored()] : []),
            'kind' => $kind,
            'place' => $this->word('place') ?? 'profile',
            'address' => $this->string('address')->toString(),
        ];
    }

    /** @return array{figures: string, words: array<string, string>}|null how a table of figures is asked for again; null for what is none */
    public function asked(Dataset $dataset): ?array
    {
        $variable = $this->word('figures_of');
        if (($this->word('kind') ?? 'table') !== 'table' || $variable === null) {
            return null;
        }
        $words = [];
        foreach (Words::ofQuestion() as $word) {
            $said = $this->word($word->name);
            if ($said !== null) {
                $words[$word->name] = $said;
            }
        }
        // Those that were chosen then, whatever the account chooses later.
        $figures = implode(',', array_map(static fn(Statistic $statistic): string => $statistic->key(), $this->question($dataset)->statistics));

        return ['figures' => $variable, 'words' => [...$words, 'of' => $variable, 'figures' => $figures, 'percentiles' => '']];
    }

    /** Whether its figures come from labels that are classes. */
    public function isOfClasses(): bool
    {
        return $this->boolean('is_of_classes');
    }

    /** @param Closure(string): mixed $fail */
    private function isContent(string $attribute, mixed $value, Closure $fail): void
    {
        $content = is_string($value) ? $value : '';
        if (strlen($content) > self::MOST_BYTES) {
            $fail('This is too large to be kept: at most 4 MB.');
        } elseif ($this->word('kind') === 'reading') {
            if (KeptReading::ofText($content) === null) {
                $fail('A reading is kept as its sentence, what was said, its rule and its source: texts of at most ' . number_format(KeptReading::LONGEST) . ' characters.');
            }
        } elseif ($this->word('kind') === 'text') {
            KeptWordsRequest::isOwnWords($attribute, json_decode($content, true), $fail);
        } elseif (!self::isTable(json_decode($content, true))) {
            $fail('A table is kept as a list of rows of texts.');
        }
    }

    private static function isTable(mixed $rows): bool
    {
        if (!is_array($rows) || !array_is_list($rows)) {
            return false;
        }
        foreach ($rows as $row) {
            if (!is_array($row) || array_filter($row, static fn(mixed $cell): bool => !is_string($cell)) !== []) {
                return false;
            }
        }

        return $rows !== [];
    }
}
