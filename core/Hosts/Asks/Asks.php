<?php

declare(strict_types=1);

namespace OuterCrate\Hosts\Asks;

/** What a host publishes that it wants of an upload. Each part says itself in words; the words are empty where it does not say. */
final readonly class Asks
{
    /** @param  list<CodecAsk>  $codecs  the preferred one first */
    public function __construct(
        public ContainerAsk $container,
        public array $codecs,
        public FrameAsk $frame,
        public FrameRateAsk $frameRate,
        public BitrateAsk $bitrate,
        public KeyframesAsk $keyframes,
        public ColourAsk $colour,
        public ?AudioAsk $audio,
        public LimitsAsk $limits,
    ) {
    }

    /** What it wants a picture of this width coded with. */
    public function codecFor(int $width): ?CodecAsk
    {
        foreach ($this->codecs as $codec) {
            if ($codec->isFor($width)) {
                return $codec;
            }
        }

        return null;
    }

    /** Whether it takes a codec for a picture of this width. */
    public function takesCodec(string $id, int $width): bool
    {
        $taken = array_map(static fn (CodecAsk $codec): string => $codec->codec, $this->codecsFor($width));

        return $this->codecs === [] || in_array($id, $taken, true);
    }

    /** @return list<CodecAsk> for a picture of this width: where it asks another from some width on, those of narrower ones no longer */
    public function codecsFor(int $width): array
    {
        $wide = array_filter($this->codecs, static fn (CodecAsk $codec): bool => $codec->aboveWidth !== null && $codec->isFor($width));
        $any = array_filter($this->codecs, static fn (CodecAsk $codec): bool => $codec->aboveWidth === null);

        return array_values($wide === [] ? $any : $wide);
    }

    /** @return list<array{label: string, text: string}> everything but the table of bitrates, as sentences for a person */
    public function inWords(): array
    {
        $codecs = implode(', ', array_map(static fn (CodecAsk $codec): string => $codec->wordsInList(), $this->codecs));
        $words = [];
        foreach ([
            'Container' => $this->container->words(),
            'Video codec' => $codecs,
            'Frame size' => $this->frame->words(),
            'Frame rate' => $this->frameRate->words(),
            'Keyframes' => $this->keyframes->words(),
            'Colour' => $this->colour->words(),
            'Audio' => $this->audio?->words() ?? '',
            'Limits' => $this->limits->words(),
        ] as $label => $text) {
            if ($text !== '') {
                $words[] = ['label' => $label, 'text' => $text];
            }
        }

        return $words;
    }
}
