<?php

namespace App\Packing;

use App\Media\FileProblem;
use App\Media\Fingerprint;
use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Run;

/** Whether the cut is still what the first pass read when the last one has ended, also where its size and time say so. */
final readonly class SourceWatch
{
    private const NAME = 'source.hash';

    private function __construct(private string $hash)
    {
    }

    /** What an earlier process began with holds as long as its passes do. */
    public static function begin(Run $run, Scratch $scratch): self
    {
        $file = "{$scratch->path}/".self::NAME;
        $known = is_file($file) ? (string) file_get_contents($file) : '';
        if ($known === '') {
            $known = Fingerprint::sampled($run->source);
            OutputFile::replace($file, $known);
        }

        return new self($known);
    }

    /** @throws FileProblem */
    public function need(Run $run): void
    {
        if (Fingerprint::sampled($run->source) !== $this->hash) {
            throw new FileProblem(
                "The file of {$run->cut_name} was written to while this was made: nothing was kept of it.",
                $run->source,
                'Wait until nobody writes to it, read it again on its sheet, and pack again.',
            );
        }
    }
}
