<?php

declare(strict_types=1);

namespace Tests\App\Accounts;

use App\Models\Dataset;
use App\Models\Share;
use App\Models\Team;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Teams, which own datasets: who is asked in, what each may, and that nobody is left without a keeper. */
final class TeamTest extends AppTestCase
{
    private Dataset $dataset;
    private int $team;

    protected function setUp(): void
    {
        parent::setUp();
        config()->set('mail.default', 'array');
        $this->dataset = $this->dataset("kg,site\n20,a\n30,b\n");
        $made = $this->postJson('/api/teams', ['name' => ' Survey '])->assertCreated();
        Contract::assertMeets('makeTeam', $made);
        $this->team = $made->json('0.id');
    }

    public function test_somebody_is_asked_in_takes_it_and_has_what_the_team_has(): void
    {
        $ida = $this->account('ida');
        $this->putJson("/api/datasets/{$this->dataset->id}/team", ['team' => $this->team])->assertNoContent();
        $offered = $this->postJson("/api/teams/{$this->team}/shares", ['email' => 'ida@example.org', 'role' => 'editor'])->assertCreated();
        Contract::assertMeets('offerTeam', $offered);
        $this->actingAs($ida);
        $this->getJson("/api/datasets/{$this->dataset->id}")->assertNotFound();
        $list = $this->getJson('/api/shares')->assertOk();
        Contract::assertMeets('listOffered', $list);
        self::assertSame([['team', 'Survey', 'editor', 'keeper']], array_map(static fn(array $one): array => [$one['of'], $one['title'], $one['role'], $one['by']], $list->json()));
        Contract::assertMeets('takeShare', $this->postJson("/api/shares/{$offered->json('id')}/take")->assertOk()->assertJsonPath('team', $this->team));
        $seen = $this->getJson("/api/datasets/{$this->dataset->id}")->assertOk()->assertJsonPath('role', 'editor')->assertJsonPath('owner', 'Survey')->assertJsonPath('team', $this->team)->assertJsonPath('share', null);
        Contract::assertMeets('showDataset', $seen);
        $all = $this->getJson('/api/datasets')->assertOk();
        Contract::assertMeets('listDatasets', $all);
        self::assertSame([['Survey', 'editor', null]], array_map(static fn(array $one): array => [$one['owner'], $one['role'], $one['share']], $all->json()));
        Contract::assertMeets('listTeams', $this->getJson('/api/teams')->assertOk()->assertJsonPath('0.role', 'editor')->assertJsonPath('0.datasets', 1));
        $this->patchJson("/api/datasets/{$this->dataset->id}", ['title' => 'Ours'])->assertOk();
        $this->deleteJson("/api/datasets/{$this->dataset->id}")->assertForbidden();
        // Two datasets of one team are compared; a report is filled again with the other's rows.
        $mine = $this->dataset("kg\n1\n2\n", 'mine.csv');
        $this->putJson("/api/datasets/{$mine->id}/team", ['team' => $this->team])->assertNoContent();
        $this->getJson("/api/datasets/{$this->dataset->id}/compared?what=datasets&of=kg&other={$mine->id}")->assertOk();
        $this->postJson("/api/datasets/{$this->dataset->id}/kept", ['kind' => 'comparison', 'title' => 'Both', 'address' => "what=datasets&of=kg&other={$mine->id}"])->assertCreated();
    }

    /** The parts of a team × what they may in its dataset and in the team. */
    public function test_who_may_do_what(): void
    {
        $d = $this->dataset->id;
        $this->putJson("/api/datasets/{$d}/team", ['team' => $this->team])->assertNoContent();
        $calls = [
            ['GET', "datasets/{$d}", []], ['PATCH', "datasets/{$d}", ['title' => 'x']], ['POST', "datasets/{$d}/shares", ['email' => 'x@example.org', 'role' => 'reader']], ['PUT', "datasets/{$d}/team", ['team' => $this->team]],
            ['PATCH', "teams/{$this->team}", ['name' => 'y']], ['POST', "teams/{$this->team}/shares", ['email' => 'y@example.org', 'role' => 'reader']], ['DELETE', "teams/{$this->team}", []],
        ];
        foreach ([
            'stranger' => [404, 404, 404, 404, 404, 404, 404],
            Share::READER => [200, 403, 403, 403, 403, 403, 403],
            Share::EDITOR => [200, 200, 403, 403, 403, 403, 403],
            Share::KEEPER => [200, 200, 201, 204, 200, 201, 422],
        ] as $role => $expected) {
            $user = $this->account($role === Share::KEEPER ? 'second' : $role);
            if ($role !== 'stranger') {
                $this->joined($user, $role);
            }
            $this->actingAs($user);
            self::assertSame($expected, array_map(fn(array $call): int => $this->json($call[0], "/api/{$call[1]}", $call[2])->getStatusCode(), $calls), $role);
        }
    }

    public function test_there_is_always_a_keeper(): void
    {
        $own = Share::query()->where('team_id', $this->team)->valueOrFail('id');
        $ida = $this->account('ida');
        $part = $this->joined($ida, Share::EDITOR);
        foreach ([$this->deleteJson("/api/shares/{$own}"), $this->patchJson("/api/shares/{$own}", ['role' => 'reader']), $this->deleteJson('/api/account', ['current_password' => 'nectar-flow'])] as $answer) {
            self::assertStringContainsString('Nobody else keeps this team', $answer->assertUnprocessable()->json('message'));
        }
        $this->patchJson("/api/shares/{$part}", ['role' => 'king'])->assertUnprocessable();
        $this->patchJson("/api/shares/{$part}", ['role' => 'keeper'])->assertOk();
        $this->putJson("/api/datasets/{$this->dataset->id}/team", ['team' => $this->team])->assertNoContent();
        $this->deleteJson("/api/shares/{$own}")->assertNoContent();
        $this->getJson("/api/datasets/{$this->dataset->id}")->assertNotFound();
        // Who made it goes; it stays the team's.
        $this->deleteJson('/api/account', ['current_password' => 'nectar-flow'])->assertNoContent();
        $this->actingAs($ida);
        $this->getJson("/api/datasets/{$this->dataset->id}")->assertOk()->assertJsonPath('role', 'owner')->assertJsonPath('owner', 'Survey');
        $this->deleteJson("/api/teams/{$this->team}")->assertUnprocessable();
        // Taken back, it is that of whoever took it.
        $this->putJson("/api/datasets/{$this->dataset->id}/team", ['team' => null])->assertNoContent();
        $this->getJson("/api/datasets/{$this->dataset->id}")->assertJsonPath('owner', null)->assertJsonPath('team', null);
        $this->deleteJson("/api/teams/{$this->team}")->assertNoContent();
        self::assertSame([0, 1], [Team::query()->count(), Dataset::query()->where('user_id', $ida->id)->count()]);
    }

    public function test_a_team_of_one_goes_with_its_account_and_what_it_has(): void
    {
        $this->putJson("/api/datasets/{$this->dataset->id}/team", ['team' => $this->team])->assertNoContent();
        $this->deleteJson('/api/account', ['current_password' => 'nectar-flow'])->assertNoContent();
        self::assertSame([0, 0, 0], [Team::query()->count(), Dataset::query()->count(), DB::table('shares')->count()]);
    }

    public function test_nothing_is_given_to_a_team_in_which_one_may_not_change(): void
    {
        $ida = $this->account('ida');
        $this->joined($ida, Share::READER);
        $this->actingAs($ida);
        $mine = $this->dataset("kg\n1\n", 'mine.csv');
        $this->putJson("/api/datasets/{$mine->id}/team", ['team' => $this->team])->assertUnprocessable();
        $this->actingAs($this->account('stranger'));
        $theirs = $this->dataset("kg\n1\n", 'theirs.csv');
        $this->putJson("/api/datasets/{$theirs->id}/team", ['team' => $this->team])->assertNotFound();
        $this->putJson("/api/datasets/{$theirs->id}/team", [])->assertUnprocessable();
        foreach (['', ' ', str_repeat('x', 101)] as $name) {
            $this->postJson('/api/teams', ['name' => $name])->assertUnprocessable();
        }
    }

    private function joined(User $user, string $role): int
    {
        return Share::query()->create(['team_id' => $this->team, 'email' => $user->email, 'user_id' => $user->id, 'role' => $role, 'invited_at' => now(), 'expires_at' => now()])->id;
    }
}
