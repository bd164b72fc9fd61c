<?php

declare(strict_types=1);

namespace App\Report;

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
}
