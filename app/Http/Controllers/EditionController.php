<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\EditionResource;
use App\Models\Edition;
use App\Models\EditionFile;
use App\Models\Report;
use App\Models\ReportLink;
use App\Report\Editions\EditionFiles;
use App\Report\Editions\MakeEdition;
use App\Report\Editions\MakeLink;
use App\Report\Forms\Form;
use App\Report\Paper;
use App\Report\Record\FigureChanges;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Reports that were handed over: their files, their links, what changed from one to the next. */
final class EditionController
{
    public function index(Report $report): JsonResponse
    {
        return new JsonResponse(array_map(static fn(Edition $edition): array => (new EditionResource($edition))->resolve(), array_values($report->editions()->with(['files', 'links'])->get(['id', 'report_id', 'number', 'title', 'note', 'revision', 'rows_path', 'made_at'])->all())));
    }

    public function store(Report $report, Request $request, MakeEdition $make): JsonResponse
    {
        $request->validate(['note' => ['nullable', 'string', 'max:' . MakeEdition::LONGEST_NOTE], 'rows' => ['nullable', 'boolean']], ['note' => 'A note has at most 2,000 characters.']);
        $edition = $make->of($report, $report->dataset->load('variables'), trim($request->string('note')->toString()), $request->boolean('rows'));

        return (new EditionResource($edition))->response()->setStatusCode(201);
    }

    public function show(Edition $edition): JsonResponse
    {
        return new JsonResponse((new EditionResource($edition))->resolve());
    }

    /** Figure by figure against the edition before it. */
    public function changes(Edition $edition): JsonResponse
    {
        $before = $edition->before();

        return new JsonResponse([
            'before' => $before?->number,
            'changes' => $before === null ? [] : FigureChanges::between(FigureChanges::of(Paper::ofJson($before->paper)), FigureChanges::of(Paper::ofJson($edition->paper))),
        ]);
    }

    /** A form is asked for, and made in the queue; asked again it tells how far it is. */
    public function ask(Edition $edition, Request $request, EditionFiles $files): JsonResponse
    {
        return new JsonResponse(EditionResource::file($files->ask($edition, self::form($request), $request->input('size') === 'letter' ? 'letter' : 'a4')), 202);
    }

    public function status(Edition $edition, string $form, Request $request): JsonResponse
    {
        return new JsonResponse(EditionResource::file(self::file($edition, $form, $request)));
    }

    public function cancel(Edition $edition, string $form, Request $request, EditionFiles $files): Response
    {
        $files->cancel(self::file($edition, $form, $request));

        return new Response(status: 204);
    }

    public function download(Edition $edition, string $form, Request $request): StreamedResponse
    {
        return self::stream(self::file($edition, $form, $request), $edition);
    }

    public static function stream(EditionFile $file, Edition $edition): StreamedResponse
    {
        $own = Form::from($file->form);
        $path = $file->status === EditionFile::READY && $file->path !== null && Storage::exists($file->path) ? $file->path : abort(404);

        return Storage::download($path, Paper::slugOf($edition->title) . "-edition-{$edition->number}.{$own->extension()}", [
            'Content-Type' => $own->mediaType(),
            // A page that was handed over runs nothing, wherever it is opened.
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; img-src data:; font-src data:; sandbox",
        ]);
    }

    public function link(Edition $edition, Request $request, MakeLink $make): JsonResponse
    {
        $request->validate([
            'passphrase' => ['nullable', 'string', 'min:6', 'max:200'],
            'rows' => ['nullable', 'boolean'],
            'expires_at' => ['nullable', 'date', 'after:now', 'before:+10 years'],
        ], ['passphrase' => 'A passphrase has 6 to 200 characters.', 'expires_at' => 'A link ends at a time to come.']);
        $expires = $request->input('expires_at');
        $link = $make->of($edition, $request->string('passphrase')->toString(), $request->boolean('rows'), is_string($expires) && $expires !== '' ? Carbon::parse($expires) : null);

        return new JsonResponse(EditionResource::link($link), 201);
    }

    public function revoke(ReportLink $reportLink): Response
    {
        $reportLink->update(['revoked_at' => now()]);

        return new Response(status: 204);
    }

    private static function form(Request $request): Form
    {
        $request->validate(['form' => ['required', 'string', 'in:' . implode(',', array_column(Form::cases(), 'value'))]], ['form' => 'A report is handed over as one of: ' . implode(', ', array_column(Form::cases(), 'value')) . '.']);

        return Form::from($request->string('form')->toString());
    }

    private static function file(Edition $edition, string $form, Request $request): EditionFile
    {
        $own = Form::tryFrom($form) ?? abort(404);
        $size = $request->input('size') === 'letter' && $own->hasSize() ? 'letter' : 'a4';

        return EditionFile::query()->where('edition_id', $edition->id)->where('form', $own->value)->where('size', $size)->firstOrFail();
    }
}
