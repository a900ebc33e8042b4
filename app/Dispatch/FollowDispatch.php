<?php

namespace App\Dispatch;

use App\Dispatch\Connections\Connections;
use App\Dispatch\Connections\SendingFailed;
use App\Models\Dispatch;
use App\Models\Work;
use App\Work\Declaration;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Postponed;
use App\Work\Priority;
use App\Work\WorkerGroup;
use OuterCrate\Dispatch\Patience;
use OuterCrate\Dispatch\ReleaseList;
use OuterCrate\Dispatch\RemoteVideo;
use OuterCrate\Dispatch\Stage;

/** Looks after what is held at a host: which sizes are there, what was changed here meanwhile, and whether it may be released. */
class FollowDispatch implements Kind
{
    /** Seconds between looks while its sizes are made, and afterwards. */
    private const SOON = 2;

    private const LATER = 30;

    /** Seconds that its host may take to answer. */
    private const ANSWERS = 120;

    public function __construct(private readonly Connections $connections, private readonly Released $released)
    {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: Dispatch::FOLLOWS,
            does: 'looks after what is held',
            failure: 'An unexpected error stopped the checks of this video. It stays on its host. See storage/logs for details.',
            group: WorkerGroup::Sending,
            priority: Priority::Sending,
            atOnce: 1,
        );
    }

    public function run(Work $work, Meter $meter): void
    {
        $dispatch = Dispatch::query()->find($work->subject);
        if ($dispatch === null || $dispatch->stage !== Stage::Held || $dispatch->remote_id === null) {
            return;
        }
        $meter->hold(self::ANSWERS);
        try {
            $video = $this->connections->of($dispatch->account)->video($dispatch);
            $this->hear($dispatch, $video);
            $dispatch->release === 'ready' && $video->isWhole() && $this->release($dispatch, $video);
        } catch (SendingFailed $e) {
            $failures = $dispatch->failures + 1;
            $dispatch->update(['failures' => $failures, 'problem' => $e->getMessage()]);
            $e->way === 'later' || throw $e;
            throw new Postponed($e->getMessage(), Patience::after($failures, $e->seconds));
        }
        if ($dispatch->stage === Stage::Held && $video->state !== 'failed') {
            throw new Postponed('', $video->isWhole() && ! $this->isDue($dispatch) ? self::LATER : self::SOON);
        }
    }

    /** Its host is about to release it, at the time that it was told. */
    private function isDue(Dispatch $dispatch): bool
    {
        return $dispatch->release === 'at' && $dispatch->release_at?->lte(now()->addSeconds(2 * self::LATER)) === true;
    }

    /** What the host says now; it may have released it by itself, at the time that it was told. */
    private function hear(Dispatch $dispatch, RemoteVideo $video): void
    {
        $isNew = $dispatch->remote !== $video->toArray();
        $isPublic = $video->visibility === 'public';
        if ($isPublic) {
            $this->released->note($dispatch, $video);
        } elseif ($isNew || $dispatch->problem !== null) {
            $failed = $video->state === 'failed' ? $video->words() : null;
            $dispatch->update(['remote' => $video->toArray(), 'failures' => 0, 'problem' => $failed]);
        }
    }

    /** All sizes are there; it goes out where everything else is in order, too. */
    private function release(Dispatch $dispatch, RemoteVideo $video): void
    {
        $list = ReleaseList::of($dispatch->said(), $dispatch->account->takes(), $video, (string) $dispatch->sha256);
        if ($list !== []) {
            $dispatch->update(['problem' => 'All sizes are there, but it is not in order: '.$list[0]->text]);

            return;
        }
        $this->hear($dispatch, $this->connections->of($dispatch->account)->show($dispatch, 'public'));
    }
}
