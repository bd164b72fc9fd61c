<?php

declare(strict_types=1);

// Of several nodes each reads what any of them has acknowledged before.
$isCluster = (bool) env('DB_CLUSTER', false);
$inCluster = $isCluster ? ', SESSION wsrep_sync_wait=1' : '';
$mariadb = [
    'driver' => 'mariadb',
    // Nodes of a Galera cluster in the order in which they are asked, with commas between.
    'host' => explode(',', (string) env('DB_HOST', '127.0.0.1')),
    'is_cluster' => $isCluster,
    'port' => env('DB_PORT', '3306'),
    'database' => env('DB_DATABASE', 'rowtally'),
    'username' => env('DB_USERNAME', 'rowtally'),
    'password' => env('DB_PASSWORD', ''),
    'charset' => 'utf8mb4',
    // Names and labels are told apart as exact text: "a", "A" and "á" are three.
    'collation' => 'utf8mb4_bin',
    'strict' => true,
    // By the socket where it is known: half the time of the loopback network.
    'unix_socket' => env('DB_SOCKET', ''),
    // It is named when the connection is made.
    'use_db_after_connecting' => false,
    // Questions go to the server in one piece. What is written is prepared there: blobs are five times faster so.
    // A question that takes longer than nginx waits for its answer is given up.
    // What the connection is told once, when it is made, need not be told again by each request that takes it up.
    'read' => [
        'charset' => null,
        'strict' => null,
        'options' => [
            PDO::ATTR_EMULATE_PREPARES => true,
            PDO::MYSQL_ATTR_INIT_COMMAND => "SET NAMES utf8mb4 COLLATE utf8mb4_bin, SESSION max_statement_time=100, SESSION sql_mode='ONLY_FULL_GROUP_BY,STRICT_TRANS_TABLES,NO_ZERO_IN_DATE,NO_ZERO_DATE,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION'{$inCluster}",
        ],
    ],
    'write' => $isCluster ? ['options' => [PDO::MYSQL_ATTR_INIT_COMMAND => 'SET SESSION wsrep_sync_wait=1', PDO::ATTR_TIMEOUT => 3]] : [],
];

$redis = [
    'host' => env('REDIS_HOST', '127.0.0.1'),
    'port' => env('REDIS_PORT', '6379'),
    'username' => env('REDIS_USERNAME'),
    'password' => env('REDIS_PASSWORD'),
    'database' => 0,
    'timeout' => 2,
    'read_write_timeout' => 5,
];

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => $mariadb,
        // A second one, for what is said while the first is in the middle of something that counts as a whole.
        'aside' => $mariadb,
    ],
    // Asked only where cache, queue or sessions are kept there (docs/operations.md).
    'redis' => [
        'client' => 'predis',
        'options' => ['prefix' => 'rowtally:'],
        'default' => $redis,
        'cache' => [...$redis, 'database' => 1],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
