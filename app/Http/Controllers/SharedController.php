<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\EditionFile;
use App\Models\ReportLink;
use App\Report\Editions\MakeLink;
use App\Report\Forms\Form;
use App\Report\Forms\HandOver;
use App\Report\Paper;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Storage;
use Illuminate\View\Factory;
use Symfony\Component\HttpFoundation\Response as AnyResponse;

/** A report under a link, for somebody without an account. Of a link that leads nowhere, and of one that asks for a passphrase, nothing is told. */
final class SharedController
{
    private const TRIES = 10;
    private const TRIES_SECONDS = 600;
    private const OPENINGS_A_MINUTE = 120;
    private const REMEMBERED_MINUTES = 720;

    public function show(string $token, Request $request, Factory $views, HandOver $handOver): Response
    {
        if (RateLimiter::tooManyAttempts($this->network($request), self::OPENINGS_A_MINUTE)) {
            return $this->page($views->make('report.shared-refusal', ['sentence' => 'Too many reports were asked for from here. Wait a minute and try again.'])->render(), 429);
        }
        RateLimiter::hit($this->network($request), 60);
        $link = $this->link($token);
        if ($link === null) {
            return $this->nowhere($views);
        }
        if (!$this->mayRead($link, $token, $request)) {
            return $this->page($views->make('report.shared-passphrase', ['sentence' => null])->render(), 200);
        }
        $link->update(['opened' => $link->opened + 1]);
        $edition = $link->edition;
        $script = (string) file_get_contents(resource_path('views/report/shared.js'));
        $above = $views->make('report.shared-bar', ['token' => $token, 'hasRows' => $link->has_rows && $edition->rows_path !== null, 'files' => $this->ready($link)])->render();
        $html = $handOver->shownPage(Paper::ofJson($edition->paper), $above, "<script>{$script}</script>");

        return $this->page($html, 200, "script-src 'sha256-" . base64_encode(hash('sha256', $script, true)) . "'; ");
    }

    /** The passphrase, a few tries at a time. */
    public function open(string $token, Request $request, Factory $views, Hasher $hasher): AnyResponse
    {
        $link = $this->link($token);
        if ($link === null || $link->passphrase === null) {
            return $this->nowhere($views);
        }
        $tries = ["link-{$link->id}", "{$this->network($request)}-passphrase"];
        foreach ($tries as $key) {
            if (RateLimiter::tooManyAttempts($key, self::TRIES)) {
                return $this->page($views->make('report.shared-passphrase', ['sentence' => 'Too many tries. Wait ten minutes and try again.'])->render(), 429);
            }
        }
        $passphrase = $request->input('passphrase');
        if (!is_string($passphrase) || !$hasher->check($passphrase, $link->passphrase)) {
            array_map(static fn(string $key): int => RateLimiter::hit($key, self::TRIES_SECONDS), $tries);

            return $this->page($views->make('report.shared-passphrase', ['sentence' => 'That is not the passphrase. Ask whoever gave you the link.'])->render(), 403);
        }

        // By its path alone: the name under which the server is reached is whatever the reader has typed.
        $answer = new Response('', 303, ['Location' => "/shared/{$token}", 'Cache-Control' => 'private, no-store']);
        $answer->headers->setCookie(Cookie::make($this->cookie($link), $this->proof($link), self::REMEMBERED_MINUTES, "/shared/{$token}", null, $request->isSecure(), true, false, 'strict'));

        return $answer;
    }

    public function file(string $token, string $form, Request $request, Factory $views): AnyResponse
    {
        $link = $this->link($token);
        if ($link === null || !$this->mayRead($link, $token, $request)) {
            return $this->nowhere($views);
        }
        $edition = $link->edition;
        if ($form === 'rows') {
            return $link->has_rows && $edition->rows_path !== null && Storage::exists($edition->rows_path)
                ? Storage::download($edition->rows_path, Paper::slugOf($edition->title) . '-rows.csv', ['Content-Type' => 'text/csv; charset=utf-8', 'X-Robots-Tag' => 'noindex'])
                : $this->nowhere($views);
        }
        $file = $this->ready($link)[$form] ?? null;

        return $file === null ? $this->nowhere($views) : EditionController::stream($file, $edition);
    }

    /** @return array<string, EditionFile> the forms that are made already; with the rows in them only where readers may have those */
    private function ready(ReportLink $link): array
    {
        $files = [];
        foreach ($link->edition->files as $file) {
            $form = $file->status === EditionFile::READY ? Form::tryFrom($file->form) : null;
            if ($form !== null && ($link->has_rows || $link->edition->rows_path === null || !$form->carriesRows())) {
                $files[$form->value] ??= $file;
            }
        }

        return $files;
    }

    private function link(string $token): ?ReportLink
    {
        $link = strlen($token) > 100 ? null : ReportLink::query()->with('edition')->where('token_hash', MakeLink::hash($token))->first();

        return $link instanceof ReportLink && $link->isOpen() ? $link : null;
    }

    private function mayRead(ReportLink $link, string $token, Request $request): bool
    {
        $told = $request->cookie($this->cookie($link));

        return $link->passphrase === null || (is_string($told) && hash_equals($this->proof($link), $told));
    }

    private function cookie(ReportLink $link): string
    {
        return "rowtally-link-{$link->id}";
    }

    /** That the passphrase was given, as it is now. */
    private function proof(ReportLink $link): string
    {
        return hash_hmac('sha256', "{$link->id}|{$link->passphrase}", config()->string('app.key'));
    }

    private function network(Request $request): string
    {
        return 'shared-' . $request->ip();
    }

    private function nowhere(Factory $views): Response
    {
        return $this->page($views->make('report.shared-refusal', ['sentence' => 'This link leads nowhere, or not any more. Ask whoever gave it to you.'])->render(), 404);
    }

    private function page(string $html, int $status, string $script = ''): Response
    {
        return new Response($html, $status, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Content-Security-Policy' => "default-src 'none'; {$script}style-src 'unsafe-inline'; img-src data:; font-src data:; form-action 'self'; base-uri 'none'; frame-ancestors 'none'",
            'X-Robots-Tag' => 'noindex, nofollow',
            'Referrer-Policy' => 'no-referrer',
            'Cache-Control' => 'private, no-store',
        ]);
    }
}
