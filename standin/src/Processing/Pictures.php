<?php

namespace StandIn\Processing;

use App\Engine\Runner;
use Illuminate\Support\Facades\File;
use OuterCrate\Encoding\Commands\Allowance;
use OuterCrate\Encoding\Commands\Command;
use OuterCrate\Encoding\Commands\Input;
use OuterCrate\Reading\Reading;
use StandIn\Models\Video;

/** What a host's pages show of a video besides its renditions. */
class Pictures
{
    public function __construct(private readonly Runner $runner)
    {
    }

    /** Three pictures of it, of which one can be its thumbnail. */
    public function pick(Video $video, Reading $reading): void
    {
        $folder = $video->folder();
        File::ensureDirectoryExists($folder);
        $seconds = $reading->duration->toFloat();
        foreach ([1, 2, 3] as $number) {
            $this->runner->encode(Command::encode(Allowance::Look, [
                ...Input::of($video->file, ['-ss', sprintf('%.3F', $seconds * $number / 4)]),
                '-frames:v', '1', '-vf', 'scale=w=640:h=360:force_original_aspect_ratio=increase,crop=640:360', '-q:v', '3',
                "file:{$folder}/pick-{$number}.jpg",
            ]), $folder);
        }
    }

    /** A rendition as browsers play it. */
    public function forPlayers(string $path, string $target): string
    {
        $this->runner->encode(Command::encode(Allowance::Run, [
            ...Input::of($path), '-map', '0', '-c', 'copy', '-movflags', '+faststart', '-f', 'mp4', "file:{$target}.new",
        ]), dirname($target));
        rename("{$target}.new", $target);
        @unlink($path);

        return $target;
    }
}
