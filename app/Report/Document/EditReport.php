<?php

declare(strict_types=1);

namespace App\Report\Document;

use App\Models\Dataset;
use App\Models\Report;
use App\Store\Changes\ChangeRefused;
use Closure;
use Illuminate\Support\Facades\DB;

/** Changes reports: each change is a version, which undo leaves and redo comes back to. */
final readonly class EditReport
{
    public const MOST_REPORTS = 50;
    /** So many versions can be gone back. */
    private const VERSIONS_KEPT = 100;
    /** Of a change that gets in the way of another one. */
    private const ATTEMPTS = 5;

    /** @throws ChangeRefused */
    public function create(Dataset $dataset, ReportDocument $document): Report
    {
        self::hasRoom($document);

        $made = new Report(['dataset_id' => $dataset->id, 'title' => $document->title, 'version' => 1, 'last_version' => 1, 'document' => $document->toJson()]);
        DB::transaction(static function () use ($dataset, $made): void {
            // The dataset first: whoever adds a report waits for whoever does.
            Dataset::query()->whereKey($dataset->id)->lockForUpdate()->value('id');
            if (Report::query()->where('dataset_id', $dataset->id)->count() >= self::MOST_REPORTS) {
                throw ChangeRefused::because('reports-full', 'This dataset has ' . self::MOST_REPORTS . ' reports.', 'at most ' . self::MOST_REPORTS, 'Delete one that is not needed.');
            }
            $made->save();
            DB::table('report_versions')->insert(['report_id' => $made->id, 'number' => 1, 'document' => $made->document]);
        }, self::ATTEMPTS);

        return $made->refresh();
    }

    /**
     * @param int|null                                $version it is made to; on any other it is refused; null = whichever there is
     * @param Closure(ReportDocument): ReportDocument $change
     *
     * @throws StaleReport|ChangeRefused
     */
    public function change(Report $report, ?int $version, Closure $change): Report
    {
        return self::locked($report, $version, static function (Report $locked) use ($change): void {
            $document = $change(ReportDocument::ofJson($locked->document));
            self::hasRoom($document);
            $json = $document->toJson();
            if ($json === $locked->document) {
                return;
            }
            $next = $locked->version + 1;
            DB::table('report_versions')->where('report_id', $locked->id)->where('number', '>=', $next)->delete();
            DB::table('report_versions')->where('report_id', $locked->id)->where('number', '<=', $next - self::VERSIONS_KEPT)->delete();
            DB::table('report_versions')->insert(['report_id' => $locked->id, 'number' => $next, 'document' => $json]);
            $locked->update(['version' => $next, 'last_version' => $next, 'document' => $json, 'title' => $document->title]);
        });
    }

    /**
     * @param -1|1 $by one version back, or one on again
     *
     * @throws StaleReport|ChangeRefused
     */
    public function step(Report $report, int $version, int $by): Report
    {
        return self::locked($report, $version, static function (Report $locked) use ($by): void {
            $to = $locked->version + $by;
            $document = $to > $locked->last_version ? null : DB::table('report_versions')->where('report_id', $locked->id)->where('number', $to)->value('document');
            if (!is_string($document)) {
                throw $by < 0
                    ? ChangeRefused::because('nothing-to-undo', 'There is nothing to take back.', 'a change of this report', 'Make one first.')
                    : ChangeRefused::because('nothing-to-redo', 'There is nothing to do again.', 'a change that was taken back', 'Take one back first.');
            }
            $locked->update(['version' => $to, 'document' => $document, 'title' => ReportDocument::ofJson($document)->title]);
        });
    }

    /**
     * Puts a block into a report: behind the place that is marked there, or at its end.
     *
     * @throws ChangeRefused
     */
    public function keep(Report $report, Block $block): Report
    {
        return $this->change($report, null, static function (ReportDocument $document) use ($report, $block): ReportDocument {
            $ids = array_map(static fn(Block $own): string => $own->id, $document->blocks);
            $at = array_search($report->place, $ids, true);
            $blocks = $document->blocks;
            array_splice($blocks, is_int($at) ? $at + 1 : count($blocks), 0, [$block]);

            return $document->with($blocks);
        });
    }

    /**
     * Puts a block into the report that was changed last, or into a first one; of several that are kept at once, one makes it.
     *
     * @throws ChangeRefused
     */
    public function keepInLast(Dataset $dataset, Block $block): Report
    {
        $last = self::lastOf($dataset);
        if ($last !== null) {
            return $this->keep($last, $block);
        }
        /** @var Report $kept */
        $kept = DB::transaction(function () use ($dataset, $block): Report {
            Dataset::query()->whereKey($dataset->id)->lockForUpdate()->value('id');
            $last = self::lastOf($dataset);

            return $last === null ? $this->create($dataset, ReportDocument::titled($dataset->title, [$block])) : $this->keep($last, $block);
        }, self::ATTEMPTS);

        return $kept;
    }

    /** @phpstan-impure somebody may make one meanwhile */
    private static function lastOf(Dataset $dataset): ?Report
    {
        return $dataset->reports()->first();
    }

    public static function hasUndo(Report $report): bool
    {
        return DB::table('report_versions')->where('report_id', $report->id)->where('number', $report->version - 1)->exists();
    }

    /** @param Closure(Report): void $work */
    private static function locked(Report $report, ?int $version, Closure $work): Report
    {
        DB::transaction(static function () use ($report, $version, $work): void {
            Report::query()->whereKey($report->id)->lockForUpdate()->value('id');
            $report->refresh();
            if ($version !== null && $report->version !== $version) {
                throw new StaleReport($report->version);
            }
            $work($report);
        }, self::ATTEMPTS);

        return $report;
    }

    /** @throws ChangeRefused */
    private static function hasRoom(ReportDocument $document): void
    {
        if (count($document->blocks) > ReportDocument::MOST_BLOCKS || $document->isTooLarge()) {
            throw ChangeRefused::because('report-full', 'The report has no room for it: it has ' . count($document->blocks) . ' blocks.', 'at most ' . ReportDocument::MOST_BLOCKS . ' blocks of 2 MB of words in all', 'Take out what is not needed, or begin another report.');
        }
    }
}
