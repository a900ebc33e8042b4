<?php

declare(strict_types=1);

namespace OuterCrate\Planning;

use OuterCrate\Formats\Audio\AudioCodec;
use OuterCrate\Formats\Catalogue;
use OuterCrate\Formats\RateMode;
use OuterCrate\Formats\Video\VideoCodec;

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
            Cell::Sound->value => $this->sounds(),
        ];
    }

    /** @return array<string, list<string>> rate modes by video codec */
    public function rateModes(): array
    {
        $modes = [];
        foreach ($this->catalogue->videoCodecs() as $codec) {
            $modes[$codec->id()] = array_map(static fn (RateMode $mode): string => $mode->value, $codec->rateModes());
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
            $choices[] = ['label' => $container->name(), 'about' => implode(', ', $names), 'rule' => ['set' => $container->id(), 'fastStart' => false]];
        }

        return $choices;
    }

    /** @return list<array{label: string, about: string, rule: mixed}> */
    private function pictures(): array
    {
        $choices = [];
        foreach ($this->catalogue->videoCodecs() as $codec) {
            foreach ($codec->profiles() === [] ? [null => $codec->name()] : $codec->profiles() as $profile => $name) {
                $choices[] = [
                    'label' => $profile === '' ? $codec->name() : "{$codec->name()} {$name}",
                    'about' => $codec->isIntraOnly() ? 'Every frame by itself' : 'Small, for sending',
                    'rule' => $profile === '' ? ['codec' => $codec->id()] : ['codec' => $codec->id(), 'profile' => $profile],
                ];
            }
        }

        return $choices;
    }

    /** @return list<array{label: string, about: string, rule: mixed}> */
    private function frameSizes(): array
    {
        return [
            ['label' => 'Follow, as displayed', 'about' => 'The cut’s size in square pixels', 'rule' => ['follow' => 'displayed']],
            ['label' => 'Follow, as stored', 'about' => 'The cut’s own pixels and their shape', 'rule' => ['follow' => 'stored']],
            ...array_map(static fn (string $size): array => ['label' => "Inside {$size}", 'about' => 'Keeps its shape; never enlarged', 'rule' => ['fit' => $size]], self::SIZES),
            ['label' => 'One size up', 'about' => 'The next of the usual sizes; can reach a finer tier', 'rule' => ['step' => 1]],
            ['label' => 'One size down', 'about' => 'The next smaller of the usual sizes', 'rule' => ['step' => -1]],
            ...array_map(static fn (string $size): array => ['label' => "Exactly {$size}", 'about' => 'Scaled to fill; black where the shape differs', 'rule' => ['exact' => $size]], [...self::SIZES, '1080×1920']),
            ...array_map(static fn (string $size): array => ['label' => "Exactly {$size}, cropped", 'about' => 'Scaled to cover; edges cut off', 'rule' => ['exact' => $size, 'shape' => 'crop']], ['1920×1080', '1080×1920', '1080×1080']),
        ];
    }

    /** @return list<array{label: string, about: string, rule: mixed}> */
    private function frameRates(): array
    {
        $choices = [['label' => 'Follow', 'about' => 'The cut’s rate; lifted by whole multiples where a host asks', 'rule' => 'follow']];
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
        $choices = [['label' => 'Follow', 'about' => 'Uncompressed, as the cut has it', 'rule' => 'follow']];
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
