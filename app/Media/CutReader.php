<?php

namespace App\Media;

use App\Engine\EngineFailed;
use App\Engine\Prober;
use Closure;
use OuterCrate\Reading\Boxes\MovieBoxes;
use OuterCrate\Reading\Boxes\PicturePackets;
use OuterCrate\Reading\FileStructure;
use OuterCrate\Reading\Matroska\PictureBlocks;
use OuterCrate\Reading\Packets\FrameOrder;
use OuterCrate\Reading\Packets\Packet;
use OuterCrate\Reading\PacketTally;
use OuterCrate\Reading\ProbeReader;
use OuterCrate\Reading\RateBuffer;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\Unreadable;
use OuterCrate\Units\FrameRate;

/** Reads a media file: first its structure, byte by byte, then what the prober finds in it. */
class CutReader
{
    /** Demuxers of single images, which never look for the next one. */
    private const IMAGES = ['png' => 'png_pipe', 'jpg' => 'jpeg_pipe', 'tif' => 'tiff_pipe'];

    /** Frames are counted packet by packet up to this size, and reckoned from length and rate above it. */
    private const COUNTED_UP_TO = 2_000_000_000;

    /** Packets of a larger file whose times tell of its frame rate and structure. */
    private const SOME = 400;

    public function __construct(private readonly Prober $prober)
    {
    }

    /**
     * @return array{reading: Reading, probe: array<mixed>, fastStart: ?bool}
     *
     * @throws Unreadable when the file is no cut
     * @throws FileProblem when the file cannot be opened
     * @throws EngineFailed
     */
    public function read(string $path): array
    {
        [$bytes, $structure, $boxes] = $this->structure($path);
        $probe = $this->prober->probe($path) + array_filter(['boxes' => $boxes, 'docType' => $structure->docType]);
        self::needSmallFrames($probe);
        $counted = $bytes <= self::COUNTED_UP_TO;
        $orders = self::untold($probe);
        $told = $counted && count($orders) === 1 ? self::told($path) : null;
        foreach ($told ?? [] as $packet) {
            self::order($orders, $packet, array_key_first($orders));
        }
        if ($orders !== [] && $told === null) {
            $this->prober->packets($path, fn (Packet $packet) => self::order($orders, $packet), $counted ? null : self::SOME);
        }

        return [
            'reading' => $this->reading($probe = self::ordered($probe, $orders, $counted), $bytes, $structure, true),
            'probe' => $probe,
            'fastStart' => $structure->fastStart,
        ];
    }

    /**
     * Reads a file with every packet of it.
     *
     * @param  bool  $needsPicture  false for a file that may hold sound alone
     * @param  RateBuffer|null  $buffer  that is replayed with the picture
     * @param  Closure(Packet): void  $onPacket  called at each packet
     * @return array{Reading, PacketTally}
     *
     * @throws Unreadable
     * @throws FileProblem
     * @throws EngineFailed
     */
    public function readWhole(string $path, bool $needsPicture, ?RateBuffer $buffer, Closure $onPacket): array
    {
        [$bytes, $structure, $boxes] = $this->structure($path);
        [$probe, $orders, $tally] = [[], [], new PacketTally(-1)];
        $this->prober->packets($path, function (Packet $packet) use (&$orders, &$tally, $onPacket): void {
            self::order($orders, $packet);
            $tally->take($packet);
            $onPacket($packet);
        }, meanwhile: function () use ($path, $boxes, $structure, $buffer, &$probe, &$orders, &$tally): void {
            // Beside it: the prober takes longer to begin than to list the packets of a short file.
            $probe = $this->prober->probe($path) + array_filter(['boxes' => $boxes, 'docType' => $structure->docType]);
            $orders = self::untold($probe);
            $tally = new PacketTally(ProbeReader::firstVideo($probe) ?? -1, $buffer);
        });

        return [$this->reading(self::ordered($probe, $orders, true), $bytes, $structure, $needsPicture), $tally];
    }

    /**
     * Every packet of a file's picture, in the order of decoding. The tables of a movie and the blocks of Matroska tell them without the
     * prober, which takes longer to start than a short file takes to read.
     *
     * @return list<Packet>
     *
     * @throws FileProblem when the file cannot be opened
     * @throws EngineFailed
     */
    public function picture(string $path): array
    {
        $told = self::told($path);
        if ($told !== null) {
            return $told;
        }
        $packets = [];
        $this->prober->packets($path, function (Packet $packet) use (&$packets): void {
            $packets[] = $packet;
        }, pictureOnly: true);

        return $packets;
    }

    /**
     * The packets of a file's picture as far as it tells them itself.
     *
     * @return list<Packet>|null
     */
    private static function told(string $path): ?array
    {
        $stream = @fopen($path, 'rb') ?: throw new FileProblem('The file cannot be read.', $path, 'Change who may read it.');
        try {
            $bytes = (int) fstat($stream)['size'];

            return PicturePackets::of($stream, $bytes) ?? PictureBlocks::of($stream, $bytes);
        } finally {
            fclose($stream);
        }
    }

    /**
     * @param  array<mixed>  $probe
     *
     * @throws Unreadable
     */
    private static function needSmallFrames(array $probe): void
    {
        $limit = (int) config('crate.reading.pixels');
        foreach ($probe['streams'] ?? [] as $stream) {
            [$width, $height] = [(int) ($stream['width'] ?? 0), (int) ($stream['height'] ?? 0)];
            if (($stream['codec_type'] ?? '') === 'video' && $width * $height > $limit) {
                throw Unreadable::tooManyPixels($width, $height, intdiv($limit, 1_000_000));
            }
        }
    }

    /**
     * What the file says byte by byte, before the engine sees it.
     *
     * @return array{int, FileStructure, array<mixed>|null} its size, its structure, and the boxes of a movie
     *
     * @throws Unreadable
     * @throws FileProblem
     */
    private function structure(string $path): array
    {
        if (is_dir($path)) {
            throw new FileProblem('This is a folder.', $path, 'Choose the video file in it.');
        }
        if (! is_file($path)) {
            throw new FileProblem('There is no such file.', $path, 'It may have been moved or renamed.');
        }
        $stream =
            @fopen($path, 'rb') ?: throw new FileProblem('The file cannot be read.', $path, 'Change who may read it, or choose another.');
        try {
            $bytes = (int) fstat($stream)['size'];
            if ($bytes === 0) {
                throw Unreadable::empty();
            }
            $structure = FileStructure::of($stream, $bytes);
            $boxes = $structure->isoBaseMedia ? MovieBoxes::of($stream, $bytes) : null;
        } finally {
            fclose($stream);
        }
        if ($structure->playlist) {
            throw Unreadable::playlist();
        }
        if ($structure->expectedBytes !== null && $structure->expectedBytes > $bytes) {
            throw Unreadable::cutShort($bytes, $structure->expectedBytes);
        }
        if ($structure->indexMissing) {
            throw Unreadable::cutShort();
        }
        if ($boxes['external'] ?? false) {
            throw Unreadable::refersElsewhere();
        }
        if ($boxes['encrypted'] ?? false) {
            throw Unreadable::encrypted();
        }

        return [$bytes, $structure, $boxes];
    }

    /** @param  array<mixed>  $probe */
    private function reading(array $probe, int $bytes, FileStructure $structure, bool $needsPicture): Reading
    {
        if (! isset($probe['streams'])) {
            throw Unreadable::notMedia();
        }

        return (new ProbeReader)->read($probe, $bytes, $structure->fastStart, $needsPicture);
    }

    /**
     * Reads a folder of images as the cut that they make up: what the first one is, as many frames as there are images.
     *
     * @param  list<string>  $images
     * @param  string  $rate  frames per second
     *
     * @throws Unreadable
     * @throws EngineFailed
     */
    public function readImages(string $folder, array $images, string $rate): Reading
    {
        $probe = isset($images[0])
            ? $this->prober->probe("{$folder}/{$images[0]}", self::imageDemuxer($images[0]))
            : [];
        if (! isset($probe['streams'][0])) {
            throw Unreadable::notMedia();
        }
        $bytes = array_sum(array_map(fn (string $name): int => (int) filesize("{$folder}/{$name}"), $images));
        $length = (string) FrameRate::parse($rate)->secondsOf(count($images));
        $probe['streams'][0] =
            ['nb_frames' => (string) count($images), 'avg_frame_rate' => $rate, 'r_frame_rate' => $rate, 'duration' => $length] +
            $probe['streams'][0];
        $probe['format'] = ['format_name' => 'folder', 'duration' => $length] + $probe['format'];

        return (new ProbeReader)->read($probe, $bytes, null);
    }

    /** The demuxer that takes a single image for what it is; null for one that is not known. */
    public static function imageDemuxer(string $name): ?string
    {
        return self::IMAGES[strtolower(pathinfo($name, PATHINFO_EXTENSION))] ?? null;
    }

    /**
     * The video streams whose frames no movie's boxes time.
     *
     * @param  array<mixed>  $probe
     * @return array<int, FrameOrder> by index of the stream
     */
    private static function untold(array $probe): array
    {
        $orders = [];
        foreach (ProbeReader::untimed($probe) as $stream) {
            $orders[$stream] = new FrameOrder;
        }

        return $orders;
    }

    /**
     * @param  array<int, FrameOrder>  $orders
     * @param  int|null  $stream  that the packet is of; null for what it says itself
     */
    private static function order(array $orders, Packet $packet, ?int $stream = null): void
    {
        $order = $orders[$stream ?? $packet->stream] ?? null;
        $order?->take($packet->shown, $packet->keyframe, $packet->lasts, $packet->decoded, $packet->hidden);
    }

    /**
     * The probe with what its packets told.
     *
     * @param  array<mixed>  $probe
     * @param  array<int, FrameOrder>  $orders
     * @return array<mixed>
     */
    private static function ordered(array $probe, array $orders, bool $counted): array
    {
        foreach ($probe['streams'] ?? [] as $i => $stream) {
            $order = $orders[(int) $stream['index']] ?? null;
            if ($order !== null) {
                $probe['orders'][(string) $stream['index']] =
                    ['gop' => $order->gop()?->toArray(), 'times' => $order->times()->toArray(), 'whole' => $counted];
            }
        }

        return $probe;
    }
}
