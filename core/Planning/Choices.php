<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Formats\Audio\AudioCodec;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\Chroma;
use OuterCrate\Formats\ColourSpace;
use OuterCrate\Formats\PixelFormat;
use OuterCrate\Formats\RateMode;
use OuterCrate\Formats\Video\VideoCodec;
use OuterCrate\Naming\NameTemplate;
use OuterCrate\Units\FrameRate;
use OuterCrate\Units\FrameSize;

/** What a cell's editor offers: rules to choose from, each with what it means. */
final readonly class Choices
{
    private const SIZES = ['3840×2160', '2560×1440', '1920×1080', '1280×720', '854×480', '640×360'];

    private const RATES = ['24000/1001' => '23.976', '24' => '24', '25' => '25', '30000/1001' => '29.97', '30' => '30', '50' => '50', '60000/1001' => '59.94', '60' => '60'];

    private const SOUND_RATES = [128, 160, 192, 256, 320];

    public function __construct(private Catalogue $catalogue)
    {
    }

    /** @return array<string, list<array{label: string, about: string, rule: mixed}>> by cell; the rate has an editor of its own */
    public function all(): array
    {
        return [
            Cell::Container->value => $this->containers(),
            Cell::Picture->value => $this->pictures(),
            Cell::FrameSize->value => $this->frameSizes(),
            Cell::FrameRate->value => $this->frameRates(),
            Cell::Keyframes->value => $this->keyframes(),
            Cell::Colour->value => [
                ['label' => 'Follow', 'about' => 'Tags, bits and chroma of the cut, as far as the codec keeps them', 'rule' => 'follow'],
                ['label' => 'As the host asks', 'about' => 'Its chroma; bits as the codec keeps them', 'rule' => 'host'],
                ['label' => 'BT.709, 8-bit 4:2:0', 'about' => 'What every screen shows; HDR comes down', 'rule' => ['convert' => 'bt709', 'bitDepth' => 8, 'chroma' => '4:2:0']],
                ['label' => 'BT.709 with fine gradients', 'about' => 'The same, the error diffused', 'rule' => ['convert' => 'bt709', 'bitDepth' => 8, 'chroma' => '4:2:0', 'dither' => 'error-diffusion']],
            ],
            Cell::Sound->value => $this->sounds(),
        ];
    }

    /**
     * @param  bool  $hardware  a graphics chip can code here
     * @return array<string, list<array<string, mixed>>> by cell: what can be said beside the choice from the list
     */
    public function parts(bool $hardware = false): array
    {
        $spaces = [];
        foreach (ColourSpace::cases() as $space) {
            $spaces[$space->label()] = $space->value;
        }
        $parts = [
            Cell::Picture->value => [
                Part::options('effort', 'Effort', ['Fast' => ['fast', 'Larger files, soonest done'], 'Medium' => ['medium', ''], 'Slow' => ['slow', 'Smallest for its quality']]),
                Part::options('tune', 'Look after', ['Nothing' => null, 'Grain' => 'grain', 'Drawings' => 'animation', 'Stills' => 'stills']),
                ...($hardware ? [Part::options('device', 'Made by', ['Software' => ['software', 'Best picture for its size'], 'Graphics chip' => ['hardware', 'Many times as fast, about a third more bits']])] : []),
                Part::text('level', 'Level', 'Empty for the lowest that holds'),
            ],
            Cell::FrameSize->value => [
                Part::text('exact', 'Frame', 'Width×height; the picture is fitted in'),
                Part::options('shape', 'Shapes differ', ['Pad' => ['pad', 'Black around the picture'], 'Crop' => ['crop', 'Edges are cut off'], 'Stretch' => ['stretch', 'What is round no longer is']]),
                Part::options('projection', '360', ['As the cut' => null, 'Equirectangular' => 'equirectangular', 'Not 360' => 'none']),
                Part::options('bars', 'Black bars', ['Keep' => [null, 'What the cut has is shown'], 'Leave out' => ['trim', 'Those that were found in the cut']]),
            ],
            Cell::FrameRate->value => [
                Part::text('exact', 'Frames a second', '25, 29.97 or 30000/1001'),
                Part::options('source', 'The cut is', ['As its file says' => null, 'Progressive' => 'progressive', 'Top field first' => 'tff', 'Bottom field first' => 'bff']),
                Part::options('by', 'New frames', ['Repeat' => ['repeat', 'Frames are repeated or dropped'], 'Blend' => ['blend', 'Neighbours are mixed'], 'Motion' => ['motion', 'Drawn along the motion; slow']]),
                Part::options('fields', 'Fields', ['By material' => null, 'Interpolate' => ['interpolate', 'Keeps the lines'], 'Blend' => ['blend', 'Averages noise'], 'Keep' => ['keep', 'Stays interlaced']]),
            ],
            Cell::Keyframes->value => [
                Part::number('seconds', 'Every', 's', 0.1, 10, 0.1),
                Part::number('bFrames', 'B-frames', '', 0, 8, 1),
                Part::number('references', 'References', '', 1, 16, 1, 'Empty leaves it to the encoder'),
                Part::switched('closed', 'Closed', 'No frame looks across a keyframe'),
                Part::switched('pyramid', 'Pyramid', 'B-frames refer to B-frames'),
                Part::switched('sceneCuts', 'At scene cuts too'),
            ],
            Cell::Colour->value => [
                Part::options('tag', 'Samples are', ['As the cut says' => null] + $spaces + ['Untagged' => 'none']),
                Part::options('convert', 'Convert to', ['No' => null] + $spaces),
                Part::options('range', 'Range', ['As it is' => null, 'Limited' => 'limited', 'Full' => 'full']),
                Part::options('bitDepth', 'Bits', ['As the codec' => null, '8-bit' => 8, '10-bit' => 10, '12-bit' => 12, '16-bit' => 16]),
                Part::options('chroma', 'Chroma', ['As the codec' => null, '4:2:0' => '4:2:0', '4:2:2' => '4:2:2', '4:4:4' => '4:4:4']),
                Part::options('dither', 'Dither', ['Ordered' => 'ordered', 'Diffused' => ['error-diffusion', 'Finest gradients'], 'None' => 'none']),
                Part::number('gamma', 'Gamma', '', 0.5, 2, 0.01, '1 leaves it alone; above lifts the middle'),
                Part::options('hdr10', 'HDR10 metadata', ['Carry' => ['carry', 'As the cut has it'], 'Measure' => ['measure', 'Content light from the picture'], 'None' => 'none']),
            ],
            Cell::Sound->value => [
                Part::number('kbps', 'Rate', 'kb/s', 32, 640, 8),
                Part::options('sampleRate', 'Sample rate', ['As the cut' => null, '44.1 kHz' => 44_100, '48 kHz' => 48_000, '96 kHz' => 96_000]),
                Part::options('channels', 'Channels', ['As the cut' => null, 'Mono' => 1, 'Stereo' => 2, '5.1' => 6]),
                Part::options('tracks', 'Tracks', ['First' => 'first', 'All' => 'all']),
                Part::number('loudness', 'Loudness', 'LUFS', -40, -5, 0.5, 'Empty leaves the level alone'),
                Part::number('truePeak', 'Peak at most', 'dBTP', -10, 0, 0.5),
            ],
            Cell::File->value => [
                Part::text('template', 'Template', implode(' ', array_map(static fn (string $field): string => "{{$field}}", array_keys(NameTemplate::FIELDS)))),
                Part::text('folder', 'Folder', 'Below the folder for deliveries'),
            ],
        ];

        return array_map(static fn (array $list): array => array_map(static fn (Part $part): array => $part->toArray(), $list), $parts);
    }

    /** @return array<string, list<string>> rate modes by video codec */
    public function rateModes(): array
    {
        $modes = [];
        foreach ($this->catalogue->videoCodecs() as $codec) {
            $modes[$codec->id()] = [...array_map(static fn (RateMode $mode): string => $mode->value, $codec->rateModes()), ...($codec->hasTwoPasses() ? ['vbr2'] : [])];
        }

        return $modes;
    }

    /** @return array<string, array{best: int, worst: int, usual: int}|null> scale of constant quality by video codec */
    public function qualities(): array
    {
        return array_map(static function (VideoCodec $codec): ?array {
            $scale = $codec->quality();

            return $scale === null ? null : ['best' => $scale->best, 'worst' => $scale->worst, 'usual' => $scale->usual];
        }, $this->catalogue->videoCodecs());
    }

    /** @return list<array{label: string, about: string, rule: mixed}> */
    private function containers(): array
    {
        $choices = [];
        foreach ($this->catalogue->containers() as $container) {
            $names = array_map(fn (string $id): string => $this->catalogue->video($id)->name(), $container->videoCodecs());
            if ($container->hasFastStart()) {
                $choices[] = ['label' => "{$container->name()} · fast start", 'about' => 'Index first: a host can begin while it arrives', 'rule' => ['set' => $container->id(), 'fastStart' => true]];
            }
            $choices[] = ['label' => $container->name(), 'about' => $names === [] ? 'Sound alone' : implode(', ', $names), 'rule' => ['set' => $container->id(), 'fastStart' => false]];
        }

        return $choices;
    }

    /** @return list<array{label: string, about: string, rule: mixed}> */
    private function pictures(): array
    {
        $choices = [['label' => 'None', 'about' => 'Sound alone', 'rule' => 'none']];
        foreach ($this->catalogue->videoCodecs() as $codec) {
            foreach ($codec->profiles() === [] ? [null => $codec->name()] : $codec->profiles() as $profile => $name) {
                $choices[] = [
                    'label' => $profile === '' ? $codec->name() : "{$codec->name()} {$name}",
                    'about' => $this->aboutPicture($codec, $profile === '' ? null : $profile),
                    'rule' => $profile === '' ? ['codec' => $codec->id()] : ['codec' => $codec->id(), 'profile' => $profile],
                ];
            }
        }

        return $choices;
    }

    /** What a profile keeps of a fine picture, and what that costs. */
    private function aboutPicture(VideoCodec $codec, ?string $profile): string
    {
        $kept = $codec->pixelFormat($profile, new PixelFormat(Chroma::C444, 16, true));
        $rate = $codec->ownRate($profile, new FrameSize(1920, 1080), FrameRate::of(25));

        return implode(' · ', array_filter([
            $kept === null ? null : "{$kept->bitDepth}-bit {$kept->chroma->value}".($kept->alpha ? ' with mask' : ''),
            match (true) {
                $rate !== null => "{$rate} at 1080p25",
                ! $codec->isIntraOnly() => 'small, for sending',
                $codec->rateModes() === [RateMode::Lossless] => 'lossless',
                default => 'every frame by itself',
            },
        ]));
    }

    /** @return list<array{label: string, about: string, rule: mixed}> */
    private function frameSizes(): array
    {
        return [
            ['label' => 'Follow, as displayed', 'about' => 'The cut’s size in square pixels', 'rule' => ['follow' => 'displayed']],
            ['label' => 'Follow, as stored', 'about' => 'The cut’s own pixels and their shape', 'rule' => ['follow' => 'stored']],
            ...array_map(static fn (string $size): array => ['label' => "Inside {$size}", 'about' => 'Keeps its shape; never enlarged', 'rule' => ['fit' => $size]], self::SIZES),
            ['label' => 'Disc 720×576', 'about' => 'Shown at 4:3 or 16:9, whichever is nearer', 'rule' => ['exact' => '720×576', 'display' => 'nearest']],
            ['label' => 'Disc 720×480', 'about' => 'Shown at 4:3 or 16:9, whichever is nearer', 'rule' => ['exact' => '720×480', 'display' => 'nearest']],
            ['label' => 'One size up', 'about' => 'The next of the usual sizes; can reach a finer tier', 'rule' => ['step' => 1]],
            ['label' => 'One size down', 'about' => 'The next smaller of the usual sizes', 'rule' => ['step' => -1]],
            ...array_map(static fn (string $size): array => ['label' => "Exactly {$size}", 'about' => 'Scaled to fill; black where the shape differs', 'rule' => ['exact' => $size]], [...self::SIZES, '1080×1920']),
            ...array_map(static fn (string $size): array => ['label' => "Exactly {$size}, cropped", 'about' => 'Scaled to cover; edges cut off', 'rule' => ['exact' => $size, 'shape' => 'crop']], ['1920×1080', '1080×1920', '1080×1080']),
        ];
    }

    /** @return list<array{label: string, about: string, rule: mixed}> */
    private function frameRates(): array
    {
        $choices = [
            ['label' => 'Follow', 'about' => 'The cut’s rate; lifted by whole multiples where a host asks', 'rule' => 'follow'],
            ['label' => 'At least 24 fps', 'about' => '15 becomes 30, never 24', 'rule' => ['atLeast' => '24']],
            ['label' => 'At least 50 fps', 'about' => '25 becomes 50; can reach a finer tier', 'rule' => ['atLeast' => '50']],
            ['label' => 'Half', 'about' => 'Every other frame', 'rule' => ['halve' => true]],
        ];
        foreach (self::RATES as $exact => $label) {
            $choices[] = ['label' => "{$label} fps", 'about' => 'Frames are repeated or dropped to reach it', 'rule' => ['exact' => (string) $exact]];
        }

        return $choices;
    }

    /** @return list<array{label: string, about: string, rule: mixed}> */
    private function keyframes(): array
    {
        $choices = [['label' => 'As the host asks', 'about' => '2 s, closed, where it says nothing', 'rule' => 'host']];
        foreach ([1 => 'Seeks well', 2 => 'Usual for uploads', 4 => 'Smaller, seeks worse'] as $seconds => $about) {
            $choices[] = ['label' => "Every {$seconds} s · closed · 2 B", 'about' => $about, 'rule' => ['seconds' => $seconds, 'closed' => true, 'bFrames' => 2]];
        }
        $choices[] = ['label' => 'Every 2 s · closed · no B', 'about' => 'For old or simple players', 'rule' => ['seconds' => 2, 'closed' => true, 'bFrames' => 0]];

        return $choices;
    }

    /** @return list<array{label: string, about: string, rule: mixed}> */
    private function sounds(): array
    {
        $choices = [
            ['label' => 'Follow', 'about' => 'Uncompressed, as the cut has it', 'rule' => 'follow'],
            ['label' => 'As the host asks', 'about' => 'Codec, rate and sample rate; AAC where it says nothing', 'rule' => 'host'],
        ];
        foreach ($this->catalogue->audioCodecs() as $codec) {
            foreach ($codec->hasRate() ? self::SOUND_RATES : [16, 24] as $figure) {
                $choices[] = $this->sound($codec, $figure);
            }
        }
        $choices[] = ['label' => 'None', 'about' => 'A silent file', 'rule' => 'none'];

        return $choices;
    }

    /** @return array{label: string, about: string, rule: mixed} */
    private function sound(AudioCodec $codec, int $figure): array
    {
        return $codec->hasRate()
            ? ['label' => "{$codec->name()} {$figure} kb/s", 'about' => 'Lossy', 'rule' => ['codec' => $codec->id(), 'kbps' => $figure]]
            : ['label' => "{$codec->name()} {$figure}-bit", 'about' => $codec->id() === 'pcm' ? 'Uncompressed' : 'Lossless, smaller', 'rule' => ['codec' => $codec->id(), 'bitDepth' => $figure]];
    }
}
