<?php

namespace App\Media;

/** What a file in a media folder seems to be, by the ending of its name. Only videos can be brought in. */
enum FileKind: string
{
    case Video = 'video';
    case Project = 'project';
    case Sound = 'sound';
    case Picture = 'picture';
    case Captions = 'captions';
    case List = 'list';
    case Sidecar = 'sidecar';
    case Other = 'other';

    private const ENDINGS = [
        'video' => [
            'mov', 'mp4', 'm4v', 'mkv', 'webm', 'mxf', 'avi', 'mpg', 'mpeg', 'ts', 'm2ts', 'mts', 'vob', 'dv', 'wmv', 'flv', '3gp',
            'ogv', 'm2v', 'h264', '264', 'h265', '265', 'hevc',
        ],
        'project' => ['project', 'proj', 'prj', 'edl', 'aaf', 'otio', 'fcpxml'],
        'sound' => ['wav', 'aif', 'aiff', 'mp3', 'm4a', 'flac', 'ogg', 'opus', 'w64', 'aac', 'ac3'],
        'picture' => ['png', 'jpg', 'jpeg', 'tif', 'tiff', 'exr', 'dpx', 'webp', 'gif', 'bmp', 'heic'],
        'captions' => ['srt', 'vtt', 'scc', 'ttml', 'stl', 'ass', 'ssa', 'sub', 'idx'],
        'list' => ['m3u', 'm3u8', 'mpd', 'ffconcat', 'pls', 'xspf', 'cpl', 'smil'],
        'sidecar' => ['xml', 'xmp', 'json', 'txt', 'log', 'md', 'pdf', 'csv', 'sha256', 'md5', 'cube', 'bin', 'pek', 'cfa', 'thm'],
    ];

    public static function of(string $name): self
    {
        $ending = strtolower(pathinfo($name, PATHINFO_EXTENSION));
        foreach (self::ENDINGS as $kind => $endings) {
            if (in_array($ending, $endings, true)) {
                return self::from($kind);
            }
        }

        return self::Other;
    }

    public function label(): string
    {
        return match ($this) {
            self::Video => 'video',
            self::Project => 'project, not a video',
            self::Sound => 'sound only',
            self::Picture => 'a picture',
            self::Captions => 'captions',
            self::List => 'a list of other files',
            self::Sidecar => 'a sidecar file',
            self::Other => 'not a video',
        };
    }
}
