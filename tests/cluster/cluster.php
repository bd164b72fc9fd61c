<?php

declare(strict_types=1);

use Tests\faults\Browser;

require dirname(__DIR__, 2) . '/vendor/autoload.php';
require dirname(__DIR__) . '/faults/Browser.php';
require dirname(__DIR__) . '/faults/asking.php';

$base = (int) $argv[1];
$parts = array_slice($argv, 2) === [] ? ['turn', 'kept', 'import', 'majority', 'all'] : array_slice($argv, 2);
$root = dirname(__DIR__, 2);

/** A command of the cluster, waited for or not. */
function cluster(string $words, bool $isWaitedFor = true): string
{
    global $root;

    return trim((string) shell_exec("{$root}/ops/cluster {$words}" . ($isWaitedFor ? ' 2>&1' : ' >/dev/null 2>&1 &')));
}

/** What one node of the database says itself. */
function told(string $node, string $statement): string
{
    global $root;

    return trim((string) shell_exec(sprintf('mariadb --no-defaults --protocol=socket --socket=%s -N -e %s rowtally 2>&1', escapeshellarg("{$root}/var/cluster-test-{$node}/run/db.sock"), escapeshellarg($statement))));
}

function waitFor(int $seconds, string $what, Closure $isSo): float
{
    $from = microtime(true);
    while (!$isSo()) {
        if (microtime(true) - $from > $seconds) {
            found("{$what} was not so within {$seconds} seconds");
        }
        usleep(200_000);
    }

    return microtime(true) - $from;
}

$allSynced = static function (): bool {
    foreach (['db-1', 'db-2', 'db-3'] as $node) {
        if (told($node, "SELECT variable_value FROM information_schema.global_status WHERE variable_name = 'wsrep_cluster_size'") !== '3' || told($node, "SELECT variable_value FROM information_schema.global_status WHERE variable_name = 'wsrep_local_state_comment'") !== 'Synced') {
            return false;
        }
    }

    return true;
};

$door = new Browser("http://127.0.0.1:{$base}");
/** @var array<string, Browser> $nodes each asked past the door */
$nodes = ['app-1' => new Browser('http://127.0.0.1:' . ($base + 1)), 'app-2' => new Browser('http://127.0.0.1:' . ($base + 2))];
$work = sys_get_temp_dir() . '/cluster-' . getmypid();
mkdir($work);
register_shutdown_function(static fn(): int => (int) shell_exec('rm -rf ' . escapeshellarg($work)));

$rows = 400;
file_put_contents("{$work}/edited.csv", "tag,kg\n" . implode('', array_map(static fn(int $i): string => "T{$i},0\n", range(1, $rows))));
$import = uploaded($door, "{$work}/edited.csv")['body']['id'];
ended($door, $import, $rows, 60);
$dataset = surely($door, 'GET', "/imports/{$import}")['body']['dataset_id'];
$cells = array_fill(1, $rows, 0);
$revision = 1;
$value = 0;
$acknowledged = $unanswered = 0;

$sumOf = static fn(array $answer): ?float => array_column($answer['body']['sheets'][0]['figures'] ?? [], null, 'key')['sum']['values'][0]['value'] ?? null;

/** Changes cells and asks for figures, until so many seconds have gone; gives the longest stretch without an answer to each, and the slowest answer. */
$load = static function (float $seconds, ?Closure $whileAt = null, float $at = 1.0) use ($door, &$nodes, $dataset, &$cells, &$revision, &$value, &$acknowledged, &$unanswered, $rows, $sumOf): array {
    $from = microtime(true);
    $longest = ['change' => 0.0, 'question' => 0.0, 'slowest' => 0.0];
    $since = ['change' => null, 'question' => null];
    $note = static function (string $what, bool $isAnswered) use (&$longest, &$since): void {
        $now = microtime(true);
        if ($isAnswered) {
            $longest[$what] = max($longest[$what], $since[$what] === null ? 0.0 : $now - $since[$what]);
            $since[$what] = null;
        } else {
            $since[$what] ??= $now;
        }
    };
    while (microtime(true) - $from < $seconds || $since['change'] !== null || $since['question'] !== null) {
        if (microtime(true) - $from > $seconds + 120) {
            found('nothing was answered for two minutes');
        }
        if ($whileAt !== null && microtime(true) - $from > $at) {
            $whileAt();
            $whileAt = null;
        }
        $row = mt_rand(1, $rows);
        ++$value;
        $asked = microtime(true);
        $answer = $door->ask('POST', "/datasets/{$dataset}/changes", ['revision' => $revision, 'kind' => 'edit-cells', 'edits' => [['row' => $row, 'variable' => 'kg', 'text' => (string) $value]]]);
        $isMade = $answer['status'] === 201;
        $longest['slowest'] = max($longest['slowest'], microtime(true) - $asked);
        $note('change', $isMade || $answer['status'] === 409);
        if ($isMade) {
            ++$acknowledged;
            $revision = $answer['body']['revision'];
            $cells[$row] = $value;
        } else {
            ++$unanswered;
            if ($answer['status'] === 401 || $answer['status'] === 419) {
                $door->signIn();
            }
            // Made whole or not at all: what is there now tells which.
            $now = $door->ask('GET', "/datasets/{$dataset}");
            if ($now['status'] === 200) {
                if ($now['body']['revision'] === $revision + 1) {
                    $revision += 1;
                    $seen = surely($door, 'GET', "/datasets/{$dataset}/rows?of=kg&from=" . ($row - 1) . '&count=1')['body']['cells']['kg'][0];
                    $cells[$row] = (int) $seen;
                    if ((int) $seen !== $value) {
                        found("revision {$revision} has {$seen} in row {$row}, and not {$value}");
                    }
                } elseif ($now['body']['revision'] !== $revision) {
                    found("revision {$now['body']['revision']} after {$revision} was acknowledged");
                }
            }
            usleep(50_000);
        }
        // Whichever node answers sees what any of them has acknowledged.
        foreach ($nodes as $name => $node) {
            $answer = $node->ask('GET', "/datasets/{$dataset}/profile?of=kg&figures=sum");
            if ($answer['status'] === 401) {
                $node->signIn();
            }
            if ($answer['status'] === 200 && $isMade && $sumOf($answer) !== (float) array_sum($cells)) {
                found("{$name} says that the sum is {$sumOf($answer)}; it is " . array_sum($cells));
            }
        }
        $answer = $door->ask('GET', "/datasets/{$dataset}/profile?of=kg&figures=mean,sum");
        if ($answer['status'] === 200 && $isMade && $sumOf($answer) !== (float) array_sum($cells)) {
            found("the sum is {$sumOf($answer)}; it should be " . array_sum($cells));
        }
        $note('question', $answer['status'] === 200);
    }

    return $longest;
};

$quiet = $load(5.0);
said(sprintf('without a fault: %d changes acknowledged, the slowest took %.1f s', $acknowledged, $quiet['slowest']));

// --- Each part in turn, then some together ----------------------------------------------------------------------------------------
foreach (in_array('turn', $parts, true) ? ['db-2', 'db-1', 'app-1', 'app-2', 'worker-1', 'redis', 'db-1 app-1 worker-1 redis'] : [] as $victims) {
    $before = $acknowledged;
    $kill = static function () use ($victims): void {
        cluster("kill {$victims}");
        $state = cluster('state');
        foreach (explode(' ', $victims) as $victim) {
            if (preg_match("/^{$victim} +away/m", $state) !== 1) {
                found("{$victim} was killed and runs");
            }
        }
        if (pcntl_fork() === 0) {
            sleep(5);
            cluster("up {$victims}");
            posix_kill(posix_getpid(), SIGKILL);
        }
    };
    // A node that is asked past the door and is dead would hold up the load.
    $asked = $nodes;
    $nodes = array_diff_key($nodes, array_flip(explode(' ', $victims)));
    $longest = $load(14.0, $kill);
    $back = waitFor(90, 'all nodes of the database are there and up to date', $allSynced);
    waitFor(60, "{$victims} runs", static fn(): bool => !str_contains(cluster('state'), 'away'));
    while (pcntl_waitpid(-1, $status, WNOHANG) > 0);
    $nodes = $asked;
    foreach ($nodes as $node) {
        surely($node, 'GET', "/datasets/{$dataset}");
    }
    // What came back has caught up, and says the same.
    foreach (['db-1', 'db-2', 'db-3'] as $node) {
        waitFor(10, "{$node} has caught up", static fn(): bool => (int) told($node, "SELECT revision FROM datasets WHERE id = {$dataset}") === $revision);
    }
    said(sprintf('%s killed and started again: %d changes acknowledged meanwhile, all there; without an answer to a change for at most %.1f s, to a question %.1f s; the slowest answer took %.1f s', $victims, $acknowledged - $before, $longest['change'], $longest['question'], $longest['slowest']));
}

// --- What is kept of very many values is that of these values, though each node leaves out the numbers of the others -------------------
if (in_array('kept', $parts, true)) {
    $many = 90_000;
    $numbers = array_map(static fn(int $i): float => ($i * 7919 % 90_001) / 8, range(1, $many));
    file_put_contents("{$work}/many.csv", "kg,site\n" . implode('', array_map(static fn(float $number, int $i): string => "{$number}," . ['Mill', 'Oak', 'Brook'][$i % 3] . "\n", $numbers, array_keys($numbers))));
    $import = uploaded($door, "{$work}/many.csv")['body']['id'];
    ended($door, $import, $many, 60);
    $made = surely($door, 'GET', "/imports/{$import}")['body']['dataset_id'];
    sort($numbers);
    // By hf7: the value at the place 1 + share · (n − 1).
    $at = static fn(float $share): float => $numbers[(int) floor($share * ($many - 1))] + ($share * ($many - 1) - floor($share * ($many - 1))) * ($numbers[(int) ceil($share * ($many - 1))] - $numbers[(int) floor($share * ($many - 1))]);
    $figures = static fn(Browser $node, string $words): array => array_map(static fn(array $figure): mixed => $figure['values'][0]['value'], array_column(surely($node, 'GET', "/datasets/{$made}/profile?of=kg&quartiles=hf7&figures=q1,median,q3{$words}")['body']['sheets'][0]['figures'], null, 'key'));
    $counted = $figures($door, '&by=site');
    waitFor(60, 'they are kept', static fn(): bool => (int) told('db-1', "SELECT COUNT(*) FROM tallies JOIN variables ON variables.id = variable_id WHERE dataset_id = {$made} AND kind = 'values' AND `grouping` <> ''") > 0);
    foreach ($nodes as $name => $node) {
        foreach (['', '&by=site', '&where=' . rawurlencode('kg >= 0')] as $words) {
            $got = $figures($node, $words);
            foreach (['q1' => 0.25, 'median' => 0.5, 'q3' => 0.75] as $key => $share) {
                if (abs($got[$key] - $at($share)) > 1e-9 || $got[$key] !== $counted[$key]) {
                    found("{$name} says {$got[$key]} for {$key} of what is kept{$words} and should say {$at($share)}");
                }
            }
        }
    }
    said("{$many} different values: the quartiles of what is kept are theirs on each node");
}

// --- An import whose worker dies ---------------------------------------------------------------------------------------------------
if (in_array('import', $parts, true)) {
    $long = 2_400_000;
    $file = fopen("{$work}/long.csv", 'w');
    fwrite($file, "tag,site,kg,gain,note\n");
    for ($i = 1; $i <= $long; ++$i) {
        fwrite($file, "T{$i}," . ['Mill', 'Oak', 'Brook'][$i % 3] . ',' . ($i * 7919 % 4001) / 4 . ',' . $i % 97 . ",note of row {$i}\n");
    }
    fclose($file);
    $answer = uploaded($door, "{$work}/long.csv");
    waitFor(60, 'shares are read', static fn(): bool => told('db-1', 'SELECT COUNT(*) FROM import_shares WHERE bytes_read > 0') >= '1');
    cluster('kill worker-1');
    if (pcntl_fork() === 0) {
        sleep(3);
        cluster('up worker-1');
        posix_kill(posix_getpid(), SIGKILL);
    }
    $from = microtime(true);
    $status = ended($door, $answer['body']['id'], $long, 240);
    if ($status !== 'done') {
        found("the import whose worker was killed ended as {$status}");
    }
    $made = surely($door, 'GET', "/imports/{$answer['body']['id']}")['body']['dataset_id'];
    $sum = array_sum(array_map(static fn(int $i): float => ($i * 7919 % 4001) / 4, range(1, $long)));
    $said = $sumOf(surely($door, 'GET', "/datasets/{$made}/profile?of=kg&figures=sum"));
    if ($said !== (float) $sum) {
        found("the sum of what was imported is {$said} and should be {$sum}");
    }
    said(sprintf('an import in shares, %s MB, whose worker was killed: done %.0f s later, with the right sum', round((int) filesize("{$work}/long.csv") / 1e6), microtime(true) - $from));
}

// --- Without a majority -------------------------------------------------------------------------------------------------------------
if (in_array('majority', $parts, true)) {
    cluster('kill db-2 db-3');
    sleep(10);
    $read = $door->ask('GET', "/datasets/{$dataset}");
    $written = $door->ask('POST', "/datasets/{$dataset}/changes", ['revision' => $revision, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => '1']]]);
    foreach (['a question' => $read, 'a change' => $written] as $what => $answer) {
        if ($answer['status'] !== 503 || !str_contains((string) ($answer['body']['message'] ?? ''), 'do not see one another')) {
            found("without a majority {$what} answers {$answer['status']} {$answer['text']}");
        }
    }
    cluster('up db-2 db-3');
    waitFor(90, 'the majority is back', $allSynced);
    $load(4.0);
    said('one node of three answers questions and changes with 503 in words, and goes on once another is back');
}

// --- All at once ---------------------------------------------------------------------------------------------------------------------
if (in_array('all', $parts, true)) {
    cluster('kill db-1 db-2 db-3 redis app-1 app-2 worker-1 worker-2 door');
    $from = microtime(true);
    cluster('up');
    waitFor(120, 'all is back', $allSynced);
    $again = surely($door, 'GET', "/datasets/{$dataset}")['body']['revision'];
    if ($again !== $revision) {
        found("after all was killed the revision is {$again} and was {$revision}");
    }
    $seconds = microtime(true) - $from;
    $load(4.0);
    said(sprintf('all killed at once: back after %.0f s with all %d changes', $seconds, $acknowledged));
}

said("{$acknowledged} changes acknowledged in all; {$unanswered} without an answer, each made whole or not at all");
