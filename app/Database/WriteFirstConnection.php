<?php

namespace App\Database;

use Closure;
use Illuminate\Database\SQLiteConnection;
use PDO;
use PDOException;
use Throwable;

/**
 * SQLite whose transactions take the lock for writing when they begin, and wait for it there.
 *
 * One that reads first and writes afterwards is refused at once, without any waiting, when another process has written in
 * between. Laravel has a setting for this from PHP 8.4 on (`transaction_mode`); this is the same for PHP 8.2 and 8.3.
 */
class WriteFirstConnection extends SQLiteConnection
{
    protected function executeBeginTransactionStatement(): void
    {
        parent::executeBeginTransactionStatement();
        if (PHP_VERSION_ID >= 80400) {
            return;
        }
        // PDO keeps its own account of whether a transaction is open, and has no other beginning than a deferred one.
        $pdo = $this->getPdo();
        try {
            $pdo->exec('ROLLBACK; BEGIN IMMEDIATE TRANSACTION');
        } catch (PDOException $e) {
            $this->leave($pdo, fn () => $pdo->exec('BEGIN'));
            throw $e;
        }
    }

    /** A commit that fails (a full volume) leaves its transaction open, and every one after it would be refused. */
    protected function handleCommitTransactionException(Throwable $e, $currentAttempt, $maxAttempts): void
    {
        try {
            parent::handleCommitTransactionException($e, $currentAttempt, $maxAttempts);
        } finally {
            $pdo = $this->getRawPdo();
            if ($pdo instanceof PDO && $pdo->inTransaction()) {
                $this->leave($pdo, fn () => null);
            }
        }
    }

    /**
     * On a full volume SQLite rolls back the whole transaction by itself (sqlite.org, “Transactions”, 2.4). The savepoint is gone then, and
     * the error about it would hide the one that matters.
     *
     * @param  int  $toLevel
     */
    protected function performRollBack($toLevel): void
    {
        try {
            parent::performRollBack($toLevel);
        } catch (PDOException $e) {
            if (preg_match('~no such savepoint|no transaction is active~', $e->getMessage()) !== 1) {
                throw $e;
            }
            $pdo = $this->getRawPdo();
            if ($pdo instanceof PDO && $pdo->inTransaction()) {
                $this->leave($pdo, fn () => $pdo->exec('BEGIN'));
            }
        }
    }

    /** Brings SQLite and PDO to agree that no transaction is open; a connection that cannot be brought to it is given up. */
    private function leave(PDO $pdo, Closure $prepare): void
    {
        try {
            $prepare();
            $pdo->rollBack();
        } catch (PDOException) {
            $this->disconnect();
        }
    }
}
