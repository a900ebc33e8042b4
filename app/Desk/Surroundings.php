<?php

namespace App\Desk;

use App\Engine\Capabilities;
use App\Media\OutputFile;
use App\Models\Cut;
use App\Models\Run;
use Closure;
use OuterCrate\Analysis\Found;
use OuterCrate\Naming\FileName;
use OuterCrate\Planning\Subject;
use OuterCrate\Planning\Volume;
use OuterCrate\Reading\Reading;

/** What this machine knows around a cut that is planned for: its drive, its files, its engine, and what was found in the cut. */
class Surroundings
{
    /** A file beside the cut counts as the real one when it is this many times as large. */
    private const MUCH_LARGER = 4;

    private const VIDEO = ['mov', 'mp4', 'mkv', 'mxf', 'avi', 'webm', 'm4v', 'mpg', 'ts', 'mts'];

    public function __construct(private readonly Capabilities $capabilities)
    {
    }

    /** @param  string|null  $folder  for deliveries; the cut's own when null */
    public function of(Cut $cut, ?Reading $reading = null, ?string $folder = null): Subject
    {
        $reading ??= $cut->reading();

        return $this->subject($reading, $cut->name, $cut->path, $folder ?? self::deliveries($cut->name), $cut->found());
    }

    /** Of a file that need not be on the shelf. */
    public function ofFile(Reading $reading, string $path): Subject
    {
        $cut = Cut::query()->where('path', $path)->first();
        if ($cut !== null && ! $cut->hasChanged()) {
            return $this->of($cut, $reading);
        }
        $name = pathinfo($path, PATHINFO_FILENAME);

        return $this->subject($reading, $name, $path, self::deliveries($name), null);
    }

    /** Where the files of a cut go. */
    public static function deliveries(string $cut): string
    {
        return config('crate.deliveries').'/'.FileName::safe($cut);
    }

    private function subject(Reading $reading, string $name, string $path, string $folder, ?Found $found): Subject
    {
        $volume = new Volume(OutputFile::freeBytes($folder), self::fileSystem($folder), self::device($folder) === self::device(dirname($path)), self::queuedBytes());

        return new Subject(
            reading: $reading,
            encoders: $this->capabilities->encoders(),
            volume: $volume,
            cutName: $name,
            found: $found,
            taken: $this->taken($folder),
            neighbour: self::neighbour($path),
            hardware: $this->capabilities->hardware(),
        );
    }

    /** What the runs that are under way or wait will still write, about. */
    private static function queuedBytes(): int
    {
        return (int) Run::underWay()->get(['id', 'plan->estimate->bytes as bytes'])
            ->sum(fn (Run $run): int => intdiv((int) $run->getAttribute('bytes') * (100 - $run->work->percent), 100));
    }

    /** @return Closure(string): bool */
    private function taken(string $folder): Closure
    {
        $files = [];
        $waiting = null;

        return function (string $path) use ($folder, &$files, &$waiting): bool {
            $within = rtrim("{$folder}/".ltrim(dirname("/{$path}"), '/'), '/');
            $files[$within] ??= array_flip(array_map(mb_strtolower(...), is_dir($within) ? scandir($within) ?: [] : []));
            $waiting ??= array_flip(Run::underWay()->pluck('file')->map(fn (string $file): string => mb_strtolower($file))->all());

            return isset($files[$within][mb_strtolower(basename($path))]) || isset($waiting[mb_strtolower("{$folder}/{$path}")]);
        };
    }

    /** @return array{name: string, bytes: int}|null the largest video beside a cut whose name begins as the cut's does */
    private static function neighbour(string $path): ?array
    {
        $begins = mb_strtolower(mb_substr(pathinfo($path, PATHINFO_FILENAME), 0, 6));
        $bytes = (int) @filesize($path) * self::MUCH_LARGER;
        $largest = null;
        foreach (is_dir(dirname($path)) ? array_slice(scandir(dirname($path)) ?: [], 0, 2_000) : [] as $name) {
            $alike = str_starts_with(mb_strtolower($name), $begins) && in_array(strtolower(pathinfo($name, PATHINFO_EXTENSION)), self::VIDEO, true);
            $size = $alike && $name !== basename($path) ? (int) @filesize(dirname($path)."/{$name}") : 0;
            if ($size > $bytes && $bytes > 0 && $size > ($largest['bytes'] ?? 0)) {
                $largest = ['name' => $name, 'bytes' => $size];
            }
        }

        return $largest;
    }

    private static function device(string $folder): ?int
    {
        while (! is_dir($folder) && $folder !== dirname($folder)) {
            $folder = dirname($folder);
        }
        $status = @stat($folder);

        return $status === false ? null : $status['dev'];
    }

    /** Of the deepest mount point above the folder, as the kernel lists it. */
    private static function fileSystem(string $folder): ?string
    {
        $deepest = -1;
        $type = null;
        foreach (@file('/proc/mounts') ?: [] as $line) {
            [, $point, $name] = explode(' ', $line) + [1 => '', 2 => ''];
            $point = rtrim(stripcslashes($point), '/');
            if (str_starts_with("{$folder}/", "{$point}/") && strlen($point) >= $deepest) {
                $deepest = strlen($point);
                $type = $name;
            }
        }

        return $type;
    }
}
