<?php

declare(strict_types=1);

use App\Accounts\Scope;
use App\Drawing\Pictures;
use App\Http\Controllers\AccountController;
use App\Http\Controllers\ChangeController;
use App\Http\Controllers\CheckController;
use App\Http\Controllers\ClassesController;
use App\Http\Controllers\CompareController;
use App\Http\Controllers\ContractController;
use App\Http\Controllers\ConventionController;
use App\Http\Controllers\DatasetController;
use App\Http\Controllers\EditionController;
use App\Http\Controllers\EntryCheckController;
use App\Http\Controllers\ExportController;
use App\Http\Controllers\FieldController;
use App\Http\Controllers\FigureController;
use App\Http\Controllers\GuideController;
use App\Http\Controllers\HealthController;
use App\Http\Controllers\ImportController;
use App\Http\Controllers\JudgeController;
use App\Http\Controllers\MetricsController;
use App\Http\Controllers\PageController;
use App\Http\Controllers\PlotController;
use App\Http\Controllers\ProfileController;
use App\Http\Controllers\ReadingController;
use App\Http\Controllers\ReportController;
use App\Http\Controllers\RowController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\ShareController;
use App\Http\Controllers\SharedController;
use App\Http\Controllers\TeamController;
use App\Http\Controllers\TokenController;
use App\Http\Controllers\UnderwayController;
use App\Http\Controllers\UploadController;
use App\Http\Controllers\VariableController;
use App\Http\Middleware\FairShare;
use App\Http\Middleware\InOwnMarks;
use App\Http\Middleware\OnlyOnce;
use App\Http\Middleware\SignedIn;
use App\Http\Middleware\TellsHowFar;
use Illuminate\Support\Facades\Route;

// An id is a number and nothing behind it.
foreach (['dataset', 'import', 'upload', 'report', 'edition', 'reportLink', 'reportCheck', 'share', 'team', 'figureSet', 'longChange'] as $id) {
    Route::pattern($id, '[1-9][0-9]{0,17}');
}
Route::pattern('underway', TellsHowFar::NAME);

$signedIn = [SignedIn::class, InOwnMarks::class, FairShare::class, OnlyOnce::class, TellsHowFar::class];

Route::prefix('api')->group(static function () use ($signedIn): void {
    Route::get('session', [SessionController::class, 'show']);
    Route::post('session', [SessionController::class, 'store']);
    Route::post('accounts', [AccountController::class, 'store']);
    Route::post('accounts/confirm', [AccountController::class, 'confirm'])->middleware('throttle:30,1,confirm');
    Route::post('passwords/forgot', [AccountController::class, 'forgot'])->middleware('throttle:10,1,forgot');
    Route::post('passwords/new', [AccountController::class, 'reset'])->middleware('throttle:30,1,reset');
    Route::get('openapi.yaml', [ContractController::class, 'yaml']);
    Route::get('contract', [ContractController::class, 'json']);
    Route::get('docs', [PageController::class, 'show']);
    Route::get('conventions', [ConventionController::class, 'index']);
    Route::get('guide', [GuideController::class, 'index'])->middleware([InOwnMarks::class, 'cache.headers:private;no_cache;etag']);
    // One's own account: never by a token, and no answer is kept, for some are secrets.
    Route::group(['middleware' => [SignedIn::class, FairShare::class], 'scope' => Scope::NONE], static function (): void {
        Route::delete('session', [SessionController::class, 'destroy']);
        Route::get('account', [AccountController::class, 'show']);
        Route::patch('account', [AccountController::class, 'update']);
        Route::delete('account', [AccountController::class, 'destroy']);
        Route::put('account/address', [AccountController::class, 'address'])->middleware('throttle:10,60,address');
        Route::put('account/password', [AccountController::class, 'password']);
        Route::get('account/data', [AccountController::class, 'data']);
        Route::get('account/sessions', [AccountController::class, 'sessions']);
        Route::delete('account/sessions', [AccountController::class, 'endSessions']);
        Route::delete('account/sessions/{session}', [AccountController::class, 'endSession'])->where('session', '[0-9a-f]{64}');
        Route::post('account/factor', [AccountController::class, 'beginFactor']);
        Route::post('account/factor/confirm', [AccountController::class, 'confirmFactor'])->middleware('throttle:10,1,factor');
        Route::post('account/factor/recovery-codes', [AccountController::class, 'recoveryCodes']);
        Route::delete('account/factor', [AccountController::class, 'endFactor']);
        Route::get('account/tokens', [TokenController::class, 'index']);
        Route::post('account/tokens', [TokenController::class, 'store'])->middleware('throttle:30,60,tokens');
        Route::delete('account/tokens/{token}', [TokenController::class, 'destroy'])->whereNumber('token');
    });
    // How far something is must be told also to whoever has all their places taken.
    Route::group(['middleware' => [SignedIn::class], 'scope' => Scope::Read->value], static function (): void {
        Route::get('underway/{underway}', [UnderwayController::class, 'show']);
        Route::post('underway/{underway}/stop', [UnderwayController::class, 'stop']);
    });
    // To look and take out: what is asked changes nothing.
    // Asked again, an answer that has not changed is not sent again.
    Route::group(['middleware' => [...$signedIn, 'cache.headers:private;no_cache;etag'], 'scope' => Scope::Read->value], static function (): void {
        Route::get('datasets', [DatasetController::class, 'index']);
        Route::get('datasets/{dataset}', [DatasetController::class, 'show'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/shares', [ShareController::class, 'index'])->can('view', 'dataset');
        Route::post('datasets/{dataset}/here', [ShareController::class, 'here'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/rows', [RowController::class, 'index'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/rows/find', [RowController::class, 'find'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/changes', [ChangeController::class, 'index'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/changes/under-way/{longChange}', [ChangeController::class, 'underWay'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/ends', [VariableController::class, 'ends'])->can('view', 'dataset');
        Route::post('datasets/{dataset}/formula', [VariableController::class, 'tryFormula'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/variables/{variable}/type', [VariableController::class, 'tryType'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/variables/{variable}/labels', [VariableController::class, 'labels'])->can('view', 'dataset');
        Route::post('datasets/{dataset}/compare', [EntryCheckController::class, 'compare'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/export', [ExportController::class, 'show'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/check', [EntryCheckController::class, 'index'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/profile', [ProfileController::class, 'show'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/overview', [ProfileController::class, 'overview'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/readings', [ReadingController::class, 'index'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/compared', [CompareController::class, 'show'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/judged', [JudgeController::class, 'show'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/working', [ProfileController::class, 'working'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/matches', [ProfileController::class, 'matches'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/standing', [ProfileController::class, 'standing'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/comparison', [ProfileController::class, 'comparison'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/classes', [ClassesController::class, 'show'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/plots/crosshair', [PlotController::class, 'crosshair'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/plots/range', [PlotController::class, 'range'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/plots/{kind}', [PlotController::class, 'scenes'])->whereIn('kind', Pictures::kinds())->can('view', 'dataset');
        Route::post('datasets/{dataset}/fields', [FieldController::class, 'index'])->can('view', 'dataset');
        Route::get('datasets/{dataset}/reports', [ReportController::class, 'index'])->can('view', 'dataset');
        Route::get('reports', [ReportController::class, 'shared']);
        Route::get('reports/{report}', [ReportController::class, 'show'])->can('view', 'report');
        Route::get('reports/{report}/blocks/{block}', [ReportController::class, 'block'])->can('view', 'report');
        Route::get('reports/{report}/method', [ReportController::class, 'method'])->can('view', 'report');
        Route::get('reports/{report}/changes', [ReportController::class, 'changes'])->can('view', 'report');
        Route::get('reports/{report}/unfinished', [ReportController::class, 'unfinished'])->can('view', 'report');
        Route::get('reports/{report}/pages', [ReportController::class, 'pages'])->can('view', 'report');
        Route::get('reports/{report}/pages/{page}', [ReportController::class, 'page'])->where('page', '[1-9][0-9]{0,3}')->can('view', 'report');
        Route::get('reports/{report}/editions', [EditionController::class, 'index'])->can('view', 'report');
        Route::get('editions/{edition}', [EditionController::class, 'show'])->can('view', 'edition');
        Route::get('editions/{edition}/changes', [EditionController::class, 'changes'])->can('view', 'edition');
        Route::get('editions/{edition}/files/{form}', [EditionController::class, 'download'])->can('view', 'edition');
        Route::get('editions/{edition}/files/{form}/status', [EditionController::class, 'status'])->can('view', 'edition');
        Route::get('checks/{reportCheck}', [CheckController::class, 'show'])->can('view', 'reportCheck');
        Route::get('figures', [FigureController::class, 'index']);
        Route::get('uploads', [UploadController::class, 'index']);
        Route::get('uploads/{upload}', [UploadController::class, 'show'])->can('view', 'upload');
        Route::get('imports', [ImportController::class, 'index']);
        Route::get('imports/{import}', [ImportController::class, 'show'])->can('view', 'import');
        Route::get('imports/{import}/reading', [ImportController::class, 'look'])->can('view', 'import');
    });
    // To bring in, make and change.
    Route::group(['middleware' => $signedIn, 'scope' => Scope::Change->value], static function (): void {
        Route::post('datasets', [DatasetController::class, 'store']);
        Route::patch('datasets/{dataset}', [DatasetController::class, 'update'])->can('change', 'dataset');
        Route::post('datasets/{dataset}/changes', [ChangeController::class, 'store'])->can('change', 'dataset');
        Route::post('datasets/{dataset}/changes/under-way/{longChange}/stop', [ChangeController::class, 'stop'])->can('change', 'dataset');
        Route::post('datasets/{dataset}/reread', [ImportController::class, 'reread'])->can('view', 'dataset');
        Route::post('datasets/{dataset}/check', [EntryCheckController::class, 'lookedAt'])->can('change', 'dataset');
        Route::post('datasets/{dataset}/reports', [ReportController::class, 'store'])->can('change', 'dataset');
        Route::post('datasets/{dataset}/kept', [ReportController::class, 'keep'])->can('change', 'dataset');
        Route::put('reports/{report}', [ReportController::class, 'update'])->can('change', 'report');
        Route::delete('reports/{report}', [ReportController::class, 'destroy'])->can('remove', 'report');
        Route::post('reports/{report}/undo', [ReportController::class, 'undo'])->can('change', 'report');
        Route::post('reports/{report}/redo', [ReportController::class, 'redo'])->can('change', 'report');
        Route::put('reports/{report}/place', [ReportController::class, 'mark'])->can('change', 'report');
        Route::post('reports/{report}/seen', [ReportController::class, 'seen'])->can('change', 'report');
        Route::post('reports/{report}/again', [ReportController::class, 'again'])->can('view', 'report');
        Route::post('reports/{report}/editions', [EditionController::class, 'store'])->can('change', 'report');
        Route::post('editions/{edition}/files', [EditionController::class, 'ask'])->can('change', 'edition');
        Route::delete('editions/{edition}/files/{form}', [EditionController::class, 'cancel'])->can('change', 'edition');
        Route::post('checks', [CheckController::class, 'store']);
        Route::delete('checks/{reportCheck}', [CheckController::class, 'cancel'])->can('view', 'reportCheck');
        Route::put('figures/chosen', [FigureController::class, 'choose']);
        Route::post('figures/sets', [FigureController::class, 'store']);
        Route::delete('figures/sets/{figureSet}', [FigureController::class, 'destroy'])->can('delete', 'figureSet');
        Route::post('uploads', [UploadController::class, 'store']);
        Route::patch('uploads/{upload}', [UploadController::class, 'append'])->can('change', 'upload');
        Route::delete('uploads/{upload}', [UploadController::class, 'destroy'])->can('change', 'upload');
        Route::post('imports', [ImportController::class, 'store']);
        Route::post('imports/{import}/reading', [ImportController::class, 'decide'])->can('change', 'import');
        Route::post('imports/{import}/begin', [ImportController::class, 'begin'])->can('change', 'import');
        Route::post('imports/{import}/cancel', [ImportController::class, 'cancel'])->can('cancel', 'import');
    });
    // Whom it is shared with, whose it is, and whether it is there at all.
    Route::group(['middleware' => $signedIn, 'scope' => Scope::Own->value], static function (): void {
        Route::delete('datasets/{dataset}', [DatasetController::class, 'destroy'])->can('delete', 'dataset');
        Route::post('datasets/{dataset}/shares', [ShareController::class, 'store'])->can('delete', 'dataset')->middleware('throttle:30,60,offer');
        Route::post('datasets/{dataset}/hand-over', [ShareController::class, 'handOver'])->can('delete', 'dataset');
        Route::get('reports/{report}/shares', [ShareController::class, 'indexOfReport'])->can('delete', 'report');
        Route::post('reports/{report}/shares', [ShareController::class, 'storeOfReport'])->can('delete', 'report')->middleware('throttle:30,60,offer');
        Route::get('shares', [ShareController::class, 'offered']);
        Route::get('teams', [TeamController::class, 'index']);
        Route::post('teams', [TeamController::class, 'store'])->middleware('throttle:30,60,teams');
        Route::patch('teams/{team}', [TeamController::class, 'update'])->can('keep', 'team');
        Route::delete('teams/{team}', [TeamController::class, 'destroy'])->can('keep', 'team');
        Route::post('teams/{team}/shares', [TeamController::class, 'offer'])->can('keep', 'team')->middleware('throttle:30,60,offer');
        Route::put('datasets/{dataset}/team', [TeamController::class, 'give'])->can('delete', 'dataset');
        Route::post('shares/{share}/take', [ShareController::class, 'take']);
        Route::patch('shares/{share}', [ShareController::class, 'update'])->can('change', 'share');
        Route::delete('shares/{share}', [ShareController::class, 'destroy'])->can('end', 'share');
        Route::post('editions/{edition}/links', [EditionController::class, 'link'])->can('change', 'edition');
        Route::delete('links/{reportLink}', [EditionController::class, 'revoke'])->can('change', 'reportLink');
    });
    Route::any('{any?}', static fn() => abort(404))->where('any', '.*');
});

Route::get('up', [HealthController::class, 'show'])->withoutMiddleware('web');
Route::get('metrics', [MetricsController::class, 'show'])->withoutMiddleware('web');

// A report under a link, for anybody who has it: no account, and no session.
Route::middleware([])->withoutMiddleware('web')->prefix('shared')->group(static function (): void {
    Route::get('{token}', [SharedController::class, 'show'])->where('token', '[A-Za-z0-9_-]+');
    Route::post('{token}', [SharedController::class, 'open'])->where('token', '[A-Za-z0-9_-]+');
    Route::get('{token}/{form}', [SharedController::class, 'file'])->where(['token' => '[A-Za-z0-9_-]+', 'form' => '[a-z]+']);
});

// Every other address is a screen; the page finds out which one.
Route::get('{any?}', [PageController::class, 'show'])->where('any', '.*')->middleware(InOwnMarks::class);
