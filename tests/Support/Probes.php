<?php

namespace Tests\Support;

/** What the prober says of typical files, as saved output cut down to what is read. */
final class Probes
{
    public static function plain(array $video = [], array $audio = [[]], array $format = []): array
    {
        return [
            'streams' => [
                array_replace(
                    [
                        'index' => 0,
                        'codec_type' => 'video',
                        'codec_name' => 'h264',
                        'profile' => 'High',
                        'level' => 13,
                        'width' => 320,
                        'height' => 180,
                        'pix_fmt' => 'yuv420p',
                        'sample_aspect_ratio' => '1:1',
                        'field_order' => 'progressive',
                        'avg_frame_rate' => '25/1',
                        'r_frame_rate' => '25/1',
                        'duration' => '2.000000',
                        'nb_frames' => '50',
                        'bit_rate' => '800000',
                        'color_primaries' => 'bt709',
                        'color_transfer' => 'bt709',
                        'color_space' => 'bt709',
                        'color_range' => 'tv',
                    ],
                    $video,
                ),
                ...array_map(
                    fn (array $a, int $i): array => array_replace(
                        [
                            'index' => $i + 1,
                            'codec_type' => 'audio',
                            'codec_name' => 'aac',
                            'profile' => 'LC',
                            'sample_rate' => '48000',
                            'channels' => 2,
                            'channel_layout' => 'stereo',
                            'bit_rate' => '128000',
                        ],
                        $a,
                    ),
                    $audio,
                    array_keys($audio),
                ),
            ],
            'format' => array_replace(
                ['format_name' => 'mov,mp4,m4a,3gp,3g2,mj2', 'duration' => '2.000000', 'tags' => ['major_brand' => 'isom']],
                $format,
            ),
        ];
    }

    public static function mezzanine(): array
    {
        return self::plain(
            [
                'codec_name' => 'prores',
                'profile' => 'HQ',
                'level' => -99,
                'width' => 1280,
                'height' => 720,
                'pix_fmt' => 'yuv422p10le',
                'duration' => '12.520000',
                'nb_frames' => '313',
                'bit_rate' => '118000000',
            ],
            [['codec_name' => 'pcm_s24le', 'profile' => null, 'bits_per_raw_sample' => '24', 'bit_rate' => '2304000']],
            ['duration' => '12.520000', 'tags' => ['major_brand' => 'qt  ']],
        );
    }

    public static function tape(): array
    {
        return self::plain(
            [
                'codec_name' => 'mpeg2video',
                'profile' => 'Main',
                'width' => 720,
                'height' => 480,
                'sample_aspect_ratio' => '8:9',
                'field_order' => 'tt',
                'avg_frame_rate' => '30000/1001',
                'r_frame_rate' => '30000/1001',
                'duration' => '6.006000',
                'nb_frames' => null,
                'bit_rate' => null,
                'color_primaries' => 'smpte170m',
                'color_transfer' => 'smpte170m',
                'color_space' => 'smpte170m',
            ],
            [['codec_name' => 'mp2', 'bit_rate' => '256000']],
            ['format_name' => 'mpeg', 'duration' => '6.006000', 'tags' => []],
        );
    }

    public static function hdr(): array
    {
        return self::plain([
            'codec_name' => 'hevc',
            'profile' => 'Main 10',
            'width' => 1920,
            'height' => 1080,
            'pix_fmt' => 'yuv420p10le',
            'avg_frame_rate' => '24/1',
            'color_primaries' => 'bt2020',
            'color_transfer' => 'smpte2084',
            'color_space' => 'bt2020nc',
            'bit_rate' => '20000000',
            'side_data_list' => [
                [
                    'side_data_type' => 'Mastering display metadata',
                    'red_x' => '34000/50000',
                    'red_y' => '16000/50000',
                    'green_x' => '13250/50000',
                    'green_y' => '34500/50000',
                    'blue_x' => '7500/50000',
                    'blue_y' => '3000/50000',
                    'white_point_x' => '15635/50000',
                    'white_point_y' => '16450/50000',
                    'min_luminance' => '50/10000',
                    'max_luminance' => '10000000/10000',
                ],
            ],
        ]);
    }

    /** A probe with a field made senseless, another one for each seed. */
    public static function damaged(int $seed): array
    {
        $probe = self::plain();
        $senseless = [
            null, '', 'N/A', '-1', -1, 0, '0/0', '1/0',
            [],
            [[]],
            '99999999999999999999',
            1e300,
            true,
            "\xFF\xFE",
            str_repeat('9', 400),
        ];
        $keys = array_keys($probe['streams'][0]);
        $probe['streams'][$seed % 2][$keys[$seed % count($keys)]] = $senseless[intdiv($seed, 3) % count($senseless)];
        $probe['format'][['format_name', 'duration', 'tags'][$seed % 3]] = $senseless[intdiv($seed, 7) % count($senseless)];

        return $probe;
    }
}
