<?php

declare(strict_types=1);

namespace OuterCrate\Analysis;

use InvalidArgumentException;
use OuterCrate\Json\Fields;
use OuterCrate\Json\MissingPart;
use OuterCrate\Units\Bitrate;
use OuterCrate\Units\FrameRange;
use OuterCrate\Units\FrameSize;

/** What a transit test found to be left of an upload of a cut, after a host, on the screen that decides. */
final readonly class TestedUpload
{
    /**
     * @param  int  $test  that it is of: uploads of one test were held against the same pieces
     * @param  string  $host  slug
     * @param  int  $hostVersion  that was tested: another one may do something else
     * @param  FrameRange  $range  of the cut that the pieces stand for
     * @param  Bitrate|null  $average  that it was encoded at; null where its quality leads
     * @param  int  $bytes  of the file of the whole range
     * @param  string  $tier  of the host that it got into
     * @param  int  $screen  lines
     * @param  non-empty-list<float>  $ssim  of each piece, 0 to 1
     * @param  non-empty-list<float>  $shares  that each piece stands for
     * @param  float  $sampled  share of the frames that lie in the pieces
     * @param  float|null  $grainKept  share; null where the cut has none
     */
    public function __construct(
        public int $test,
        public string $host,
        public int $hostVersion,
        public FrameRange $range,
        public FrameSize $frame,
        public string $codec,
        public ?Bitrate $average,
        public int $bytes,
        public string $tier,
        public int $screen,
        public array $ssim,
        public array $shares,
        public float $sampled,
        public float $bandingAdded,
        public bool $banded,
        public ?float $grainKept,
    ) {
    }

    /** @throws InvalidArgumentException when it is none */
    public static function fromArray(Fields $upload): self
    {
        $ssim = $upload->floats('ssim');
        $shares = $upload->floats('shares');

        return new self(
            test: $upload->needInt('test'),
            host: $upload->needText('host'),
            hostVersion: $upload->needInt('hostVersion'),
            range: $upload->within('range')->asRange(),
            frame: FrameSize::parse($upload->needText('frame')),
            codec: $upload->needText('codec'),
            average: $upload->has('average') ? new Bitrate($upload->needInt('average')) : null,
            bytes: $upload->needInt('bytes'),
            tier: $upload->needText('tier'),
            screen: $upload->needInt('screen'),
            ssim: $ssim === [] ? throw new MissingPart('ssim') : $ssim,
            shares: $shares === [] ? throw new MissingPart('shares') : $shares,
            sampled: $upload->float('sampled') ?? throw new MissingPart('sampled'),
            bandingAdded: $upload->float('bandingAdded') ?? throw new MissingPart('bandingAdded'),
            banded: $upload->bool('banded') ?? false,
            grainKept: $upload->float('grainKept'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'test' => $this->test,
            'host' => $this->host,
            'hostVersion' => $this->hostVersion,
            'range' => $this->range->toArray(),
            'frame' => (string) $this->frame,
            'codec' => $this->codec,
            'average' => $this->average?->bitsPerSecond,
            'bytes' => $this->bytes,
            'tier' => $this->tier,
            'screen' => $this->screen,
            'ssim' => $this->ssim,
            'shares' => $this->shares,
            'sampled' => $this->sampled,
            'bandingAdded' => $this->bandingAdded,
            'banded' => $this->banded,
            'grainKept' => $this->grainKept,
        ];
    }
}
