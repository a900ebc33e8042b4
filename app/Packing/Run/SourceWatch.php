<?php

namespace App\Packing\Run;

use App\Media\FileProblem;
use App\Media\Fingerprint;
use App\Media\OutputFile;
use App\Media\Scratch;
use App\Models\Run;

/** Detects that the source was overwritten between the first and the last pass, even with its size and time stamp restored. */
final readonly class SourceWatch
{
    private const NAME = 'source.hash';

    private function __construct(private string $hash)
    {
    }

    /** Reuses the hash of an earlier process if its finished passes are reused. */
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
                'Wait until no program writes to it, read it again on its sheet, and pack again.',
            );
        }
    }
}
