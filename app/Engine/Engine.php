<?php

namespace App\Engine;

use Closure;
use Illuminate\Support\Facades\Cache;
use OuterCrate\Encoding\ProgressReader;
use Symfony\Component\Process\Exception\ProcessStartFailedException;
use Symfony\Component\Process\ExecutableFinder;
use Symfony\Component\Process\Process;

/**
 * The only place that starts processes. Arguments are lists, never a shell; the engine reads local files and no playlists, has
 * no standard input, runs at a low priority in a session of its own, and dies with this process.
 */
class Engine
{
    /** Demuxers that may open a cut. None of them follows a reference to another file. */
    private const FORMATS = 'mov,mp4,matroska,webm,avi,mxf,mxf_opatom,mpeg,mpegts,mpegvideo,h264,hevc,ivf,ogg,flv,asf,wav,w64,aiff,mp3,aac,flac,dv,gxf,yuv4mpegpipe,nut,rm,wtv,3gp';

    /**
     * The prober's JSON for a file: streams, format, chapters, its first packets, and under `first_frame` what the first frame says.
     *
     * @return array<mixed> empty when the prober could make nothing of the file
     *
     * @throws EngineFailed when the prober is missing or takes too long
     */
    public function probe(string $path): array
    {
        $output = $this->listen([
            ...$this->program('prober'), '-v', 'error', ...$this->guarded(),
            '-show_entries', 'stream:stream_tags:stream_disposition:stream_side_data:format:format_tags:chapter:chapter_tags:packet=stream_index,pts_time,flags',
            '-show_data', '-read_intervals', '%+#400',
            '-of', 'json=compact=1', '-i', 'file:'.$path,
        ]);
        $decoded = json_decode($output, true, 64, JSON_INVALID_UTF8_SUBSTITUTE);

        return is_array($decoded) && isset($decoded['streams']) ? $decoded + ['first_frame' => $this->firstFrame($path)] : [];
    }

    /**
     * What the decoder says of the first frame: fields, and the metadata that travels in the stream.
     *
     * @return array<mixed>
     */
    private function firstFrame(string $path): array
    {
        $output = $this->listen([
            ...$this->program('prober'), '-v', 'quiet', ...$this->guarded(), '-select_streams', 'V:0',
            '-show_entries', 'frame=stream_index,interlaced_frame,top_field_first:frame_side_data', '-read_intervals', '%+#1',
            '-of', 'json=compact=1', '-i', 'file:'.$path,
        ]);
        $decoded = json_decode($output, true, 64, JSON_INVALID_UTF8_SUBSTITUTE);

        return is_array($decoded) ? $decoded['frames'][0] ?? [] : [];
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
            ...$this->program('prober'), '-v', 'error', ...$this->guarded(),
            '-show_entries', 'packet=stream_index,pts_time,dts_time,size,flags', '-of', 'csv=p=0', '-i', 'file:'.$path,
        ], null, (int) config('crate.engine.time_limit'));
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
     * @param  list<string>  $arguments  output options
     * @param  string|null  $output  absolute path, or null for a pass that writes no file
     * @param  string  $workingFolder  where statistics of a first pass lie
     * @param  Closure(\OuterCrate\Encoding\Progress): void  $onProgress
     * @param  Closure(): bool  $shouldStop  asked several times a second
     *
     * @throws EngineFailed
     * @throws Stopped
     */
    public function encode(string $input, array $arguments, ?string $output, string $workingFolder, Closure $onProgress, Closure $shouldStop): void
    {
        $process = $this->process([
            ...$this->program('encoder'), '-hide_banner', '-nostdin', '-v', 'error', '-y', '-progress', 'pipe:1', '-stats_period', '0.25',
            ...$this->guarded(), '-i', 'file:'.$input,
            ...$arguments, $output === null ? '-' : 'file:'.$output,
        ], $workingFolder, (int) config('crate.engine.time_limit'));
        $reader = new ProgressReader;
        $errors = '';
        $this->start($process);
        $group = (int) $process->getPid();
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
                usleep(40_000);
            }
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

    /**
     * Writes one frame as a JPEG, fitted into 640×640.
     *
     * @throws EngineFailed
     */
    public function poster(string $path, int $stream, float $seconds, string $output): void
    {
        $this->listen([
            ...$this->program('encoder'), '-hide_banner', '-nostdin', '-v', 'error', '-y', ...$this->guarded(),
            '-ss', number_format($seconds, 3, '.', ''), '-i', 'file:'.$path, '-map', "0:{$stream}", '-frames:v', '1',
            '-vf', 'scale=iw*sar:ih,scale=w=640:h=640:force_original_aspect_ratio=decrease:force_divisible_by=2:out_range=pc:flags=lanczos,setsar=1,format=yuvj420p',
            '-q:v', '3', '-f', 'mjpeg', 'file:'.$output,
        ]);
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
    private function program(string $which): array
    {
        $name = (string) config("crate.engine.{$which}");
        $path = self::locate($name) ?? throw EngineFailed::missing($name);

        return ['setpriv', '--pdeathsig', 'KILL', 'setsid', 'nice', '-n', (string) config('crate.engine.niceness'), $path];
    }

    /**
     * Standard output of a short command. A failing exit status is not an error here: the caller judges what came out.
     *
     * @param  list<string>  $command
     */
    private function listen(array $command): string
    {
        $process = $this->process($command, null, (int) config('crate.engine.probe_limit'));
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
        } catch (\Symfony\Component\Process\Exception\ProcessTimedOutException) {
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
