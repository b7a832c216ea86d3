<?php

declare(strict_types=1);

namespace App\Database;

use Generator;
use Illuminate\Database\Schema\Grammars\SQLiteGrammar;
use Illuminate\Database\SQLiteConnection;
use LogicException;
use PDOException;
use stdClass;

/**
 * Begins every transaction as a writing one. A deferred SQLite transaction that reads and then writes fails at once when
 * somebody else wrote in between, whatever the busy timeout; Laravel's `transaction_mode` is only heeded from PHP 8.4 on.
 *
 * Whoever has to wait is in a queue: SQLite lets those who wait try again after pauses that grow, so that who came last is often
 * served first. The system wakes those who wait for a lock of a file in their order, and only the first of them asks SQLite.
 */
final class ImmediateConnection extends SQLiteConnection
{
    /** Tables are made in transactions, too, so that a migration that was killed can be run again. */
    protected function getDefaultSchemaGrammar(): SQLiteGrammar
    {
        return new class ($this) extends SQLiteGrammar {
            protected $transactions = true;
        };
    }

    /** @var resource|null */
    private $queue = null;

    /** Statements of which not all rows are read yet. */
    private int $reading = 0;

    /**
     * @param  mixed  $query
     * @param  mixed  $bindings
     * @param  mixed  $useReadPdo
     * @return Generator<int, stdClass>
     */
    public function cursor($query, $bindings = [], $useReadPdo = true): Generator
    {
        $this->reading++;
        try {
            yield from parent::cursor($query, $bindings, $useReadPdo);
        } finally {
            $this->reading--;
        }
    }

    /**
     * @throws LogicException while rows are still read: these are on an older state, from which SQLite lets nobody write once somebody else
     *     has
     */
    protected function executeBeginTransactionStatement(): void
    {
        $this->reading === 0 || throw new LogicException('A transaction begins when all rows of a cursor are read.');
        $queue = $this->queue();
        if ($queue === null) {
            $this->begin();

            return;
        }
        $pdo = $this->getPdo();
        $patience = (int) ($pdo->query('PRAGMA busy_timeout') ?: throw new PDOException('The database tells nothing'))->fetchColumn();
        $since = hrtime(true);
        flock($queue, LOCK_EX);
        try {
            // Who stood behind somebody that waited in vain has waited as long.
            $left = max(0, $patience - intdiv(hrtime(true) - $since, 1_000_000));
            $pdo->exec("PRAGMA busy_timeout = {$left}");
            $this->begin();
        } finally {
            flock($queue, LOCK_UN);
            $pdo->exec("PRAGMA busy_timeout = {$patience}");
        }
    }

    /** @return resource|null a file beside the database; one in memory has nobody who waits */
    private function queue()
    {
        $path = (string) $this->getConfig('database');
        if ($this->queue === null && is_file($path)) {
            // Who may not write it waits as SQLite has it.
            $this->queue = @fopen("{$path}.queue", 'c') ?: null;
        }

        return $this->queue;
    }

    private function begin(): void
    {
        $pdo = $this->getPdo();
        $pdo->beginTransaction();
        try {
            $pdo->exec('COMMIT; BEGIN IMMEDIATE');
        } catch (PDOException $e) {
            // PDO still believes in its transaction: give it one to roll back.
            $pdo->exec('BEGIN');
            $pdo->rollBack();

            throw $e;
        }
    }
}
