<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Encoding\Passes\Pass;
use OuterCrate\Reading\Quantisers;

/** A pass as one of several that share the decoding of a cut. */
final readonly class SharedPass
{
    /** Files that a pass leaves in its working folder. */
    private const LEFT = [Pass::STATISTICS, Quantisers::FILE, Witness::PICTURES, Witness::TIMES, Witness::SOUND];

    /**
     * @param  string  $folder  name of its own folder within the working folder of all
     * @param  string|null  $target  absolute path of its file; null for a pass that writes none
     */
    public function __construct(public Pass $pass, public string $folder, public ?string $target)
    {
    }

    /** Whether it is to be told how coarsely each frame was coded: the engine tells it of all passes in one file. */
    public function isTold(): bool
    {
        return in_array('-vstats_file', $this->pass->arguments, true);
    }

    /**
     * Its outputs, by names that are its own.
     *
     * @param  int  $place  among those that share
     * @param  bool  $besides  with what it leaves beside its file
     * @return list<string>
     */
    public function outputs(int $place, bool $besides): array
    {
        $told = array_search('-vstats_file', $this->pass->arguments, true);
        $arguments = $this->pass->arguments;
        is_int($told) ? array_splice($arguments, $told, 2) : null;
        $outputs = [...$arguments, $this->target === null ? '-' : 'file:'.$this->target, ...$besides ? $this->pass->beside : []];

        return array_map(fn (string $argument): string => $this->owned($argument, $place), $outputs);
    }

    /** A label is this pass's, and so is a file that it leaves. */
    private function owned(string $argument, int $place): string
    {
        if (in_array($argument, self::LEFT, true)) {
            return "{$this->folder}/{$argument}";
        }
        $argument = str_replace('[picture]', "[picture{$place}]", $argument);

        return (string) preg_replace(
            '~((?:^|:)(?:file|stats)=)('.implode('|', self::LEFT).')(?=$|[:,])~',
            "\$1{$this->folder}/\$2",
            $argument,
        );
    }
}
