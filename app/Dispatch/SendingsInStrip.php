<?php

namespace App\Dispatch;

use App\Library\Hosts;
use App\Models\Dispatch;
use App\Work\Activity;
use App\Work\ShownInStrip;

/** Names sendings in the strip. */
final readonly class SendingsInStrip implements ShownInStrip
{
    public function __construct(private Hosts $hosts)
    {
    }

    public function activities(array $subjects): array
    {
        $sent = Dispatch::query()->whereKey($subjects)->get(['id', 'cut_name', 'details', 'host_account_id']);

        return $sent->mapWithKeys(fn (Dispatch $one): array => [$one->id => new Activity(
            $one->said()->title ?: $one->cut_name,
            'to '.$this->hosts->nameOf($one->account->host),
            "/dispatch/{$one->id}",
        )])->all();
    }
}
