<?php

namespace App\Media;

use OuterCrate\Refusals\Refused;
use RuntimeException;

/** A file that another process could not read, in the words of that process, or of the limit that it met. */
final class ReadingStopped extends RuntimeException implements Refused
{
    /** @param  array{id: string, status: int, message: string, file: ?string, kept: string, todo: string}  $told */
    private function __construct(private readonly array $told)
    {
        parent::__construct($told['message']);
    }

    /** @param  array{id: string, status: int, message: string, file: ?string, kept: string, todo: string}  $told */
    public static function told(array $told): self
    {
        return new self($told);
    }

    /** @return array{id: string, status: int, message: string, file: ?string, kept: string, todo: string} */
    public static function words(Refused $e): array
    {
        return [
            'id' => $e->id(), 'status' => $e->status(), 'message' => $e->getMessage(),
            'file' => $e->file() === null ? null : mb_scrub($e->file()), 'kept' => $e->kept(), 'todo' => $e->todo(),
        ];
    }

    public static function atLimit(string $path, string $limit, string $setting): self
    {
        $todo = "It may be damaged, or made to mislead. Where it is not, raise the limit: {$setting} in .env.";

        return self::because('reading-limit', 422, $path, "Reading %s took more than {$limit} and was stopped.", $todo);
    }

    public static function killed(string $path): self
    {
        $todo = 'Try again; if it happens again, the machine may have too little memory.';

        return self::because('reading-killed', 503, $path, 'The process that read %s was ended from outside.', $todo);
    }

    public static function broken(string $path): self
    {
        $todo = 'Try again; storage/logs says more.';

        return self::because('reading-broken', 500, $path, 'The process that read %s ended before it was done.', $todo);
    }

    /** @param  string  $what  what happened, with %s for the name of the file */
    private static function because(string $id, int $status, string $path, string $what, string $todo): self
    {
        return new self([
            'id' => $id, 'status' => $status, 'message' => sprintf($what, mb_scrub(basename($path)))." {$todo}",
            'file' => mb_scrub($path), 'kept' => '', 'todo' => $todo,
        ]);
    }

    public function id(): string
    {
        return $this->told['id'];
    }

    public function status(): int
    {
        return $this->told['status'];
    }

    public function file(): ?string
    {
        return $this->told['file'];
    }

    public function kept(): string
    {
        return $this->told['kept'];
    }

    public function todo(): string
    {
        return $this->told['todo'];
    }
}
