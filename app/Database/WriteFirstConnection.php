<?php

namespace App\Database;

use Illuminate\Database\SQLiteConnection;
use PDOException;

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
            $pdo->exec('BEGIN');
            $pdo->rollBack();
            throw $e;
        }
    }
}
