<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use Closure;
use OuterCrate\Analysis\Found;
use OuterCrate\Analysis\FoundSound;
use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Planning\Values\AudioValue;
use OuterCrate\Reading\Reading;

/** What is planned for and checked against: the cut, what was found in it, and what is known of the machine. */
final readonly class Subject
{
    /**
     * @param  list<string>|null  $encoders  the engine's encoders; null when it was not asked
     * @param  Found|null  $found  null while the cut has not been looked at
     * @param  Closure(string): bool|null  $taken  whether there is a file at a path below the folder for deliveries
     * @param  array<string, string>  $planned  paths that other outputs of the sheet will take, in small letters, each with what it is
     *     but for its version
     * @param  list<string>  $hardware  encoders in graphics chips that work on this machine
     * @param  list<TestedUpload>  $tested  what transit tests of the cut came to, the newest first
     * @param  array{name: string, bytes: int}|null  $neighbour  a much larger file beside the cut whose name begins alike
     */
    public function __construct(
        public Reading $reading,
        public ?array $encoders = null,
        public Volume $volume = new Volume,
        public string $cutName = 'cut',
        public ?Found $found = null,
        private ?Closure $taken = null,
        private array $planned = [],
        public ?array $neighbour = null,
        public array $hardware = [],
        public array $tested = [],
    ) {
    }

    /** The sound that a file delivers, before its level is set, as the cut was heard; null where it was not. */
    public function heard(AudioValue $audio): ?FoundSound
    {
        return $this->found?->soundOf($this->reading->mainAudio()->channels ?? 0, $audio->channels, $audio->headroom);
    }

    /** Another output of the sheet is called so, but for its version. */
    public function isPlanned(string $path): bool
    {
        return in_array(mb_strtolower($path), $this->planned, true);
    }

    /** Nothing may be put there. Names that differ only in case are one on many systems. */
    public function isTaken(string $path): bool
    {
        return isset($this->planned[mb_strtolower($path)]) || ($this->taken !== null && ($this->taken)($path));
    }

    /**
     * Another output comes before.
     *
     * @param  string  $first  its path as the first version
     * @param  int  $bytes  that it will take
     */
    public function withPlanned(string $path, string $first, int $bytes): self
    {
        return new self(
            reading: $this->reading,
            encoders: $this->encoders,
            volume: $this->volume->promising($bytes),
            cutName: $this->cutName,
            found: $this->found,
            taken: $this->taken,
            planned: [...$this->planned, mb_strtolower($path) => mb_strtolower($first)],
            neighbour: $this->neighbour,
            hardware: $this->hardware,
            tested: $this->tested,
        );
    }
}
