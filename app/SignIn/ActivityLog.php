<?php

namespace App\SignIn;

use App\Database\LikeWords;
use App\Models\ActivityEntry;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Carbon;

/** Who did what and when, for the owner. The latest entries are kept. */
final class ActivityLog
{
    /** Entries; a busy team writes some hundred a day. */
    private const MAX_ENTRIES = 100_000;

    /** One note in so many also takes away the oldest. */
    private const NOTES_PER_PRUNE = 100;

    /** Seconds within which the same thing done again by the same person is one entry: a sheet saves each change. */
    private const SAME_SECONDS = 600;

    private const MAX_PAGE = 200;

    public function note(string $who, string $what, string $subject = '', ?string $address = null): void
    {
        $entry = ['who' => mb_strcut($who, 0, 80), 'what' => mb_strcut($what, 0, 80), 'subject' => mb_strcut(mb_scrub($subject), 0, 255)];
        $last = ActivityEntry::query()->where($entry)->where('address', $address)
            ->where('at', '>', now()->subSeconds(self::SAME_SECONDS)->format('Y-m-d H:i:s.v'))
            ->orderByDesc('id')->first();
        if ($last !== null) {
            $last->update(['at' => now(), 'times' => $last->times + 1]);

            return;
        }
        ActivityEntry::query()->create([...$entry, 'address' => $address, 'at' => now()]);
        if (random_int(1, self::NOTES_PER_PRUNE) === 1) {
            $this->prune();
        }
    }

    /**
     * The latest first.
     *
     * @param  string  $words  each is found in who, what or the subject
     * @param  int|null  $before  id of the last entry of the page before
     * @return Collection<int, ActivityEntry>
     */
    public function search(
        string $words = '',
        ?Carbon $from = null,
        ?Carbon $until = null,
        ?int $before = null,
        int $limit = 50,
    ): Collection {
        $query = ActivityEntry::query()->orderByDesc('id')->limit(min(self::MAX_PAGE, max(1, $limit)));
        foreach (LikeWords::of($words) as $like) {
            $query->where(fn (Builder $any) => $any
                ->whereRaw('lower(who) like ? '.LikeWords::ESCAPE, [$like])
                ->orWhereRaw('lower(what) like ? '.LikeWords::ESCAPE, [$like])
                ->orWhereRaw('lower(subject) like ? '.LikeWords::ESCAPE, [$like]));
        }
        $from === null ?: $query->where('at', '>=', $from->format('Y-m-d H:i:s.v'));
        $until === null ?: $query->where('at', '<', $until->format('Y-m-d H:i:s.v'));
        $before === null ?: $query->where('id', '<', $before);

        return $query->get();
    }

    public function prune(): void
    {
        $newest = (int) ActivityEntry::query()->max('id');
        ActivityEntry::query()->where('id', '<=', $newest - self::MAX_ENTRIES)->delete();
    }
}
