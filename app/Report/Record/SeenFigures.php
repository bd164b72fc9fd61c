<?php

declare(strict_types=1);

namespace App\Report\Record;

use App\Models\Dataset;
use App\Models\Report;
use App\Report\Document\Block;
use App\Report\Document\ReportDocument;
use App\Report\MakePaper;
use RowTally\Core\Marks\NumberMarks;

/**
 * What has changed in a report since somebody last looked: by figure, of blocks that are themselves as they were. A block that is new or was
 * changed by hand is looked at as soon as it is made.
 */
final readonly class SeenFigures
{
    public function __construct(private MakePaper $makePaper) {}

    /** @return list<array{block: string, label: string, before: string|null, after: string|null}> */
    public function changes(Report $report, Dataset $dataset): array
    {
        $document = ReportDocument::ofJson($report->document);
        $seen = self::read($report->seen);
        $kept = $now = [];
        $isNew = $report->seen === null;
        foreach ($document->blocks as $block) {
            $hash = self::hash($block);
            $own = $seen[$block->id] ?? null;
            if ($own !== null && $own['hash'] === $hash && $report->seen_revision === $dataset->revision) {
                // Nothing can have changed: it is not asked for again.
                $kept[$block->id] = $own;
                continue;
            }
            $figures = $this->stated($dataset, $document, $block);
            $now[$block->id] = $figures;
            $isNew = $isNew || $own === null || $own['hash'] !== $hash;
            $kept[$block->id] = $own !== null && $own['hash'] === $hash ? $own : ['hash' => $hash, 'figures' => $figures];
        }
        if ($isNew) {
            $report->update(['seen' => self::write($kept), 'seen_revision' => $report->seen_revision ?? $dataset->revision]);
        }

        $read = static fn(?string $shown): ?string => $shown === null ? null : NumberMarks::inForce()->rewritten($shown);

        return array_map(
            static fn(array $change): array => [...$change, 'before' => $read($change['before']), 'after' => $read($change['after'])],
            FigureChanges::between(array_map(static fn(array $own): array => $own['figures'], $kept), $now),
        );
    }

    /** @return list<StatedFigure> with the standard's marks: whoever looks next may write numbers otherwise */
    private function stated(Dataset $dataset, ReportDocument $document, Block $block): array
    {
        return (new NumberMarks())->during(fn(): array => $this->makePaper->block($dataset, $document, $block)->stated());
    }

    /** Somebody has looked. */
    public function markSeen(Report $report, Dataset $dataset): void
    {
        $document = ReportDocument::ofJson($report->document);
        $kept = [];
        foreach ($document->blocks as $block) {
            $kept[$block->id] = ['hash' => self::hash($block), 'figures' => $this->stated($dataset, $document, $block)];
        }
        $report->update(['seen' => self::write($kept), 'seen_revision' => $dataset->revision]);
    }

    /**
     * What another report was seen as, as the figures that this one is put against.
     *
     * @param array<string, list<StatedFigure>> $figures by block
     */
    public static function putAgainst(Report $report, array $figures): void
    {
        $kept = [];
        foreach (ReportDocument::ofJson($report->document)->blocks as $block) {
            $kept[$block->id] = ['hash' => self::hash($block), 'figures' => $figures[$block->id] ?? []];
        }
        // Of no revision of this dataset.
        $report->update(['seen' => self::write($kept), 'seen_revision' => 0]);
    }

    private static function hash(Block $block): string
    {
        return hash('sha256', json_encode(array_diff_key($block->toArray(), ['title' => true, 'caption' => true]), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE));
    }

    /** @return array<string, array{hash: string, figures: list<StatedFigure>}> */
    private static function read(?string $json): array
    {
        $blocks = [];
        $listed = $json === null ? [] : json_decode($json, true);
        foreach (is_array($listed) ? $listed : [] as $one) {
            if (is_array($one) && is_string($one['id'] ?? null) && is_string($one['hash'] ?? null) && is_array($one['figures'] ?? null)) {
                $blocks[$one['id']] = ['hash' => $one['hash'], 'figures' => array_values(array_filter(array_map(StatedFigure::ofArray(...), $one['figures']), static fn(?StatedFigure $figure): bool => $figure !== null))];
            }
        }

        return $blocks;
    }

    /** @param array<string, array{hash: string, figures: list<StatedFigure>}> $blocks */
    private static function write(array $blocks): string
    {
        $listed = [];
        foreach ($blocks as $id => ['hash' => $hash, 'figures' => $figures]) {
            $listed[] = ['id' => $id, 'hash' => $hash, 'figures' => array_map(static fn(StatedFigure $figure): array => $figure->toArray(), $figures)];
        }

        return json_encode($listed, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
    }
}
