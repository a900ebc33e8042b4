<?php

namespace App\Checking;

use App\Desk\CutDesk;
use App\Desk\Surroundings;
use App\Engine\EngineFailed;
use App\Engine\Runner;
use App\Library\Presets;
use App\Media\CutReader;
use App\Media\FileProblem;
use App\Media\Scratch;
use OuterCrate\Encoding\Commands\Allowance;
use OuterCrate\Encoding\Commands\DecodeCommand;
use OuterCrate\Encoding\Commands\EncodeCommand;
use OuterCrate\Encoding\PassBuilder;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Clock;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\Unreadable;

/** Packs all of a file without loss and holds what came out against the file, both decoded from their start by nothing but the engine. */
class FileChecker
{
    /** Grey levels of 255 by which little pictures of one frame may lie apart: the scaler rounds, and another matrix moves a grey. */
    private const ALIKE = 3.0;

    /** Milliseconds by which sound may move against the picture: less than is heard. */
    private const IN_STEP = 5.0;

    public function __construct(
        private readonly CutReader $reader,
        private readonly Surroundings $surroundings,
        private readonly CutDesk $desk,
        private readonly Presets $presets,
        private readonly PassBuilder $passes,
        private readonly Runner $runner,
    ) {
    }

    /** @param  string  $preset  slug; one that keeps frame and rate */
    public function check(string $path, string $preset): CheckedFile
    {
        $name = basename($path);
        $scratch = Scratch::anywhere();
        try {
            $reading = $this->reader->read($path)['reading'];
            $output = ['preset' => $this->presets->need($preset)->slug, 'host' => null, 'edits' => []];
            $column = $this->desk->columnsOfFile($this->surroundings->ofFile($reading, $path), [$output])[0];
            if ($column->isStopped()) {
                return new CheckedFile($name, refused: 'Its plan is stopped.');
            }
            $made = "{$scratch->path}/made.{$column->plan->container->container->extension()}";
            foreach ($this->passes->passes($column->plan, $reading) as $pass) {
                $this->runner->encode(EncodeCommand::of($pass, $path, $pass->writes ? $made : null, Allowance::Run), $scratch->path);
            }

            return $this->compared($name, $path, $reading, $column->plan, $made);
        } catch (Unreadable|FileProblem|EngineFailed $e) {
            return new CheckedFile($name, refused: $e->getMessage());
        } finally {
            $scratch->remove();
        }
    }

    private function compared(string $name, string $path, Reading $reading, Plan $plan, string $file): CheckedFile
    {
        $video = $reading->mainVideo();
        $made = $this->reader->read($file)['reading'];
        $picture = $made->mainVideo();
        $before = $this->pictures($path, $video->index ?? 0);
        $after = $this->pictures($file, $picture->index ?? 0);
        $lag = $this->lag($path, $reading, $file, $made);
        $apart = fn (int|string|null $first, int|string|null $second): float => $this->apart($before[$first] ?? '', $after[$second] ?? '');
        $differs = [
            'frames can be decoded, not those counted' => $video !== null && count($before) !== $video->frames,
            'frames came out, not those planned' => count($after) !== $plan->frames,
            'the rate is another' => $picture?->frameRate->equals($plan->frameRate->rate) !== true,
            'the first picture is another' => $apart(array_key_first($before), array_key_first($after)) > self::ALIKE,
            'the last picture is another' => $apart(array_key_last($before), array_key_last($after)) > self::ALIKE,
            'the length is another' => $picture?->length !== $plan->frames,
            'the sound is out of step' => $lag !== null && abs($lag) > self::IN_STEP,
        ];

        return new CheckedFile(
            name: $name,
            rate: $video === null ? null : $video->frameRate->label().($video->clock === Clock::Told ? '' : " {$video->clock->value}"),
            decoded: count($before),
            planned: $plan->frames,
            made: count($after),
            lag: $lag,
            differs: array_keys(array_filter($differs)),
        );
    }

    /** @return list<string> little grey pictures, in the order of showing */
    private function pictures(string $path, int $stream): array
    {
        $bytes = $this->runner->listen(DecodeCommand::pictures($path, $stream));

        return $bytes === '' ? [] : str_split($bytes, DecodeCommand::WIDTH * DecodeCommand::HEIGHT);
    }

    /** Mean distance of two little pictures in grey levels; 255 where one is not there. */
    private function apart(string $first, string $second): float
    {
        if ($first === '' || strlen($first) !== strlen($second)) {
            return 255.0;
        }
        $sum = 0;
        for ($i = 0, $count = strlen($first); $i < $count; $i++) {
            $sum += abs(ord($first[$i]) - ord($second[$i]));
        }

        return $sum / $count;
    }

    /** Milliseconds by which the sound comes later after the first picture than it did in the cut; null without sound. */
    private function lag(string $path, Reading $reading, string $file, Reading $made): ?float
    {
        [$cut, $packed] = [$reading->mainAudio(), $made->mainAudio()];
        if ($cut === null || $packed === null) {
            return null;
        }
        $before = Envelope::of($this->runner->listen(DecodeCommand::sound($path, $cut->index)), $reading->mainVideo()->starts ?? null);
        $after = Envelope::of($this->runner->listen(DecodeCommand::sound($file, $packed->index)), $made->mainVideo()->starts ?? null);

        return $before->lagOf($after);
    }
}
