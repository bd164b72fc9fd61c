<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Requests\BeginReportRequest;
use App\Http\Requests\KeepRequest;
use App\Http\Requests\OtherDatasets;
use App\Http\Requests\ReportRequest;
use App\Http\Resources\ReportResource;
use App\Models\Dataset;
use App\Models\Report;
use App\Models\Share;
use App\Models\User;
use App\Report\Document\AgainWithRows;
use App\Report\Document\Block;
use App\Report\Document\EditReport;
use App\Report\Document\ReportDocument;
use App\Report\Editions\EditionFiles;
use App\Report\Forms\HandOver;
use App\Report\Forms\Markup;
use App\Report\Forms\PagesOfReport;
use App\Report\Forms\PaperSvg;
use App\Report\MakeMethod;
use App\Report\MakePaper;
use App\Report\Record\SeenFigures;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\View\Factory;

/** Reports of a dataset: their documents, and what their blocks show. */
final class ReportController
{
    public function index(Dataset $dataset): JsonResponse
    {
        return new JsonResponse(array_map(static fn(Report $report): array => [
            'id' => $report->id,
            'title' => $report->title,
            'blocks' => count(ReportDocument::ofJson($report->document)->blocks),
            'editions' => $report->editions()->count(),
            'changed_at' => $report->updated_at->toIso8601ZuluString(),
        ], array_values($dataset->reports()->get()->all())));
    }

    /** Those that others share with the account, each by itself. */
    public function shared(#[CurrentUser] User $user): JsonResponse
    {
        $query = Report::query()->with('dataset.user', 'dataset.team');
        $query->whereIn('id', Share::query()->select('report_id')->where('user_id', $user->id)->whereNotNull('report_id'))->orderByDesc('updated_at')->orderByDesc('id');

        return new JsonResponse(array_map(static fn(Report $report): array => [
            'id' => $report->id,
            'title' => $report->title,
            'owner' => $report->dataset->ownerName(),
            'role' => Share::roleInReport($user, $report) ?? Share::READER,
            'changed_at' => $report->updated_at->toIso8601ZuluString(),
        ], array_values($query->get()->all())));
    }

    public function store(Dataset $dataset, BeginReportRequest $request, EditReport $edit): JsonResponse
    {
        return (new ReportResource($edit->create($dataset, $request->document($dataset))))->response()->setStatusCode(201);
    }

    /** Puts a block into the report that was changed last, or into a first one. */
    public function keep(Dataset $dataset, KeepRequest $request, EditReport $edit, #[CurrentUser] User $user): JsonResponse
    {
        $block = $request->block($dataset, $user);
        $id = $request->report();
        $report = $id === null ? $edit->keepInLast($dataset, $block) : $edit->keep($dataset->reports()->findOrFail($id), $block);

        return new JsonResponse(['report' => $report->id, 'block' => $block->id, 'title' => $report->title], 201);
    }

    public function show(Report $report): ReportResource
    {
        return new ReportResource($report);
    }

    public function update(Report $report, ReportRequest $request, EditReport $edit, #[CurrentUser] User $user): ReportResource
    {
        $document = $request->document();
        // What stood there before stays, whoever wrote it.
        $before = ReportDocument::ofJson($report->document);
        OtherDatasets::areTheirs($user, ...array_filter($document->blocks, static fn(Block $block): bool => $before->block($block->id)?->address !== $block->address));

        return new ReportResource($edit->change($report, $request->version(), static fn(): ReportDocument => $document));
    }

    public function undo(Report $report, Request $request, EditReport $edit): ReportResource
    {
        return new ReportResource($edit->step($report, $request->integer('version'), -1));
    }

    public function redo(Report $report, Request $request, EditReport $edit): ReportResource
    {
        return new ReportResource($edit->step($report, $request->integer('version'), 1));
    }

    /** Behind which block what is kept is put. */
    public function mark(Report $report, Request $request): ReportResource
    {
        $place = $request->input('place');
        $report->update(['place' => is_string($place) && ReportDocument::ofJson($report->document)->block($place) !== null ? $place : null]);

        return new ReportResource($report);
    }

    public function destroy(Report $report): Response
    {
        EditionFiles::deleteOf($report->id);
        $report->delete();

        return new Response(status: 204);
    }

    /** What a block shows of the data by now, as it will stand on paper. */
    public function block(Report $report, string $block, MakePaper $make, Factory $views): JsonResponse
    {
        $document = ReportDocument::ofJson($report->document);
        $own = $document->block($block) ?? abort(404);
        $made = $make->block($report->dataset->load('variables'), $document, $own);

        return new JsonResponse([
            'id' => $made->id,
            'number' => $made->number,
            'html' => PaperSvg::onScreen(Markup::tidy($views->make('report.block', ['block' => $made->bare($own->caption), 'files' => null, 'widthsFor' => null])->render())),
            'words' => $made->words->html ?? '',
            'figures' => count($made->stated()),
            'said' => $made->said,
            'lacks' => $made->lacks,
        ]);
    }

    /** All lines of how it was done, also those that stay out. */
    public function method(Report $report, MakeMethod $make): JsonResponse
    {
        return new JsonResponse($make->all($report->dataset->load('variables'), ReportDocument::ofJson($report->document)));
    }

    public function changes(Report $report, SeenFigures $seen): JsonResponse
    {
        $dataset = $report->dataset->load('variables');

        return new JsonResponse(['revision' => $dataset->revision, 'seen_revision' => $report->seen_revision, 'changes' => $seen->changes($report, $dataset)]);
    }

    /** What in it has come to nothing, and why. */
    public function unfinished(Report $report, MakePaper $make): JsonResponse
    {
        $unfinished = [];
        foreach ($make->of($report->dataset->load('variables'), ReportDocument::ofJson($report->document))->blocks as $block) {
            foreach ($block->lacks as $lack) {
                $unfinished[] = ['block' => $block->id, 'number' => $block->number, 'why' => $lack];
            }
        }

        return new JsonResponse($unfinished);
    }

    public function seen(Report $report, SeenFigures $seen): Response
    {
        $seen->markSeen($report, $report->dataset->load('variables'));

        return new Response(status: 204);
    }

    /** The pages as they will be on paper: how many, and the name under which each can be asked for. */
    public function pages(Report $report, Request $request, PagesOfReport $pages): JsonResponse
    {
        return new JsonResponse($pages->of($report, $request->query('size') === 'letter' ? 'letter' : 'a4'));
    }

    public function page(Report $report, string $page, Request $request, PagesOfReport $pages): Response
    {
        $key = $request->query('key');
        $pdf = (is_string($key) ? $pages->pdf($report, $key) : null) ?? abort(404);

        return new Response(HandOver::pagePng($pdf, (int) $page), 200, ['Content-Type' => 'image/png', 'Cache-Control' => 'private, max-age=3600']);
    }

    /** The same report of another dataset. */
    public function again(Report $report, Request $request, AgainWithRows $again, #[CurrentUser] User $user): JsonResponse
    {
        /** @var array{dataset: int|string, names?: array<string, string>} $asked */
        $asked = $request->validate(['dataset' => ['required', 'integer'], 'names' => ['sometimes', 'array', 'max:200'], 'names.*' => ['string', 'max:100']]);
        $other = Dataset::query()->with('variables')->find((int) $asked['dataset']) ?? abort(404);
        Gate::forUser($user)->authorize('change', $other);
        $made = $again->of($report, $report->dataset->load('variables'), $other, $asked['names'] ?? []);

        return $made instanceof Report ? (new ReportResource($made))->response()->setStatusCode(201) : new JsonResponse(['message' => 'Some variables have no namesake there. Say which they are.', 'unmatched' => $made], 422);
    }
}
