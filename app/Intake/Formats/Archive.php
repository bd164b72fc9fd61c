<?php

declare(strict_types=1);

namespace App\Intake\Formats;

use App\Intake\NotATable;
use RowTally\Core\Marks\NumberMarks;
use XMLReader;
use ZipArchive;

/** A zip archive from outside: its entries are read as streams, and one that unpacks to an absurd size is refused. */
final readonly class Archive
{
    /** An entry may say that it unpacks to this much; what it does unpack to is counted where it is read. */
    private const MOST_BYTES = 1 << 30;
    /** An entry that must be held as a whole. */
    private const MOST_BYTES_HELD = 96 << 20;
    /** Real tables pack 5 to 50 times; bombs thousands of times. */
    private const MOST_RATIO = 400;
    private const SMALL = 10 << 20;

    private function __construct(private string $path, private ZipArchive $zip) {}

    public static function open(string $path): self
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw NotATable::damaged('the zip archive that it is cannot be opened');
        }

        return new self($path, $zip);
    }

    public function has(string $name): bool
    {
        return $this->zip->locateName($name) !== false;
    }

    /** How many bytes an entry may have, whatever it says itself. */
    public function most(string $name): int
    {
        return $this->zip->statName($name)['size'] ?? 0;
    }

    /** @return resource */
    public function stream(string $name)
    {
        $this->check($name, self::MOST_BYTES);
        $stream = @$this->zip->getStream($name);

        return $stream === false ? throw NotATable::damaged("its part {$name} cannot be unpacked") : $stream;
    }

    public function text(string $name): string
    {
        $this->check($name, self::MOST_BYTES_HELD);
        $stream = $this->stream($name);
        $text = @stream_get_contents($stream, self::MOST_BYTES_HELD + 1);

        return $text === false || strlen($text) > self::MOST_BYTES_HELD ? throw NotATable::damaged("its part {$name} cannot be unpacked") : $text;
    }

    /** A reader that goes through the XML once, without network, entities or document types. */
    public function xml(string $name): XMLReader
    {
        $this->check($name, self::MOST_BYTES);
        // An address of a part of the archive: a blank or a # in the path must not end it.
        set_error_handler(static fn(): never => throw NotATable::damaged("its part {$name} cannot be unpacked"));
        try {
            $reader = XMLReader::open('zip://' . $this->path . '#' . $name, null, LIBXML_NONET | LIBXML_COMPACT);
        } finally {
            restore_error_handler();
        }

        return $reader instanceof XMLReader ? $reader : throw NotATable::damaged("its part {$name} cannot be read");
    }

    private function check(string $name, int $mostBytes): void
    {
        $entry = $this->zip->statName($name);
        if ($entry === false) {
            throw NotATable::damaged("its part {$name} is not there");
        }
        $size = $entry['size'];
        if ($size > $mostBytes || ($size > self::SMALL && $size > self::MOST_RATIO * max(1, $entry['comp_size']))) {
            throw NotATable::damaged(sprintf('its part %s would unpack to %s MB', $name, NumberMarks::count($size / (1 << 20))));
        }
    }
}
