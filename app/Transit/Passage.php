<?php

namespace App\Transit;

use App\Models\Cut;
use OuterCrate\Hosts\Recompression\Recompression;
use OuterCrate\Hosts\Recompression\Rung;
use OuterCrate\Hosts\Recompression\Tier;
use OuterCrate\Hosts\Recompression\Upload;
use OuterCrate\Planning\Plan;
use OuterCrate\Transit\Screen;

/** What all candidates of a test pass through: pieces of one cut, what a host does to them, and the screens that it is seen on. */
final readonly class Passage
{
    /** @param  non-empty-list<Screen>  $screens */
    public function __construct(public Reel $reel, public Cut $cut, public Recompression $recompression, private array $screens)
    {
    }

    /** What the host sees of a file that is planned so. */
    public static function arriving(Plan $upload): Upload
    {
        return new Upload($upload->frameSize->frame, $upload->frameRate->rate, $upload->colour->colour->isHdr());
    }

    public function tierOf(Plan $upload): Tier
    {
        return $this->recompression->tierOf(self::arriving($upload));
    }

    /** @return non-empty-list<Rung> for each screen, the rendition of such an upload that a player picks */
    public function picked(Plan $upload): array
    {
        $renditions = $this->tierOf($upload)->renditionsOf($upload->frameSize->frame);

        return array_map(static fn (Screen $screen): Rung => $screen->pick($renditions), $this->screens);
    }
}
