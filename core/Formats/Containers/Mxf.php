<?php

declare(strict_types=1);

namespace OuterCrate\Formats\Containers;

/** MXF, operational pattern 1a: SMPTE ST 377-1 and ST 378. */
final class Mxf implements Container
{
    use WithoutIndexAhead;

    public function id(): string
    {
        return 'mxf';
    }

    public function name(): string
    {
        return 'MXF';
    }

    public function extension(): string
    {
        return 'mxf';
    }

    public function videoCodecs(): array
    {
        return ['dnxhd', 'mpeg2video'];
    }

    public function audioCodecs(): array
    {
        return ['pcm'];
    }

    /** Edit rates that its writer knows: those of production (SMPTE ST 377-1, annex B; ST 2036-1, table 1). */
    public function frameRates(): array
    {
        return ['24000/1001', '24', '25', '30000/1001', '30', '48', '50', '60000/1001', '60', '100', '120'];
    }

    /** Whole numbers of samples go with frames at 48 kHz (SMPTE ST 382); the engine writes no other. */
    public function sampleRates(): array
    {
        return [48_000];
    }

    /** Samples travel in the subframes of AES3, which have room for 24 bits (SMPTE ST 382, 6). */
    public function bitDepths(): array
    {
        return [16, 24];
    }

    public function muxer(): string
    {
        return 'mxf';
    }

    /** Each element of a frame begins on a border of 512 bytes (ST 377-1, KAG), with a system item of its own. */
    public function overhead(Payload $payload): int
    {
        return 7_200 + $payload->frames * ($payload->intraOnly ? 1_400 : 1_100);
    }
}
