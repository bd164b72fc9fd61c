<?php

declare(strict_types=1);

use App\Framework\QuietSession;
use App\Http\Controllers\PageController;
use App\Http\ExceptionAnswers;
use App\Http\Middleware\OwnForms;
use App\Http\Middleware\ReadableWords;
use App\Http\Middleware\RetryConflicts;
use App\Http\Middleware\TellServerTime;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\PreventRequestsDuringMaintenance;
use Illuminate\Foundation\Http\Middleware\TrimStrings;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\View\Middleware\ShareErrorsFromSession;

$app = Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__ . '/../routes/web.php',
        commands: __DIR__ . '/../routes/console.php',
    )
    ->withMiddleware(static function (Middleware $middleware): void {
        // The application is same-origin: it needs no package for other origins, which composer.json says under "replace".
        $middleware->remove(HandleCors::class);
        // No proxy stands before it whose word would count.
        $middleware->remove(TrustProxies::class);
        // It is stopped for the time of a change (docs/operations.md): nothing says so while it runs.
        $middleware->remove(PreventRequestsDuringMaintenance::class);
        // A cell, a name and a password are what was typed: nothing is trimmed and an empty text stays an empty text.
        $middleware->remove(TrimStrings::class);
        // The words of an address may be left empty; what is sent in a change is what was typed.
        $middleware->convertEmptyStringsToNull(except: [static fn(Request $request): bool => !$request->isMethodSafe()]);
        // Kept by the page, and no secret.
        $middleware->encryptCookies(except: [PageController::LOOK]);
        $middleware->prepend(TellServerTime::class);
        $middleware->append(ReadableWords::class);
        $middleware->web(append: [RetryConflicts::class], remove: [ShareErrorsFromSession::class], replace: [StartSession::class => QuietSession::class, ValidateCsrfToken::class => OwnForms::class]);
        $middleware->prependToPriorityList(before: SubstituteBindings::class, prepend: RetryConflicts::class);
        $middleware->redirectGuestsTo('/');
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        ExceptionAnswers::register($exceptions);
    })
    ->create();

// Each instance (the one of ./start, the one of ./test) has a folder of its own under var/ for settings, logs and files.
$instance = getenv('ROWTALLY_INSTANCE');
$app->useStoragePath($app->basePath('var/' . ($instance === false ? 'main' : $instance) . '/storage'));
$app->useEnvironmentPath($app->basePath('var/' . ($instance === false ? 'main' : $instance)));
$app->loadEnvironmentFrom('env');

return $app;
