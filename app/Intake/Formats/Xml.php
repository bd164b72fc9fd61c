<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Intake\NotATable;
use XMLReader;

/** Steps through an XML document from outside; broken XML and document types become findings, never warnings. */
final class Xml
{
    /** Elements in a sheet that are neither rows nor cells: widths of columns and the like. */
    public const MOST_OTHERS = 100_000;

    /**
     * @param bool $isPast behind the current element and all that is in it, not into it
     *
     * @phpstan-impure
     *
     * @throws NotATable
     */
    public static function read(XMLReader $reader, bool $isPast = false): bool
    {
        $before = libxml_use_internal_errors(true);
        // A part whose packed bytes are spoilt ends with a warning of the stream, and no error of the XML.
        set_error_handler(static fn(int $level, string $message): never => throw NotATable::damaged('a part of it cannot be unpacked'));
        try {
            $hasMore = $isPast ? $reader->next() : $reader->read();
            $error = libxml_get_last_error();
        } finally {
            restore_error_handler();
            libxml_clear_errors();
            libxml_use_internal_errors($before);
        }
        if ($error !== false && $error->level >= LIBXML_ERR_ERROR) {
            throw NotATable::damaged('its XML is broken: ' . trim($error->message));
        }
        if ($hasMore && in_array($reader->nodeType, [XMLReader::DOC_TYPE, XMLReader::ENTITY_REF, XMLReader::ENTITY], true)) {
            throw NotATable::damaged('its XML declares a document type, which no workbook does');
        }

        return $hasMore;
    }

    /**
     * Steps on inside an element that began at this depth; false once it has ended.
     *
     * @phpstan-impure
     */
    public static function inside(XMLReader $reader, int $depth): bool
    {
        return self::read($reader) && ($reader->depth !== $depth || $reader->nodeType !== XMLReader::END_ELEMENT);
    }

    /** The text inside the current element, which is left behind; elements named in $without are passed over. */
    public static function text(XMLReader $reader, string ...$without): string
    {
        if ($reader->isEmptyElement) {
            return '';
        }
        $depth = $reader->depth;
        $text = '';
        $passing = null;
        while (self::inside($reader, $depth)) {
            if ($passing !== null) {
                $passing = $reader->depth === $passing && $reader->nodeType === XMLReader::END_ELEMENT ? null : $passing;
                continue;
            }
            if ($reader->nodeType === XMLReader::ELEMENT && in_array($reader->localName, $without, true) && !$reader->isEmptyElement) {
                $passing = $reader->depth;
            } elseif (in_array($reader->nodeType, [XMLReader::TEXT, XMLReader::CDATA, XMLReader::SIGNIFICANT_WHITESPACE], true)) {
                $text .= $reader->value;
            }
        }

        return $text;
    }
}
