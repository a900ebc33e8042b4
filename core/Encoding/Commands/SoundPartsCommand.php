<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use InvalidArgumentException;
use OuterCrate\Encoding\Passes\Excerpt;
use OuterCrate\Reading\Reading;
use OuterCrate\Units\FrameRange;

/** Takes parts of a cut's first sound into one file, without loss. */
final class SoundPartsCommand
{
    /**
     * @param  non-empty-list<FrameRange>  $parts  in the order of the cut
     *
     * @throws InvalidArgumentException when there is no sound
     */
    public static function of(Reading $reading, string $cut, array $parts, string $output): Command
    {
        $audio = $reading->mainAudio() ?? throw new InvalidArgumentException('There is no sound to take parts of.');
        $inputs = $chains = [];
        $joined = '';
        foreach ($parts as $i => $part) {
            $excerpt = new Excerpt($reading, $part);
            array_push($inputs, ...Input::of($cut, $excerpt->input()));
            $chains[] = "[{$i}:{$audio->index}]".implode(',', $excerpt->sound())."[a{$i}]";
            $joined .= "[a{$i}]";
        }
        $chains[] = "{$joined}concat=n=".count($parts).':v=0:a=1[sound]';

        return Command::encode(Allowance::Run, [
            ...$inputs,
            ...['-filter_complex', implode(';', $chains), '-map', '[sound]', '-c:a', 'pcm_s24le'],
            ...['-map_metadata', '-1', '-f', 'matroska', 'file:'.$output],
        ]);
    }
}
