<?php

namespace App\Desk;

use App\Configuration\FolderSettings;
use App\Engine\Capabilities;
use App\Media\CutFile;
use App\Media\Drive;
use App\Media\Neighbours;
use App\Models\Cut;
use App\Models\KeptName;
use App\Models\Run;
use Closure;
use OuterCrate\Analysis\Found;
use OuterCrate\Analysis\TestedUpload;
use OuterCrate\Naming\FileName;
use OuterCrate\Planning\Subject;
use OuterCrate\Planning\Volume;
use OuterCrate\Reading\Reading;

/** What this machine knows around a cut that is planned for: its drive, its files, its engine, and what was found in the cut. */
class Surroundings
{
    public function __construct(private readonly Capabilities $capabilities, private readonly KnownTests $tests)
    {
    }

    /** @param  string|null  $folder  for deliveries; the cut's own when null */
    public function of(Cut $cut, ?Reading $reading = null, ?string $folder = null): Subject
    {
        $reading ??= $cut->reading();

        $folder ??= self::deliveries($cut->name);

        return $this->subject($reading, $cut->name, $cut->path, $folder, $cut->found(), $this->tests->of($cut));
    }

    /** Of a file that need not be on the shelf. */
    public function ofFile(Reading $reading, string $path): Subject
    {
        $cut = Cut::query()->where('path', KeptName::of($path))->first();
        if ($cut !== null && CutFile::isHere($cut)) {
            return $this->of($cut, $reading);
        }
        $name = pathinfo($path, PATHINFO_FILENAME);

        return $this->subject($reading, $name, $path, self::deliveries($name), null);
    }

    /** Where the files of a cut go. */
    public static function deliveries(string $cut): string
    {
        return app(FolderSettings::class)->deliveries.'/'.FileName::safe($cut);
    }

    /** @param  list<TestedUpload>  $tested */
    private function subject(Reading $reading, string $name, string $path, string $folder, ?Found $found, array $tested = []): Subject
    {
        $volume = new Volume(
            Drive::freeBytes($folder),
            Drive::fileSystem($folder),
            Drive::of($folder) === Drive::of(dirname($path)),
            self::queuedBytes(),
        );

        return new Subject(
            reading: $reading,
            encoders: $this->capabilities->encoders(),
            volume: $volume,
            cutName: $name,
            found: $found,
            taken: $this->taken($folder),
            neighbour: Neighbours::muchLarger($path),
            hardware: $this->capabilities->knownHardware(),
            tested: $tested,
        );
    }

    /** What the runs that are under way or wait will still write, about. */
    private static function queuedBytes(): int
    {
        return (int) Run::underWay()
            ->get(['id', 'plan->estimate->bytes as bytes'])
            ->sum(fn (Run $run): int => intdiv((int) $run->getAttribute('bytes') * (100 - $run->work->percent), 100));
    }

    /** @return Closure(string): bool */
    private function taken(string $folder): Closure
    {
        $files = [];
        $waiting = null;

        return function (string $path) use ($folder, &$files, &$waiting): bool {
            $within = rtrim("{$folder}/".ltrim(dirname("/{$path}"), '/'), '/');
            $files[$within] ??= array_flip(array_map(mb_strtolower(...), Drive::answers($within) ? Neighbours::in($within) : []));
            $waiting ??= array_flip(Run::underWay()->pluck('file')->map(fn (string $file): string => mb_strtolower($file))->all());

            return isset($files[$within][mb_strtolower(basename($path))]) || isset($waiting[mb_strtolower("{$folder}/{$path}")]);
        };
    }
}
