<?php

declare(strict_types=1);

namespace App\Report\Words;

use App\Models\Dataset;
use App\Models\Variable;
use App\Store\GroupLabels;
use App\Store\ProfileAnswer;
use App\Store\ProfileVariables;
use App\Store\Question;
use App\Store\QuestionOfWords;
use App\Store\UnknownVariable;
use App\Store\VariableSheet;
use App\Store\Words;
use RowTally\Core\Display\DecimalText;
use RowTally\Core\Exception\CoreException;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\FigureText;
use RowTally\Core\Parsing\VariableType;
use RowTally\Core\Profile\RowGrouping;

/** What fields show by now. Fields under the same words of an address are asked together, each variable once. */
final readonly class ReadFields
{
    public const MOST_FIELDS = 500;
    /** So many different addresses are asked at once. */
    public const MOST_ADDRESSES = 60;

    public function __construct(private ProfileVariables $profile) {}

    /**
     * @param list<FigureField> $fields
     *
     * @return list<ShownField> in the same order; one that has come to nothing says why
     */
    public function of(Dataset $dataset, array $fields): array
    {
        $together = [];
        foreach ($fields as $place => $field) {
            $together["@{$field->address}"][] = $place;
        }
        $shown = [];
        $asked = 0;
        foreach ($together as $places) {
            $own = array_map(static fn(int $place): FigureField => $fields[$place], $places);
            $answers = ++$asked > self::MOST_ADDRESSES
                ? array_map(static fn(FigureField $field): ShownField => ShownField::without($field->figure, 'there are too many different questions in this text: at most ' . self::MOST_ADDRESSES), $own)
                : $this->underOneAddress($dataset, $own);
            foreach ($places as $i => $place) {
                $shown[$place] = $answers[$i];
            }
        }
        ksort($shown);

        return array_values($shown);
    }

    /**
     * @param non-empty-list<FigureField> $fields
     *
     * @return list<ShownField>
     */
    private function underOneAddress(Dataset $dataset, array $fields): array
    {
        try {
            $figures = array_values(array_unique(array_map(static fn(FigureField $field): string => $field->figure, array_filter($fields, static fn(FigureField $field): bool => $field->isOfNumber() && self::isKnown($field->figure)))));
            $question = self::question($dataset, $fields[0]->address, $figures);
            $answer = $this->profile->overview($dataset, $question);

            return array_map(static fn(FigureField $field): ShownField => self::shown($dataset, $answer, $field), $fields);
        } catch (CoreException|UnknownVariable $refused) {
            return array_map(static fn(FigureField $field): ShownField => ShownField::without($field->figure, rtrim($refused->getMessage(), '.')), $fields);
        }
    }

    /** @param list<string> $figures */
    private static function question(Dataset $dataset, string $address, array $figures): Question
    {
        parse_str($address, $said);
        foreach (Words::ofQuestion() as $word) {
            $text = $said[$word->name] ?? null;
            $refusal = is_string($text) && $text !== '' ? ($word->allows($text) ? QuestionOfWords::tooMany($word->name, $text) : $word->refusal()) : null;
            if ($refusal !== null) {
                throw UnknownVariable::refused($refusal);
            }
        }
        $of = self::text($said['of'] ?? null);
        if ($of !== null && $dataset->variables->firstWhere('key', $of) === null) {
            $gone = $dataset->allVariables()->get()->firstWhere('key', $of);
            throw $gone instanceof Variable ? UnknownVariable::isDeleted($gone->name) : UnknownVariable::named($of);
        }
        // Only what is asked for is worked out.
        $asked = $figures === [] ? ['n'] : $figures;

        return QuestionOfWords::of($dataset, static fn(string $name): ?string => match ($name) {
            // Of nothing but rows any variable would do, and none is looked at.
            'of' => $of ?? $dataset->variables->first()?->key,
            'figures' => implode(',', $asked),
            'percentiles' => null,
            default => self::text($said[$name] ?? null),
        });
    }

    private static function text(mixed $said): ?string
    {
        return is_string($said) && trim($said) !== '' ? trim($said) : null;
    }

    private static function isKnown(string $figure): bool
    {
        try {
            return Catalogue::chosen([$figure]) !== [];
        } catch (NotUnderstood) {
            return false;
        }
    }

    private static function shown(Dataset $dataset, ProfileAnswer $answer, FigureField $field): ShownField
    {
        if ($field->figure === FigureField::ROWS) {
            return ShownField::of(ucfirst($dataset->rowWord()->many), DecimalText::of($answer->rows, 0), $answer->rows, null);
        }
        $sheet = $answer->sheets[0] ?? null;

        return match (true) {
            $sheet === null => ShownField::without($field->figure, 'this dataset has no variables'),
            $field->isOfNumber() => self::ofNumber($answer, $sheet, $field),
            default => self::ofLabel($sheet, $field),
        };
    }

    private static function ofNumber(ProfileAnswer $answer, VariableSheet $sheet, FigureField $field): ShownField
    {
        $of = $sheet->variable->unit === null ? $sheet->variable->name : "{$sheet->variable->name} ({$sheet->variable->unit})";
        if (!self::isKnown($field->figure)) {
            return ShownField::without("{$field->figure} of {$of}", "there is no figure \"{$field->figure}\"");
        }
        $statistic = Catalogue::chosen([$field->figure])[0];
        $name = "{$statistic->label()} of {$of}" . ($field->group === null ? '' : ', ' . RowGrouping::name($field->group));
        if ($sheet->variable->type !== VariableType::Number) {
            return ShownField::without($name, "\"{$sheet->variable->name}\" is no number any more");
        }
        $column = $field->group === null ? 0 : self::column($answer, $field->group);
        if ($column === null) {
            return ShownField::without($name, 'there is no group "' . RowGrouping::name($field->group ?? []) . '" any more');
        }
        $display = new FigureText($answer->question->basis, $sheet->variable->shown_decimals ?? $sheet->variable->decimals, $sheet->countDecimals);
        foreach ($sheet->rows as $row) {
            if ($row['statistic']->key() === $field->figure && isset($row['figures'][$column])) {
                $figure = $row['figures'][$column];

                return ShownField::of($name, $display->of($statistic, $figure), $figure->value, $figure->reason?->value);
            }
        }

        return ShownField::without($name, 'it has no value');
    }

    /** @param list<string|null> $group */
    private static function column(ProfileAnswer $answer, array $group): ?int
    {
        $by = array_map(static fn(string $key): ?Variable => $answer->dataset->variables->firstWhere('key', $key), $answer->question->by);
        $place = array_search($group, $answer->groups, true);
        if ($place === false && count($group) === count($by)) {
            $place = GroupLabels::place(array_values(array_filter($by)), $answer->groups, RowGrouping::name($group)) ?? false;
        }

        return $place === false ? null : $place + 1;
    }

    private static function ofLabel(VariableSheet $sheet, FigureField $field): ShownField
    {
        $label = $field->group[0] ?? null;
        $name = ($field->figure === FigureField::LABEL_SHARE ? 'Share of ' : 'Count of ') . ($label ?? 'no entry') . " in {$sheet->variable->name}";
        $table = $sheet->frequencies;
        if ($table === null) {
            return ShownField::without($name, "\"{$sheet->variable->name}\" has no labels any more");
        }
        $row = array_search($label, $table->labels, true);
        if (!is_int($row)) {
            return ShownField::without($name, 'there is no label "' . ($label ?? '') . '" any more');
        }
        $count = $table->counts[0][$row];
        $total = $table->total(0);
        if ($field->figure === FigureField::LABEL_COUNT) {
            $scale = 10 ** $table->countDecimals;

            return ShownField::of($name, DecimalText::of($count / $scale, $table->countDecimals), $count / $scale, null);
        }
        $percent = $table->percentOfPresent(0, $row);

        return ShownField::of($name, $percent === null ? null : "{$percent} %", $total === 0 ? null : $count / $total, 'no row has an entry');
    }
}
