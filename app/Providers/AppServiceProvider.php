<?php

declare(strict_types=1);

namespace App\Providers;

use App\Framework\ClusterHosts;
use App\Framework\ClusterLost;
use App\Framework\KeptSessions;
use App\Framework\KeptWrites;
use App\Framework\RedisSession;
use App\Framework\SessionsInDatabase;
use App\Framework\SessionUsers;
use App\Framework\UnchangedSession;
use App\Imports\SweepImports;
use App\Models\Dataset;
use App\Models\Edition;
use App\Models\FigureSet;
use App\Models\Import;
use App\Models\Report;
use App\Models\ReportCheck;
use App\Models\ReportLink;
use App\Models\Share;
use App\Models\Team;
use App\Models\Token;
use App\Models\Upload;
use App\Models\User;
use App\Policies\DatasetPolicy;
use App\Policies\EditionPolicy;
use App\Policies\FigureSetPolicy;
use App\Policies\ImportPolicy;
use App\Policies\ReportCheckPolicy;
use App\Policies\ReportLinkPolicy;
use App\Policies\ReportPolicy;
use App\Policies\SharePolicy;
use App\Policies\TeamPolicy;
use App\Policies\UploadPolicy;
use App\Report\SweepReports;
use Illuminate\Contracts\Auth\Guard;
use Illuminate\Contracts\Database\LostConnectionDetector;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Queue\Worker;
use Illuminate\Redis\Connections\Connection;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\Redis;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Laravel\Sanctum\Sanctum;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    private const SWEEP_IMPORTS_EVERY_SECONDS = 5;
    private const SWEEP_THE_REST_EVERY_SECONDS = 3600;

    public function register(): void
    {
        // A process of the web server answers many requests; what it asks the database with need not be made anew for each.
        if (!$this->app->runningInConsole()) {
            config()->set('database.connections.mariadb.read.options.' . PDO::ATTR_PERSISTENT, true);
        }
        $this->app->singleton('db.factory', static fn(Application $app): ClusterHosts => new ClusterHosts($app));
        $this->app->singleton(LostConnectionDetector::class, ClusterLost::class);
        $this->app->singleton(KeptWrites::class);
        $this->app->bind(KeptSessions::class, static fn(Application $app): KeptSessions => config()->string('session.driver') === 'redis-when-changed' ? self::redisSession($app) : new SessionsInDatabase());
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        Sanctum::usePersonalAccessTokenModel(Token::class);
        // Named, they need not be looked for.
        foreach ([
            Dataset::class => DatasetPolicy::class,
            Edition::class => EditionPolicy::class,
            FigureSet::class => FigureSetPolicy::class,
            Import::class => ImportPolicy::class,
            Upload::class => UploadPolicy::class,
            Report::class => ReportPolicy::class,
            ReportCheck::class => ReportCheckPolicy::class,
            ReportLink::class => ReportLinkPolicy::class,
            Share::class => SharePolicy::class,
            Team::class => TeamPolicy::class,
        ] as $model => $policy) {
            Gate::policy($model, $policy);
        }
        if ($this->app->runningInConsole()) {
            $this->sweepBetweenJobs();
            // Nobody pauses a queue here: an idle worker need not ask for each of them whether somebody has.
            Worker::$pausable = false;
        }
        // Without the name that a request came under, which anybody can choose.
        Vite::createAssetPathsUsing(static fn(string $path): string => "/{$path}");
        JsonResource::withoutWrapping();
        Auth::provider('session-users', static fn(Application $app): SessionUsers => new SessionUsers($app->make(Hasher::class), User::class));
        Session::extend('database-when-changed', static fn(Application $app): UnchangedSession => new UnchangedSession(
            DB::connection(),
            'sessions',
            config()->integer('session.lifetime'),
            $app,
        ));
        Session::extend('redis-when-changed', self::redisSession(...));
    }

    private static function redisSession(Application $app): RedisSession
    {
        return new RedisSession(
            static fn(): Connection => Redis::connection('default'),
            60 * config()->integer('session.lifetime'),
            static function () use ($app): array {
                $user = $app->bound(Guard::class) ? $app->make(Guard::class)->id() : null;
                $request = $app->bound('request') ? $app->make(Request::class) : null;

                return ['user' => is_numeric($user) ? (int) $user : null, 'address' => $request?->ip(), 'agent' => mb_substr((string) $request?->userAgent(), 0, 500)];
            },
        );
    }

    /** Whoever works through the queue looks after what others have left. */
    private function sweepBetweenJobs(): void
    {
        $lastImports = $lastRest = 0;
        Queue::looping(static function () use (&$lastImports, &$lastRest): void {
            $sweep = app(SweepImports::class);
            if (time() - $lastImports >= self::SWEEP_IMPORTS_EVERY_SECONDS) {
                $lastImports = time();
                $sweep->imports();
            }
            if (time() - $lastRest >= self::SWEEP_THE_REST_EVERY_SECONDS) {
                $lastRest = time();
                $sweep->files();
                SweepReports::all();
                app(KeptSessions::class)->sweep();
            }
        });
    }
}
