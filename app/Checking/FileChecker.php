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
use OuterCrate\Measures\GreyPicture;
use OuterCrate\Planning\Cells\Audio\CompareAudio;
use OuterCrate\Planning\Plan;
use OuterCrate\Reading\Packets\Clock;
use OuterCrate\Reading\Reading;
use OuterCrate\Reading\Unreadable;
use OuterCrate\Slips\Envelope;
use OuterCrate\Units\Fraction;

/** Packs all of a file without loss and holds what came out against the file, both decoded from their start by nothing but the engine. */
class FileChecker
{
    /** Grey levels of 255 by which little pictures of one frame may lie apart: the scaler rounds, and another matrix moves a grey. */
    private const ALIKE = 3.0;

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
        $differs = [
            'frames can be decoded, not those counted' => $video !== null && $before['count'] !== $video->frames,
            'frames came out, not those planned' => $after['count'] !== $plan->frames,
            'the rate is another' => $picture?->frameRate->equals($plan->frameRate->rate) !== true,
            'the first picture is another' => $before['first']->distance($after['first']) > self::ALIKE,
            'the last picture is another' => $before['last']->distance($after['last']) > self::ALIKE,
            'the length is another' => $picture?->length !== $plan->frames,
            'the sound is out of step' => $lag !== null && abs($lag) > CompareAudio::IN_STEP,
        ];

        return new CheckedFile(
            name: $name,
            rate: $video === null ? null : $video->frameRate->label().($video->clock === Clock::Told ? '' : " {$video->clock->value}"),
            decoded: $before['count'],
            planned: $plan->frames,
            made: $after['count'],
            lag: $lag,
            differs: array_keys(array_filter($differs)),
        );
    }

    /** @return array{count: int, first: GreyPicture, last: GreyPicture} in the order of showing; empty pictures where there are none */
    private function pictures(string $path, int $stream): array
    {
        $count = 0;
        $first = $last = '';
        $bytes = DecodeCommand::WIDTH * DecodeCommand::HEIGHT;
        $this->runner->pieces(
            DecodeCommand::pictures($path, $stream),
            $bytes,
            function (string $picture) use (&$count, &$first, &$last): void {
                $first = $count++ === 0 ? $picture : $first;
                $last = $picture;
            },
        );

        return ['count' => $count, 'first' => new GreyPicture($first), 'last' => new GreyPicture($last)];
    }

    /** Milliseconds by which the sound comes later after the first picture than it did in the cut; null without sound. */
    private function lag(string $path, Reading $reading, string $file, Reading $made): ?float
    {
        [$cut, $packed] = [$reading->mainAudio(), $made->mainAudio()];
        if ($cut === null || $packed === null) {
            return null;
        }

        return $this->envelope($path, $reading, $cut->index)->lagOf($this->envelope($file, $made, $packed->index));
    }

    private function envelope(string $path, Reading $reading, int $stream): Envelope
    {
        $starts = $reading->mainVideo()->starts ?? new Fraction(0);
        $samples = $this->runner->listen(DecodeCommand::sound($path, $stream, $starts->toFloat()));

        return Envelope::of($samples, $starts);
    }
}
