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
        'plain' => [
            'plain.mp4',
            [
                '320x180', '25', '2', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac', '-movflags',
                '+faststart',
            ],
        ],
        // Twelve frames, for what a codec or a container does with any of them.
        'few' => [
            'few.mp4',
            [
                '320x180', '25', '0.48', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac', '-movflags',
                '+faststart',
            ],
        ],
        'ten-bit' => [
            'ten-bit.mov',
            ['320x180', '25', '2', '-c:v', 'prores_ks', '-profile:v', '3', '-pix_fmt', 'yuv422p10le', '-c:a', 'pcm_s24le'],
        ],
        'hd-high-rate' => [
            'hd-high-rate.mp4',
            ['1280x720', '60000/1001', '0.5', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac'],
        ],
        'slow' => ['slow.mp4', ['1280x720', '15', '1', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac']],
        'upright' => [
            'upright.mov',
            ['180x320', '30', '1', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac'],
        ],
        'tape' => [
            'tape.mpg',
            [
                '720x480', '30000/1001', '1', '-vf', 'setfield=tff,setsar=8/9', '-c:v', 'mpeg2video', '-b:v', '4M', '-flags',
                '+ildct+ilme', '-top', '1', '-pix_fmt', 'yuv420p', '-c:a', 'mp2', '-f', 'mpeg',
            ],
        ],
        'silent' => ['silent.mp4', ['320x180', '25', '1', '-an', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p']],
        'uneven' => [
            'uneven.mkv',
            [
                '320x180', '60', '3', '-vf', "select='not(mod(n,2))+lt(mod(t,1),0.4)*not(mod(n,3))'", '-fps_mode', 'vfr', '-c:v',
                'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac',
            ],
        ],
        'hdr' => [
            'hdr.mp4',
            [
                '320x180', '24', '1', '-vf',
                'format=yuv420p10le,setparams=color_primaries=bt2020:color_trc=smpte2084:colorspace=bt2020nc', '-c:v', 'libx265',
                '-preset', 'ultrafast', '-x265-params', 'log-level=none:colorprim=bt2020:transfer=smpte2084:colormatrix=bt2020nc',
                '-tag:v', 'hvc1', '-c:a', 'aac',
            ],
        ],
        'bottom-first' => [
            'bottom-first.mpg',
            [
                '320x192', '25', '1', '-vf', 'setfield=bff', '-c:v', 'mpeg2video', '-b:v', '2M', '-flags', '+ildct+ilme', '-top',
                '0', '-pix_fmt', 'yuv420p', '-an', '-f', 'mpeg',
            ],
        ],
        'squeezed' => [
            'squeezed.mp4',
            ['240x180', '25', '1', '-vf', 'setsar=4/3', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-an'],
        ],
        'hdr10' => [
            'hdr10.mp4',
            [
                '320x180', '24', '1', '-vf',
                'format=yuv420p10le,setparams=color_primaries=bt2020:color_trc=smpte2084:colorspace=bt2020nc', '-c:v', 'libx265',
                '-preset', 'ultrafast', '-x265-params',
                'log-level=none:hdr10=1:master-display=G(13250,34500)B(7500,3000)R(34000,16000)WP(15635,16450)L(10000000,1):'
                    .'max-cll=1000,400:colorprim=9:transfer=16:colormatrix=9',
                '-tag:v',
                'hvc1',
                '-an',
            ],
        ],
        'see-through' => [
            'see-through.mov',
            [
                '320x180', '25', '0.4', '-vf', 'format=yuva444p10le', '-c:v', 'prores_ks', '-profile:v', '4', '-alpha_bits', '16',
                '-pix_fmt', 'yuva444p10le', '-an',
            ],
        ],
        'surround' => [
            'surround.mkv',
            [
                '320x180', '25', '1', '-af', 'pan=5.1|FL=c0|FR=c0|FC=c0|LFE=c0|BL=c0|BR=c0', '-c:v', 'libx264', '-preset',
                'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'flac', '-metadata:s:a:0', 'language=fra',
            ],
        ],
        'timecode' => [
            'timecode.mov',
            [
                '320x180', '30000/1001', '1', '-timecode', '00:59:59;28', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt',
                'yuv420p', '-c:a', 'aac',
            ],
        ],
        'open-gop' => [
            'open-gop.mp4',
            [
                '320x180', '25', '2', '-c:v', 'libx264', '-x264-params',
                'keyint=12:min-keyint=12:scenecut=0:open-gop=1:bframes=2:b-adapt=0:b-pyramid=none:ref=3', '-pix_fmt', 'yuv420p',
                '-an',
            ],
        ],
        'closed-gop' => [
            'closed-gop.mkv',
            [
                '320x180', '25', '2', '-c:v', 'libx264', '-x264-params',
                'keyint=10:min-keyint=10:scenecut=0:open-gop=0:bframes=3:b-adapt=0:b-pyramid=strict:ref=5', '-pix_fmt', 'yuv420p',
                '-an',
            ],
        ],
        'long' => [
            'long.mp4',
            [
                '320x180', '25', '8', '-c:v', 'libx264', '-preset', 'ultrafast', '-pix_fmt', 'yuv420p', '-c:a', 'aac', '-movflags',
                '+faststart',
            ],
        ],
    ];

    /**
     * Clips drawn from sources of their own, for what an analysis is to find. @var array<string, array{string, string}> file
     * name and arguments
     */
    private const DRAWN = [
        // Four seconds of film, a second of black silence, a second of stray footage.
        'leftover' => [
            'leftover.mp4',
            '-f lavfi -i testsrc2=s=320x180:r=25:d=4 -f lavfi -i color=black:s=320x180:r=25:d=1 -f lavfi -i '
                .'testsrc2=s=320x180:r=25:d=1 -f lavfi -i sine=f=330:r=48000:d=4 -f lavfi -i anullsrc=r=48000:cl=mono:d=1 -f lavfi -i '
                .'sine=f=500:r=48000:d=1 -filter_complex [0:v][3:a][1:v][4:a][2:v][5:a]concat=n=3:v=1:a=1[v][a] -map [v] -map [a] -c:v '
                .'libx264 -crf 20 -g 30 -bf 2 -pix_fmt yuv420p -c:a aac',
        ],
        'standing' => [
            'standing.mp4',
            '-f lavfi -i testsrc2=s=320x180:r=25:d=1.6 -f lavfi -i mandelbrot=s=320x180:r=25:end_scale=0.05 -filter_complex '
                .'[1:v]trim=end_frame=1,loop=loop=49:size=1,setpts=N/25/TB[s];[0:v]split[a][b];[a][s][b]concat=n=3[v] -map [v] -c:v '
                .'libx264 -crf 22 -pix_fmt yuv420p',
        ],
        'boxed' => ['boxed.mp4', '-f lavfi -i testsrc2=s=320x140:r=25:d=2 -vf pad=320:180:0:20 -c:v libx264 -crf 20 -pix_fmt yuv420p'],
        'busier' => [
            'busier.mp4',
            '-f lavfi -i mandelbrot=s=128x72:r=25:end_scale=0.0005:end_pts=2000:maxiter=400 -t 80 -c:v libx264 -preset veryfast '
                .'-crf 14 -pix_fmt yuv420p',
        ],
        // Drawn, still, noisy and moving by turns: what rate control finds hard.
        'mixed' => [
            'mixed-8.mp4',
            '-f lavfi -i testsrc2=s=192x108:r=25:d=2 -f lavfi -i smptehdbars=s=192x108:r=25:d=2 '
                .'-f lavfi -i color=gray:s=192x108:r=25:d=1.6,noise=alls=25:allf=t '
                .'-f lavfi -i mandelbrot=s=192x108:r=25:end_scale=0.05:maxiter=300 '
                .'-filter_complex [3]trim=end=2.4[moving];[0][1][2][moving]concat=n=4,format=yuv420p -c:v libx264 -preset veryfast -crf 14',
        ],
        'odd' => ['odd.mkv', '-f lavfi -i testsrc2=s=322x182:r=25:d=0.4 -vf format=yuv444p,crop=161:91:0:0:exact=1 -c:v ffv1'],
        'doubled' => ['doubled.mp4', '-f lavfi -i testsrc2=s=320x180:r=15:d=4 -vf fps=30 -c:v libx264 -crf 20 -pix_fmt yuv420p'],
        'telecined' => [
            'telecined.mp4',
            '-f lavfi -i mandelbrot=s=320x180:r=24000/1001:end_scale=0.02:maxiter=300 -t 4 -vf telecine=pattern=23,setfield=tff '
                .'-flags +ildct+ilme -c:v mpeg2video -q:v 3 -pix_fmt yuv420p',
        ],
        'fields-top' => [
            'fields-top.mp4',
            '-f lavfi -i testsrc2=s=320x180:r=50:d=3 -vf tinterlace=mode=interleave_top,setfield=prog -c:v libx264 -crf 16 '
                .'-pix_fmt yuv420p',
        ],
        'fields-bottom' => [
            'fields-bottom.mp4',
            '-f lavfi -i testsrc2=s=320x180:r=50:d=3 -vf tinterlace=mode=interleave_bottom,setfield=prog -c:v libx264 -crf 16 '
                .'-pix_fmt yuv420p',
        ],
        'gradient' => [
            'gradient.mkv',
            '-f lavfi -i gradients=s=320x180:r=25:d=2:c0=0x101010:c1=0x282828:x0=0:y0=0:x1=319:y1=179:n=2:speed=0.01 -c:v ffv1 '
                .'-pix_fmt yuv420p',
        ],
        'grain' => ['grain.mkv', '-f lavfi -i color=gray:s=320x180:r=25:d=2,noise=alls=20:allf=t -c:v ffv1 -pix_fmt yuv420p'],
        // One sixteenth of the picture at 1003 cd/m² (code 723), the rest black.
        'pq-patch' => [
            'pq-patch.mp4',
            '-f lavfi -i '
                ."color=black:s=320x180:r=25:d=1.2,format=yuv420p10le,geq=lum='if(lt(X\\,80)*lt(Y\\,45)\\,723\\,64)':cb=512:"
                    .'cr=512,setparams=color_primaries=bt2020:color_trc=smpte2084:colorspace=bt2020nc:range=tv -c:v libx265 '
                        .'-preset ultrafast -x265-params '
                        .'log-level=none:lossless=1:colorprim=bt2020:transfer=smpte2084:colormatrix=bt2020nc -tag:v hvc1',
        ],
        // A quiet tone with a loud click each half second.
        'peaky' => [
            'peaky.mkv',
            '-f lavfi -i testsrc2=s=160x90:r=25:d=6 -f lavfi -i '
                .'aevalsrc=exprs=0.02*sin(2*PI*500*t)+0.9*exp(-900*mod(t\\,0.5))*cos(2*PI*3000*t):s=48000:d=6 '
                .'-c:v libx264 -preset ultrafast -pix_fmt yuv420p -c:a pcm_s24le',
        ],
        // The same in all six channels, near full scale.
        'correlated' => [
            'correlated.mkv',
            '-f lavfi -i testsrc2=s=160x90:r=25:d=4 -f lavfi -i aevalsrc=exprs=0.9*sin(2*PI*440*t):s=48000:d=4 '
                .'-af pan=5.1|FL=c0|FR=c0|FC=c0|LFE=c0|BL=c0|BR=c0 -c:v libx264 -preset ultrafast -pix_fmt yuv420p -c:a flac',
        ],
        'tone' => [
            'tone.mkv',
            '-f lavfi -i testsrc2=s=320x180:r=25:d=8 -f lavfi -i '
                .'aevalsrc=exprs=0.1*sin(2*PI*1000*t)|0.1*sin(2*PI*1000*t):s=48000:d=8 -c:v libx264 -preset ultrafast -pix_fmt yuv420p '
                .'-c:a pcm_s24le',
        ],
        // Frame n shows n in binary: eight bars, black or white.
        'numbered' => [
            'numbered.mp4',
            '-f lavfi -i '.Bars::BLANK.':r=30000/1001:d=5,'.Bars::DRAWN.' -f '
                .'lavfi -i sine=f=330:r=48000:d=5 -c:v libx264 -crf 18 -g 48 -bf 3 -pix_fmt yuv420p -color_range tv -c:a aac -timecode '
                .'00:59:58;00',
        ],
        'numbered-open' => [
            'numbered-open.mkv',
            '-f lavfi -i '.Bars::BLANK.':r=24:d=4,'.Bars::DRAWN.' -c:v libx264 '
                .'-crf 18 -x264-params keyint=20:open-gop=1:bframes=3:scenecut=0 -pix_fmt yuv420p',
        ],
        // Of 120 frames at 30 fps some never came; the number is that of the moment.
        'numbered-uneven' => [
            'numbered-uneven.mkv',
            '-f lavfi -i '.Bars::BLANK.':r=30:d=4,'.Bars::DRAWN.' -vf '
                .'select=not(eq(mod(n\\,7)\\,3))*not(eq(mod(n\\,11)\\,5))*not(between(n\\,40\\,47)) -fps_mode vfr -c:v libx264 -crf 18 '
                .'-g 30 -bf 2 -pix_fmt yuv420p',
        ],
        'numbered-stream' => [
            'numbered-stream.mpg',
            '-f lavfi -i '.Bars::BLANK.':r=25:d=4,'.Bars::DRAWN.' -f lavfi -i '
                .'sine=f=330:r=48000:d=4 -c:v mpeg2video -q:v 3 -g 15 -bf 2 -pix_fmt yuv420p -c:a mp2 -f mpeg',
        ],
    ];

    public static function make(string $kind): string
    {
        if ($kind === 'turned') {
            return self::turned();
        }
        if (isset(self::DRAWN[$kind])) {
            [$name, $arguments] = self::DRAWN[$kind];
            $path = self::folder()."/{$name}";
            is_file($path) ||
                self::run(array_map(fn (string $part): string => str_replace(["'"], '', $part), explode(' ', $arguments)), $path);

            return $path;
        }
        [$name, $arguments] = self::KINDS[$kind];
        $path = self::folder()."/{$name}";
        if (! is_file($path)) {
            [$size, $rate, $seconds] = array_splice($arguments, 0, 3);
            self::run(
                [
                    '-f', 'lavfi', '-i',
                    sprintf(self::MOVING, $size, $rate, $seconds),
                    '-f',
                    'lavfi',
                    '-i',
                    "sine=f=330:r=48000:d={$seconds}",
                    ...$arguments,
                ],
                $path,
            );
        }

        return $path;
    }

    public static function folder(): string
    {
        $folder = sys_get_temp_dir().'/outer-crate-clips-'.md5_file(__FILE__);
        is_dir($folder) || mkdir($folder, 0o777, true);

        return $folder;
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
    public static function run(array $arguments, string $path): void
    {
        $making = dirname($path).'/.making-'.getmypid().'-'.basename($path);
        $process = new Process(['ffmpeg', '-v', 'error', '-nostdin', '-y', ...$arguments, $making]);
        if ($process->run() !== 0) {
            throw new RuntimeException($process->getErrorOutput());
        }
        // Whoever made the same clip meanwhile was first: a file that others have read already stays as it is.
        @link($making, $path);
        unlink($making);
    }
}
