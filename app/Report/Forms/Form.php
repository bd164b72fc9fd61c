<?php

declare(strict_types=1);

namespace App\Report\Forms;

/** What a report can be handed over as. */
enum Form: string
{
    case Page = 'html';
    case Pdf = 'pdf';
    case Docx = 'docx';
    case Odt = 'odt';
    case Markdown = 'markdown';
    case Tables = 'tables';

    public function extension(): string
    {
        return match ($this) {
            self::Markdown, self::Tables => 'zip',
            default => $this->value,
        };
    }

    public function mediaType(): string
    {
        return match ($this) {
            self::Page => 'text/html; charset=utf-8',
            self::Pdf => 'application/pdf',
            self::Docx => 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
            self::Odt => 'application/vnd.oasis.opendocument.text',
            self::Markdown, self::Tables => 'application/zip',
        };
    }

    /** Whether it has pages of a size. */
    public function hasSize(): bool
    {
        return $this === self::Pdf || $this === self::Page;
    }

    /** Whether the rows are in it, where they go along. */
    public function carriesRows(): bool
    {
        return $this !== self::Docx && $this !== self::Odt;
    }

    public function words(): string
    {
        return match ($this) {
            self::Page => 'Page',
            self::Pdf => 'PDF',
            self::Docx => 'DOCX',
            self::Odt => 'ODT',
            self::Markdown => 'Markdown',
            self::Tables => 'Tables and pictures',
        };
    }
}
