<?php

namespace App\Transit;

use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Media\CutReader;
use App\Media\OutputFile;
use App\Media\Scratch;
use App\Media\SoundMeter;
use App\Media\StepStore;
use Closure;
use OuterCrate\Analysis\Found;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Hosts\Host;
use OuterCrate\Hosts\Recompression\Recompression;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Hosts\Recompression\Upload;
use OuterCrate\Planning\Sheet\Planner;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\SoundLevel;
use OuterCrate\Transit\AsRendition;

/** Does to an upload what a host does, as far as its tiers and ladder say. */
class StandIn
{
    public function __construct(
        private readonly HeldEncoder $encoder,
        private readonly Planner $planner,
        private readonly Subjects $subjects,
        private readonly PassBuilder $passes,
        private readonly Runner $runner,
        private readonly CutReader $reader,
        private readonly SoundMeter $meter,
    ) {
    }

    /**
     * A rendition of the pieces of an upload.
     *
     * @param  Found|null  $found  in the cut that they come from
     * @param  Closure(): bool  $shouldStop
     */
    public function ofPieces(Reel $reel, Material $of, Upload $upload, Rung $rung, Closure $shouldStop, ?Found $found = null): Encoded
    {
        $spec = AsRendition::of($rung, $upload->frame, $upload->hdr);

        $plan = $this->planner->plan($this->subjects->of($of->reading, $found), $spec);
        // Uploads of the same pieces are off by much the same.
        $alike = StepStore::key('alike', $reel->key, serialize($rung), (string) $upload->frame, (int) $upload->hdr);

        return $this->encoder->encode($reel, $of, $plan, $shouldStop, $alike);
    }

    /**
     * Every rendition that a host makes of an upload, with its sound, as files.
     *
     * @param  Closure(string): void  $onFile  told of each when it is made
     * @return list<string> paths, the largest first
     *
     * @throws TestRefused when the host has no ladder
     */
    public function whole(string $path, Host $host, string $folder, Closure $onFile): array
    {
        $recompression = $host->recompression ?? throw TestRefused::noLadder($host->name);
        $reading = $this->reader->read($path)['reading'];
        $upload = self::uploadOf($reading);
        OutputFile::needFolder($folder);
        $made = [];
        $scratch = Scratch::named('stand-in-'.bin2hex(random_bytes(4)));
        try {
            $level = $this->level($path, $reading, $recompression, $scratch);
            foreach ($recompression->tierOf($upload)->renditionsOf($upload->frame) as $rung) {
                $made[] = $this->rendition($path, $reading, $recompression, $rung, $level, $folder, $scratch);
                $onFile($made[count($made) - 1]);
            }
        } finally {
            $scratch->remove();
        }

        return $made;
    }

    /** How loud the sound of an upload is, which its host brings to a loudness of its own; null where it plays none. */
    public function level(string $path, Reading $reading, Recompression $recompression, Scratch $scratch): ?SoundLevel
    {
        $sound = $recompression->audio === null ? null : $reading->mainAudio();

        return $sound === null ? null : $this->meter->ofFile($path, $sound->channels, $scratch);
    }

    /**
     * One rendition of an upload, with its sound.
     *
     * @return string its path
     */
    public function rendition(
        string $path,
        Reading $reading,
        Recompression $recompression,
        Rung $rung,
        ?SoundLevel $level,
        string $folder,
        Scratch $scratch,
    ): string {
        $upload = self::uploadOf($reading);
        $spec = AsRendition::of($rung, $upload->frame, $upload->hdr, $level === null ? null : $recompression->audio);
        $plan = $this->planner->plan($this->subjects->of($reading), $spec)->levelledFor($level);
        $name = pathinfo($path, PATHINFO_FILENAME)." {$rung->shorterSide}p.".$plan->container->container->extension();
        $file = OutputFile::at("{$folder}/{$name}", bin2hex(random_bytes(4)));
        try {
            foreach ($this->passes->passes($plan, $reading, witnessed: false) as $pass) {
                $this->runner->encode(EncodeCommand::of($pass, $path, $pass->writes ? $file->target(null) : null), $scratch->path);
            }

            return $file->publish();
        } finally {
            $file->discard();
        }
    }

    /** What a host sees of a file. */
    public static function uploadOf(Reading $reading): Upload
    {
        $video = $reading->mainVideo() ?? throw EngineFailed::noPicture();

        return new Upload($video->displaySize(), $video->frameRate, $video->colour->isHdr());
    }
}
