<?php

declare(strict_types=1);

// Writes the words of questions into the contract: `php api/words.php` after one has come or changed. A test holds the contract to them.

use App\Store\Word;
use App\Store\Words;

require __DIR__ . '/../vendor/autoload.php';

$schema = static function (string $name, string $description, Word ...$words): string {
    $quoted = static fn(string $text): string => "'" . str_replace("'", "''", $text) . "'";
    $properties = array_map(static fn(Word $word): string => "        {$word->name}: { type: string, "
        . ($word->most === null ? 'enum: [' . implode(', ', array_map($quoted, $word->values())) . ']' : "maxLength: {$word->most}")
        . ', description: ' . $quoted(ucfirst($word->description) . ($word->default === '' ? '.' : "; the default is {$word->default}.")) . " }\n", $words);

    return "    {$name}:\n      type: object\n      description: {$quoted($description)}\n      additionalProperties: false\n      properties:\n" . implode('', $properties);
};
$file = __DIR__ . '/openapi.yaml';
$contract = (string) file_get_contents($file);
foreach ([
    ['Question', 'The words of the basis and of what is shown, the same in the address, the API and on the command line.', Words::ofQuestion()],
    ['ClassWords', 'How labels that are classes are taken.', Words::ofClasses()],
    ['CompareWords', 'What is compared.', Words::ofCompare()],
] as [$name, $description, $words]) {
    $contract = (string) preg_replace_callback("/^    {$name}:\n(?:(?: {6,}.*)?\n)+/m", static fn(): string => $schema($name, $description, ...$words), $contract, 1);
}
file_put_contents($file, $contract);
