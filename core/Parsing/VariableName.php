<?php

declare(strict_types=1);

namespace RowTally\Core\Parsing;

/**
 * What a header cell says: the variable's name and, where it ends in one in brackets, its unit ("Honey yield (kg)").
 *
 * Only what is plainly a unit is taken for one: a known unit symbol, "per …", or a scale such as "in thousands". All else stays part of the name.
 */
final readonly class VariableName
{
    private const UNITS = [
        'kg', 'g', 'mg', 'µg', 't', 'lb', 'oz', 'km', 'm', 'cm', 'mm', 'µm', 'nm', 'in', 'ft', 'mi', 'yd',
        'm2', 'm²', 'km2', 'km²', 'cm2', 'cm²', 'ha', 'm3', 'm³', 'l', 'L', 'ml', 'mL', 'cl', 'cL', 'dl', 'dL', 'hl',
        's', 'sec', 'min', 'h', 'hr', 'hours', 'minutes', 'seconds', 'd', 'days', 'weeks', 'months', 'years', 'yr', 'ms',
        '°C', '°F', 'K', '°', '%', '‰', 'ppm', 'W', 'kW', 'kWh', 'MWh', 'J', 'kJ', 'kcal', 'V', 'A', 'Hz', 'kHz', 'MHz', 'dB',
        'Pa', 'hPa', 'kPa', 'bar', 'mbar', 'mmHg', 'mol', 'mmol', 'N', 'lx', 'km/h', 'm/s', 'mph', 'kg/m²', 'mg/l', 'mg/L', 'mmol/l', 'mmol/L',
        '€', '$', '£', '¥', 'EUR', 'USD', 'GBP', 'CHF', 'JPY', 'count', 'frames', 'points',
    ];

    /** What a count of 1 may stand for. */
    private const SCALES = ['dozens', 'hundreds', 'thousands', 'millions', 'billions', '000s', "'000", 'Tausend', 'Tsd.', 'Mio.', 'milliers', 'miles', 'migliaia', 'duizenden'];

    private function __construct(
        public string $name,
        public ?string $unit,
        /** The name with what was taken for its unit. */
        public string $asItStands,
    ) {}

    /** Whether a text is a unit symbol by itself. */
    public static function isUnit(string $text): bool
    {
        return in_array($text, self::UNITS, true) || preg_match('/^\p{Sc}$/u', $text) === 1;
    }

    /** The same with a unit that stands elsewhere, unless it has one. */
    public function in(string $unit): self
    {
        return $this->unit !== null ? $this : new self($this->name, $unit, "{$this->asItStands} ({$unit})");
    }

    public static function of(string $header): self
    {
        $header = trim($header);
        if (preg_match('/^(.*\S)\s*(?:\(([^()]{1,24})\)|\[([^\[\]]{1,24})\])$/Du', $header, $part) === 1) {
            $unit = trim($part[3] ?? $part[2] ?? '');
            // "Keepers (in thousands)" is in thousands.
            $scale = preg_replace('/^in /u', '', $unit) ?? $unit;
            if (in_array($scale, self::SCALES, true)) {
                return new self($part[1], $scale, $header);
            }
            if (self::isUnit($unit) || preg_match('/^per \S/u', $unit) === 1) {
                return new self($part[1], $unit, $header);
            }
        }

        return new self($header, null, $header);
    }

    /**
     * Names for a whole header, in order: a cell without a name becomes "Column 3", and a name that stands twice gets a number.
     *
     * @param list<string> $header
     *
     * @return list<self>
     */
    public static function ofAll(array $header): array
    {
        $taken = [];
        $names = [];
        foreach ($header as $i => $cell) {
            $read = self::of($cell);
            $wanted = $read->name === '' ? 'Column ' . ($i + 1) : $read->name;
            $name = $wanted;
            if (isset($taken[$name]) && $read->unit !== null) {
                // "Weight (kg)" and "Weight (lb)" are told apart by their units.
                $name = $wanted = $read->asItStands;
            }
            for ($number = 2; isset($taken[$name]) || ($name !== $wanted && in_array($name, $header, true)); ++$number) {
                $name = "{$wanted} {$number}";
            }
            $taken[$name] = true;
            $names[] = new self($name, $read->unit, $name === $wanted && $read->name !== '' ? $read->asItStands : $name);
        }

        return $names;
    }
}
