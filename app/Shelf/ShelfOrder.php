<?php

namespace App\Shelf;

/** The columns that the shelf can be sorted by. */
enum ShelfOrder: string
{
    case Name = 'name';
    case FrameSize = 'frameSize';
    case FrameRate = 'frameRate';
    case Video = 'video';
    case Colour = 'colour';
    case Audio = 'audio';
    case Duration = 'durationLabel';
    case Bytes = 'bytesLabel';

    /** Column in the table of cuts (App\Models\Cut::sortedBy). */
    public function column(): string
    {
        return match ($this) {
            // Starts with the lower-case name.
            self::Name => 'search',
            self::FrameSize => 'pixels',
            self::FrameRate => 'frame_rate',
            self::Video => 'video',
            self::Colour => 'colour',
            self::Audio => 'audio',
            self::Duration => 'seconds',
            self::Bytes => 'bytes',
        };
    }
}
