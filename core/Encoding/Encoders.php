<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Encoding\Audio\AacArguments;
use OuterCrate\Encoding\Audio\Ac3Arguments;
use OuterCrate\Encoding\Audio\AlacArguments;
use OuterCrate\Encoding\Audio\AudioArguments;
use OuterCrate\Encoding\Audio\FlacArguments;
use OuterCrate\Encoding\Audio\Mp3Arguments;
use OuterCrate\Encoding\Audio\OpusArguments;
use OuterCrate\Encoding\Audio\PcmArguments;
use OuterCrate\Encoding\Video\Av1Arguments;
use OuterCrate\Encoding\Video\Ffv1Arguments;
use OuterCrate\Encoding\Video\H264Arguments;
use OuterCrate\Encoding\Video\HardwareArguments;
use OuterCrate\Encoding\Video\HevcArguments;
use OuterCrate\Encoding\Video\MotionJpegArguments;
use OuterCrate\Encoding\Video\Mpeg2Arguments;
use OuterCrate\Encoding\Video\PngArguments;
use OuterCrate\Encoding\Video\ProResArguments;
use OuterCrate\Encoding\Video\TiffArguments;
use OuterCrate\Encoding\Video\UtVideoArguments;
use OuterCrate\Encoding\Video\Vc3Arguments;
use OuterCrate\Encoding\Video\Vc5Arguments;
use OuterCrate\Encoding\Video\VideoArguments;
use OuterCrate\Encoding\Video\Vp9Arguments;
use OuterCrate\Planning\Values\VideoValue;
use OutOfBoundsException;

/** The argument builder of each codec. A new codec is a new class and a line here. */
final readonly class Encoders
{
    /** @var array<string, VideoArguments> */
    private array $video;

    /** @var array<string, AudioArguments> */
    private array $audio;

    public function __construct()
    {
        $video = [];
        foreach (
            [
                new H264Arguments,
                new HevcArguments,
                new Av1Arguments,
                new Vp9Arguments,
                new Mpeg2Arguments,
                new ProResArguments,
                new Vc3Arguments,
                new Vc5Arguments,
                new MotionJpegArguments,
                new Ffv1Arguments,
                new UtVideoArguments,
                new PngArguments,
                new TiffArguments,
            ] as $arguments
        ) {
            $video[$arguments->codec()] = $arguments;
        }
        $audio = [];
        foreach (
            [
                new AacArguments,
                new OpusArguments,
                new Mp3Arguments,
                new Ac3Arguments,
                new PcmArguments,
                new FlacArguments,
                new AlacArguments,
            ] as $arguments
        ) {
            $audio[$arguments->codec()] = $arguments;
        }
        $this->video = $video;
        $this->audio = $audio;
    }

    /** @throws OutOfBoundsException */
    public function video(string $codec): VideoArguments
    {
        return $this->video[$codec] ?? throw new OutOfBoundsException("There is no encoder for “{$codec}” here.");
    }

    /**
     * The builder for a plan's picture, in software or in a graphics chip.
     *
     * @throws OutOfBoundsException
     */
    public function forVideo(VideoValue $picture): VideoArguments
    {
        return $picture->hardware === null
            ? $this->video($picture->codec->id())
            : new HardwareArguments($picture->codec->id(), $picture->hardware);
    }

    /** @throws OutOfBoundsException */
    public function audio(string $codec): AudioArguments
    {
        return $this->audio[$codec] ?? throw new OutOfBoundsException("There is no encoder for “{$codec}” here.");
    }
}
