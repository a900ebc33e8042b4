<?php

namespace App\Shelf;

use App\Analysis\CutAnalyses;
use App\Engine\EngineFailed;
use App\Media\CutReader;
use App\Media\FileProblem;
use App\Media\Fingerprint;
use App\Media\Posters;
use App\Media\SameFile;
use App\Media\Workspace;
use App\Models\Cut;
use App\Models\CutAnalysis;
use App\Models\Work;

/** Brings files in as cuts. The file stays where it is and is only read. */
class CutShelf
{
    /** What a new cut's sheet begins with. */
    private const FIRST_OUTPUTS = [
        ['preset' => 'archive-10-bit', 'host' => null],
        ['preset' => 'lanternwick-generous', 'host' => 'lanternwick'],
    ];

    public function __construct(
        private readonly CutReader $reader,
        private readonly CutCard $card,
        private readonly Posters $posters,
        private readonly CutAnalyses $analyses,
    ) {
    }

    /**
     * The same file is one cut, however often it is brought in and wherever it lies: a copy gives the cut that is there, and a
     * cut whose file has gone takes the new place. What is alike at a glance and another file is a cut of its own.
     *
     * @param  string  $path  absolute
     * @param  string|null  $name  the file's own name, made readable, when null
     * @param  bool  $analyse  have it analysed on the queue
     *
     * @throws \OuterCrate\Reading\Unreadable
     * @throws FileProblem
     * @throws EngineFailed
     */
    public function bringIn(string $path, ?string $name = null, bool $analyse = true): Cut
    {
        $path = realpath($path) ?: $path;
        ['reading' => $reading, 'probe' => $probe, 'fastStart' => $fastStart] = $this->reader->read($path);
        $fingerprint = Fingerprint::of($path);
        $cut =
            Cut::query()->firstWhere('path', $path) ??
            ($this->alike($path, $fingerprint) ??
                new Cut([
                    'name' => $name ?? self::readable($path),
                    'outputs' => array_map(
                        fn (array $output, int $i): array => ['key' => (string) ($i + 1), ...$output, 'edits' => []],
                        self::FIRST_OUTPUTS,
                        array_keys(self::FIRST_OUTPUTS),
                    ),
                ]));
        if ($cut->exists && $cut->path !== $path && ! $cut->hasChanged()) {
            return $cut;
        }
        clearstatcache(true, $path);
        $same = $cut->fingerprint === $fingerprint;
        $cut->fill([
            'path' => $path,
            'fingerprint' => $fingerprint,
            'bytes' => $reading->bytes,
            'modified' => (int) filemtime($path),
            'card' => $this->card->of($reading, $path),
            'probe' => ['probe' => $probe, 'fastStart' => $fastStart],
            // A range of another file means nothing.
            'range' => $same ? $cut->range : null,
        ])->save();
        if (! $same || ! $this->posters->has($cut)) {
            $this->posters->draw($cut, $reading);
        }
        if ($analyse) {
            $this->analyses->ask($cut, anew: $cut->wasRecentlyCreated || ! $same);
        }

        return $cut;
    }

    /** The cut that this file is of: one whose file is the same, or has gone or become another. */
    private function alike(string $path, string $fingerprint): ?Cut
    {
        foreach (Cut::query()->where('fingerprint', $fingerprint)->orderBy('id')->get() as $cut) {
            if ($cut->hasChanged() ? ! is_file($cut->path) : SameFile::holds($cut->path, $path)) {
                return $cut;
            }
        }

        return null;
    }

    /**
     * The cut's file lies somewhere else now.
     *
     * @throws FileProblem when it is another file
     */
    public function pointTo(Cut $cut, string $path): Cut
    {
        if (Fingerprint::of($path) !== $cut->fingerprint) {
            throw new FileProblem(
                "This is not the file of {$cut->name}: its size or its content differs.",
                $path,
                'Bring it in as a cut of its own.',
            );
        }
        $other = Cut::query()->where('path', $path)->whereKeyNot($cut->id)->first();
        if ($other !== null) {
            throw new FileProblem("This file stands on the shelf already, as {$other->name}.", $path);
        }
        clearstatcache(true, $path);
        $cut->update(['path' => $path, 'modified' => (int) filemtime($path)]);

        return $cut;
    }

    /** Takes the cut off the shelf with all that was derived from it. Its file stays. */
    public function takeOff(Cut $cut): void
    {
        $analysis = $cut->analysis;
        Work::query()
            ->where(['kind' => CutAnalysis::WORK, 'subject' => $analysis?->id])
            ->delete();
        $cut->delete();
        Workspace::remove($cut->id);
        $this->posters->remove($cut);
    }

    private static function readable(string $path): string
    {
        $name = pathinfo($path, PATHINFO_FILENAME);
        $words = trim((string) preg_replace('~[_\-\s]+~u', ' ', mb_scrub($name)));

        return mb_strtoupper(mb_substr($words, 0, 1)).mb_substr($words, 1) ?: 'Untitled';
    }
}
