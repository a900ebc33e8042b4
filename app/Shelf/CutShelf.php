<?php

namespace App\Shelf;

use App\Analysis\CutAnalyses;
use App\Engine\EngineFailed;
use App\Media\CutFile;
use App\Media\CutReader;
use App\Media\Drive;
use App\Media\FileProblem;
use App\Media\FileState;
use App\Media\Fingerprint;
use App\Media\Posters;
use App\Media\SameFile;
use App\Media\Workspace;
use App\Models\Cut;
use App\Models\CutAnalysis;
use App\Models\KeptName;
use App\Models\Work;
use Illuminate\Database\UniqueConstraintViolationException;

/** Brings files in as cuts. The file stays where it is and is only read. */
class CutShelf
{
    public function __construct(
        private readonly CutReader $reader,
        private readonly CutCard $card,
        private readonly Posters $posters,
        private readonly CutAnalyses $analyses,
        private readonly Beginnings $beginnings,
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
        Drive::need(dirname($path));
        $path = realpath($path) ?: $path;
        ['reading' => $reading, 'probe' => $probe, 'fastStart' => $fastStart] = $this->reader->read($path);
        $fingerprint = Fingerprint::of($path);
        $cut =
            Cut::withTrashed()->firstWhere('path', KeptName::of($path)) ??
            ($this->alike($path, $fingerprint) ??
                new Cut([
                    'name' => $name ?? self::readable($path),
                    'outputs' => $this->beginnings->outputs(),
                ]));
        if ($cut->exists && $cut->path !== $path && CutFile::isHere($cut)) {
            return $cut->trashed() ? $this->takeBack($cut) : $cut;
        }
        clearstatcache(true, $path);
        $same = $cut->fingerprint === $fingerprint;
        $cut = self::saved($cut, [
            'path' => $path,
            'fingerprint' => $fingerprint,
            'bytes' => $reading->bytes,
            'modified' => (int) filemtime($path),
            'card' => $this->card->of($reading, $path),
            'probe' => ['probe' => $probe, 'fastStart' => $fastStart],
            // A range of another file means nothing.
            'range' => $same ? $cut->range : null,
            'taken_off_at' => null,
        ]);
        if (! $same || ! $this->posters->has($cut)) {
            $this->posters->draw($cut, $reading);
        }
        if ($analyse) {
            $this->analyses->ask($cut, anew: $cut->wasRecentlyCreated || ! $same);
        }

        return $cut;
    }

    /** @param  array<string, mixed>  $values */
    private static function saved(Cut $cut, array $values): Cut
    {
        try {
            $cut->fill($values)->save();
        } catch (UniqueConstraintViolationException) {
            // Another process brought in the same file at the same moment.
            $cut = Cut::withTrashed()->where('path', KeptName::of($cut->path))->firstOrFail();
            $cut->update(array_diff_key($values, ['range' => true]));
        }

        return $cut;
    }

    /** The cut that this file is of, on the shelf or taken off it: one whose file is the same, or has gone or become another. */
    private function alike(string $path, string $fingerprint): ?Cut
    {
        $known = Cut::withTrashed()->where('fingerprint', $fingerprint)->orderByRaw('taken_off_at is not null')->orderBy('id')->get();
        foreach ($known as $cut) {
            $isIt = match (CutFile::stateNow($cut)) {
                FileState::Here => SameFile::holds($cut->path, $path),
                FileState::Gone => true,
                FileState::Changed, FileState::Silent => false,
            };
            if ($isIt) {
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
        $other = Cut::withTrashed()->where('path', KeptName::of($path))->whereKeyNot($cut->id)->first();
        if ($other?->trashed() === true) {
            $other->forceDelete();
        } elseif ($other !== null) {
            throw new FileProblem(
                "This file stands on the shelf already, as {$other->name}.",
                $path,
                'Open that one, or take it off first.',
            );
        }
        clearstatcache(true, $path);
        $cut->update(['path' => $path, 'modified' => (int) filemtime($path)]);

        return $cut;
    }

    /** Takes the cut off the shelf with all that was derived from it. Its file stays, and so do its sheet and its slips. */
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

    /** What was taken off stands there again, with its sheet; its picture and its analysis are made anew. */
    public function takeBack(Cut $cut): Cut
    {
        $cut->restore();
        if (CutFile::isHere($cut)) {
            $this->posters->has($cut) || $this->posters->draw($cut, $cut->reading());
            $this->analyses->ask($cut);
        }

        return $cut;
    }

    /** Takes the cut off the shelf for good. */
    public function forget(Cut $cut): void
    {
        $this->takeOff($cut);
        $cut->forceDelete();
    }

    private static function readable(string $path): string
    {
        $name = pathinfo($path, PATHINFO_FILENAME);
        $words = trim((string) preg_replace('~[_\-\s]+~u', ' ', mb_scrub($name)));

        return mb_strtoupper(mb_substr($words, 0, 1)).mb_substr($words, 1) ?: 'Untitled';
    }
}
