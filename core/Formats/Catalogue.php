<?php

declare(strict_types=1);

namespace OuterCrate\Formats;

use OuterCrate\Formats\Audio\AacLc;
use OuterCrate\Formats\Audio\AudioCodec;
use OuterCrate\Formats\Audio\Flac;
use OuterCrate\Formats\Audio\Pcm;
use OuterCrate\Formats\Containers\Container;
use OuterCrate\Formats\Containers\Matroska;
use OuterCrate\Formats\Containers\Mov;
use OuterCrate\Formats\Containers\Mp4;
use OuterCrate\Formats\Video\Ffv1;
use OuterCrate\Formats\Video\H264;
use OuterCrate\Formats\Video\Hevc;
use OuterCrate\Formats\Video\ProRes;
use OuterCrate\Formats\Video\VideoCodec;
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
        foreach ([new H264, new Hevc, new ProRes, new Ffv1] as $codec) {
            $this->video[$codec->id()] = $codec;
        }
        foreach ([new AacLc, new Pcm, new Flac] as $codec) {
            $this->audio[$codec->id()] = $codec;
        }
        foreach ([new Mp4, new Mov, new Matroska] as $container) {
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
