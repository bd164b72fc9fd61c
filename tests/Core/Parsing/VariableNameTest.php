<?php

declare(strict_types=1);

namespace Tests\Core\Parsing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use RowTally\Core\Parsing\VariableName;

final class VariableNameTest extends TestCase
{
    /** @return iterable<string, array{string, string, string|null}> */
    public static function headers(): iterable
    {
        yield 'unit in round brackets' => ['Honey yield (kg)', 'Honey yield', 'kg'];
        yield 'unit in square brackets' => ['Temperature [°C]', 'Temperature', '°C'];
        yield 'per something' => ['Mites (per 300 bees)', 'Mites', 'per 300 bees'];
        yield 'a scale' => ['Keepers (thousands)', 'Keepers', 'thousands'];
        yield 'a scale in words' => ['Keepers [in millions]', 'Keepers', 'millions'];
        yield 'a remark is no unit' => ['Weight (estimated)', 'Weight (estimated)', null];
        yield 'a number is no unit' => ['Weight (2)', 'Weight (2)', null];
        yield 'only a unit' => ['(kg)', '(kg)', null];
        yield 'none' => ['Weight', 'Weight', null];
    }

    #[DataProvider('headers')]
    public function test_a_known_unit_at_the_end_is_taken_from_the_name(string $header, string $name, ?string $unit): void
    {
        $read = VariableName::of($header);

        self::assertSame([$name, $unit, $header], [$read->name, $read->unit, $read->asItStands]);
    }

    public function test_every_variable_of_a_header_gets_a_name_of_its_own(): void
    {
        $names = array_map(
            static fn(VariableName $name): string => $name->name,
            VariableName::ofAll(['x', '', 'x', 'x 2', 'x', 'Weight (kg)', 'Weight (lb)']),
        );

        self::assertSame(['x', 'Column 2', 'x 3', 'x 2', 'x 4', 'Weight', 'Weight (lb)'], $names);
    }
}
