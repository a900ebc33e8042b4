<?php

declare(strict_types=1);

namespace OuterCrate\Formats;

use OuterCrate\Formats\Audio\AacLc;
use OuterCrate\Formats\Audio\Ac3;
use OuterCrate\Formats\Audio\Alac;
use OuterCrate\Formats\Audio\AudioCodec;
use OuterCrate\Formats\Audio\Flac;
use OuterCrate\Formats\Audio\Mp3;
use OuterCrate\Formats\Audio\Opus;
use OuterCrate\Formats\Audio\Pcm;
use OuterCrate\Formats\Containers\Avi;
use OuterCrate\Formats\Containers\Container;
use OuterCrate\Formats\Containers\FlacFile;
use OuterCrate\Formats\Containers\ImageFolder;
use OuterCrate\Formats\Containers\M4a;
use OuterCrate\Formats\Containers\Matroska;
use OuterCrate\Formats\Containers\Mov;
use OuterCrate\Formats\Containers\Mp3File;
use OuterCrate\Formats\Containers\Mp4;
use OuterCrate\Formats\Containers\MpegPs;
use OuterCrate\Formats\Containers\MpegTs;
use OuterCrate\Formats\Containers\Mxf;
use OuterCrate\Formats\Containers\Wav;
use OuterCrate\Formats\Containers\WebM;
use OuterCrate\Formats\Video\Av1;
use OuterCrate\Formats\Video\Ffv1;
use OuterCrate\Formats\Video\H264;
use OuterCrate\Formats\Video\Hevc;
use OuterCrate\Formats\Video\MotionJpeg;
use OuterCrate\Formats\Video\Mpeg2;
use OuterCrate\Formats\Video\Png;
use OuterCrate\Formats\Video\ProRes;
use OuterCrate\Formats\Video\Tiff;
use OuterCrate\Formats\Video\UtVideo;
use OuterCrate\Formats\Video\Vc3;
use OuterCrate\Formats\Video\Vc5;
use OuterCrate\Formats\Video\VideoCodec;
use OuterCrate\Formats\Video\Vp9;
use OutOfBoundsException;

/** Everything that can be made. A new codec or container is a new class and a line here. */
final class Catalogue
{
    /** @var array<string, VideoCodec> */
    private array $video = [];

    /** @var array<string, AudioCodec> */
    private array $audio = [];

    /** @var array<string, Container> */
    private array $containers = [];

    public function __construct()
    {
        foreach (
            [
                new H264,
                new Hevc,
                new Av1,
                new Vp9,
                new Mpeg2,
                new ProRes,
                new Vc3,
                new Vc5,
                new MotionJpeg,
                new Ffv1,
                new UtVideo,
                new Png,
                new Tiff,
            ] as $codec
        ) {
            $this->video[$codec->id()] = $codec;
        }
        foreach ([new AacLc, new Opus, new Mp3, new Ac3, new Pcm, new Flac, new Alac] as $codec) {
            $this->audio[$codec->id()] = $codec;
        }
        foreach (
            [
                new Mp4,
                new Mov,
                new Matroska,
                new WebM,
                new Mxf,
                new Avi,
                new MpegTs,
                new MpegPs,
                new Wav,
                new FlacFile,
                new M4a,
                new Mp3File,
                new ImageFolder,
            ] as $container
        ) {
            $this->containers[$container->id()] = $container;
        }
    }

    /** @throws OutOfBoundsException */
    public function video(string $id): VideoCodec
    {
        return $this->video[$id] ?? throw new OutOfBoundsException("There is no video codec “{$id}” here.");
    }

    /** @throws OutOfBoundsException */
    public function audio(string $id): AudioCodec
    {
        return $this->audio[$id] ?? throw new OutOfBoundsException("There is no audio codec “{$id}” here.");
    }

    /** @throws OutOfBoundsException */
    public function container(string $id): Container
    {
        return $this->containers[$id] ?? throw new OutOfBoundsException("There is no container “{$id}” here.");
    }

    /** @return array<string, VideoCodec> */
    public function videoCodecs(): array
    {
        return $this->video;
    }

    /** @return array<string, AudioCodec> */
    public function audioCodecs(): array
    {
        return $this->audio;
    }

    /** @return array<string, Container> */
    public function containers(): array
    {
        return $this->containers;
    }
}
