<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

use OuterCrate\Encoding\Audio\AacArguments;
use OuterCrate\Encoding\Audio\AudioArguments;
use OuterCrate\Encoding\Audio\FlacArguments;
use OuterCrate\Encoding\Audio\PcmArguments;
use OuterCrate\Encoding\Video\Ffv1Arguments;
use OuterCrate\Encoding\Video\H264Arguments;
use OuterCrate\Encoding\Video\HevcArguments;
use OuterCrate\Encoding\Video\ProResArguments;
use OuterCrate\Encoding\Video\VideoArguments;
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
        foreach ([new H264Arguments, new HevcArguments, new ProResArguments, new Ffv1Arguments] as $arguments) {
            $video[$arguments->codec()] = $arguments;
        }
        $audio = [];
        foreach ([new AacArguments, new PcmArguments, new FlacArguments] as $arguments) {
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

    /** @throws OutOfBoundsException */
    public function audio(string $codec): AudioArguments
    {
        return $this->audio[$codec] ?? throw new OutOfBoundsException("There is no encoder for “{$codec}” here.");
    }
}
