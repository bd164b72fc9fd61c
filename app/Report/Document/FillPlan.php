<?php

declare(strict_types=1);

namespace App\Report\Document;

use App\Models\Dataset;
use App\Models\Variable;
use App\Report\Blocks\RowsBlock;
use App\Report\Words\FigureField;
use App\Report\Words\OwnWords;
use App\Store\UnknownVariable;
use RowTally\Core\Formula\Condition;
use RowTally\Core\Parsing\VariableType;

/** Fills a report with the right blocks for chosen variables, sentences included: all of it can be changed. */
final readonly class FillPlan
{
    /** So many variables have a part of their own. */
    private const MOST_PARTS = 12;
    private const GROUPS_NAMED = 6;
    private const BASIS = ['as', 'quartiles', 'edges', 'missing', 'counts', 'where', 'fences', 'level', 'decimals', 'no_entry'];

    /** @param array<string, string> $basis words of the address that every block shares */
    private function __construct(private Dataset $dataset, private array $basis) {}

    /**
     * @param list<string> $of      keys of the chosen variables; none = all
     * @param string|null  $by      key of what splits the rows, or of the counts of classes
     * @param string       $address the basis that is in force where the plan was chosen
     *
     * @throws UnknownVariable
     */
    public static function of(Dataset $dataset, Plan $plan, array $of, ?string $by, string $address, string $title): ReportDocument
    {
        parse_str($address, $words);
        $basis = [];
        foreach (self::BASIS as $name) {
            if (is_string($words[$name] ?? null) && $words[$name] !== '') {
                $basis[$name] = $words[$name];
            }
        }
        if ($dataset->counts !== null && !isset($basis['counts']) && $plan !== Plan::Classes) {
            $basis['counts'] = $dataset->counts;
        }
        $own = new self($dataset, $basis);
        $chosen = array_map(static fn(string $key): Variable => $dataset->variables->firstWhere('key', $key) ?? throw UnknownVariable::named($key), $of);
        $split = $by === null || $by === '' ? null : $dataset->variables->firstWhere('key', $by) ?? throw UnknownVariable::named($by);
        $blocks = match ($plan) {
            Plan::Dataset => $own->dataset($chosen === [] ? array_values($dataset->variables->all()) : $chosen),
            Plan::Variable => $own->variable(self::first($chosen, VariableType::Number, 'Tick one number.')),
            Plan::Groups => $own->groups(self::all($chosen, 'Tick a number to be compared.'), $split ?? throw UnknownVariable::comparesNoGroups()),
            Plan::Pairs => $own->pairs(self::all($chosen, 'Tick two numbers, the earlier and the later.')),
            Plan::Classes => $own->classes(self::first($chosen, VariableType::Category, 'Tick the variable whose labels are classes.'), $split),
        };

        if ($dataset->set_aside > 0) {
            $blocks[] = ['kind' => 'rows', 'title' => 'Rows set aside', 'address' => http_build_query(['where' => RowsBlock::asideCondition()])];
        }

        return ReportDocument::titled($title, array_map(static function (array $words): Block {
            $block = Block::ofArray($words);

            return $block instanceof Block ? $block : throw UnknownVariable::refused($block);
        }, $blocks));
    }

    /**
     * @param list<Variable> $variables
     *
     * @return list<array<string, mixed>>
     */
    private function dataset(array $variables): array
    {
        $told = array_values(array_filter($variables, fn(Variable $variable): bool => in_array($variable->type, [VariableType::Number, VariableType::Category, VariableType::Date], true) && $variable->key !== ($this->basis['counts'] ?? null)));
        $keys = implode(',', array_map(static fn(Variable $variable): string => $variable->key, array_slice($told, 0, 60)));
        $blocks = [
            self::heading('What there is', 1),
            self::text([new FigureField($this->address([]), FigureField::ROWS, null), " {$this->dataset->rowWord()->many} are described here by " . count($told) . (count($told) === 1 ? ' variable.' : ' variables.')]),
            ['kind' => 'overview', 'title' => 'All variables at a glance', 'address' => $this->address(['of' => $keys])],
            self::heading('What stands out', 1),
            ['kind' => 'readings', 'address' => $this->address(['of' => $keys])],
        ];
        foreach (array_slice(array_values(array_filter($told, static fn(Variable $variable): bool => $variable->type !== VariableType::Date)), 0, self::MOST_PARTS) as $variable) {
            array_push($blocks, self::heading($variable->name, 1), ...$this->part($variable));
        }

        return $blocks;
    }

    /** @return list<array<string, mixed>> sentence, picture and figures of a variable */
    private function part(Variable $variable): array
    {
        $address = $this->address(['of' => $variable->key]);
        if ($variable->type === VariableType::Category) {
            return [
                ...($variable->dictionary === [] ? [] : [self::text($this->labelsSentence($variable))]),
                ['kind' => 'picture', 'picture' => 'labels', 'title' => $variable->name, 'address' => $address],
                ['kind' => 'frequencies', 'title' => "{$variable->name}, frequencies", 'address' => $address],
            ];
        }

        return [
            self::text($this->centreSentence($variable)),
            ['kind' => 'picture', 'picture' => 'stack', 'title' => $variable->nameWithUnit(), 'address' => $address],
            ['kind' => 'figures', 'title' => "{$variable->nameWithUnit()}, figures", 'address' => $this->address(['of' => $variable->key, 'figures' => 'essentials'])],
        ];
    }

    /** @return list<array<string, mixed>> */
    private function variable(Variable $variable): array
    {
        $address = $this->address(['of' => $variable->key]);
        $name = $variable->nameWithUnit();
        $outliers = 'outlier(' . Condition::name($variable->name) . ')';

        return [
            self::heading($variable->name, 1),
            self::text($this->centreSentence($variable)),
            self::text($this->spreadSentence($variable)),
            ['kind' => 'picture', 'picture' => 'stack', 'title' => $name, 'address' => $address],
            self::heading('Figures', 2),
            ['kind' => 'figures', 'title' => "{$name}, figures", 'address' => $this->address(['of' => $variable->key, 'figures' => 'essentials,shape'])],
            self::heading('What they say', 2),
            ['kind' => 'readings', 'address' => $address],
            self::heading('Each value', 2),
            ['kind' => 'picture', 'picture' => 'stems', 'title' => "{$name}, stems and leaves", 'address' => $address],
            ['kind' => 'frequencies', 'title' => "{$name}, frequencies", 'address' => $address],
            self::heading('Against the normal distribution', 2),
            ['kind' => 'picture', 'picture' => 'qq', 'title' => "{$name}, normal Q–Q plot", 'address' => $address],
            self::heading('Values beyond the fences', 2),
            ['kind' => 'rows', 'title' => "Rows with an outlying {$variable->name}", 'address' => $this->address(['of' => implode(',', [...array_slice(self::names($this->dataset), 0, 1), $variable->key]), 'where' => isset($this->basis['where']) ? "({$this->basis['where']}) and {$outliers}" : $outliers])],
        ];
    }

    /**
     * @param non-empty-list<Variable> $variables
     *
     * @return list<array<string, mixed>>
     */
    private function groups(array $variables, Variable $split): array
    {
        $blocks = [];
        foreach (array_slice($variables, 0, self::MOST_PARTS) as $variable) {
            $name = "{$variable->nameWithUnit()} by {$split->name}";
            $address = $this->address(['of' => $variable->key, 'by' => $split->key]);
            array_push(
                $blocks,
                self::heading("{$variable->name} by {$split->name}", 1),
                ...($split->type === VariableType::Category && count($split->dictionary) > 1 ? [self::text($this->groupsSentence($variable, $split))] : []),
                ...[
                    ['kind' => 'picture', 'picture' => 'boxes', 'title' => $name, 'address' => $address],
                    ['kind' => 'figures', 'title' => "{$name}, figures", 'address' => $this->address(['of' => $variable->key, 'by' => $split->key, 'figures' => 'essentials'])],
                    ['kind' => 'readings', 'address' => $address],
                    ['kind' => 'comparison', 'title' => "{$variable->name}, two groups against each other", 'place' => 'compare', 'address' => $this->address(['what' => 'groups', 'of' => $variable->key, 'by' => $split->key])],
                ],
            );
        }

        return $blocks;
    }

    /**
     * @param non-empty-list<Variable> $variables
     *
     * @return list<array<string, mixed>>
     */
    private function pairs(array $variables): array
    {
        [$first, $second] = [$variables[0], $variables[1] ?? throw UnknownVariable::comparesOne()];
        $address = $this->address(['what' => 'pairs', 'of' => "{$first->key},{$second->key}"]);
        $figure = fn(Variable $variable, string $key): FigureField => new FigureField($this->address(['of' => $variable->key]), $key, null);
        $unit = static fn(Variable $variable): string => $variable->unit === null ? '' : " {$variable->unit}";

        return [
            self::heading("From {$first->name} to {$second->name}", 1),
            self::text(["The mean of {$first->name} is ", $figure($first, 'mean'), "{$unit($first)} (SD ", $figure($first, 'sd'), "), that of {$second->name} ", $figure($second, 'mean'), "{$unit($second)} (SD ", $figure($second, 'sd'), ').']),
            ['kind' => 'picture', 'picture' => 'slopes', 'look' => "to:{$second->key}", 'title' => "Each row from {$first->name} to {$second->name}", 'address' => $this->address(['of' => $first->key])],
            ['kind' => 'comparison', 'title' => "{$first->name} and {$second->name} of the same rows", 'place' => 'compare', 'address' => $address],
            ['kind' => 'readings', 'place' => 'compare', 'address' => $address],
            ['kind' => 'figures', 'title' => 'Each on its own', 'address' => $this->address(['of' => "{$first->key},{$second->key}", 'figures' => 'essentials'])],
        ];
    }

    /** @return list<array<string, mixed>> */
    private function classes(Variable $variable, ?Variable $counts): array
    {
        $words = ['of' => $variable->key, 'counts' => $counts->key ?? $this->basis['counts'] ?? $this->dataset->counts ?? null];

        return [
            self::heading($variable->name, 1),
            ['kind' => 'picture', 'picture' => 'classes', 'title' => $variable->nameWithUnit(), 'address' => $this->address($words)],
            ['kind' => 'classes', 'title' => "{$variable->nameWithUnit()}, classes", 'address' => $this->address($words)],
            ['kind' => 'readings', 'address' => $this->address($words)],
        ];
    }

    /** @return list<string|FigureField> */
    private function centreSentence(Variable $variable): array
    {
        $unit = $variable->unit === null ? '' : " {$variable->unit}";
        $figure = fn(string $key): FigureField => new FigureField($this->address(['of' => $variable->key]), $key, null);

        return ["The mean of {$variable->name} is ", $figure('mean'), "{$unit} (SD ", $figure('sd'), '), the median ', $figure('median'), "{$unit}; the middle half lies between ", $figure('q1'), ' and ', $figure('q3'), $unit === '' ? '.' : "{$unit}."];
    }

    /** @return list<string|FigureField> */
    private function spreadSentence(Variable $variable): array
    {
        $figure = fn(string $key): FigureField => new FigureField($this->address(['of' => $variable->key]), $key, null);

        return [$figure('n'), " {$this->dataset->rowWord()->many} have a value, ", $figure('missing'), ' have none. ', $figure('within_1'), ' of the values lie within one standard deviation of the mean, ', $figure('outliers_count'), ' beyond the fences.'];
    }

    /** @return list<string|FigureField> */
    private function labelsSentence(Variable $variable): array
    {
        $pieces = ["Of {$variable->name} "];
        $labels = array_slice($variable->dictionary, 0, self::GROUPS_NAMED);
        foreach ($labels as $i => $label) {
            array_push($pieces, ...($i === 0 ? [] : [$i === count($labels) - 1 ? ' and ' : ', ']), ...[new FigureField($this->address(['of' => $variable->key]), FigureField::LABEL_SHARE, [$label]), " are {$label}"]);
        }

        return [...$pieces, count($variable->dictionary) > self::GROUPS_NAMED ? ', and others.' : '.'];
    }

    /** @return list<string|FigureField> */
    private function groupsSentence(Variable $variable, Variable $split): array
    {
        $pieces = ["The mean of {$variable->name} is "];
        $labels = array_slice($split->dictionary, 0, self::GROUPS_NAMED);
        $unit = $variable->unit === null ? '' : " {$variable->unit}";
        foreach ($labels as $i => $label) {
            array_push($pieces, ...($i === 0 ? [] : [$i === count($labels) - 1 ? ' and ' : ', ']), ...[new FigureField($this->address(['of' => $variable->key, 'by' => $split->key]), 'mean', [$label]), "{$unit} in {$label}"]);
        }

        return [...$pieces, '.'];
    }

    /** @param array<string, string|null> $words */
    private function address(array $words): string
    {
        return http_build_query(array_filter([...$this->basis, ...$words], static fn(?string $word): bool => $word !== null && $word !== ''));
    }

    /** @return array<string, mixed> */
    private static function heading(string $title, int $level): array
    {
        return ['kind' => 'heading', 'title' => mb_substr($title, 0, Block::LONGEST_TITLE), 'level' => $level];
    }

    /**
     * @param list<string|FigureField> $pieces
     *
     * @return array<string, mixed>
     */
    private static function text(array $pieces): array
    {
        return ['kind' => 'text', 'words' => OwnWords::ofPieces($pieces)->toDocument()];
    }

    /** @return list<string> keys of the variables that name rows */
    private static function names(Dataset $dataset): array
    {
        return array_map(static fn(Variable $variable): string => $variable->key, array_values($dataset->variables->where('type', VariableType::Id)->all()));
    }

    /** @param list<Variable> $chosen */
    private static function first(array $chosen, VariableType $type, string $sentence): Variable
    {
        foreach ($chosen as $variable) {
            if ($variable->type === $type) {
                return $variable;
            }
        }
        throw UnknownVariable::refused($sentence);
    }

    /**
     * @param list<Variable> $chosen
     *
     * @return non-empty-list<Variable> the numbers among them
     */
    private static function all(array $chosen, string $sentence): array
    {
        $numbers = array_values(array_filter($chosen, static fn(Variable $variable): bool => $variable->type === VariableType::Number));

        return $numbers === [] ? throw UnknownVariable::refused($sentence) : $numbers;
    }
}
