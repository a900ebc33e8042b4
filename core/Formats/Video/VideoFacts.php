<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** What is known of a codec besides what its standard limits. */
final readonly class VideoFacts
{
    /** Pixels per second of a codec that was not timed. */
    private const UNTIMED = 60_000_000;

    /**
     * @param  int  $decodedPixels  that one core decodes in a second, timed beside H.264 at its usual effort, which codes 10 million of
     *     them: three seconds of moving, grainy 1280×720 at the rates that each codec is used at
     * @param  int|null  $decodedDeepPixels  the same for more than 8 bits, where that differs
     * @param  bool  $isForDelivery  small, because frames build on others and detail is lost: a larger file of it is no better
     * @param  string|null  $sdrRendition  profile of a host's renditions in SDR
     * @param  string|null  $hdrRendition  the same in HDR; null where hosts make an SDR version instead
     */
    public function __construct(
        public int $decodedPixels = self::UNTIMED,
        public ?int $decodedDeepPixels = null,
        public bool $isForDelivery = false,
        public Joining $joining = Joining::No,
        public ?string $sdrRendition = null,
        public ?string $hdrRendition = null,
    ) {
    }
}
