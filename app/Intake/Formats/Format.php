<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Intake\NotATable;

/** The kinds of file that can be read, told apart by their first bytes and, where those say too little, by their name. */
enum Format: string
{
    case Text = 'text';
    case ValueList = 'list';
    case Xlsx = 'xlsx';
    case Ods = 'ods';
    case Json = 'json';
    case JsonLines = 'json-lines';
    case DataPackage = 'data-package';

    private const HEAD = 1 << 16;
    private const OTHERS = [
        '/^%PDF/' => 'it begins like a PDF',
        '/^(?:\x89PNG|\xFF\xD8\xFF|GIF8)/' => 'it begins like a picture',
        '/^(?:\x1F\x8B|\xFD7zXZ|7z\xBC\xAF)/' => 'it begins like a compressed file',
        '/^\xD0\xCF\x11\xE0/' => 'it begins like an old or encrypted office document',
    ];

    public static function isArchive(string $path): bool
    {
        return in_array((string) file_get_contents($path, false, null, 0, 4), ["PK\x03\x04", "PK\x05\x06"], true);
    }

    /**
     * @throws NotATable when it is none of them
     */
    public static function of(string $path, string $name): self
    {
        $head = (string) file_get_contents($path, false, null, 0, self::HEAD);
        foreach (self::OTHERS as $pattern => $words) {
            if (preg_match($pattern, $head) === 1) {
                throw NotATable::binary($words);
            }
        }
        if (self::isArchive($path)) {
            return self::ofZip($path);
        }
        $text = str_starts_with($head, "\u{FEFF}") ? substr($head, 3) : $head;
        if (preg_match('/^\s*<(?:!doctype|html|\?xml)/i', $text) === 1) {
            throw NotATable::otherFormat('begins like a web page or XML');
        }
        $isLines = preg_match('/^\s*\{[^\n]*\}\s*\n\s*\{/', $text) === 1 || preg_match('/\.(?:jsonl|ndjson)$/i', $name) === 1;
        if ($isLines && preg_match('/^\s*\{/', $text) === 1) {
            return self::JsonLines;
        }

        return preg_match('/^\s*(?:\[\s*(?:[\[{\]]|-?[0-9][0-9.eE+\-]*\s*,\s*(?:-?[0-9]|null|"))|\{\s*["}])/', $text) === 1 ? self::Json : self::Text;
    }

    private static function ofZip(string $path): self
    {
        $zip = Archive::open($path);

        return match (true) {
            $zip->has('xl/workbook.xml') || $zip->has('xl/_rels/workbook.xml.rels') => self::Xlsx,
            $zip->has('datapackage.json') => self::DataPackage,
            $zip->has('content.xml') => self::Ods,
            default => throw NotATable::binary('it is a zip archive without a workbook or a datapackage.json in it'),
        };
    }
}
