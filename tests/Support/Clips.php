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
        'bottom-first' => ['bottom-first.mpg', ['320x192', '25', '1', '-vf', 'setfield=bff', '-c:v', 'mpeg2video', '-b:v', '2M', '-flags', '+ildct+ilme', '-top', '0', '-pix_fmt', 'yuv420p', '-an', '-f', 'mpeg']],
        'squeezed' => ['squeezed.mp4', ['240x180', '25', '1', '-vf', 'setsar=4/3', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-an']],
        'hdr10' => ['hdr10.mp4', ['320x180', '24', '1', '-vf', 'format=yuv420p10le,setparams=color_primaries=bt2020:color_trc=smpte2084:colorspace=bt2020nc', '-c:v', 'libx265', '-preset', 'ultrafast', '-x265-params', 'log-level=none:hdr10=1:master-display=G(13250,34500)B(7500,3000)R(34000,16000)WP(15635,16450)L(10000000,1):max-cll=1000,400:colorprim=9:transfer=16:colormatrix=9', '-tag:v', 'hvc1', '-an']],
        'see-through' => ['see-through.mov', ['320x180', '25', '0.4', '-vf', 'format=yuva444p10le', '-c:v', 'prores_ks', '-profile:v', '4', '-alpha_bits', '16', '-pix_fmt', 'yuva444p10le', '-an']],
        'surround' => ['surround.mkv', ['320x180', '25', '1', '-af', 'pan=5.1|FL=c0|FR=c0|FC=c0|LFE=c0|BL=c0|BR=c0', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'flac', '-metadata:s:a:0', 'language=fra']],
        'timecode' => ['timecode.mov', ['320x180', '30000/1001', '1', '-timecode', '00:59:59;28', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac']],
        'open-gop' => ['open-gop.mp4', ['320x180', '25', '2', '-c:v', 'libx264', '-x264-params', 'keyint=12:min-keyint=12:scenecut=0:open-gop=1:bframes=2:b-adapt=0:b-pyramid=none:ref=3', '-pix_fmt', 'yuv420p', '-an']],
        'closed-gop' => ['closed-gop.mkv', ['320x180', '25', '2', '-c:v', 'libx264', '-x264-params', 'keyint=10:min-keyint=10:scenecut=0:open-gop=0:bframes=3:b-adapt=0:b-pyramid=strict:ref=5', '-pix_fmt', 'yuv420p', '-an']],
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
