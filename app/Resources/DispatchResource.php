<?php

namespace App\Resources;

use App\Dispatch\Thumbnails;
use App\Library\BrokenFile;
use App\Library\Hosts;
use App\Library\UnknownName;
use App\Models\Dispatch;
use App\Models\HostAccount;
use App\Models\WorkState;
use OuterCrate\Analysis\Severity;
use OuterCrate\Dispatch\Declaration;
use OuterCrate\Dispatch\ReleaseList;
use OuterCrate\Dispatch\Remark;
use OuterCrate\Dispatch\RemoteVideo;
use OuterCrate\Hosts\Host;
use OuterCrate\Units\ByteCount;
use OuterCrate\Units\Duration;
use OuterCrate\Units\Fraction;

/** A dispatch as the page shows it (resources/schema/dispatch.json). */
final class DispatchResource
{
    /**
     * A list that is asked for every second: each host is looked up once.
     *
     * @param  iterable<Dispatch>  $dispatches
     * @return list<array<string, mixed>>
     */
    public static function all(iterable $dispatches): array
    {
        $hosts = $told = [];
        foreach ($dispatches as $dispatch) {
            $slug = $dispatch->account->host;
            $told[] = self::of($dispatch, $hosts[$slug] ??= self::host($slug));
        }

        return $told;
    }

    /**
     * @param  Host|null  $host  that it goes to; looked up when null
     * @return array<string, mixed>
     */
    public static function of(Dispatch $dispatch, ?Host $host = null): array
    {
        $host ??= self::host($dispatch->account->host);
        $work = $dispatch->work;
        $isSending = in_array($work->state->value, WorkState::inHand(), true);
        $sent = max($dispatch->sent, $isSending ? (int) ($work->detail['bytes'] ?? 0) : 0);
        $rate = $isSending ? (float) ($work->detail['bytesPerSecond'] ?? 0) : 0.0;
        $left = $rate > 0 ? (int) ceil(($dispatch->bytes - $sent) / $rate) : null;
        $video = $dispatch->video();

        return [
            'id' => $dispatch->id,
            'run' => $dispatch->run_id,
            'cut' => $dispatch->run?->cut_id,
            'cutName' => $dispatch->cut_name,
            'file' => mb_scrub(basename($dispatch->file)),
            'account' => self::account($dispatch->account, $host),
            'stage' => $dispatch->stage->value,
            'stageWords' => $dispatch->stage->words(),
            'problem' => $dispatch->problem,
            'paused' => $work->exists && $work->paused,
            'place' => $work->exists && $work->state === WorkState::Waiting ? $work->place : null,
            'bytes' => $dispatch->bytes,
            'bytesLabel' => (string) new ByteCount($dispatch->bytes),
            'sentLabel' => (string) new ByteCount($sent),
            'percent' => $dispatch->bytes === 0 ? 0 : (int) floor(100 * $sent / $dispatch->bytes),
            'speedLabel' => $rate > 0 ? new ByteCount((int) $rate).'/s' : null,
            'leftLabel' => $left === null ? null : (string) new Duration(new Fraction($left)),
            'details' => ['declarations' => (object) $dispatch->said()->declarations] + $dispatch->said()->toArray(),
            'captions' => array_keys($dispatch->captions),
            'thumbnail' => $dispatch->thumbnail === null ? null : (int) @filemtime($dispatch->thumbnail),
            'cutFrames' => $dispatch->run->cut->card['frames'] ?? null,
            'cameBack' => $dispatch->came_back ?? [],
            'source' => $dispatch->run?->source,
            'teaching' => $dispatch->teaching_id,
            'measured' => self::measured($dispatch),
            'mayClear' => $dispatch->run_id !== null && $dispatch->stage->hasArrived() && $video?->sha256 === $dispatch->sha256
                && is_file($dispatch->file),
            'visibility' => $dispatch->visibility,
            'release' => $dispatch->release,
            'releaseAt' => $dispatch->release_at?->toIso8601ZuluString(),
            'notBefore' => $dispatch->not_before?->toIso8601ZuluString(),
            'video' => $video === null
                ? null
                : $video->toArray() + ['words' => $video->words(), 'better' => self::better($host, $video)],
            'picture' => is_file(Thumbnails::picture($dispatch)),
            'missing' => ['now' => self::stops($dispatch, false), 'later' => self::stops($dispatch, true)],
            'record' => $dispatch->record,
        ];
    }

    /** @return array<string, mixed> */
    public static function account(HostAccount $account, ?Host $host = null): array
    {
        $host ??= self::host($account->host);

        return [
            'id' => $account->id,
            'host' => $account->host,
            'hostName' => $host->name ?? $account->host,
            'name' => $account->name,
            'signedIn' => $account->isSignedIn(),
            'connection' => $account->connection,
            'takes' => $account->takes()->toArray(),
        ];
    }

    /**
     * @param  bool  $waits  whether it is released later, when its sizes may be there
     * @return list<array<string, string>> what stands in the way of a release
     */
    private static function stops(Dispatch $dispatch, bool $waits): array
    {
        $list = ReleaseList::of($dispatch->said(), $dispatch->account->takes(), $dispatch->video(), (string) $dispatch->sha256, $waits);

        return self::remarks(array_values(array_filter($list, fn (Remark $remark): bool => $remark->severity === Severity::Stop)));
    }

    /** @return list<array{lines: int, ssimDb: float, kbps: float}> what its host made of it, as it was measured when it had come back */
    private static function measured(Dispatch $dispatch): array
    {
        return array_map(
            fn (array $one): array => ['lines' => $one['shorterSide'], 'ssimDb' => $one['ssimDb'], 'kbps' => $one['kbps']],
            $dispatch->teaching->renditions ?? [],
        );
    }

    /** What a file has to be to get the tier above its own, as the host publishes it or was taught; null where there is none. */
    private static function better(?Host $host, RemoteVideo $video): ?string
    {
        return $video->tier === null ? null : $host?->recompression?->above($video->tier);
    }

    /** Null for one that has been taken out of the library since. */
    private static function host(string $slug): ?Host
    {
        try {
            return app(Hosts::class)->need($slug);
        } catch (UnknownName|BrokenFile) {
            return null;
        }
    }

    /**
     * @param  list<Remark>  $remarks
     * @return list<array<string, string>>
     */
    public static function remarks(array $remarks): array
    {
        return array_map(fn (Remark $remark): array => $remark->toArray(), $remarks);
    }

    /** @return list<array{name: string, question: string}> */
    public static function questions(): array
    {
        return array_map(
            fn (Declaration $one): array => ['name' => $one->value, 'question' => $one->question()],
            Declaration::cases(),
        );
    }
}
