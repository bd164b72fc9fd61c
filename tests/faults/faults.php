<?php

declare(strict_types=1);

use Tests\faults\Browser;

require dirname(__DIR__, 2) . '/vendor/autoload.php';
require __DIR__ . '/Browser.php';
require __DIR__ . '/asking.php';

[, $address, $home] = $argv;
$options = ['kills' => '12', 'seed' => '1'];
foreach (array_slice($argv, 3) as $word) {
    if (preg_match('/^--(kills|seed)=(\d+)$/D', $word, $part) !== 1) {
        fwrite(STDERR, "{$word} is not understood.\n");
        exit(2);
    }
    $options[$part[1]] = $part[2];
}
mt_srand((int) $options['seed']);

function pidOf(string $name): int
{
    global $home;

    return (int) explode(' ', (string) @file_get_contents("{$home}/run/{$name}.started"))[0];
}

/** @return list<int> */
function childrenOf(int $pid): array
{
    $children = [];
    foreach (glob('/proc/[0-9]*/stat') ?: [] as $stat) {
        $fields = explode(' ', (string) preg_replace('/^.*\) /s', '', (string) @file_get_contents($stat)));
        if ((int) ($fields[1] ?? 0) === $pid) {
            $children[] = (int) basename(dirname($stat));
        }
    }

    return $children;
}

/** Kills a part, or one of the processes that it has begun. */
function kill(string $victim): string
{
    $pid = pidOf(explode(' ', $victim)[0]);
    if (str_ends_with($victim, ' child') || str_ends_with($victim, ' grandchild')) {
        $children = childrenOf($pid);
        $pid = $children === [] ? 0 : $children[array_rand($children)];
    }
    if (str_ends_with($victim, ' grandchild')) {
        $children = childrenOf($pid);
        $pid = $children === [] ? 0 : $children[array_rand($children)];
    }
    if ($pid > 1) {
        posix_kill($pid, SIGKILL);
    }

    return $victim . ($pid > 1 ? '' : ' (none there)');
}

function sql(string $statement): string
{
    global $home;
    $user = posix_getpwuid(posix_geteuid())['name'] ?? 'root';

    return trim((string) shell_exec(sprintf('mariadb --no-defaults --protocol=socket --socket=%s --user=%s -N -e %s rowtally 2>&1', escapeshellarg("{$home}/run/db.sock"), escapeshellarg($user), escapeshellarg($statement))));
}

$browser = new Browser($address);
$work = sys_get_temp_dir() . '/faults-' . getmypid();
mkdir($work);
register_shutdown_function(static fn(): int => (int) shell_exec('rm -rf ' . escapeshellarg($work)));

// --- Acknowledged changes under kills ---------------------------------------------------------------------------------------------
$rows = 400;
file_put_contents("{$work}/edited.csv", "tag,kg\n" . implode('', array_map(static fn(int $i): string => "T{$i},0\n", range(1, $rows))));
$import = uploaded($browser, "{$work}/edited.csv")['body']['id'];
ended($browser, $import, $rows, 60);
$dataset = surely($browser, 'GET', "/imports/{$import}")['body']['dataset_id'];
$victims = ['mariadb', 'php-fpm', 'php-fpm child', 'nginx', 'nginx child', 'worker-1', 'worker-1 child'];
$cells = array_fill(1, $rows, ['0']);
$revision = 1;
$acknowledged = $unknown = $killed = 0;
$value = 0;
$killAt = 0.0;
$wasUnknown = false;
while ($killed < (int) $options['kills']) {
    if (microtime(true) > $killAt) {
        $victim = $victims[mt_rand(0, count($victims) - 1)];
        if (pcntl_fork() === 0) {
            usleep(mt_rand(0, 60_000));
            kill($victim);
            posix_kill(posix_getpid(), SIGKILL);
        }
        ++$killed;
        $killAt = microtime(true) + 2.5;
    }
    $row = mt_rand(1, $rows);
    $isUndo = mt_rand(0, 9) === 0 && $revision > 1;
    ++$value;
    $answer = $browser->ask('POST', "/datasets/{$dataset}/changes", ['revision' => $revision, ...($isUndo ? ['kind' => 'undo'] : ['kind' => 'edit-cells', 'edits' => [['row' => $row, 'variable' => 'kg', 'text' => (string) $value]]])]);
    while (pcntl_waitpid(-1, $status, WNOHANG) > 0);
    if ($answer['status'] === 201) {
        $revision = $answer['body']['revision'];
        ++$acknowledged;
    } else {
        ++$unknown;
        if ($answer['status'] === 401 || $answer['status'] === 419) {
            $browser->signIn();
        }
    }
    // What is there now: what was acknowledged, or one change more that was not known to be made.
    $now = surely($browser, 'GET', "/datasets/{$dataset}")['body']['revision'];
    if ($answer['status'] === 409 && $wasUnknown && $now === $revision + 1) {
        // The one before, that was not answered, has been made since.
        $revision = $now;
        $wasUnknown = false;
        continue;
    }
    $wasUnknown = $answer['status'] !== 201;
    if ($now !== $revision && !($wasUnknown && $answer['status'] !== 409 && $now === $revision + 1)) {
        found("revision {$now} after {$revision} was acknowledged ({$answer['status']} {$answer['text']})");
    }
    $wasMade = $answer['status'] === 201 || $now === $revision + 1;
    $revision = $now;
    if ($wasMade && !$isUndo) {
        $seen = surely($browser, 'GET', "/datasets/{$dataset}/rows?of=kg&from=" . ($row - 1) . '&count=1')['body']['cells']['kg'][0];
        if ((float) $seen !== (float) $value) {
            found("row {$row} has {$seen} after {$value} was acknowledged");
        }
    }
}
$kinds = (int) sql("SELECT COUNT(*) FROM revisions WHERE dataset_id = {$dataset}");
if ($kinds !== $revision) {
    found("{$kinds} revisions are kept of {$revision}");
}
said("{$killed} kills under " . ($acknowledged + $unknown) . " changes: {$acknowledged} acknowledged, all there and none twice; {$unknown} not answered, each made whole or not at all");

// --- Imports whose workers die ----------------------------------------------------------------------------------------------------
$long = 250_000;
$file = fopen("{$work}/long.csv", 'w');
fwrite($file, "tag,site,kg,note\n");
for ($i = 1; $i <= $long; ++$i) {
    fwrite($file, "T{$i}," . ['Mill', 'Oak', 'Brook'][$i % 3] . ',' . ($i * 7919 % 4001) / 4 . ",n{$i}\n");
}
fclose($file);
$outcomes = [];
foreach (['worker-1 child', 'worker-1 grandchild', 'worker-2 child', 'mariadb', 'worker-1', 'php-fpm'] as $i => $victim) {
    if ((int) $options['kills'] < 50 && $i > 3) {
        break;
    }
    $answer = uploaded($browser, "{$work}/long.csv");
    usleep(mt_rand(200_000, 900_000));
    kill($victim);
    // Whoever had it may be the other worker; both are back within seconds.
    $status = ended($browser, $answer['body']['id'], $long, 100);
    $outcomes[] = "{$victim}: {$status}";
    if ($status === 'done') {
        surely($browser, 'DELETE', '/datasets/' . surely($browser, 'GET', "/imports/{$answer['body']['id']}")['body']['dataset_id']);
    }
}
said('imports whose process was killed ended: ' . implode(', ', $outcomes));

// --- Cancelling needs no worker -----------------------------------------------------------------------------------------------------
foreach (['worker-1', 'worker-2'] as $worker) {
    posix_kill(-pidOf($worker), SIGSTOP);
}
$answer = uploaded($browser, "{$work}/long.csv");
$cancelled = surely($browser, 'POST', "/imports/{$answer['body']['id']}/cancel")['body']['status'] ?? '';
foreach (['worker-1', 'worker-2'] as $worker) {
    posix_kill(-pidOf($worker), SIGCONT);
}
if ($cancelled !== 'cancelled') {
    found("an import that nobody works at was not cancelled: {$cancelled}");
}
said('an import was cancelled while no worker ran');

// --- A database that takes nothing, or takes its time ---------------------------------------------------------------------------------
sql('SET GLOBAL read_only = 1');
$edit = static fn(int $value, int $revision): array => $browser->ask('POST', "/datasets/{$dataset}/changes", ['revision' => $revision, 'kind' => 'edit-cells', 'edits' => [['row' => 1, 'variable' => 'kg', 'text' => (string) $value]]]);
$answer = $edit(++$value, $revision);
sql('SET GLOBAL read_only = 0');
if ($answer['status'] !== 503 || !isset($answer['body']['message'])) {
    found("a database that can only be read answers {$answer['status']} {$answer['text']}");
}
posix_kill(pidOf('mariadb'), SIGSTOP);
if (pcntl_fork() === 0) {
    usleep(3_000_000);
    posix_kill(pidOf('mariadb'), SIGCONT);
    posix_kill(posix_getpid(), SIGKILL);
}
$answer = $edit(++$value, $revision);
pcntl_wait($status);
if ($answer['status'] !== 201) {
    found("a slow database answers {$answer['status']} {$answer['text']}");
}
said('a database that can only be read is said, a slow one is waited for');

// --- Full disks ---------------------------------------------------------------------------------------------------------------------
if (getenv('ROWTALLY_SMALL_DISKS') === '1') {
    foreach (['storage/app/private/uploads' => 'what is uploaded', 'tmp' => 'copies'] as $place => $what) {
        $open = (int) sql('SELECT COUNT(*) FROM imports');
        $room = (int) disk_free_space("{$home}/{$place}");
        $filler = "{$home}/{$place}/filler";
        shell_exec(sprintf('head -c %d /dev/zero > %s 2>/dev/null', max(0, $room - (2 << 20)), escapeshellarg($filler)));
        $answers = [
            $browser->ask('POST', '/imports', null, "{$work}/long.csv"),
            $browser->ask('POST', '/imports', ['text' => (string) file_get_contents("{$work}/long.csv", false, null, 0, 6 << 20)]),
        ];
        unlink($filler);
        foreach ($answers as $answer) {
            $isTaken = $answer['status'] === 202;
            if (!isset($answer['body']['message']) && !$isTaken) {
                found("no room for {$what} answers {$answer['status']} {$answer['text']}");
            }
            if ($isTaken) {
                // Where it found room after all it must be whole.
                $whole = (int) ($answer['body']['bytes_total'] ?? 0);
                $kept = sql('SELECT path FROM imports WHERE id = ' . (int) $answer['body']['id']);
                if ((int) filesize("{$home}/storage/app/private/{$kept}") !== $whole) {
                    found("a file was cut short for want of room for {$what}, without a word");
                }
                surely($browser, 'POST', "/imports/{$answer['body']['id']}/cancel");
            }
        }
        said("no room for {$what}: " . implode(', ', array_map(static fn(array $answer): string => "{$answer['status']} “" . substr((string) ($answer['body']['message'] ?? 'taken whole'), 0, 70) . '”', $answers)));
    }
    if ((int) $options['kills'] >= 50) {
        // The disk of the database: what was acknowledged stays, what found no room says so, and an import waits until there is some.
        $filler = "{$home}/mariadb/filler";
        shell_exec(sprintf('head -c %d /dev/zero > %s 2>/dev/null', max(0, (int) disk_free_space("{$home}/mariadb") - (1 << 20)), escapeshellarg($filler)));
        $answer = uploaded($browser, "{$work}/long.csv");
        $revision = surely($browser, 'GET', "/datasets/{$dataset}")['body']['revision'];
        $statuses = [];
        for ($try = 0; $try < 25; ++$try) {
            $answered = $edit(++$value, $revision);
            $statuses[$answered['status']] = ($statuses[$answered['status']] ?? 0) + 1;
            if ($answered['status'] === 201) {
                [$revision, $held] = [$answered['body']['revision'], $value];
            } elseif (!isset($answered['body']['message'])) {
                found("a full disk of the database answers {$answered['status']} {$answered['text']}");
            }
            usleep(100_000);
        }
        for ($until = microtime(true) + 100; microtime(true) < $until && in_array($status = $browser->ask('GET', "/imports/{$answer['body']['id']}")['body']['status'] ?? 'queued', ['queued', 'running'], true); usleep(300_000));
        unlink($filler);
        $now = surely($browser, 'GET', "/datasets/{$dataset}/rows?of=kg&from=0&count=1")['body']['cells']['kg'][0];
        if (isset($held) && (float) $now < (float) $held) {
            found("after the disk was full row 1 has {$now} where {$held} was acknowledged");
        }
        $revision = surely($browser, 'GET', "/datasets/{$dataset}")['body']['revision'];
        $again = $edit(++$value, $revision);
        if ($again['status'] !== 201) {
            found("with room again a change answers {$again['status']} {$again['text']}");
        }
        $browser->ask('POST', "/imports/{$answer['body']['id']}/cancel");
        said('no room for the database: edits answered ' . json_encode($statuses) . ", the import is {$status}; with room again changes are made");
    }
    // An upload whose process is killed before it is known leaves its file, which the sweep of the next hour takes.
    $left = array_diff((array) scandir("{$home}/storage/app/private/uploads"), ['.', '..']);
    $known = explode("\n", sql("SELECT SUBSTRING_INDEX(path, '/', -1) FROM imports WHERE status IN ('waiting', 'queued', 'running', 'done')"));
    if (count(array_diff($left, $known)) > 1) {
        found('files are left behind: ' . implode(', ', array_diff($left, $known)));
    }
} else {
    said('the full disks were left out: small ones could not be made (that takes root)');
}

// --- Nothing half-made is left -------------------------------------------------------------------------------------------------------
$drafts = (int) sql('SELECT COUNT(*) FROM datasets WHERE revision = 0');
$open = (int) sql("SELECT COUNT(*) FROM imports WHERE status IN ('queued', 'running')");
if ($drafts > 0 || $open > 0) {
    found("{$drafts} drafts and {$open} open imports are left");
}
said('nothing half-made is left');
