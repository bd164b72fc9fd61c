<?php

declare(strict_types=1);

namespace App\Store;

use App\Drawing\Look;
use App\Models\Dataset;
use Brick\Math\BigDecimal;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Grouped\Amendments;
use RowTally\Core\Grouped\ClassReading;
use RowTally\Core\Grouped\StatedLimits;
use RowTally\Core\Marks\NumberMarks;
use RowTally\Core\Readings\GoodDirection;

/** The words of an address that was kept, held to what `Words` allows: what they ask of a dataset. */
final readonly class AskedWords
{
    private const LONGEST_ADDRESS = 8000;

    /** @param array<string, string> $words by name; those that are not said are left out */
    private function __construct(private array $words) {}

    /** @throws UnknownVariable where a word is said that is not allowed */
    public static function ofAddress(string $address): self
    {
        if (strlen($address) > self::LONGEST_ADDRESS) {
            throw UnknownVariable::refused('An address has at most ' . NumberMarks::count(self::LONGEST_ADDRESS) . ' characters.');
        }
        parse_str($address, $said);
        $words = [];
        foreach ([...Words::all(), ...Words::ofCompare()] as $word) {
            $text = $said[$word->name] ?? null;
            $text = is_string($text) ? trim($text) : '';
            if ($text !== '') {
                $refusal = $word->allows($text) ? QuestionOfWords::tooMany($word->name, $text) : $word->refusal();
                $words[$word->name] = $refusal === null ? $text : throw UnknownVariable::refused($refusal);
            }
        }

        return new self($words);
    }

    public function word(string $name): ?string
    {
        return $this->words[$name] ?? null;
    }

    /** @return list<string> words that commas set apart */
    public function list(string $name): array
    {
        return QuestionOfWords::list($this->words[$name] ?? '');
    }

    /** @param array<string, string|null> $words said instead; null = not said */
    public function with(array $words): self
    {
        return new self(array_filter([...$this->words, ...$words], static fn(?string $text): bool => $text !== null && $text !== ''));
    }

    public function toAddress(): string
    {
        return http_build_query($this->words);
    }

    public function question(Dataset $dataset): Question
    {
        return QuestionOfWords::of($dataset, $this->word(...));
    }

    /** @return self with the figures that are shown, so that they stay those whatever an account chooses later */
    public function withFigures(Question $question): self
    {
        return $this->with(['figures' => implode(',', array_map(static fn(Statistic $statistic): string => $statistic->key(), $question->statistics)), 'percentiles' => null]);
    }

    /** @throws UnknownVariable where nothing is compared, or with what this account does not have */
    public function compare(Dataset $dataset): CompareQuestion
    {
        $groups = json_decode($this->word('groups') ?? '[]', true);
        $other = $this->word('other');
        $factor = $this->word('factor');

        return new CompareQuestion(
            $this->word('what') ?? throw UnknownVariable::comparesOne(),
            $this->question($dataset),
            is_array($groups) ? array_values(array_filter($groups, is_string(...))) : [],
            GoodDirection::tryFrom($this->word('good') ?? ''),
            // Whoever wrote it down could see it then.
            $other === null ? null : $dataset->ofSameOwner()->with('variables')->find((int) $other) ?? throw UnknownVariable::comparesNoDataset(),
            $this->word('other_of'),
            $factor !== null && preg_match('/^[0-9]{1,12}(\.[0-9]{1,12})?$/D', $factor) === 1 && (float) $factor > 0.0 ? BigDecimal::of($factor) : null,
            $this->word('turned') === 'yes',
        );
    }

    public function classReading(): ClassReading
    {
        $amend = $this->word('amend');
        $cumulative = $this->word('cumulative');

        return new ClassReading(
            StatedLimits::tryFrom($this->word('limits') ?? ''),
            $amend === null ? null : Amendments::ofWord($amend),
            isCumulative: $cumulative === null ? null : $cumulative === 'yes',
        );
    }

    /** The address of one variable under the same basis and the same split: what is shown of it, and of what else, is left out. */
    public function addressOf(string $variable): string
    {
        $words = ['of' => $variable];
        foreach (['by', 'as', 'quartiles', 'edges', 'missing', 'counts', 'where', 'fences', 'level', 'decimals', 'no_entry'] as $name) {
            if (isset($this->words[$name])) {
                $words[$name] = $this->words[$name];
            }
        }

        return http_build_query($words);
    }

    /** What a picture is drawn of. */
    public function picture(Dataset $dataset, string $look, float $width): PictureAsked
    {
        $order = $this->word('lane_order') ?? '';
        if ($order !== '') {
            Catalogue::chosen([$order]);
        }

        return new PictureAsked(
            $this->question($dataset),
            $this->word('what') === null ? null : $this->compare($dataset),
            Look::ofWord($look),
            $width,
            $order,
            $this->classReading(),
            $this->list('count_columns'),
        );
    }
}
