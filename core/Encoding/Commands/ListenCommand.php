<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Reading\SoundLevel;

/** Decodes the first track of a finished file and measures how loud it is; SoundLevel reads what is left in the working folder. */
final class ListenCommand
{
    /** Loudness and true peak (ITU-R BS.1770-4) of all that passes, ten times a second. */
    public const METER = ['ebur128=peak=true:metadata=1:framelog=verbose', 'ametadata=mode=print:file='.SoundLevel::FILE];

    /** What containers that tell no layout leave open, and every player takes so many channels for. */
    private const LAYOUTS = [3 => '3.0', 4 => '4.0', 5 => '5.0', 6 => '5.1', 7 => '6.1', 8 => '7.1'];

    /** @param  int  $channels  of the track */
    public static function of(string $path, int $channels): Command
    {
        return Command::encode(Allowance::Run, [...Input::of($path), '-vn', ...self::metered($channels)]);
    }

    /**
     * The first track of the first file that is read, through the meter.
     *
     * @param  int  $channels  of the track
     * @return list<string> an output
     */
    public static function metered(int $channels): array
    {
        $layout = isset(self::LAYOUTS[$channels]) ? ['aformat=channel_layouts='.self::LAYOUTS[$channels]] : [];

        return ['-map', '0:a:0', '-af', implode(',', [...$layout, ...self::METER]), '-f', 'null', '-'];
    }
}
