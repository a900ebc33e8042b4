<?php

namespace App\Media;

use App\Engine\EngineFailed;
use App\Engine\Prober;
use OuterCrate\Reading\Boxes\MovieBoxes;
use OuterCrate\Reading\FileStructure;
use OuterCrate\Reading\FrameOrder;
use OuterCrate\Reading\ProbeReader;
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
    public function read(string $path, bool $needsPicture = true): array
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
        $probe = $this->probe($path, $bytes) + array_filter(['boxes' => $boxes, 'docType' => $structure->docType]);
        if (! isset($probe['streams'])) {
            throw Unreadable::notMedia();
        }

        return [
            'reading' => (new ProbeReader)->read($probe, $bytes, $structure->fastStart, $needsPicture),
            'probe' => $probe,
            'fastStart' => $structure->fastStart,
        ];
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
            ? $this->prober->probe("{$folder}/{$images[0]}", self::IMAGES[strtolower(pathinfo($images[0], PATHINFO_EXTENSION))] ?? null)
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
        unset($probe['packets']);

        return (new ProbeReader)->read($probe, $bytes, null);
    }

    /**
     * Containers without a frame count get their packets counted; the times themselves are kept for the first ones only.
     *
     * @return array<mixed>
     */
    private function probe(string $path, int $bytes): array
    {
        $probe = $this->prober->probe($path);
        foreach ($probe['streams'] ?? [] as $i => $stream) {
            $counted = isset($stream['nb_frames']) || ($stream['codec_type'] ?? '') !== 'video';
            if (! $counted && $bytes <= self::COUNTED_UP_TO) {
                $order = new FrameOrder;
                $index = (string) $stream['index'];
                $this->prober->packets($path, function (string $line) use ($order, $index): void {
                    $fields = explode(',', $line);
                    if ($fields[0] === $index && count($fields) >= 5) {
                        $order->take(is_numeric($fields[1]) ? (float) $fields[1] : null, str_contains($fields[4], 'K'));
                    }
                });
                $probe['streams'][$i]['counted_packets'] = $order->frames;
                $probe['orders'][$index] = [
                    'gop' => $order->gop()?->toArray(),
                    'variableRate' => $order->times()->areVariable(),
                    'shortestGap' => $order->times()->shortestUsualGap(),
                ];
            }
        }

        return $probe;
    }
}
