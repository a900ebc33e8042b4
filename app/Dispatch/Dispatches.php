<?php

namespace App\Dispatch;

use App\Configuration\DispatchSettings;
use App\Dispatch\Connections\Connections;
use App\Dispatch\Connections\SendingFailed;
use App\Library\Hosts;
use App\Media\CutReader;
use App\Models\ClearedFile;
use App\Models\Dispatch;
use App\Models\HostAccount;
use App\Models\Run;
use App\Models\Work;
use App\Models\WorkState;
use App\Work\WorkQueue;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use InvalidArgumentException;
use OuterCrate\Analysis\Severity;
use OuterCrate\Dispatch\Captions\CaptionFile;
use OuterCrate\Dispatch\Details;
use OuterCrate\Dispatch\ReleaseList;
use OuterCrate\Dispatch\ReleaseTime;
use OuterCrate\Dispatch\Remark;
use OuterCrate\Dispatch\RemoteVideo;
use OuterCrate\Dispatch\Stage;
use OuterCrate\Encoding\Passes\Framing;
use OuterCrate\Units\Fraction;

/** What a person does with what is sent: begins, changes, stops, releases, takes back. */
class Dispatches
{
    public function __construct(
        private readonly Connections $connections,
        private readonly WorkQueue $queue,
        private readonly SendFile $send,
        private readonly FollowDispatch $follow,
        private readonly CutReader $reader,
        private readonly Hosts $hosts,
        private readonly Thumbnails $thumbnails,
        private readonly BringBack $bring,
        private readonly Released $released,
    ) {
    }

    /**
     * Puts a made file, or one that is being made, on its way. One that is not finished goes when it is.
     *
     * @param  array<string, mixed>  $details
     */
    public function ofRun(Run $run, HostAccount $account, array $details, string $visibility, ?Carbon $notBefore = null): Dispatch
    {
        return $this->begin($account, self::asMade($run) + self::said($details, $visibility, $notBefore), $run);
    }

    /**
     * Puts a file that was not made here on its way.
     *
     * @param  array<string, mixed>  $details
     */
    public function ofFile(string $path, HostAccount $account, array $details, string $visibility, ?Carbon $notBefore = null): Dispatch
    {
        $file = ['cut_name' => pathinfo($path, PATHINFO_FILENAME), 'file' => $path];

        return $this->begin($account, $file + self::said($details, $visibility, $notBefore));
    }

    /**
     * @param  array<string, mixed>  $details
     * @return array<string, mixed>
     */
    private static function said(array $details, string $visibility, ?Carbon $notBefore): array
    {
        return ['details' => Details::fromArray($details)->toArray(), 'visibility' => $visibility, 'not_before' => $notBefore];
    }

    /** @return array<string, mixed> */
    private static function asMade(Run $run): array
    {
        return ['run_id' => $run->id, 'cut_name' => $run->cut_name, 'file' => $run->file];
    }

    /**
     * All that is known of it stands there before anything takes it in hand.
     *
     * @param  array<string, mixed>  $with
     */
    private function begin(HostAccount $account, array $with, ?Run $run = null, string $note = ''): Dispatch
    {
        $note = trim("To be sent to {$this->hosts->need($account->host)->name} as {$account->name}. {$note}");

        return DB::transaction(function () use ($account, $with, $run, $note): Dispatch {
            $run === null || self::needFile($run);
            $isMade = $run === null || $run->work->state === WorkState::Done;
            $dispatch = new Dispatch($with + [
                'key' => (string) Str::uuid(),
                'host_account_id' => $account->id,
                'stage' => Stage::Waiting,
                'problem' => $isMade ? null : 'It is sent when it is made.',
            ]);
            $dispatch->note($note);
            $isMade && $this->queue->put($this->send, $dispatch->id);

            return $dispatch->refresh();
        });
    }

    /**
     * Locks the run while its sending is recorded, so that its file cannot be cleared in between.
     *
     * @throws SendingFailed when its file was cleared away or deleted
     */
    private static function needFile(Run $run): void
    {
        $isGone = Run::query()->whereKey($run->id)->lockForUpdate()->value('gone_at') !== null;
        if ($isGone || ClearedFile::query()->where('run_id', $run->id)->exists()) {
            throw SendingFailed::over('gone', 'This file was cleared away.', 'Put it back or make it again, then send it.');
        }
    }

    /** What was to be sent when it is made is sent now; of what could not be made, that is said. */
    public function runEnded(Run $run): void
    {
        foreach (Dispatch::query()->where(['run_id' => $run->id, 'stage' => Stage::Waiting])->get() as $dispatch) {
            if ($run->work->state === WorkState::Done) {
                $dispatch->update(['problem' => null, 'file' => $run->file]);
                $this->queue->put($this->send, $dispatch->id);
            } else {
                $dispatch->update(['problem' => 'Its file was not made. It is sent when it is made after all.']);
            }
        }
    }

    /**
     * Details, those that are named; they are kept here whatever its host says of them.
     *
     * @param  array<string, mixed>  $details
     */
    public function describe(Dispatch $dispatch, array $details): void
    {
        $dispatch->amend('details', fn (array $before): array => Details::fromArray([
            ...$before,
            ...$details,
            'declarations' => [...$before['declarations'] ?? [], ...$details['declarations'] ?? []],
        ])->toArray());
        if ($dispatch->stage->hasArrived()) {
            $this->tell($dispatch, fn ($connection) => $connection->describe($dispatch, $dispatch->said()));
        }
    }

    /**
     * Captions in a language; those that no host could show are not kept.
     *
     * @return list<Remark> what was noticed of them
     *
     * @throws InvalidArgumentException
     */
    public function captions(Dispatch $dispatch, string $language, string $text): array
    {
        $file = CaptionFile::read($text);
        $remarks = $file->remarks($this->seconds($dispatch));
        if (array_filter($remarks, fn (Remark $remark): bool => $remark->severity === Severity::Stop) !== []) {
            return $remarks;
        }
        $dispatch->amend('captions', fn (array $before): array => [...$before, $language => $file->toVtt()]);
        if ($dispatch->stage->hasArrived()) {
            $this->tell($dispatch, fn ($connection) => $connection->captions($dispatch, $language, $file->toVtt()));
        }

        return $remarks;
    }

    /** It has no captions in this language any more. */
    public function withoutCaptions(Dispatch $dispatch, string $language): void
    {
        if (! isset($dispatch->captions[$language])) {
            return;
        }
        $dispatch->amend('captions', fn (array $before): array => array_diff_key($before, [$language => true]));
        if ($dispatch->stage->hasArrived()) {
            $this->tell($dispatch, fn ($connection) => $connection->captions($dispatch, $language, null));
        }
    }

    /** Of its file, or of the plan of one that is not made yet or was cleared away. */
    private function seconds(Dispatch $dispatch): float
    {
        return is_file($dispatch->file) || $dispatch->run === null
            ? $this->reader->read($dispatch->file)['reading']->duration->toFloat()
            : Fraction::parse((string) $dispatch->run->plan['duration'])->toFloat();
    }

    /**
     * A part of an exact frame of its cut as its thumbnail, or of the picture that was brought along; sent when it has arrived.
     *
     * @param  int|null  $frame  counted from 0; null for the picture
     */
    public function thumbnail(Dispatch $dispatch, ?int $frame, Framing $part, float $lift): void
    {
        $path = $frame === null
            ? $this->thumbnails->ofPicture($dispatch, $part, $lift)
            : $this->thumbnails->ofFrame($dispatch, $frame, $part, $lift);
        $dispatch->update(['thumbnail' => $path]);
        if ($dispatch->stage->hasArrived()) {
            $this->tell($dispatch, fn ($connection) => $connection->thumbnail($dispatch, $path));
        }
    }

    /**
     * Everybody is to see it: `now`, when all sizes are `ready`, or `at` a time. Null takes back what was said.
     *
     * @param  string|null  $local  2026-11-28T18:30, as clocks in the zone show it
     *
     * @throws SendingFailed with what is not in order
     * @throws InvalidArgumentException when there is no such time
     */
    public function release(Dispatch $dispatch, ?string $when, ?string $local = null, ?string $zone = null): void
    {
        $zone ??= app(DispatchSettings::class)->zone;
        $at = $when === 'at' ? ReleaseTime::of((string) $local, $zone) : null;
        if ($at !== null && $at->moment->getTimestamp() <= time()) {
            throw new InvalidArgumentException('That time has passed. Choose a later one, or release it now.');
        }
        if ($when === null) {
            $this->takeBackRelease($dispatch);

            return;
        }
        if ($dispatch->stage === Stage::Held) {
            $this->hear($dispatch, $this->connections->of($dispatch->account)->video($dispatch));
        }
        $list = ReleaseList::of(
            $dispatch->said(), $dispatch->account->takes(), $dispatch->video(), (string) $dispatch->sha256, waits: $when !== 'now',
        );
        $stops = array_values(array_filter($list, fn (Remark $remark): bool => $remark->severity === Severity::Stop));
        if ($stops !== []) {
            throw SendingFailed::needsPerson('not-in-order', $stops[0]->text, $stops[0]->todo);
        }
        if ($when === 'ready') {
            $dispatch->note('To be released when all sizes are there.', ['release' => 'ready', 'release_at' => null]);
            $this->look($dispatch);

            return;
        }
        $video = $this->connections->of($dispatch->account)->show($dispatch, 'public', $at?->moment);
        if ($at === null) {
            $this->released->note($dispatch, $video);

            return;
        }
        $dispatch->note("To be released at {$local}, {$zone}.", ['release' => 'at', 'release_at' => $at->moment]);
        $this->hear($dispatch, $video);
        $this->look($dispatch);
    }

    private function takeBackRelease(Dispatch $dispatch): void
    {
        $wasAt = $dispatch->release === 'at';
        $dispatch->note('Not to be released after all.', ['release' => null, 'release_at' => null]);
        if ($wasAt && $dispatch->stage === Stage::Held) {
            $this->hear($dispatch, $this->connections->of($dispatch->account)->show($dispatch, $dispatch->visibility));
        }
    }

    public function stop(Dispatch $dispatch): void
    {
        $this->queue->stop($dispatch->work);
        $dispatch->stage->hasArrived() ?: $dispatch->update(['stage' => Stage::Stopped]);
    }

    public function pause(Dispatch $dispatch, bool $paused): void
    {
        $this->queue->pause($dispatch->work, $paused);
    }

    /**
     * Before another that waits to be sent, or behind all of them.
     *
     * @return bool false where it does not wait
     */
    public function move(Dispatch $dispatch, ?int $before): bool
    {
        $other = $before === null ? null : Work::query()->where(['kind' => Dispatch::SENDS, 'subject' => $before])->value('id');

        return $this->queue->move($dispatch->work, $other);
    }

    /** What was stopped, failed or waits for the person goes on, from the byte that its host has. */
    public function goOn(Dispatch $dispatch): void
    {
        if ($dispatch->stage->hasArrived() || $dispatch->stage === Stage::Removed) {
            return;
        }
        $dispatch->update(['stage' => Stage::Waiting, 'problem' => null, 'failures' => 0, 'not_before' => null]);
        $work = $this->queue->put($this->send, $dispatch->id);
        $this->queue->hurry($work);
        $this->queue->pause($work, false);
    }

    /** What its account has of the same cut, which a newer file can take the place of; null where there is none. */
    public function earlier(Run $run, HostAccount $account): ?Dispatch
    {
        return Dispatch::query()
            ->where('host_account_id', $account->id)
            ->whereIn('stage', [Stage::Held, Stage::Released])
            ->whereHas('run', fn (Builder $query): Builder => $query->where('cut_id', $run->cut_id)->whereNotNull('cut_id'))
            ->orderByDesc('id')
            ->first();
    }

    /**
     * Sends a newer file in place of one that is at its host. It says the same of itself; the older one stays until this one is released.
     *
     * @throws SendingFailed when the older one is not at its host
     */
    public function inPlaceOf(Dispatch $older, Run $run, string $visibility, ?Carbon $notBefore = null): Dispatch
    {
        $older->stage->hasArrived() || throw SendingFailed::needsPerson('not-there', 'That one is not at its host.', 'Send the newer one.');
        $same = ['in_place_of' => $older->id, 'captions' => $older->captions, 'thumbnail' => $older->thumbnail];

        return $this->begin(
            $older->account,
            self::asMade($run) + $same + self::said($older->details, $visibility, $notBefore),
            $run,
            "In place of {$older->said()->title}.",
        );
    }

    /** Takes it away from its host. The file here stays. */
    public function remove(Dispatch $dispatch): void
    {
        $this->queue->stop($dispatch->work);
        if ($dispatch->remote_id !== null) {
            $this->connections->of($dispatch->account)->remove($dispatch);
        }
        $dispatch->note('Removed from its host.', ['stage' => Stage::Removed, 'release' => null, 'release_at' => null]);
        Thumbnails::forgetPicture($dispatch);
    }

    /** Fetches what its host made of it, and teaches the host by that. */
    public function bringBack(Dispatch $dispatch): void
    {
        if (($dispatch->video()?->ready() ?? []) === []) {
            throw SendingFailed::needsPerson('not-ready', 'Its host has made nothing of it yet.', 'Wait for the first size.');
        }
        $this->queue->put($this->bring, $dispatch->id);
    }

    /** It is looked at its host at once. */
    public function look(Dispatch $dispatch): void
    {
        $work = $this->queue->put($this->follow, $dispatch->id);
        $this->queue->hurry($work);
    }

    private function tell(Dispatch $dispatch, callable $say): void
    {
        $this->hear($dispatch, $say($this->connections->of($dispatch->account)));
    }

    private function hear(Dispatch $dispatch, RemoteVideo $video): void
    {
        $dispatch->update(['remote' => $video->toArray()]);
    }
}
