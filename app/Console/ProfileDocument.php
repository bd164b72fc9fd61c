<?php

declare(strict_types=1);

namespace App\Console;

use App\Intake\ReadVariable;
use Brick\Math\BigDecimal;
use RowTally\Core\Basis\Basis;
use RowTally\Core\Columns\VariableType;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\ShownAs;
use RowTally\Core\Plots\AlignedStack;
use RowTally\Core\Plots\Outliers;
use RowTally\Core\Profile\NumberProfile;
use RowTally\Core\Values\Observations;
use stdClass;

/** What the command line answers: as one JSON document, or as a table for each variable. */
final readonly class ProfileDocument
{
    /**
     * @param list<string|null>                                                                                  $groups    null = rows without a label
     * @param list<array{variable: ReadVariable, observations: list<Observations>, profile: NumberProfile|null}> $variables
     */
    private function __construct(
        private int $rows,
        private Basis $basis,
        private array $groups,
        private array $variables,
    ) {}

    /**
     * @param list<string> $names names of variables; none = every number variable
     * @param list<string> $by    name of a category; none = no split
     *
     * @throws UnusableRequest
     */
    public static function of(FileColumns $columns, array $names, array $by, Basis $basis): self
    {
        if (count($by) > 1) {
            throw new UnusableRequest('Rows can be split by one category at a time; give --by once.');
        }
        $split = $by === [] ? null : self::indexOf($columns, $by[0]);
        $splitting = $split === null ? null : $columns->variables()[$split];
        if ($splitting !== null && $splitting->type !== VariableType::Category) {
            throw new UnusableRequest("\"{$splitting->name}\" makes no groups: it was read as {$splitting->type->value}. Split by a category.");
        }
        $indexes = $names === []
            ? array_keys(array_filter($columns->variables(), static fn(ReadVariable $variable): bool => $variable->type === VariableType::Number))
            : array_map(static fn(string $name): int => self::indexOf($columns, $name), $names);
        $hasUnlabelled = $splitting !== null && $splitting->missing > 0;
        $variables = [];
        foreach ($indexes as $index) {
            $variables[] = self::variable($columns, $index, $split, $hasUnlabelled, $basis);
        }

        return new self($columns->rows(), $basis, [...($splitting->dictionary ?? []), ...($hasUnlabelled ? [null] : [])], $variables);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'basis' => $this->basis->toArray(),
            'rows' => $this->rows,
            'variables' => array_map(fn(array $entry): array => [
                'variable' => $entry['variable']->name,
                'type' => $entry['variable']->type->value,
                'unit' => $entry['variable']->unit,
                ...($entry['profile'] === null ? $this->ofLabels($entry['variable']) : $this->ofNumbers($entry['observations'], $entry['profile'])),
            ], $this->variables),
        ];
    }

    /** @return array<string, array{head: list<string>, rows: list<list<string>>}> by title */
    public function tables(): array
    {
        $tables = [];
        foreach ($this->variables as ['variable' => $variable, 'profile' => $profile]) {
            $title = $variable->unit === null ? $variable->name : "{$variable->name} ({$variable->unit})";
            if ($profile === null) {
                $rows = [['missing', (string) $variable->missing]];
                foreach ($variable->labelCounts as $i => $count) {
                    $rows[] = [$variable->dictionary[$i], (string) $count];
                }
                $tables[$title] = ['head' => ['', $variable->type->value], 'rows' => $rows];
                continue;
            }
            $decimals = $variable->decimals === null ? null : $variable->decimals + $this->basis->extraDecimals;
            $rows = [];
            foreach ($profile->rows as ['statistic' => $statistic, 'figures' => $figures]) {
                $row = [trim($statistic->label() . '  ' . $statistic->symbol($this->basis->takenAs))];
                foreach ($figures as $figure) {
                    $row[] = $figure->value === null
                        ? (string) $figure->reason?->value
                        : DecimalText::of($figure->value, $statistic->shownAs() === ShownAs::Rows ? 0 : $decimals);
                }
                $rows[] = $row;
            }
            $tables[$title] = [
                'head' => ['', 'Overall', ...array_map(static fn(?string $label): string => $label ?? 'no entry', $this->groups)],
                'rows' => $rows,
            ];
        }

        return $tables;
    }

    /** @return array{variable: ReadVariable, observations: list<Observations>, profile: NumberProfile|null} */
    private static function variable(FileColumns $columns, int $index, ?int $split, bool $hasUnlabelled, Basis $basis): array
    {
        $variable = $columns->variables()[$index];
        if ($variable->type !== VariableType::Number) {
            return ['variable' => $variable, 'observations' => [], 'profile' => null];
        }
        $overall = $columns->observations($index, null)[0];
        $groups = $split === null ? [] : $columns->observations($index, $split);
        $unlabelled = array_shift($groups);
        if ($hasUnlabelled && $unlabelled !== null) {
            $groups[] = $unlabelled;
        }

        return [
            'variable' => $variable,
            'observations' => [$overall, ...$groups],
            'profile' => NumberProfile::of($overall, $groups, $basis, Catalogue::all()),
        ];
    }

    private static function indexOf(FileColumns $columns, string $name): int
    {
        $names = array_map(static fn(ReadVariable $variable): string => $variable->name, $columns->variables());
        $index = array_search($name, $names, true);

        return is_int($index) ? $index : throw new UnusableRequest("The file has no variable \"{$name}\". It has: " . implode(', ', $names) . '.');
    }

    /** @return array<string, mixed> */
    private function ofLabels(ReadVariable $variable): array
    {
        return [
            'missing' => $variable->missing,
            'labels' => array_map(
                static fn(string $label, int $count): array => ['label' => $label, 'count' => $count],
                $variable->labelCounts === [] ? [] : $variable->dictionary,
                $variable->labelCounts,
            ),
        ];
    }

    /**
     * @param list<Observations> $observations
     *
     * @return array<string, mixed>
     */
    private function ofNumbers(array $observations, NumberProfile $profile): array
    {
        $groups = [];
        foreach ([null, ...$this->groups] as $i => $label) {
            $figures = [];
            $undefined = [];
            foreach ($profile->rows as ['statistic' => $statistic, 'figures' => $values]) {
                $figures[$statistic->key()] = $values[$i]->value;
                if ($values[$i]->reason !== null) {
                    $undefined[$statistic->key()] = $values[$i]->reason->value;
                }
            }
            $figures['outliers'] = $this->outliers($observations[$i]);
            $groups[] = [
                'group' => $label,
                ...($i > 0 && $label === null ? ['without_label' => true] : []),
                'figures' => $figures,
                'undefined' => $undefined === [] ? new stdClass() : $undefined,
            ];
        }

        return ['groups' => $groups, 'histogram' => $profile->stack === null ? null : $this->histogram($profile->stack)];
    }

    /** @return list<float> every outlier, as often as it occurs */
    private function outliers(Observations $observations): array
    {
        $values = [];
        foreach (Outliers::every($observations, $this->basis) as ['value' => $value, 'count' => $count]) {
            array_push($values, ...array_fill(0, $count, (float) (string) $value));
        }

        return $values;
    }

    /** @return array<string, mixed> */
    private function histogram(AlignedStack $stack): array
    {
        $histogram = $stack->histograms[0];
        $double = static fn(BigDecimal $number): float => (float) (string) $number;

        return [
            'start' => $double($stack->classes->start),
            'width' => $double($stack->classes->width),
            'closed' => $histogram->closed->value,
            'counts' => $histogram->counts,
            'below' => $histogram->below,
            'above' => $histogram->above,
        ];
    }
}
