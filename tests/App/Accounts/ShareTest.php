<?php

declare(strict_types=1);

namespace Tests\App\Accounts;

use App\Models\Dataset;
use App\Models\Share;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** A dataset that others have a part in: offered, taken, read or changed, left, handed over; and nothing of it for anybody else. */
final class ShareTest extends AppTestCase
{
    private Dataset $dataset;
    private int $report;
    private int $edition;

    protected function setUp(): void
    {
        parent::setUp();
        config()->set('mail.default', 'array');
        $this->dataset = $this->dataset("kg,site\n20,a\n30,b\n");
        $this->report = $this->postJson("/api/datasets/{$this->dataset->id}/kept", ['kind' => 'figures', 'title' => 'kg', 'address' => 'of=kg'])->json('report');
        $this->edition = $this->postJson("/api/reports/{$this->report}/editions")->json('id');
    }

    public function test_a_part_is_offered_taken_and_only_then_there(): void
    {
        $ida = $this->account('ida');
        $offered = $this->postJson("/api/datasets/{$this->dataset->id}/shares", ['email' => ' Ida@example.org', 'role' => 'reader'])->assertCreated();
        Contract::assertMeets('offerShare', $offered);
        Contract::assertMeets('listShares', $this->getJson("/api/datasets/{$this->dataset->id}/shares")->assertOk()->assertJsonPath('shares.0.is_taken', false));
        $this->actingAs($this->account('wrong'));
        self::assertSame([], $this->getJson('/api/shares')->json());
        $this->postJson("/api/shares/{$offered->json('id')}/take")->assertUnprocessable();
        $this->actingAs($ida);
        $this->getJson("/api/datasets/{$this->dataset->id}")->assertNotFound();
        $list = $this->getJson('/api/shares')->assertOk();
        Contract::assertMeets('listOffered', $list);
        self::assertSame([['hives', 'reader', 'keeper']], array_map(static fn(array $one): array => [$one['title'], $one['role'], $one['by']], $list->json()));
        Contract::assertMeets('takeShare', $this->postJson("/api/shares/{$offered->json('id')}/take")->assertOk()->assertJsonPath('dataset', $this->dataset->id));
        $this->postJson("/api/shares/{$offered->json('id')}/take")->assertUnprocessable();
        $seen = $this->getJson("/api/datasets/{$this->dataset->id}")->assertOk()->assertJsonPath('role', 'reader')->assertJsonPath('owner', 'keeper');
        Contract::assertMeets('showDataset', $seen);
        Contract::assertMeets('listDatasets', $this->getJson('/api/datasets')->assertOk()->assertJsonPath('0.owner', 'keeper'));
    }

    /** A report alone: its reader sees nothing else of the dataset, its editor reads that too. */
    public function test_a_report_is_shared_by_itself(): void
    {
        $d = $this->dataset->id;
        $r = $this->report;
        $parts = [];
        foreach (['reader', 'editor'] as $role) {
            $this->actingAs($this->keeper);
            $offered = $this->postJson("/api/reports/{$r}/shares", ['email' => "{$role}@example.org", 'role' => $role])->assertCreated();
            Contract::assertMeets('offerReportShare', $offered);
            $parts[$role] = $this->account($role);
            $this->actingAs($parts[$role]);
            $this->getJson("/api/reports/{$r}")->assertNotFound();
            self::assertSame([['report', 'hives', 'keeper@example.org']], array_map(static fn(array $one): array => [$one['of'], $one['title'], $one['from']], $this->getJson('/api/shares')->json()));
            Contract::assertMeets('takeShare', $this->postJson("/api/shares/{$offered->json('id')}/take")->assertOk()->assertJsonPath('report', $r)->assertJsonPath('dataset', null));
        }
        Contract::assertMeets('listReportShares', $this->actingAs($this->keeper)->getJson("/api/reports/{$r}/shares")->assertOk()->assertJsonCount(2, 'shares'));
        $block = $this->getJson("/api/reports/{$r}")->json('document.blocks.0.id');
        $body = $this->getJson("/api/reports/{$r}")->json();
        $change = ['version' => $body['version'], 'document' => ['title' => 'Renamed'] + $body['document']];
        foreach (['reader' => [404, 403, 'reader', false], 'editor' => [200, 200, 'editor', true]] as $role => [$data, $changed, $is, $reads]) {
            $this->actingAs($parts[$role]);
            Contract::assertMeets('showReport', $this->getJson("/api/reports/{$r}")->assertOk()->assertJsonPath('role', $is)->assertJsonPath('data.is_readable', $reads)->assertJsonPath('data.size', '2 rows × 2 variables'));
            Contract::assertMeets('listReportsShared', $this->getJson('/api/reports')->assertOk()->assertJsonPath('0.role', $is));
            foreach (["reports/{$r}/blocks/{$block}", "reports/{$r}/method", "reports/{$r}/editions", "editions/{$this->edition}"] as $path) {
                $this->getJson("/api/{$path}")->assertOk();
            }
            foreach (["datasets/{$d}", "datasets/{$d}/rows", "datasets/{$d}/reports", "datasets/{$d}/export?format=csv"] as $path) {
                $this->getJson("/api/{$path}")->assertStatus($data);
            }
            self::assertSame([], $this->getJson('/api/datasets')->json());
            $this->putJson("/api/reports/{$r}", $change)->assertStatus($changed);
            $this->deleteJson("/api/reports/{$r}")->assertForbidden();
            $this->getJson("/api/reports/{$r}/shares")->assertForbidden();
            $this->postJson("/api/datasets/{$d}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '21']]])->assertStatus($reads ? 403 : 404);
        }
        // Another report of the same dataset is none of theirs to change, and to the reader it is not there.
        $other = $this->actingAs($this->keeper)->postJson("/api/datasets/{$d}/reports", ['title' => 'Other'])->json('id');
        $this->actingAs($parts['editor'])->postJson("/api/reports/{$other}/undo", ['version' => 1])->assertForbidden();
        $this->actingAs($parts['reader'])->getJson("/api/reports/{$other}")->assertNotFound();
        // Left, and it is there no more.
        $this->deleteJson('/api/shares/' . $this->getJson("/api/reports/{$r}")->json('share'))->assertNoContent();
        $this->getJson("/api/reports/{$r}")->assertNotFound();
        $this->actingAs($this->keeper)->deleteJson("/api/reports/{$r}")->assertNoContent();
        self::assertSame(0, Share::query()->count());
    }

    public function test_an_offer_that_has_ended_is_not_taken(): void
    {
        $share = $this->postJson("/api/datasets/{$this->dataset->id}/shares", ['email' => 'ida@example.org', 'role' => 'editor'])->json('id');
        $this->travel(15)->days();
        $this->actingAs($this->account('ida'));
        self::assertSame([], $this->getJson('/api/shares')->json());
        $this->postJson("/api/shares/{$share}/take")->assertUnprocessable();
        // Once more is another offer.
        $this->actingAs($this->keeper);
        self::assertSame($share, $this->postJson("/api/datasets/{$this->dataset->id}/shares", ['email' => 'ida@example.org', 'role' => 'reader'])->json('id'));
        $this->postJson("/api/datasets/{$this->dataset->id}/shares", ['email' => 'keeper@example.org', 'role' => 'reader'])->assertUnprocessable();
        $this->postJson("/api/datasets/{$this->dataset->id}/shares", ['email' => 'ida', 'role' => 'reader'])->assertUnprocessable();
        $this->postJson("/api/datasets/{$this->dataset->id}/shares", ['email' => 'ida@example.org', 'role' => 'king'])->assertUnprocessable();
    }

    /** Each route of a dataset × who asks: what they may, what they are refused, and what is not there for them. */
    public function test_who_may_do_what(): void
    {
        $d = $this->dataset->id;
        $reader = $this->with('reader', 'reader');
        $editor = $this->with('editor', 'editor');
        $stranger = $this->account('stranger');
        $share = Share::query()->where('user_id', $reader->id)->value('id');
        $reading = ["datasets/{$d}", "datasets/{$d}/rows", "datasets/{$d}/changes", "datasets/{$d}/ends", "datasets/{$d}/export?format=csv", "datasets/{$d}/check", "datasets/{$d}/profile?of=kg", "datasets/{$d}/overview", "datasets/{$d}/readings", "datasets/{$d}/judged?of=kg", "datasets/{$d}/plots/stack?of=kg", "datasets/{$d}/reports", "datasets/{$d}/shares", "reports/{$this->report}", "reports/{$this->report}/changes", "reports/{$this->report}/unfinished", "reports/{$this->report}/editions", "editions/{$this->edition}"];
        $edit = ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '20']]];
        $writing = [
            ['POST', "datasets/{$d}/changes", $edit], ['PATCH', "datasets/{$d}", ['title' => 'hives']], ['POST', "datasets/{$d}/kept", ['kind' => 'heading', 'title' => 'x']], ['POST', "datasets/{$d}/reports", ['title' => 'x']],
            ['POST', "datasets/{$d}/check", ['line' => 'x']], ['PUT', "reports/{$this->report}/place", ['place' => null]], ['POST', "reports/{$this->report}/undo", ['version' => 1]], ['POST', "reports/{$this->report}/editions", []],
            ['POST', "editions/{$this->edition}/files", ['form' => 'tables']], ['POST', "editions/{$this->edition}/links", []],
        ];
        $owning = [['DELETE', "datasets/{$d}", []], ['POST', "datasets/{$d}/shares", ['email' => 'x@example.org', 'role' => 'reader']], ['POST', "datasets/{$d}/hand-over", ['share' => $share]]];
        $count = 0;
        foreach ([['stranger', $stranger, 404, 404, 404], ['reader', $reader, 200, 403, 403], ['editor', $editor, 200, 0, 403]] as [$who, $user, $reads, $writes, $owns]) {
            $this->actingAs($user);
            foreach ($reading as $path) {
                self::assertSame($reads, $this->getJson("/api/{$path}")->getStatusCode(), "{$who} GET {$path}");
                ++$count;
            }
            foreach ($writing as [$method, $path, $body]) {
                $status = $this->json($method, "/api/{$path}", $body)->getStatusCode();
                self::assertTrue($writes === 0 ? $status !== 403 && $status !== 404 : $status === $writes, "{$who} {$method} {$path}: {$status}");
                ++$count;
            }
            foreach ($owning as [$method, $path, $body]) {
                self::assertSame($owns, $this->json($method, "/api/{$path}", $body)->getStatusCode(), "{$who} {$method} {$path}");
                ++$count;
            }
            $this->patchJson("/api/shares/{$share}", ['role' => 'editor'])->assertNotFound();
        }
        self::assertSame(93, $count);
        $this->actingAs($reader);
        self::assertSame('You may read this dataset and not change it. Ask whoever shares it with you.', $this->postJson("/api/datasets/{$d}/changes", $edit)->json('message'));
        $this->app['auth']->forgetGuards();
        foreach ([...$reading, 'shares', 'account'] as $path) {
            $this->getJson("/api/{$path}")->assertUnauthorized();
        }
    }

    public function test_a_part_is_changed_ended_left_and_the_dataset_handed_over(): void
    {
        $d = $this->dataset->id;
        $ida = $this->with('ida', 'reader');
        $share = (int) Share::query()->value('id');
        $this->actingAs($this->keeper);
        Contract::assertMeets('changeShare', $this->patchJson("/api/shares/{$share}", ['role' => 'editor'])->assertOk());
        $this->actingAs($ida);
        $this->patchJson("/api/datasets/{$d}", ['title' => 'Ours'])->assertOk();
        $this->actingAs($this->keeper);
        $this->postJson("/api/datasets/{$d}/hand-over", ['share' => $share])->assertNoContent();
        $this->getJson("/api/datasets/{$d}")->assertJsonPath('role', 'editor')->assertJsonPath('owner', 'ida');
        $this->deleteJson("/api/datasets/{$d}")->assertForbidden();
        $own = $this->getJson("/api/datasets/{$d}")->json('share');
        $this->deleteJson("/api/shares/{$own}")->assertNoContent();
        $this->getJson("/api/datasets/{$d}")->assertNotFound();
        self::assertSame($ida->id, $this->dataset->refresh()->user_id);
        // What is the dataset's goes with it, whoever made it.
        $this->actingAs($ida);
        $this->deleteJson('/api/account', ['current_password' => 'nectar-flow'])->assertNoContent();
        self::assertSame([0, 1], [Dataset::query()->count(), User::query()->count()]);
    }

    public function test_who_is_there_is_told_with_the_revision_by_now(): void
    {
        $d = $this->dataset->id;
        $ida = $this->with('ida', 'editor');
        $this->actingAs($ida);
        $here = $this->postJson("/api/datasets/{$d}/here", ['place' => 'rows'])->assertOk();
        Contract::assertMeets('tellHere', $here);
        self::assertSame([1, []], [$here->json('revision'), $here->json('others')]);
        $this->postJson("/api/datasets/{$d}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '21']]])->assertCreated();
        $this->actingAs($this->keeper);
        $seen = $this->postJson("/api/datasets/{$d}/here", ['place' => 'nowhere'])->assertOk()->json();
        self::assertSame([2, [['name' => 'ida', 'place' => 'rows']]], [$seen['revision'], $seen['others']]);
        // Who did what.
        self::assertSame('ida', $this->getJson("/api/datasets/{$d}/changes")->json('changes.0.by'));
        $this->postJson("/api/datasets/{$d}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '22']]])->assertStatus(409);
        DB::table('presences')->update(['seen_at' => time() - 20]);
        self::assertSame([], $this->postJson("/api/datasets/{$d}/here", ['place' => 'rows'])->json('others'));
        $this->actingAs($this->account('stranger'));
        $this->postJson("/api/datasets/{$d}/here", ['place' => 'rows'])->assertNotFound();
    }

    public function test_what_an_editor_did_stays_when_their_account_is_gone(): void
    {
        $d = $this->dataset->id;
        $this->actingAs($this->with('ida', 'editor'));
        $this->postJson("/api/datasets/{$d}/changes", ['revision' => 1, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '21']]])->assertCreated();
        $this->deleteJson('/api/account', ['current_password' => 'nectar-flow'])->assertNoContent();
        $this->actingAs($this->keeper);
        $changes = $this->getJson("/api/datasets/{$d}/changes")->assertOk();
        Contract::assertMeets('listChanges', $changes);
        self::assertSame(['an account that is gone', 'keeper'], array_column($changes->json('changes'), 'by'));
        $this->postJson("/api/datasets/{$d}/changes", ['revision' => 2, 'kind' => 'undo'])->assertSuccessful();
        self::assertSame([], $this->getJson("/api/datasets/{$d}/shares")->json('shares'));
    }

    public function test_letters_to_others_have_a_bound_of_their_own(): void
    {
        for ($i = 0; $i < 30; ++$i) {
            $this->postJson("/api/datasets/{$this->dataset->id}/shares", ['email' => 'ida@example.org', 'role' => 'reader'])->assertCreated();
        }
        $this->postJson("/api/datasets/{$this->dataset->id}/shares", ['email' => 'ida@example.org', 'role' => 'reader'])->assertTooManyRequests();
        $this->postJson('/api/account/factor/confirm', ['code' => '123456'])->assertUnprocessable();
    }

    public function test_an_editor_gets_at_no_other_dataset_of_its_owner(): void
    {
        $secret = $this->dataset("kg\n999\n", 'secret.csv');
        $ida = $this->with('ida', 'editor');
        $this->actingAs($ida);
        $address = "what=datasets&of=kg&other={$secret->id}";
        $this->getJson("/api/datasets/{$this->dataset->id}/compared?{$address}")->assertUnprocessable();
        $this->postJson("/api/datasets/{$this->dataset->id}/kept", ['kind' => 'comparison', 'address' => $address])->assertUnprocessable();
        $report = $this->getJson("/api/reports/{$this->report}")->json();
        $report['document']['blocks'][] = ['id' => 'b0009', 'kind' => 'comparison', 'address' => $address];
        $this->putJson("/api/reports/{$this->report}", ['version' => $report['version'], 'document' => $report['document']])->assertUnprocessable();
        $this->postJson("/api/reports/{$this->report}/again", ['dataset' => $secret->id])->assertNotFound();
    }

    private function with(string $name, string $role): User
    {
        $user = $this->account($name);
        Share::query()->create(['dataset_id' => $this->dataset->id, 'email' => $user->email, 'user_id' => $user->id, 'role' => $role, 'invited_at' => now(), 'expires_at' => now()]);

        return $user;
    }
}
