<?php

namespace App\Dispatch;

use App\Library\Hosts;
use App\Media\Checksum;
use App\Media\CutFile;
use App\Media\CutReader;
use App\Media\Drive;
use App\Models\Dispatch;
use App\Models\HostAccount;
use App\Models\Run;
use App\Models\Setting;
use App\Models\Volumes;
use App\Models\WorkState;
use OuterCrate\Dispatch\BeforeSending;
use OuterCrate\Dispatch\FileFacts;
use OuterCrate\Dispatch\Remark;
use OuterCrate\Dispatch\Stage;
use OuterCrate\Presets\Role;
use OuterCrate\Reading\Unreadable;
use OuterCrate\Refusals\Refused;
use OuterCrate\Units\Fraction;

/** What is known of a file before it is sent. */
class Facts
{
    /** Bytes of a file whose checksum is taken while somebody waits for it; of a larger one its host's is compared when it has arrived. */
    private const AT_ONCE = 2_000_000_000;

    public function __construct(private readonly CutReader $reader, private readonly Hosts $hosts)
    {
    }

    /** @return list<Remark> the gravest first */
    public function remarks(string $path, ?Run $run, HostAccount $account): array
    {
        $takes = $account->takes();

        return BeforeSending::remarks($this->of($path, $run, $account), $takes, Setting::lineSpeed()->bitsPerSecond / 8);
    }

    private function of(string $path, ?Run $run, HostAccount $account): FileFacts
    {
        Drive::need(dirname($path));
        $host = $this->hosts->need($account->host)->name;
        $isMade = $run === null || $run->work->state === WorkState::Done;
        $bytes = is_file($path) ? (int) filesize($path) : ($run->plan['estimate']['bytes'] ?? 0);
        [$seconds, $hasSound, $isProject] = $isMade ? $this->read($path) : $this->planned($run->plan);
        $made = $isMade ? $run?->slip : null;

        return new FileFacts(
            name: basename($path),
            bytes: $bytes,
            seconds: $seconds,
            hasSound: $hasSound,
            role: $run === null ? null : Role::from($run->card['role']),
            host: $host,
            isProject: $isProject,
            madeFor: $run->plan['hostName'] ?? null,
            newer: $run === null ? null : $this->newer($run),
            differences: count($made['differences'] ?? []),
            cutChanged: $run?->cut !== null && CutFile::hasChanged($run->cut),
            isUnchanged: $made === null ? null : $this->isUnchanged($path, $bytes, $made),
            sentBefore: $this->sentBefore($path, $account),
        );
    }

    /**
     * The same of a file that is not made yet.
     *
     * @param  array<string, mixed>  $plan
     * @return array{float, bool, bool}
     */
    private function planned(array $plan): array
    {
        return [Fraction::parse((string) $plan['duration'])->toFloat(), ($plan['values']['audio']['codec'] ?? null) !== null, false];
    }

    /** @return array{float, bool, bool} seconds, whether there is sound, and whether it is no video at all */
    private function read(string $path): array
    {
        try {
            $reading = $this->reader->read($path)['reading'];
        } catch (Refused|Unreadable) {
            return [0.0, true, true];
        }

        return [$reading->duration->toFloat(), $reading->mainAudio() !== null, $reading->mainVideo() === null];
    }

    /** @param  array<string, mixed>  $made */
    private function isUnchanged(string $path, int $bytes, array $made): ?bool
    {
        if ($bytes !== $made['bytes']) {
            return false;
        }

        return $bytes > self::AT_ONCE ? null : Checksum::of($path) === $made['sha256'];
    }

    private function newer(Run $run): ?string
    {
        $later = Run::query()
            ->where('cut_id', $run->cut_id)->where('id', '>', $run->id)->whereNotNull('slip')->orderByDesc('id')
            ->get(['id', 'file', 'plan'])
            ->first(fn (Run $other): bool => [$other->plan['preset'], $other->plan['host']] === [$run->plan['preset'], $run->plan['host']]);

        return $later === null ? null : mb_scrub(basename($later->file));
    }

    private function sentBefore(string $path, HostAccount $account): ?string
    {
        return Dispatch::query()
            ->where(['host_account_id' => $account->id, 'file' => Volumes::place($path)])
            ->whereIn('stage', [Stage::Held, Stage::Released])
            ->first()?->arrived_at?->format('j F Y');
    }
}
