<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Video;

/** Facts about a codec beyond the limits of its standard. */
final readonly class VideoFacts
{
    /** Pixels per second of a codec that was not timed. */
    private const UNTIMED = 60_000_000;

    /**
     * @param  int  $decodedPixels  per second on one core. Measured with three seconds of moving, grainy 1280×720 at the codec's usual
     *     bitrate, on a core that encodes 10 million H.264 pixels per second at the usual effort
     * @param  int|null  $decodedDeepPixels  the same for more than 8 bits, where that differs
     * @param  bool  $isForDelivery  lossy and predicted between frames: encoding it again at a higher bitrate adds nothing
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
