<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Models\User;
use App\Store\Question;
use App\Store\UnknownVariable;
use App\Store\Word;
use App\Store\Words;
use Closure;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\SampleOrPopulation;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureSet;
use RowTally\Core\Figures\PercentList;
use RowTally\Core\Plots\ClassChoice;
use RowTally\Core\Plots\HeightScale;
use RowTally\Core\Plots\Marker;
use RowTally\Core\Plots\StackOptions;

/** The words of the address, the same as on the command line: which variables and figures, split by what, under which basis. */
class ProfileRequest extends AddressRequest
{
    private const MOST_VARIABLES = 60;
    private const MOST_SPLITS = 2;
    private const MOST_PERCENTILES = 50;

    /** @return array<string, list<string|Closure>> */
    public function rules(): array
    {
        $rules = self::rulesOf(Words::ofQuestion());
        $rules['of'][] = $this->fewEnough(self::MOST_VARIABLES, 'At most ' . self::MOST_VARIABLES . ' variables can be shown at once. Untick some.');
        $rules['by'][] = $this->fewEnough(self::MOST_SPLITS, 'Rows can be split by one or two variables.');

        return $rules;
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return array_merge(...array_map(static fn(Word $word): array => [$word->name . ($word->most === null ? '.in' : '.max') => $word->refusal()], Words::all()));
    }

    /**
     * @param list<Word> $words
     *
     * @return array<string, list<string|Closure>>
     */
    protected static function rulesOf(array $words): array
    {
        return array_combine(array_column($words, 'name'), array_map(static fn(Word $word): array => $word->rules(), $words));
    }

    public function question(Dataset $dataset): Question
    {
        $defaults = new Basis();
        $counts = $this->word('counts');
        $counting = $counts === null ? null : $dataset->variables->firstWhere('key', $counts) ?? throw UnknownVariable::named($counts);
        $decimals = $this->word('decimals');

        return new Question(
            self::words($this->string('of')->toString()),
            self::words($this->string('by')->toString()),
            new Basis(
                $this->enum('as', SampleOrPopulation::class) ?? $defaults->takenAs,
                $this->enum('quartiles', QuartileRule::class) ?? $defaults->quartileRule,
                $this->enum('edges', ClassEdge::class) ?? $defaults->classEdge,
                $this->word('fences') ?? $defaults->innerFence,
                $this->word('level') ?? $defaults->level,
                $this->enum('missing', MissingRows::class) ?? $defaults->missingRows,
                $decimals === null ? null : ShownDecimals::ofWord($decimals),
                $counting?->name,
                $this->word('where'),
                $counting?->unit,
                $dataset->set_aside,
            ),
            Catalogue::chosen([...$this->figures(), ...$this->percentiles()]),
            $counts,
            $this->word('no_entry') !== 'hide',
            $this->word('order') === 'count',
            $this->word('distinct') === 'yes',
            new StackOptions(
                ClassChoice::ofWord($this->word('classes') ?? ''),
                $this->enum('scale', HeightScale::class) ?? HeightScale::Count,
                $this->markers(),
                $this->word('curve') === 'yes',
                $this->word('lanes') === 'own',
                StackOptions::zoomOfWord($this->word('zoom') ?? ''),
            ),
        );
    }

    /** @return list<Marker> */
    private function markers(): array
    {
        $word = $this->word('marks');

        return $word === null
            ? (new StackOptions())->markers
            : array_values(array_filter(array_map(Marker::tryFrom(...), self::words($word)), static fn(?Marker $marker): bool => $marker !== null));
    }

    /** @return list<string> the figures asked for, those the account chose last, or the essentials */
    private function figures(): array
    {
        $words = self::words($this->string('figures')->toString());
        if ($words !== []) {
            return array_merge(...array_map(static fn(string $word): array => FigureSet::tryFrom($word)?->keys() ?? [$word], $words));
        }
        $user = $this->user();

        return $user instanceof User && $user->chosen_figures !== null ? $user->chosen_figures : FigureSet::Essentials->keys();
    }

    /** @return list<string> */
    private function percentiles(): array
    {
        return array_map(Catalogue::percentileKey(...), array_slice(PercentList::of($this->string('percentiles')->toString()), 0, self::MOST_PERCENTILES));
    }

    protected function word(string $name): ?string
    {
        $word = trim($this->string($name)->toString());

        return $word === '' ? null : $word;
    }

    private function fewEnough(int $most, string $sentence): Closure
    {
        return static function (string $attribute, mixed $value, Closure $fail) use ($most, $sentence): void {
            if (is_string($value) && count(self::words($value)) > $most) {
                $fail($sentence);
            }
        };
    }

    /** @return list<string> */
    protected static function words(string $list): array
    {
        return array_values(array_unique(array_filter(explode(',', $list), static fn(string $word): bool => $word !== '')));
    }
}
