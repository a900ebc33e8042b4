<?php

namespace App\Media;

use Illuminate\Support\Facades\File;
use OuterCrate\Analysis\Analysis;
use OuterCrate\Analysis\Facts;
use OuterCrate\Analysis\Glance;
use OuterCrate\Analysis\MeasuredFile;
use SplFileInfo;

/** The folder in which what is derived from one cut lies: facts, proxy, strip, exact frames, and the work under way. */
final class Workspace
{
    /** Ending of what is being made. */
    public const PARTIAL = '.partial';

    /** What the engine writes while a segment is measured. */
    public readonly string $folder;

    public function __construct(private readonly string $root)
    {
        $this->folder = "{$root}/work";
        OutputFile::needFolder($this->folder);
    }

    public static function ofCut(int $cut): self
    {
        return new self(config('crate.derived')."/cuts/{$cut}");
    }

    public static function remove(int $cut): void
    {
        File::deleteDirectory(config('crate.derived')."/cuts/{$cut}");
    }

    /** @return list<string> cached frames of cuts; a missing one is extracted again on request */
    public static function pictures(): array
    {
        $folders = glob(config('crate.derived').'/cuts/*/frames') ?: [];
        $files = array_merge(...array_map(fn (string $folder): array => File::allFiles($folder, true), $folders));

        return array_map(fn (SplFileInfo $file): string => $file->getPathname(), array_values($files));
    }

    /** Bytes of those pictures. */
    public static function pictureBytes(): int
    {
        return array_sum(array_map(Bin::bytes(...), self::pictures()));
    }

    public static function forgetPictures(): void
    {
        array_map(File::deleteDirectory(...), glob(config('crate.derived').'/cuts/*/frames') ?: []);
    }

    public function proxy(): string
    {
        return "{$this->root}/proxy.mp4";
    }

    public function strip(): string
    {
        return "{$this->root}/strip.jpg";
    }

    /** @param  int  $modified  of the file, in Unix time: frames of another one are not taken for its own */
    public function frames(int $modified): string
    {
        $folder = "{$this->root}/frames/{$modified}";
        if (! is_dir($folder)) {
            OutputFile::needFolder($folder);
            array_map(File::deleteDirectory(...), array_diff(glob("{$this->root}/frames/*") ?: [], [$folder]));
        }

        return $folder;
    }

    /** Everything that was measured; null where it is not, or by an older detector. */
    public function facts(): ?Facts
    {
        $kept = @file_get_contents($this->factsFile());

        return $kept === false ? null : Facts::unpack($kept);
    }

    /** Nothing of an older detector, and nothing without the pictures of its proxy, is taken up again. */
    public function checkpoint(bool $proxy): Checkpoint
    {
        $state = json_decode((string) @file_get_contents("{$this->root}/checkpoint.json"), true);
        $facts = $this->facts();
        if (
            ! is_array($state) ||
            $facts === null ||
            ($state['version'] ?? null) !== Analysis::VERSION ||
            $facts->frames() !== ($state['frames'] ?? null) ||
            ($proxy && ! is_file($this->proxy()) && @filesize($this->joinedPicture()) < ($state['picture'] ?? PHP_INT_MAX))
        ) {
            $this->begin();

            return new Checkpoint;
        }
        if ($proxy && ! is_file($this->proxy())) {
            // What a crash left behind the last whole segment is cut off.
            $file = fopen($this->joinedPicture(), 'r+b');
            ftruncate($file, $state['picture']);
            fclose($file);
        }

        return new Checkpoint(
            $state['segments'],
            $facts,
            isset($state['reference']) ? new Glance(base64_decode($state['reference'])) : null,
        );
    }

    /** Written so that a crash at any moment leaves the checkpoint before or this one. */
    public function keep(Checkpoint $checkpoint, bool $proxy): void
    {
        if ($proxy) {
            $from = fopen("{$this->folder}/".MeasuredFile::PROXY, 'rb');
            $to = fopen($this->joinedPicture(), 'ab');
            stream_copy_to_stream($from, $to);
            fclose($from);
            fclose($to);
        }
        clearstatcache(true, $this->joinedPicture());
        $this->replace($this->factsFile(), $checkpoint->facts->pack());
        $this->replace(
            "{$this->root}/checkpoint.json",
            json_encode(
                [
                    'version' => Analysis::VERSION,
                    'segments' => $checkpoint->segments,
                    'frames' => $checkpoint->facts->frames(),
                    'picture' => $proxy ? filesize($this->joinedPicture()) : 0,
                    'reference' => $checkpoint->reference === null ? null : base64_encode($checkpoint->reference->bytes),
                ],
                JSON_THROW_ON_ERROR,
            ),
        );
    }

    /** @return resource|null */
    public function open(string $name)
    {
        return is_file("{$this->folder}/{$name}") ? fopen("{$this->folder}/{$name}", 'rb') : null;
    }

    /** Empties the working folder. */
    public function clear(): void
    {
        File::cleanDirectory($this->folder);
    }

    public function joinedPicture(): string
    {
        return "{$this->root}/picture.h264";
    }

    /** Strip and proxy are whole: they get their names, the proxy last, and what they were joined from goes. */
    public function keepProxy(): void
    {
        rename($this->strip().self::PARTIAL, $this->strip());
        rename($this->proxy().self::PARTIAL, $this->proxy());
        @unlink($this->joinedPicture());
    }

    /** Forgets everything: the file is another one now, or another detector looks at it. */
    public function begin(): void
    {
        foreach ([$this->factsFile(), "{$this->root}/checkpoint.json", $this->joinedPicture(), $this->proxy(), $this->strip()] as $file) {
            @unlink($file);
        }
        $this->clear();
    }

    private function factsFile(): string
    {
        return "{$this->root}/facts";
    }

    private function replace(string $file, string $content): void
    {
        file_put_contents("{$file}.partial", $content);
        rename("{$file}.partial", $file);
    }
}
