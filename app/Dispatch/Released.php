<?php

namespace App\Dispatch;

use App\Dispatch\Connections\Connections;
use App\Dispatch\Connections\SendingFailed;
use App\Models\Dispatch;
use OuterCrate\Dispatch\RemoteVideo;
use OuterCrate\Dispatch\Stage;

/** A video that everybody can see from now on; the one that it takes the place of goes then, and not before. */
class Released
{
    public function __construct(private readonly Connections $connections)
    {
    }

    public function note(Dispatch $dispatch, RemoteVideo $video): void
    {
        $dispatch->note('Released: everybody can see it.', [
            'stage' => Stage::Released, 'released_at' => now(), 'remote' => $video->toArray(), 'problem' => null, 'failures' => 0,
        ]);
        $older = $dispatch->in_place_of === null ? null : Dispatch::query()->find($dispatch->in_place_of);
        if ($older === null || ! $older->stage->hasArrived()) {
            return;
        }
        try {
            $this->connections->of($older->account)->remove($older);
            $older->note('Removed from its host: a newer one took its place.', ['stage' => Stage::Removed]);
            Thumbnails::forgetPicture($older);
        } catch (SendingFailed $e) {
            // Two of them are seen meanwhile, which is said.
            $dispatch->update(['problem' => "The older one is still at its host: {$e->getMessage()} Remove it there, or on its page."]);
        }
    }
}
