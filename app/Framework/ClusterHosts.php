<?php

declare(strict_types=1);

namespace App\Framework;

use Closure;
use Illuminate\Database\Connectors\ConnectionFactory;
use PDO;
use PDOException;

/**
 * Connections to a database of several nodes: to the first of them that is ready, in the order in which the settings name them. All nodes
 * of the application that name them alike write to the same one, so that two changes of one thing rarely meet between nodes; a node that
 * is away, or has come back and is not yet up to date, is passed over.
 */
final class ClusterHosts extends ConnectionFactory
{
    public const NOT_READY = 'WSREP has not yet prepared node';

    /**
     * @param array<mixed> $config
     *
     * @return Closure(): PDO
     */
    protected function createPdoResolverWithHosts(array $config): Closure
    {
        if (($config['is_cluster'] ?? false) !== true) {
            return parent::createPdoResolverWithHosts($config);
        }

        return function () use ($config): PDO {
            $notReady = $last = new PDOException('SQLSTATE[HY000] [1047] ' . self::NOT_READY . ' for application use: none of them is.');
            $isThere = false;
            foreach ($this->parseHosts($config) as $host) {
                try {
                    $pdo = $this->createConnector($config)->connect([...$config, 'host' => $host]);
                    if (self::isReady($pdo)) {
                        return $pdo;
                    }
                    $isThere = true;
                } catch (PDOException $refused) {
                    $last = $refused;
                }
            }
            // One that is there and not ready says more than those that do not answer.
            throw $isThere ? $notReady : $last;
        };
    }

    private static function isReady(PDO $pdo): bool
    {
        $status = $pdo->query("SHOW STATUS LIKE 'wsrep_ready'");

        return $status !== false && $status->fetchColumn(1) === 'ON';
    }
}
