<?php

namespace App\Media;

use Closure;
use HashContext;

/**
 * SHA-256 and xxHash64 of a file in one reading, which can take minutes: in pieces, so that work goes on being looked after; or behind
 * another reader, so that what is on a slow disk comes from there once.
 */
final class Checksum
{
    /** Bytes that are read between two ticks. */
    public const PIECE = 8 * 1024 * 1024;

    /** Bytes that are caught up with at a time: whoever reads may have looked at the end first. */
    private const MOST = 64 * 1024 * 1024;

    /** @var array{sha256: HashContext, xxh64: HashContext} */
    private readonly array $hashes;

    private int $done = 0;

    /** @param  resource  $file */
    private function __construct(private readonly string $path, private $file)
    {
        $this->hashes = ['sha256' => hash_init('sha256'), 'xxh64' => hash_init('xxh64')];
    }

    /** @throws FileProblem */
    public static function begin(string $path): self
    {
        // Closed for programs that are started meanwhile: one that has it in its hands seems to read where this one does.
        return new self($path, @fopen($path, 'rbe') ?: throw new FileProblem(
            'The finished file has gone from its folder.',
            $path,
            'Pack again.',
        ));
    }

    /**
     * @param  Closure(): void|null  $tick  called after each piece
     * @return string in small hexadecimal letters
     *
     * @throws FileProblem
     */
    public static function of(string $path, ?Closure $tick = null): string
    {
        return self::both($path, $tick)['sha256'];
    }

    /**
     * @param  Closure(): void|null  $tick  called after each piece
     * @return array{sha256: string, xxh64: string} in small hexadecimal letters
     *
     * @throws FileProblem
     */
    public static function both(string $path, ?Closure $tick = null): array
    {
        return self::begin($path)->finish($tick);
    }

    /** @param  int  $position  in the file, which another reader has come to */
    public function follow(int $position): void
    {
        $until = min($position, $this->done + self::MOST);
        while ($this->done < $until && $this->take(min(self::PIECE, $until - $this->done))) {
            continue;
        }
    }

    /**
     * @param  Closure(): void|null  $tick  called after each piece
     * @return array{sha256: string, xxh64: string} in small hexadecimal letters
     *
     * @throws FileProblem where it cannot be read to its end
     */
    public function finish(?Closure $tick = null): array
    {
        while ($this->take(self::PIECE)) {
            $tick === null ?: $tick();
        }
        $isWhole = $this->done === (fstat($this->file)['size'] ?? -1);
        fclose($this->file);
        $isWhole ?: throw new FileProblem(
            'The finished file cannot be read to its end.',
            $this->path,
            'Look at its drive, and pack again.',
        );

        return array_map(hash_final(...), $this->hashes);
    }

    private function take(int $bytes): bool
    {
        $piece = (string) @fread($this->file, $bytes);
        array_map(fn (HashContext $hash): bool => hash_update($hash, $piece), $this->hashes);
        $this->done += strlen($piece);

        return $piece !== '';
    }
}
