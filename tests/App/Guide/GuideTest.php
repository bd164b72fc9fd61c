<?php

declare(strict_types=1);

namespace Tests\App\Guide;

use App\Drawing\Pictures;
use App\Guide\GuideFiles;
use App\Guide\Topic;
use App\Guide\TopicKind;
use App\Guide\Topics;
use Illuminate\Support\Facades\Auth;
use RowTally\Core\Figures\Catalogue;
use RowTally\Core\Figures\Statistic;
use RowTally\Core\Readings\Readings;
use RowTally\Core\Readings\Rule;
use Tests\App\AppTestCase;
use Tests\App\Support\Contract;

/** Everything that is shown has a short page, and the page and the files are one text. */
final class GuideTest extends AppTestCase
{
    public function test_every_figure_picture_and_rule_has_a_page(): void
    {
        $of = [];
        foreach (Topics::all() as $topic) {
            foreach ($topic->of as $key) {
                $of[$topic->kind->value][] = $key;
            }
        }
        self::assertSame([], array_diff(array_map(static fn(Statistic $statistic): string => $statistic->key(), Catalogue::all()), $of['figure']));
        self::assertSame([], array_diff(Pictures::kinds(), $of['picture']));
        self::assertSame([], array_diff(array_map(static fn(Rule $rule): string => $rule->key(), array_merge(...array_values(Readings::rules()))), $of['reading']));
    }

    public function test_every_page_says_when_it_is_of_use_and_how_it_misleads_and_no_word_of_the_code_is_in_it(): void
    {
        $keys = array_map(static fn(Topic $topic): string => $topic->key, Topics::all());
        self::assertSame($keys, array_unique($keys));
        foreach (Topics::all() as $topic) {
            self::assertNotNull($topic->kind === TopicKind::Reading ? $topic->speaks : $topic->when, "{$topic->key}: when");
            self::assertNotNull($topic->misleads, "{$topic->key}: how it misleads");
            if ($topic->kind === TopicKind::Figure || $topic->kind === TopicKind::Picture) {
                self::assertNotNull($topic->definition, "{$topic->key}: its formula");
            }
            $text = implode(' ', array_filter([$topic->title, $topic->what, $topic->speaks, $topic->when, $topic->misleads, $topic->definition, $topic->undefined, $topic->source]));
            self::assertDoesNotMatchRegularExpression('/`|Reason::|\bnull\b|\bsee [A-Z]|  \S* *\* /', $text, $topic->key);
        }
    }

    public function test_the_files_are_the_same_text(): void
    {
        foreach (GuideFiles::all() as $name => $text) {
            self::assertSame($text, file_get_contents(dirname(__DIR__, 3) . "/docs/guide/{$name}"), 'run: php docs/guide.php');
        }
    }

    public function test_anybody_may_read_it_with_their_own_marks(): void
    {
        $this->keeper->forceFill(['number_marks' => ['decimal' => 'comma', 'thousands' => 'point', 'minus' => 'minus', 'days' => 'year-first']])->save();
        $symmetry = fn(): string => collect($this->getJson('/api/guide')->assertOk()->json('topics'))->firstWhere('key', 'mean-to-median')['what'];
        Contract::assertMeets('showGuide', $this->getJson('/api/guide'));

        self::assertStringContainsString('0,95 to 1,05', $symmetry());
        Auth::forgetGuards();
        self::assertStringContainsString('0.95 to 1.05', $symmetry());
    }
}
