<?php

declare(strict_types=1);

namespace App\Http;

use App\Export\CannotExport;
use App\Files\NoRoom;
use App\Framework\ClusterHosts;
use App\Imports\PartRefused;
use App\Intake\NotATable;
use App\Report\Checks\CannotCheck;
use App\Report\Document\StaleReport;
use App\Report\Forms\CannotHandOver;
use App\Store\Changes\ChangeRefused;
use App\Store\Changes\DatasetBusy;
use App\Store\Changes\StaleRevision;
use App\Store\Stopped;
use App\Store\UnknownVariable;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as PlainResponse;
use Illuminate\Session\TokenMismatchException;
use PDOException;
use Predis\PredisException;
use RowTally\Core\Exception\NotUnderstood;
use RowTally\Core\Formula\FormulaError;
use RowTally\Core\Parsing\Finding;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/** The one place where exceptions become answers of the API: always {"message": a sentence}. */
final class ExceptionAnswers
{
    public static function register(Exceptions $exceptions): void
    {
        // What is the matter with somebody's data or words is an answer and no fault of the server.
        $exceptions->dontReport([NotATable::class, PartRefused::class, CannotExport::class, CannotHandOver::class, CannotCheck::class, StaleReport::class, ChangeRefused::class, StaleRevision::class, DatasetBusy::class, Stopped::class, FormulaError::class, UnknownVariable::class, NotUnderstood::class]);
        $exceptions->respond(static fn(Response $response, Throwable $exception, Request $request): Response => match (true) {
            $response->getStatusCode() !== 500 => $response,
            !self::isOfApi($request) => new PlainResponse((string) file_get_contents(base_path('ops/pages/away.html')), 503, ['Retry-After' => '5']),
            $request->isMethodSafe() => self::message(500, 'Something went wrong on our side. Try again; if it stays so, tell whoever runs this server (the log has the details).'),
            default => self::message(500, 'Something went wrong on our side, and it is not known whether this was done. Look before you try again; if it stays so, tell whoever runs this server (the log has the details).'),
        });
        $exceptions->render(static fn(PDOException $exception, Request $request): ?JsonResponse => !self::isOfApi($request) || !NoRoom::isMeantBy($exception) ? null : self::message(507, (new NoRoom())->getMessage()));
        $exceptions->render(static fn(PDOException $exception, Request $request): ?JsonResponse => self::isOfApi($request) && str_contains($exception->getMessage(), ClusterHosts::NOT_READY)
            ? self::message(503, 'The nodes of the database do not see one another, so nothing is read or written: it could be out of date or lost. Try again in a moment; if it stays so, tell whoever runs this server.')
            : null);
        $exceptions->render(static fn(PDOException $exception, Request $request): ?JsonResponse => self::isOfApi($request) && self::isAway($exception)
            ? self::message(503, 'The database does not answer just now. Try again in a moment; if it stays so, tell whoever runs this server.')
            : null);
        $exceptions->render(static fn(PredisException $exception, Request $request): ?JsonResponse => self::isOfApi($request)
            ? self::message(503, 'What keeps sessions and the queue (Redis) does not answer just now. Try again in a moment; if it stays so, tell whoever runs this server.')
            : null);
        $exceptions->shouldRenderJsonWhen(static fn(Request $request): bool => self::isOfApi($request));
        $exceptions->render(static fn(UnknownVariable $exception): JsonResponse => self::message(422, $exception->getMessage()));
        $exceptions->render(static fn(NotUnderstood $exception): JsonResponse => $exception->lacks === null ? self::message(422, $exception->getMessage()) : new JsonResponse([
            'message' => $exception->getMessage(),
            'findings' => [['code' => "lacks-{$exception->lacks}", 'sentence' => $exception->getMessage()]],
        ], 422));
        $exceptions->render(static fn(CannotHandOver $exception): JsonResponse => self::message(503, $exception->getMessage()));
        $exceptions->render(static fn(CannotCheck $exception): JsonResponse => self::message(422, $exception->getMessage()));
        $exceptions->render(static fn(StaleReport $exception): JsonResponse => new JsonResponse(['message' => $exception->getMessage(), 'version' => $exception->version], 409));
        $exceptions->render(static fn(CannotExport $exception): JsonResponse => self::message(422, $exception->getMessage()));
        $exceptions->render(static fn(DatasetBusy $exception): JsonResponse => self::message(503, $exception->getMessage()));
        $exceptions->render(static fn(Stopped $exception): JsonResponse => self::message(409, $exception->getMessage()));
        $exceptions->render(static fn(NoRoom $exception): JsonResponse => self::message(507, $exception->getMessage()));
        $exceptions->render(static fn(PartRefused $exception): JsonResponse => self::message($exception->status, $exception->getMessage()));
        $exceptions->render(static fn(NotATable $exception): JsonResponse => self::message(422, $exception->getMessage()));
        $exceptions->render(static fn(FormulaError $exception): JsonResponse => new JsonResponse(['message' => $exception->getMessage(), 'at' => $exception->at, 'length' => $exception->length], 422));
        $exceptions->render(static fn(ChangeRefused $exception): JsonResponse => new JsonResponse([
            'message' => $exception->getMessage(),
            'findings' => array_map(static fn(Finding $finding): array => ['code' => $finding->code, 'sentence' => $finding->sentence()], $exception->findings),
        ], 422));
        $exceptions->render(static fn(StaleRevision $exception): JsonResponse => new JsonResponse([
            'message' => $exception->getMessage(),
            'revision' => $exception->revision,
            'changes' => $exception->summaries,
        ], 409));
        $exceptions->render(static fn(AuthenticationException $exception, Request $request): ?JsonResponse => self::isOfApi($request)
            ? self::message(401, 'Sign in first.')
            : null);
        $exceptions->render(static fn(PostTooLargeException $exception): JsonResponse => self::message(413, self::tooLarge()));
        $exceptions->render(static function (HttpExceptionInterface $exception, Request $request): ?JsonResponse {
            if (!self::isOfApi($request)) {
                return null;
            }

            return match (true) {
                $exception->getStatusCode() === 404 => self::message(404, 'There is nothing here under this address, or it is not yours.'),
                $exception->getPrevious() instanceof TokenMismatchException => self::message(419, 'This page was open for too long. Reload it and try again.'),
                // Somebody may see it and not do that: the policy says why.
                $exception->getStatusCode() === 403 && $exception->getMessage() !== '' => self::message(403, $exception->getMessage()),
                $exception->getStatusCode() === 429 => self::message(429, 'Too many tries. Wait a minute and try again.'),
                default => self::message($exception->getStatusCode(), $exception->getStatusCode() === 405 ? 'This address does not take such a request.' : 'The request is not understood.'),
            };
        });
    }

    /** By the beginning of the address alone: what follows may be no text. */
    private static function isOfApi(Request $request): bool
    {
        return str_starts_with($request->getPathInfo(), '/api/');
    }

    /** Whether the database could not be reached, or went away in the middle of it; a read-only one takes no change. */
    private static function isAway(PDOException $exception): bool
    {
        return preg_match('/\[(?:2002|2006|2013|1040|1053|1205|1290)\]|gone away|Lost connection|Connection refused|server has gone|read-only|\b(?:2002|2006|2013|1040|1053|1205|1290)\b/', $exception->getMessage()) === 1;
    }

    public static function tooLarge(): string
    {
        return sprintf('The file is larger than %d MB. Split it, or leave out columns that are not needed.', config()->integer('intake.max_upload_bytes') >> 20);
    }

    private static function message(int $status, string $sentence): JsonResponse
    {
        return new JsonResponse(['message' => $sentence], $status);
    }
}
