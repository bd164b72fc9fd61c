<?php

declare(strict_types=1);

namespace App\Http;

use App\Export\CannotExport;
use App\Intake\NotATable;
use App\Store\Changes\ChangeRefused;
use App\Store\Changes\StaleRevision;
use App\Store\NoRoom;
use App\Store\UnknownVariable;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\Exceptions\PostTooLargeException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Session\TokenMismatchException;
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
        $exceptions->dontReport([NotATable::class, CannotExport::class, ChangeRefused::class, StaleRevision::class, FormulaError::class, UnknownVariable::class, NotUnderstood::class]);
        $exceptions->respond(static fn(Response $response, Throwable $exception, Request $request): Response => $request->is('api/*') && $response->getStatusCode() === 500
            ? self::message(500, 'Something went wrong on our side, and nothing was changed. Try again; if it stays so, tell whoever runs this server (the log has the details).')
            : $response);
        $exceptions->shouldRenderJsonWhen(static fn(Request $request): bool => $request->is('api/*'));
        $exceptions->render(static fn(UnknownVariable $exception): JsonResponse => self::message(422, $exception->getMessage()));
        $exceptions->render(static fn(NotUnderstood $exception): JsonResponse => $exception->lacks === null ? self::message(422, $exception->getMessage()) : new JsonResponse([
            'message' => $exception->getMessage(),
            'findings' => [['code' => "lacks-{$exception->lacks}", 'sentence' => $exception->getMessage()]],
        ], 422));
        $exceptions->render(static fn(CannotExport $exception): JsonResponse => self::message(422, $exception->getMessage()));
        $exceptions->render(static fn(NoRoom $exception): JsonResponse => self::message(507, $exception->getMessage()));
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
        $exceptions->render(static fn(AuthenticationException $exception, Request $request): ?JsonResponse => $request->is('api/*')
            ? self::message(401, 'Sign in first.')
            : null);
        $exceptions->render(static fn(PostTooLargeException $exception): JsonResponse => self::message(413, self::tooLarge()));
        $exceptions->render(static function (HttpExceptionInterface $exception, Request $request): ?JsonResponse {
            if (!$request->is('api/*')) {
                return null;
            }

            return match (true) {
                $exception->getStatusCode() === 404 => self::message(404, 'There is nothing here under this address, or it is not yours.'),
                $exception->getPrevious() instanceof TokenMismatchException => self::message(419, 'This page was open for too long. Reload it and try again.'),
                $exception->getStatusCode() === 429 => self::message(429, 'Too many tries. Wait a minute and try again.'),
                default => null,
            };
        });
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
