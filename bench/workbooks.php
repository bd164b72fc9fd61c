<?php

declare(strict_types=1);

// Writes a workbook of hive-scale readings, 10 columns: php bench/workbooks.php xlsx|ods ROWS FILE. Seeded, the same every time.

use App\Export\ExportedTable;
use App\Export\ExportedVariable;
use App\Export\ExportFormat;
use RowTally\Core\Parsing\VariableType;

require dirname(__DIR__) . '/vendor/autoload.php';

[, $format, $rows, $path] = $argv;
mt_srand(20260321);
$variable = static fn(string $name, VariableType $type): ExportedVariable => new ExportedVariable($name, $type, null, null, null, [], null, null);
$variables = [$variable('Reading', VariableType::Id), $variable('Apiary', VariableType::Category)];
for ($i = 1; $i <= 8; ++$i) {
    $variables[] = $variable("Sensor {$i}", VariableType::Number);
}
$blocks = (static function () use ($rows): Generator {
    for ($from = 0; $from < (int) $rows; $from += 8192) {
        $count = min(8192, (int) $rows - $from);
        $cells = array_fill(0, 10, []);
        for ($row = 0; $row < $count; ++$row) {
            $cells[0][] = (string) ($from + $row + 1);
            $cells[1][] = ['Alder Wick', 'Brook End', 'Coldharbour', 'Dunmere'][mt_rand(0, 3)];
            for ($i = 2; $i < 10; ++$i) {
                $cells[$i][] = number_format(mt_rand(0, 99_999) / 10 ** ($i % 4), $i % 4, '.', '');
            }
        }
        yield ['cells' => $cells, 'unread' => array_fill(0, 10, []), 'rows' => $count];
    }
})();
$out = fopen($path, 'w');
ExportFormat::from($format)->writer()->write(new ExportedTable('Readings', null, null, $variables, (int) $rows, $blocks), $out);
