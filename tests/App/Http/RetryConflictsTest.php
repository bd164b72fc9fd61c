<?php

declare(strict_types=1);

namespace Tests\App\Http;

use App\Framework\ClusterHosts;
use App\Framework\ClusterLost;
use App\Models\Dataset;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use PDOException;
use Tests\App\AppTestCase;

/** Changes that meet between nodes of the database. */
final class RetryConflictsTest extends AppTestCase
{
    private const CONFLICT = 'SQLSTATE[40001]: Serialization failure: 1213 Deadlock found when trying to get lock; try restarting transaction';

    public function test_a_change_that_lost_is_done_again_from_its_beginning(): void
    {
        $dataset = $this->dataset("kg,g\n1,a\n2,b\n");
        $tries = 0;
        DB::listen(static function ($query) use (&$tries): void {
            if (str_starts_with($query->sql, 'insert into `revisions`') && ++$tries < 3) {
                throw new PDOException(self::CONFLICT);
            }
        });
        $this->postJson("/api/datasets/{$dataset->id}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '7']]])->assertSuccessful();

        self::assertSame([3, 2, 2], [$tries, $dataset->refresh()->revision, DB::table('revisions')->where('dataset_id', $dataset->id)->count()]);
    }

    public function test_what_the_address_names_is_looked_up_anew(): void
    {
        $dataset = $this->dataset("kg\n1\n");
        $seen = [];
        self::when('POST', "/api/datasets/{$dataset->id}/changes", static function (Dataset $dataset) use (&$seen): string {
            $seen[] = $dataset->title;
            if (count($seen) === 1) {
                DB::table('datasets')->where('id', $dataset->id)->update(['title' => 'as others left it']);
                throw new PDOException(self::CONFLICT);
            }

            return 'done';
        });
        // The write was kept, so it is not done again …
        $this->postJson("/api/datasets/{$dataset->id}/changes")->assertStatus(409);
        self::assertSame(['hives'], $seen);

        // … and where nothing was, it is, with the dataset as it is now.
        $seen = [];
        self::when('POST', "/api/datasets/{$dataset->id}/changes", static function (Dataset $dataset) use (&$seen): string {
            $seen[] = $dataset->title;
            throw_if(count($seen) === 1, new PDOException(self::CONFLICT));

            return 'done';
        });
        $this->postJson("/api/datasets/{$dataset->id}/changes")->assertOk();
        self::assertSame(['as others left it', 'as others left it'], $seen);
    }

    public function test_who_loses_every_time_is_told(): void
    {
        $tries = 0;
        self::when('POST', '/api/uploads', static function () use (&$tries): never {
            ++$tries;
            throw new PDOException(self::CONFLICT);
        });
        $this->postJson('/api/uploads')->assertStatus(409)->assertJsonPath('message', 'Something else was changed at the same moment, so this was not done. Look at it as it is now and try again.');
        self::assertSame(5, $tries);
    }

    public function test_a_database_whose_nodes_do_not_see_one_another_is_said(): void
    {
        self::when('GET', '/api/session', static fn(): never => throw new PDOException('SQLSTATE[08S01]: Communication link failure: 1047 WSREP has not yet prepared node for application use'));
        self::assertStringContainsString('do not see one another', $this->getJson('/api/session')->assertStatus(503)->json('message'));
        self::assertTrue((new ClusterLost())->causedByLostConnection(new PDOException('1047 ' . ClusterHosts::NOT_READY . ' for application use')));
        self::assertFalse((new ClusterLost())->causedByLostConnection(new PDOException('1064 a mistake')));
    }

    public function test_a_node_that_is_no_part_of_a_cluster_is_not_taken_for_one(): void
    {
        config()->set('database.connections.clustered', ['is_cluster' => true, 'host' => ['127.0.0.1']] + config()->array('database.connections.mariadb'));
        $this->expectExceptionMessage(ClusterHosts::NOT_READY);

        DB::connection('clustered')->select('select 1');
    }

    /** Something else is done under an address. */
    private static function when(string $method, string $address, Closure $do): void
    {
        $route = Route::getRoutes()->match(Request::create($address, $method));
        $route->setAction([...$route->getAction(), 'uses' => $do, 'controller' => null]);
    }
}
