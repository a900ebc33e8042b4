<?php

namespace Tests\Support;

use RuntimeException;
use Symfony\Component\Process\Process;

/** Tiny clips, 320×180 and a second or two, made by the engine once and kept between runs. */
final class Clips
{
    private const MOVING = 'testsrc2=s=%s:r=%s:d=%s';

    /** @var array<string, array{string, list<string>}> file name and arguments */
    private const KINDS = [
        'plain' => ['plain.mp4', ['320x180', '25', '2', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac', '-movflags', '+faststart']],
        'ten-bit' => ['ten-bit.mov', ['320x180', '25', '2', '-c:v', 'prores_ks', '-profile:v', '3', '-pix_fmt', 'yuv422p10le', '-c:a', 'pcm_s24le']],
        'hd-high-rate' => ['hd-high-rate.mp4', ['1280x720', '60000/1001', '0.5', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac']],
        'slow' => ['slow.mp4', ['1280x720', '15', '1', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac']],
        'upright' => ['upright.mov', ['180x320', '30', '1', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac']],
        'tape' => ['tape.mpg', ['720x480', '30000/1001', '1', '-vf', 'setfield=tff,setsar=8/9', '-c:v', 'mpeg2video', '-b:v', '4M', '-flags', '+ildct+ilme', '-top', '1', '-pix_fmt', 'yuv420p', '-c:a', 'mp2', '-f', 'mpeg']],
        'silent' => ['silent.mp4', ['320x180', '25', '1', '-an', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p']],
        'uneven' => ['uneven.mkv', ['320x180', '60', '3', '-vf', "select='not(mod(n,2))+lt(mod(t,1),0.4)*not(mod(n,3))'", '-fps_mode', 'vfr', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac']],
        'hdr' => ['hdr.mp4', ['320x180', '24', '1', '-vf', 'format=yuv420p10le,setparams=color_primaries=bt2020:color_trc=smpte2084:colorspace=bt2020nc', '-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=none:colorprim=bt2020:transfer=smpte2084:colormatrix=bt2020nc', '-tag:v', 'hvc1', '-c:a', 'aac']],
        'long' => ['long.mp4', ['640x360', '25', '20', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac', '-movflags', '+faststart']],
    ];

    public static function make(string $kind): string
    {
        if ($kind === 'turned') {
            return self::turned();
        }
        [$name, $arguments] = self::KINDS[$kind];
        $folder = sys_get_temp_dir().'/outer-crate-clips-'.md5_file(__FILE__);
        is_dir($folder) || mkdir($folder, 0o777, true);
        $path = "{$folder}/{$name}";
        if (! is_file($path)) {
            [$size, $rate, $seconds] = array_splice($arguments, 0, 3);
            self::run([
                '-f', 'lavfi', '-i', sprintf(self::MOVING, $size, $rate, $seconds), '-f', 'lavfi', '-i', "sine=f=330:r=48000:d={$seconds}",
                ...$arguments,
            ], $path);
        }

        return $path;
    }

    /** A clip that asks its player to turn it; the engine writes that only while it copies. */
    private static function turned(): string
    {
        $plain = self::make('plain');
        $path = dirname($plain).'/turned.mp4';
        if (! is_file($path)) {
            self::run(['-i', $plain, '-c', 'copy', '-metadata:s:v:0', 'rotate=90'], $path);
        }

        return $path;
    }

    /** @param  list<string>  $arguments */
    private static function run(array $arguments, string $path): void
    {
        $making = dirname($path).'/.making-'.basename($path);
        $process = new Process(['ffmpeg', '-v', 'error', '-nostdin', '-y', ...$arguments, $making]);
        if ($process->run() !== 0) {
            throw new RuntimeException($process->getErrorOutput());
        }
        rename($making, $path);
    }
}
