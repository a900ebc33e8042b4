<?php

namespace App\Transit;

use Closure;
use InvalidArgumentException;
use OuterCrate\Documents\UnreadableDocument;
use OuterCrate\Refusals\Declines;
use OuterCrate\Refusals\Refused;
use RuntimeException;

/** A transit test that cannot be made as it was asked for. */
final class TestRefused extends RuntimeException implements Refused
{
    use Declines;

    private function __construct(string $what, string $todo)
    {
        $this->say($what, $todo);
    }

    public static function noLadder(string $host): self
    {
        return new self(
            "It is not known what {$host} does to an upload: it has no ladder.",
            'Give it tiers on its page, or choose another host.',
        );
    }

    public static function otherShape(string $candidate): self
    {
        return new self(
            "{$candidate} has another shape than the cut, and cannot be laid over it to be measured.",
            'Leave it out, or let its frame follow the cut.',
        );
    }

    public static function tooMany(int $most, int $have): self
    {
        return new self(
            "A test takes {$most} candidates at most; these are {$have}.",
            'Leave some out, and test those later: what was made is kept.',
        );
    }

    public static function tooShort(): self
    {
        return new self('A single frame says nothing of what a host does to movement.', 'Take two frames or more.');
    }

    public static function noSuch(string $candidate): self
    {
        return new self("The test has no candidate that is called {$candidate}.", 'Choose one of its table.');
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $read
     * @return T
     */
    public static function unlessReadable(Closure $read): mixed
    {
        try {
            return $read();
        } catch (UnreadableDocument|InvalidArgumentException $e) {
            throw new self($e->getMessage(), 'Test again. What was found stays with the test.');
        }
    }

    public static function nothing(): self
    {
        return new self('There is no upload to test.', 'Add an upload to the sheet first.');
    }

    public static function cannot(string $candidate, string $why): self
    {
        return new self("{$candidate} cannot be made: {$why}", 'Leave it out, or answer its findings.');
    }
}
