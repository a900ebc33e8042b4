<?php

namespace App\Uploads;

use OuterCrate\Refusals\Refused;
use OuterCrate\Refusals\Says;
use RuntimeException;

/** A request that the tus protocol answers with an error of its own. */
final class UploadRefused extends RuntimeException implements Refused
{
    use Says;

    private function __construct(private readonly int $status, string $what, string $todo = '', string $kept = '')
    {
        $this->say($what, $todo, $kept);
    }

    public function id(): string
    {
        return 'upload';
    }

    public function status(): int
    {
        return $this->status;
    }

    public static function otherVersion(): self
    {
        return new self(412, 'This server speaks tus 1.0.0.', 'Send the header Tus-Resumable: 1.0.0.');
    }

    public static function badHeader(string $name, string $rule): self
    {
        return new self(400, "The header {$name} {$rule}.");
    }

    public static function noType(): self
    {
        return new self(415, 'Bytes of a file are sent as application/offset+octet-stream.');
    }

    public static function otherOffset(int $offset): self
    {
        return new self(409, "The upload stands at {$offset}.", 'Ask with HEAD and go on from there.');
    }

    public static function tooMuch(int $length): self
    {
        return new self(413, "More bytes were sent than the {$length} that were announced.");
    }

    public static function noRoom(string $bytes, string $free): self
    {
        return new self(413, "The file has {$bytes}, and the drive has {$free} free.", 'Make room, then send it again.');
    }

    public static function tooLarge(string $most): self
    {
        return new self(413, "A piece has {$most} at most.", 'Send smaller ones; what has arrived is kept.');
    }

    public static function busy(): self
    {
        return new self(423, 'Another request is sending to this upload.', 'Wait a moment, then go on.');
    }

    public static function checksum(): self
    {
        return new self(460, 'The bytes arrived changed: their checksum differs.', 'Send them again.', 'Nothing of them was kept.');
    }

    public static function gone(): self
    {
        return new self(410, 'This upload was ended or has expired.', 'Send the file anew.');
    }
}
