<?php

declare(strict_types=1);

namespace App\Providers;

use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\ServiceProvider;
use PDO;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        // A process of the web server answers many requests; what it asks the database with need not be made anew for each.
        if (!$this->app->runningInConsole()) {
            config()->set('database.connections.mariadb.read.options.' . PDO::ATTR_PERSISTENT, true);
        }
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        JsonResource::withoutWrapping();
        Session::extend('database-when-changed', static fn(Application $app): UnchangedSession => new UnchangedSession(
            DB::connection(),
            'sessions',
            config()->integer('session.lifetime'),
            $app,
        ));
    }
}
