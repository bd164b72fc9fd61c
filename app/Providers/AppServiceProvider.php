<?php

declare(strict_types=1);

namespace App\Providers;

use App\Models\Dataset;
use App\Models\FigureSet;
use App\Models\Import;
use App\Models\KeptItem;
use App\Models\User;
use App\Policies\DatasetPolicy;
use App\Policies\FigureSetPolicy;
use App\Policies\ImportPolicy;
use App\Policies\KeptItemPolicy;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
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
        // Named, they need not be looked for.
        foreach ([Dataset::class => DatasetPolicy::class, FigureSet::class => FigureSetPolicy::class, Import::class => ImportPolicy::class, KeptItem::class => KeptItemPolicy::class] as $model => $policy) {
            Gate::policy($model, $policy);
        }
        JsonResource::withoutWrapping();
        Auth::provider('session-users', static fn(Application $app): SessionUsers => new SessionUsers($app->make(Hasher::class), User::class));
        Session::extend('database-when-changed', static fn(Application $app): UnchangedSession => new UnchangedSession(
            DB::connection(),
            'sessions',
            config()->integer('session.lifetime'),
            $app,
        ));
    }
}
