<?php

namespace App\Dispatch;

use App\Configuration\DispatchSettings;
use App\Dispatch\Connections\Connections;
use App\Dispatch\Connections\HostConnection;
use App\Dispatch\Connections\SendingFailed;
use App\Engine\Clock;
use App\Engine\Standstill;
use App\Engine\Stopped;
use App\Media\Checksum;
use App\Media\Drive;
use App\Models\Dispatch;
use App\Models\Work;
use App\Settings\Settings;
use App\Work\Declaration;
use App\Work\Ending;
use App\Work\Kind;
use App\Work\Meter;
use App\Work\Postponed;
use App\Work\Priority;
use App\Work\WorkerGroup;
use App\Work\WorkQueue;
use DateTimeZone;
use OuterCrate\Dispatch\Hours;
use OuterCrate\Dispatch\Patience;
use OuterCrate\Dispatch\Stage;

/**
 * Sends a file to its host. Whatever ends this, it goes on from the byte that its host has; what its host has whole is made a video once,
 * under a key that is the file's alone.
 */
class SendFile implements Kind
{
    /**
     * Bytes of a piece: about so many seconds of the line, between these two. What a cut line loses is a piece at most, so that each cut
     * in a row halves the next one.
     */
    private const SECONDS = 2.0;

    private const LEAST = 16_384;

    private const MOST = 16_777_216;

    private const FIRST = 262_144;

    /** Seconds in which nothing is heard while a host takes what has arrived: a folder reads all of it again. */
    private const ARRIVING = 3600;

    /** How often what arrived is thrown away because it is not what was sent. */
    private const MOST_RESTARTS = 3;

    public function __construct(
        private readonly Connections $connections,
        private readonly WorkQueue $queue,
        private readonly FollowDispatch $follow,
        private readonly Settings $settings,
        private readonly Standstill $standstill,
    ) {
    }

    public static function declaration(): Declaration
    {
        return new Declaration(
            name: Dispatch::SENDS,
            does: 'sends files',
            failure: 'An unexpected error stopped this upload. Its host keeps what has arrived. See storage/logs for details.',
            group: WorkerGroup::Sending,
            priority: Priority::Sending,
            shows: SendingsInStrip::class,
            // Parallel uploads share the line and finish no sooner.
            atOnce: 1,
        );
    }

    public function run(Work $work, Meter $meter): void
    {
        $dispatch = Dispatch::query()->find($work->subject);
        if ($dispatch === null || $dispatch->stage->hasArrived() || $dispatch->stage === Stage::Removed) {
            return;
        }
        $this->waitForItsTime($dispatch);
        try {
            $connection = $this->connections->of($dispatch->account);
            $dispatch->update(['stage' => Stage::Sending, 'problem' => null]);
            $this->know($dispatch, $meter);
            $this->bytes($dispatch, $connection, $meter);
            $this->arrive($dispatch, $connection, $meter);
        } catch (Stopped $e) {
            match ($meter->ending()) {
                Ending::Stopped => $dispatch->update(['stage' => Stage::Stopped]),
                Ending::Interrupted => $dispatch->update(['stage' => Stage::Waiting]),
                // Somebody else has it in hand by now, and says how it stands.
                Ending::Lost => null,
            };
            throw $e;
        } catch (SendingFailed $e) {
            $this->fail($dispatch, $e);
        }
    }

    /** @throws Postponed */
    private function waitForItsTime(Dispatch $dispatch): void
    {
        $wait = $dispatch->not_before?->isFuture() ? (int) ceil(now()->diffInSeconds($dispatch->not_before)) : 0;
        $settings = app(DispatchSettings::class);
        $hours = Hours::of($settings->hours, new DateTimeZone($settings->zone));
        $wait = max($wait, $hours?->wait(now()->toDateTimeImmutable()) ?? 0);
        if ($wait > 0) {
            $dispatch->update(['stage' => Stage::Waiting, 'problem' => 'It is sent when its hour has come.']);
            // Clocks are set, and machines sleep: it is looked at again before.
            throw new Postponed('It is sent when its hour has come.', min(60, $wait));
        }
    }

    /** Its bytes and its checksum, as it is now: what was made is not sent where it has been changed since. */
    private function know(Dispatch $dispatch, Meter $meter): void
    {
        $isDeleted = $dispatch->run?->gone_at !== null;
        if ($isDeleted || ! is_file($dispatch->file)) {
            // Check the folder last: on a busy machine, the probe of its drive can time out.
            $isDeleted || Drive::holds(dirname($dispatch->file)) || throw SendingFailed::later(
                'The folder of this file is not there. Its drive may not be connected.',
            );
            throw SendingFailed::over('gone', 'The file is not where it was.', 'Put it back or make it again, then send it.');
        }
        clearstatcache(true, $dispatch->file);
        $bytes = (int) filesize($dispatch->file);
        $made = $dispatch->run->slip ?? null;
        if (($made !== null && $bytes !== $made['bytes']) || ($dispatch->bytes > 0 && $bytes !== $dispatch->bytes)) {
            throw SendingFailed::over('changed', 'The file was changed since it was made.', 'Make it again, then send it.');
        }
        if ($dispatch->sha256 === null || $dispatch->bytes === 0) {
            $sum = $made['sha256'] ?? Checksum::of($dispatch->file, $meter->check(...));
            $dispatch->update(['bytes' => $bytes, 'sha256' => $sum]);
        }
    }

    private function bytes(Dispatch $dispatch, HostConnection $connection, Meter $meter): void
    {
        $dispatch->place ?? $dispatch->update(['place' => $connection->begin($dispatch), 'sent' => 0]);
        $offset = $connection->arrived($dispatch);
        $piece = max(self::LEAST, self::FIRST >> min(8, $dispatch->failures));
        while ($offset < $dispatch->bytes) {
            $this->stand($meter);
            // Its hours may end while it is sent, and a person may say how fast.
            $this->settings->refresh();
            $this->waitForItsTime($dispatch);
            $bytes = min($piece, $dispatch->bytes - $offset);
            $begun = Clock::seconds();
            $left = $offset;
            $onBytes = function (int $sent) use ($dispatch, $meter, $left, $begun): bool {
                $meter->note(($left + $sent) / $dispatch->bytes, ['detail' => [
                    'bytes' => $left + $sent, 'bytesPerSecond' => $sent / max(0.05, Clock::seconds() - $begun),
                ]]);

                return ! $meter->shouldStop() && ! $meter->isPaused();
            };
            try {
                $offset = $connection->send($dispatch, $offset, $bytes, $onBytes);
            } catch (SendingFailed $e) {
                // It was we who let go of the line.
                $meter->shouldStop() || $meter->isPaused() || throw $e;
                $this->stand($meter);
                $offset = $connection->arrived($dispatch);

                continue;
            }
            // Progress is a reason to be patient again.
            $took = Clock::seconds() - $begun;
            $dispatch->update(['sent' => $offset, 'failures' => 0, 'problem' => null, 'seconds' => $dispatch->seconds + $took]);
            $rate = $bytes / max(0.01, $took);
            $piece = (int) max(self::LEAST, min(self::MOST, 2 * $piece, $rate * self::SECONDS));
        }
    }

    /** While it is paused nothing leaves. */
    private function stand(Meter $meter): void
    {
        $meter->check();
        while ($meter->isPaused()) {
            $this->standstill->rest();
            $meter->check();
        }
    }

    private function arrive(Dispatch $dispatch, HostConnection $connection, Meter $meter): void
    {
        $meter->hold(self::ARRIVING);
        $video = $connection->publish($dispatch);
        $dispatch->update(['remote_id' => $video->id, 'remote' => $video->toArray()]);
        $problem = $this->bringAlong($dispatch, $connection);
        $dispatch->note('Arrived at its host.', ['stage' => Stage::Held, 'arrived_at' => now(), 'problem' => $problem]);
        $this->queue->put($this->follow, $dispatch->id);
        $this->teachLine($dispatch);
    }

    /** How long it took teaches how fast the line sends; what a limit held back says nothing of it. */
    private function teachLine(Dispatch $dispatch): void
    {
        $seconds = (int) round($dispatch->seconds);
        if ($seconds > 0 && isset($dispatch->run->plan['host']) && app(DispatchSettings::class)->bitsPerSecond === 0) {
            $dispatch->run->update(['sent_seconds' => $seconds, 'sent_at' => now()]);
        }
    }

    /**
     * What was chosen before it arrived. What its host does not take of that is said, and makes nothing of the rest undone.
     *
     * @return string|null what was not taken
     *
     * @throws SendingFailed where the line was lost: all of it is told again
     */
    private function bringAlong(Dispatch $dispatch, HostConnection $connection): ?string
    {
        [$told, $problem] = [[], null];
        // Details may have been changed while the last byte was on its way.
        $told[] = fn () => $connection->describe($dispatch, $dispatch->refresh()->said());
        foreach ($dispatch->captions as $language => $vtt) {
            $told[] = fn () => $connection->captions($dispatch, $language, $vtt);
        }
        $picture = (string) $dispatch->thumbnail;
        if (is_file($picture)) {
            $told[] = fn () => $connection->thumbnail($dispatch, $picture);
        }
        foreach ($told as $tell) {
            try {
                $dispatch->update(['remote' => $tell()->toArray()]);
            } catch (SendingFailed $e) {
                $e->way !== 'later' || throw $e;
                $problem = $e->getMessage();
                $dispatch->note("Not taken by its host: {$problem}");
            }
        }

        return $problem;
    }

    /** @throws Postponed where it is tried again */
    private function fail(Dispatch $dispatch, SendingFailed $e): void
    {
        $isAnew = $e->way === 'anew' && $dispatch->restarts < self::MOST_RESTARTS;
        if ($isAnew) {
            $dispatch->note('Begun again from its first byte: '.$e->getMessage(), [
                'place' => null, 'sent' => 0, 'restarts' => $dispatch->restarts + 1,
            ]);
        }
        if ($isAnew || $e->way === 'later') {
            $failures = $dispatch->failures + 1;
            $dispatch->update(['stage' => Stage::Waiting, 'failures' => $failures, 'problem' => $e->getMessage()]);
            throw new Postponed($e->getMessage(), Patience::after($failures, $e->seconds));
        }
        $stage = $e->way === 'person' ? Stage::NeedsYou : Stage::Failed;
        $dispatch->note($e->getMessage(), ['stage' => $stage, 'problem' => $e->getMessage()]);
        throw $e;
    }
}
