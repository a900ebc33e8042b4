<?php

namespace App\Engine;

use Closure;
use Illuminate\Support\Facades\Cache;
use OuterCrate\Analysis\MeasuringPass;
use OuterCrate\Encoding\Excerpt;
use OuterCrate\Encoding\Progress;
use OuterCrate\Encoding\ProgressReader;
use OuterCrate\Encoding\Video\HardwareArguments;
use OuterCrate\Encoding\Viewing;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;
use Symfony\Component\Process\Exception\ProcessSignaledException;
use Symfony\Component\Process\Exception\ProcessStartFailedException;
use Symfony\Component\Process\Exception\ProcessTimedOutException;
use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * The only place that starts processes. Arguments are lists, never a shell; the engine reads local files and no playlists, has
 * no standard input, runs at a low priority in a session of its own, and dies with this process.
 */
class Engine
{
    /** Demuxers that may open a cut. None of them follows a reference to another file. */
    private const FORMATS = 'mov,mp4,matroska,webm,avi,mxf,mxf_opatom,mpeg,mpegts,mpegvideo,h264,hevc,ivf,ogg,flv,asf,wav,w64,aiff,mp3,aac,flac,dv,gxf,yuv4mpegpipe,nut,rm,wtv,3gp,png_pipe,jpeg_pipe,tiff_pipe';

    /**
     * The prober's JSON for a file: streams, format, chapters, its first packets, and under `first_frame` what the first frame says.
     *
     * @param  string|null  $format  the demuxer to take, for a single image; found out when null
     * @return array<mixed> empty when the prober could make nothing of the file
     *
     * @throws EngineFailed when the prober is missing or takes too long
     */
    public function probe(string $path, ?string $format = null): array
    {
        $output = $this->listen([
            ...$this->program('prober', Limits::forLooks()), '-v', 'error', ...$this->guarded(), ...($format === null ? [] : ['-f', $format]),
            '-show_entries', 'stream:stream_tags:stream_disposition:stream_side_data:format:format_tags:chapter:chapter_tags:packet=stream_index,pts_time,flags',
            '-read_intervals', '%+#400',
            '-of', 'json=compact=1', '-i', 'file:'.$path,
        ]);
        $decoded = json_decode($output, true, 64, JSON_INVALID_UTF8_SUBSTITUTE);

        if (! is_array($decoded) || ! isset($decoded['streams'])) {
            return [];
        }
        $first = $this->firstFrame($path, $format);
        $configuration = $first['streams'][0] ?? [];
        foreach ($decoded['streams'] as $i => $stream) {
            if (isset($configuration['extradata']) && ($stream['index'] ?? null) === $configuration['index']) {
                $decoded['streams'][$i]['extradata'] = $configuration['extradata'];
            }
        }

        return $decoded + ['first_frame' => $first['frames'][0] ?? []];
    }

    /**
     * What the decoder says of the first frame: fields, the metadata that travels in the stream, and its configuration. Asked by
     * itself, since the prober writes every packet out in hexadecimal when it is to show this data.
     *
     * @return array<mixed>
     */
    private function firstFrame(string $path, ?string $format): array
    {
        $output = $this->listen([
            ...$this->program('prober', Limits::forLooks()), '-v', 'quiet', ...$this->guarded(), ...($format === null ? [] : ['-f', $format]), '-select_streams', 'V:0',
            '-show_data', '-show_entries', 'stream=index,extradata:frame=stream_index,interlaced_frame,top_field_first:frame_side_data', '-read_intervals', '%+#1',
            '-of', 'json=compact=1', '-i', 'file:'.$path,
        ]);
        $decoded = json_decode($output, true, 64, JSON_INVALID_UTF8_SUBSTITUTE);

        return is_array($decoded) ? $decoded : [];
    }

    /**
     * Reads every packet's line `stream,pts,dts,size,flags` without decoding.
     *
     * @param  Closure(string): void  $take
     *
     * @throws EngineFailed
     */
    public function packets(string $path, Closure $take): void
    {
        $rest = '';
        $process = $this->process([
            ...$this->program('prober', Limits::forLooks()), '-v', 'error', ...$this->guarded(),
            '-show_entries', 'packet=stream_index,pts_time,dts_time,size,flags', '-of', 'csv=p=0', '-i', 'file:'.$path,
        ], null, Limits::forRuns()->seconds);
        $process->disableOutput();
        $this->run($process, function (string $type, string $data) use (&$rest, $take): void {
            if ($type === Process::OUT) {
                $lines = explode("\n", $rest.$data);
                $rest = (string) array_pop($lines);
                array_map($take, $lines);
            }
        });
    }

    /**
     * Runs one pass.
     *
     * @param  list<string>  $inputOptions  before the input
     * @param  list<string>  $arguments  output options
     * @param  string|null  $output  absolute path, or null for a pass that writes no file
     * @param  string  $workingFolder  where statistics of a first pass lie
     * @param  Closure(Progress): void  $onProgress
     * @param  Closure(): bool  $shouldStop  asked several times a second
     * @param  Limits|null  $limits  those of runs when null
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function encode(string $input, array $inputOptions, array $arguments, ?string $output, string $workingFolder, Closure $onProgress, Closure $shouldStop, ?Limits $limits = null): void
    {
        $this->work([
            ...$this->guarded(), ...$inputOptions, '-i', 'file:'.$input,
            ...$arguments, $output === null ? '-' : 'file:'.$output,
        ], $workingFolder, $limits ?? Limits::forRuns(), $onProgress, $shouldStop);
    }

    /**
     * Measures a segment of a cut; what it writes lies in the working folder.
     *
     * @param  Closure(Progress): void  $onProgress
     * @param  Closure(): bool  $shouldStop
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function measure(string $path, MeasuringPass $pass, string $workingFolder, Closure $onProgress, Closure $shouldStop): void
    {
        $inputs = array_map(fn (array $options): array => [...$this->guarded(), ...$options, '-i', 'file:'.$path], $pass->inputs());
        $this->work([...array_merge(...$inputs), ...$pass->arguments()], $workingFolder, Limits::forAnalysis(), $onProgress, $shouldStop);
    }

    /**
     * Joins the measured segments' pictures with the sound of the cut into a file that every browser plays.
     *
     * @param  string  $picture  H.264 byte stream
     * @param  list<string>  $soundFilters
     * @param  Closure(): bool  $shouldStop
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function proxy(string $path, string $picture, string $rate, ?int $sound, array $soundFilters, string $output, Closure $shouldStop): void
    {
        $this->work([
            ...$this->guarded(), '-f', 'h264', '-framerate', $rate, '-i', 'file:'.$picture,
            ...($sound === null ? [] : [...$this->guarded(), '-i', 'file:'.$path]),
            '-map', '0:v', '-c:v', 'copy',
            ...($sound === null ? [] : ['-map', "1:{$sound}", '-af', implode(',', $soundFilters), '-c:a', 'aac', '-b:a', '128k', '-ac', '2', '-ar', '48000']),
            '-map_metadata', '-1', '-movflags', '+faststart', '-f', 'mp4', 'file:'.$output,
        ], dirname($output), Limits::forAnalysis(), fn () => null, $shouldStop);
    }

    /**
     * A row of small pictures, evenly spread over a video, as one JPEG.
     *
     * @throws EngineFailed
     */
    public function strip(string $video, int $pictures, float $seconds, int $width, int $height, string $output): void
    {
        $this->work([
            ...$this->guarded(), '-skip_frame', 'nokey', '-i', 'file:'.$video, '-an',
            '-vf', sprintf('fps=fps=%d/%F:round=up,scale=w=%d:h=%d,tile=%dx1', $pictures, max(0.04, $seconds), $width, $height, $pictures),
            '-frames:v', '1', '-q:v', '4', '-f', 'mjpeg', 'file:'.$output,
        ], dirname($output), Limits::forAnalysis(), fn () => null, fn (): bool => false);
    }

    /**
     * One frame of a cut, exactly, as a JPEG that shows it on a BT.709 screen.
     *
     * @param  int  $side  of the box it is to fit in, in pixels
     *
     * @throws EngineFailed also when there is no such frame
     */
    public function still(string $path, Reading $reading, int $frame, int $side, string $output): void
    {
        $video = $reading->mainVideo() ?? throw new EngineFailed('There is no picture in this file.');
        $excerpt = new Excerpt($reading, new FrameRange($frame, $frame));
        $viewing = new Viewing($video);
        $this->work([
            ...$this->guarded(), ...$excerpt->input(), '-i', 'file:'.$path, '-map', "0:{$video->index}",
            '-vf', implode(',', [...$viewing->progressive(), ...$excerpt->picture(), ...$viewing->asStill($viewing->size($side))]),
            '-frames:v', '1', '-q:v', '2', '-f', 'mjpeg', 'file:'.$output,
        ], dirname($output), Limits::forLooks(), fn () => null, fn (): bool => false);
        if (! is_file($output) || filesize($output) === 0) {
            throw new EngineFailed("Frame {$frame} could not be decoded. The file may be damaged there.");
        }
    }

    /**
     * @param  list<string>  $arguments  from the inputs on
     * @param  Closure(Progress): void  $onProgress
     * @param  Closure(): bool  $shouldStop
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    private function work(array $arguments, string $folder, Limits $limits, Closure $onProgress, Closure $shouldStop): void
    {
        $process = $this->process([
            ...$this->program('encoder', $limits), '-hide_banner', '-nostdin', '-v', 'error', '-y', '-progress', 'pipe:1', '-stats_period', '0.25', ...$arguments,
        ], $folder, $limits->seconds);
        $reader = new ProgressReader;
        $errors = '';
        $this->start($process);
        $group = (int) $process->getPid();
        $pause = 4_000;
        try {
            while ($process->isRunning()) {
                $errors = substr($errors.$process->getIncrementalErrorOutput(), -8192);
                $progress = $reader->take($process->getIncrementalOutput());
                $process->clearOutput();
                if ($progress !== null) {
                    $onProgress($progress);
                }
                if ($shouldStop()) {
                    throw new Stopped;
                }
                $process->checkTimeout();
                usleep($pause);
                // A single frame is there in a moment; hours of encoding need no one to look that often.
                $pause = min(40_000, $pause * 2);
            }
        } catch (ProcessTimedOutException) {
            throw new EngineFailed('This took far longer than such a file should, and was given up. The file may be damaged.');
        } finally {
            $this->end($process, $group);
        }
        $errors .= $process->getIncrementalErrorOutput();
        if ($process->getExitCode() !== 0) {
            throw EngineFailed::saying($errors);
        }
        $last = $reader->take($process->getIncrementalOutput()."\n");
        if ($last !== null) {
            $onProgress($last);
        }
    }

    /** First line of what the engine says of itself; null when it is missing. */
    public function version(): ?string
    {
        return $this->capabilities()['version'] ?? null;
    }

    /**
     * What the engine can do, asked once for each build of it.
     *
     * @return array{version: string, encoders: list<string>}|array{}
     */
    public function capabilities(): array
    {
        $path = self::locate((string) config('crate.engine.encoder'));
        if ($path === null) {
            return [];
        }

        return Cache::rememberForever('engine:'.$path.':'.filemtime($path), function () use ($path): array {
            preg_match('~^ffmpeg version (\S+)~', $this->listen([$path, '-version']), $version);
            preg_match_all('~^ [VAS][A-Z.]{5} (\S+)~m', $this->listen([$path, '-hide_banner', '-encoders']), $encoders);

            return ['version' => $version[1] ?? 'unknown', 'encoders' => $encoders[1]];
        });
    }

    /**
     * Encoders in graphics chips that make a frame here. Being built in says nothing: each is tried, once a day.
     *
     * @return list<string>
     */
    public function hardware(): array
    {
        $built = array_values(array_intersect(HardwareArguments::all(), $this->capabilities()['encoders'] ?? []));
        $path = self::locate((string) config('crate.engine.encoder'));
        if ($built === [] || $path === null) {
            return [];
        }

        return Cache::remember('hardware:'.$path.':'.filemtime($path), now()->addDay(), fn (): array => array_values(array_filter($built, function (string $encoder) use ($path): bool {
            $process = $this->process([$path, '-v', 'quiet', '-nostdin', '-f', 'lavfi', '-i', 'color=black:s=256x256:r=25:d=0.2', '-frames:v', '2', '-c:v', $encoder, '-f', 'null', '-'], null, 10);
            try {
                $this->run($process, fn () => null);
            } catch (EngineFailed|ProcessSignaledException) {
                // A driver that is half there can bring the whole program down.
                return false;
            }

            return $process->getExitCode() === 0;
        })));
    }

    /** @return list<string> */
    private function guarded(): array
    {
        return ['-protocol_whitelist', 'file', '-format_whitelist', self::FORMATS];
    }

    /** Full path of a program, given by name or by path; null when it is not there. */
    private static function locate(string $name): ?string
    {
        return str_contains($name, '/') ? (is_file($name) && is_executable($name) ? $name : null) : (new ExecutableFinder)->find($name);
    }

    /** @return list<string> the program with what lowers its priority and ties it to this process */
    private function program(string $which, Limits $limits): array
    {
        $name = (string) config("crate.engine.{$which}");
        $path = self::locate($name) ?? throw EngineFailed::missing($name);

        return ['setpriv', '--pdeathsig', 'KILL', 'setsid', ...$limits->command(), $path];
    }

    /**
     * Standard output of a short command. A failing exit status is not an error here: the caller judges what came out.
     *
     * @param  list<string>  $command
     */
    private function listen(array $command): string
    {
        $process = $this->process($command, null, Limits::forLooks()->seconds);
        $output = '';
        $this->run($process, function (string $type, string $data) use (&$output, $process): void {
            if ($type === Process::OUT && strlen($output .= $data) > 64_000_000) {
                $process->stop(0);
            }
        });

        return $output;
    }

    /** @param  list<string>  $command */
    private function process(array $command, ?string $folder, int $seconds): Process
    {
        return new Process($command, $folder, ['LC_ALL' => 'C.UTF-8', 'AV_LOG_FORCE_NOCOLOR' => '1'], null, $seconds);
    }

    private function run(Process $process, Closure $take): void
    {
        $group = 0;
        try {
            $this->start($process, $take);
            $group = (int) $process->getPid();
            $process->wait();
        } catch (ProcessTimedOutException) {
            throw new EngineFailed('The file took too long to read and was left alone. It may be damaged.');
        } finally {
            $this->end($process, $group);
        }
    }

    private function start(Process $process, ?Closure $take = null): void
    {
        try {
            $process->start($take);
        } catch (ProcessStartFailedException $e) {
            throw EngineFailed::missing($e->getProcess()->getCommandLine());
        }
    }

    /** Ends the engine and whatever it started: all of its session. */
    private function end(Process $process, int $group): void
    {
        if ($process->isRunning()) {
            if ($group > 0) {
                posix_kill(-$group, SIGKILL);
            }
            $process->stop(0);
        }
    }
}
