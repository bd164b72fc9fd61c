<?php

declare(strict_types=1);

namespace App\Http\Requests;

use App\Models\Dataset;
use App\Models\User;
use App\Store\Question;
use App\Store\UnknownVariable;
use BackedEnum;
use Closure;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Basis\ClassEdge;
use RowTally\Core\Basis\MissingRows;
use RowTally\Core\Basis\QuartileRule;
use RowTally\Core\Basis\ShownDecimals;
use RowTally\Core\Basis\TakenAs;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureSet;
use RowTally\Core\Parsing\PercentList;
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
        return [
            'of' => ['nullable', 'string', 'max:6000', $this->fewEnough(self::MOST_VARIABLES, 'At most ' . self::MOST_VARIABLES . ' variables can be shown at once. Untick some.')],
            'by' => ['nullable', 'string', 'max:200', $this->fewEnough(self::MOST_SPLITS, 'Rows can be split by one or two variables.')],
            'as' => ['nullable', 'string', self::oneOf(TakenAs::cases())],
            'quartiles' => ['nullable', 'string', self::oneOf(QuartileRule::cases())],
            'edges' => ['nullable', 'string', self::oneOf(ClassEdge::cases())],
            'missing' => ['nullable', 'string', self::oneOf(MissingRows::cases())],
            'counts' => ['nullable', 'string', 'max:80'],
            'where' => ['nullable', 'string', 'max:2000'],
            'fences' => ['nullable', 'string', 'max:20'],
            'level' => ['nullable', 'string', 'max:20'],
            'decimals' => ['nullable', 'string', 'max:20'],
            'figures' => ['nullable', 'string', 'max:4000'],
            'percentiles' => ['nullable', 'string', 'max:400'],
            'no_entry' => ['nullable', 'string', 'in:show,hide'],
            'order' => ['nullable', 'string', 'in:own,count'],
            'distinct' => ['nullable', 'string', 'in:yes,no'],
            'classes' => ['nullable', 'string', 'max:4000'],
            'scale' => ['nullable', 'string', self::oneOf(HeightScale::cases())],
            'marks' => ['nullable', 'string', 'max:200'],
            'curve' => ['nullable', 'string', 'in:yes,no'],
            'lanes' => ['nullable', 'string', 'in:common,own'],
            'zoom' => ['nullable', 'string', 'max:80'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $words = static fn(TakenAs|QuartileRule|ClassEdge|MissingRows ...$cases): string => implode(', ', array_map(static fn(TakenAs|QuartileRule|ClassEdge|MissingRows $case): string => $case->value, $cases)) . '.';

        return [
            'as' => 'The data are taken as one of: ' . $words(...TakenAs::cases()),
            'quartiles' => 'Quartiles are cut by one of: ' . $words(...QuartileRule::cases()),
            'edges' => 'Classes are closed on one of: ' . $words(...ClassEdge::cases()),
            'missing' => 'Missing values are one of: ' . $words(...MissingRows::cases()),
            'no_entry.in' => 'Rows without an entry: show or hide.',
            'order.in' => 'Frequency tables are in one of the orders: own, count.',
            'scale' => 'Bars are as high as one of: ' . implode(', ', array_column(HeightScale::cases(), 'value')) . '.',
            'distinct.in' => 'Distinct values: yes or no.',
        ];
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
                $this->enum('as', TakenAs::class) ?? $defaults->takenAs,
                $this->enum('quartiles', QuartileRule::class) ?? $defaults->quartileRule,
                $this->enum('edges', ClassEdge::class) ?? $defaults->classEdge,
                $this->word('fences') ?? $defaults->innerFence,
                $this->word('level') ?? $defaults->level,
                $this->enum('missing', MissingRows::class) ?? $defaults->missingRows,
                $decimals === null ? null : ShownDecimals::ofWord($decimals),
                $counting?->name,
                $this->word('where'),
                $counting?->unit,
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

    /** @param list<BackedEnum> $cases */
    protected static function oneOf(array $cases): string
    {
        return 'in:' . implode(',', array_column($cases, 'value'));
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
