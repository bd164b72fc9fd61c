<?php

declare(strict_types=1);

namespace RowTally\Core\Basis;

use RowTally\Core\Exception\NotUnderstood;

/**
 * How many decimals figures are shown with: some more than the data carry, a fixed number, or significant digits.
 *
 * When        one more than the data carry says what there is; significant digits for values that span powers of ten.
 * Misleads    More decimals are not more knowledge. Rounding is for the eye alone, half away from zero: nothing is reckoned with it.
 */
final readonly class ShownDecimals
{
    private const MOST = 10;

    private function __construct(
        private string $kind,
        public int $number,
    ) {}

    public static function more(int $number): self
    {
        return new self('data', $number);
    }

    /**
     * @param string $word `data+1`, `2`, or `s4`
     *
     * @throws NotUnderstood for anything else
     */
    public static function ofWord(string $word): self
    {
        if (preg_match('/^(data\+|s|)(\d{1,2})$/D', $word, $parts) !== 1 || (int) $parts[2] > self::MOST || ($parts[1] === 's' && $parts[2] === '0')) {
            throw NotUnderstood::notDecimals($word);
        }

        return new self(rtrim($parts[1], '+'), (int) $parts[2]);
    }

    public function word(): string
    {
        return match ($this->kind) {
            'data' => "data+{$this->number}",
            's' => "s{$this->number}",
            default => (string) $this->number,
        };
    }

    /** Fits after "shown". */
    public function words(): string
    {
        $places = static fn(int $number): string => match ($number) {
            0 => 'no decimals',
            1 => 'one decimal',
            2 => 'two decimals',
            3 => 'three decimals',
            default => "{$number} decimals",
        };

        return match (true) {
            $this->kind === 's' => "to {$this->number} significant digit" . ($this->number === 1 ? '' : 's'),
            $this->kind === '' => 'with ' . $places($this->number),
            $this->number === 0 => 'with as many decimals as the data',
            default => 'to ' . str_replace('decimals', 'more decimals', str_replace('one decimal', 'one more decimal', $places($this->number))) . ' than the data',
        };
    }

    public function isSignificant(): bool
    {
        return $this->kind === 's';
    }

    /**
     * @param int|null $ofData      decimals the data carry; null where they are doubles
     * @param bool     $isOfTheData of a figure that is a value of the data, which has no more decimals than they
     */
    public function decimals(?int $ofData, bool $isOfTheData = false): ?int
    {
        return match ($this->kind) {
            'data' => $ofData === null ? null : $ofData + ($isOfTheData ? 0 : $this->number),
            's' => null,
            default => $this->number,
        };
    }
}
