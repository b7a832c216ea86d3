<?php

declare(strict_types=1);

namespace App\Database;

use Illuminate\Database\Schema\Grammars\SQLiteGrammar;
use Illuminate\Database\SQLiteConnection;
use PDOException;

/**
 * Begins every transaction as a writing one. A deferred SQLite transaction that reads and then writes fails at once when
 * somebody else wrote in between, whatever the busy timeout; Laravel's `transaction_mode` is only heeded from PHP 8.4 on.
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

    protected function executeBeginTransactionStatement(): void
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
