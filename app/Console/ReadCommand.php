<?php

namespace App\Console;

use App\Analysis\Analyser;
use App\Engine\EngineFailed;
use App\Engine\Stopped;
use App\Media\CutReader;
use App\Media\Scratch;
use App\Media\Workspace;
use OuterCrate\Analysis\Analysis;
use OuterCrate\Reading\Reading;

class ReadCommand extends CrateCommand
{
    protected $signature = 'read
        {file : The media file}
        {--analyse : Look at picture and sound too; takes part of the length of the cut}
        {--json : Print resources/schema/reading.json}';

    protected $description = 'Say what a media file is';

    public function __construct(private readonly CutReader $reader, private readonly Analyser $analyser)
    {
        parent::__construct();
    }

    protected function perform(): int
    {
        $read = $this->reader->read($this->file())['reading'];
        $reading = $read->toArray() + ($this->option('analyse') ? ['analysis' => $this->analysis($read)] : []);
        if ($this->option('json')) {
            $this->json($reading);

            return self::SUCCESS;
        }
        $this->line("Container {$reading['containerName']} · {$reading['durationLabel']} · {$reading['bytesLabel']}");
        foreach ($reading['video'] as $video) {
            $variable = $video['variableRate'] ? ' variable' : '';
            $this->line(
                "Video     {$video['label']} · {$video['width']}×{$video['height']} ({$video['displayAspect']}) · "
                    ."{$video['frameRateLabel']}{$variable} fps · {$video['scan']} · {$video['colour']['label']} "
                    ."{$video['bitDepth']}-bit {$video['chroma']}",
            );
        }
        foreach ($reading['audio'] as $audio) {
            $this->line("Audio     {$audio['label']} · {$audio['channels']} ch");
        }

        foreach ($reading['analysis']['inWords'] ?? [] as $found) {
            $this->line(sprintf('%-17s %s', $found['name'], $found['text']));
        }
        foreach (['black', 'still', 'silence', 'leftover'] as $kind) {
            foreach ($reading['analysis'][$kind] ?? [] as $span) {
                $this->line(sprintf('%-17s %s to %s', ucfirst($kind), $span['first'], $span['last']));
            }
        }
        if (isset($reading['analysis']['suggestedRange'])) {
            ['first' => $first, 'last' => $last, 'reason' => $reason] = $reading['analysis']['suggestedRange'];
            $this->line("Suggested range   {$first} to {$last} ({$reason})");
        }

        return self::SUCCESS;
    }

    /** @return array<string, mixed> */
    private function analysis(Reading $reading): array
    {
        $scratch = Scratch::anywhere();
        $ending = false;
        $this->trap([SIGINT, SIGTERM], function () use (&$ending): void {
            $ending = true;
        });
        try {
            $show = function (int $frames) use ($reading): void {
                stream_isatty(STDERR) && fwrite(STDERR, sprintf("\r\e[2Kanalysing · %d of %d frames", $frames, $reading->length()));
            };
            $facts = $this->analyser->measure($reading, $this->file(), new Workspace($scratch->path), false, $show, function () use (
                &$ending,
            ): bool {
                return $ending;
            });

            return Analysis::of($facts, $reading)->toArray();
        } catch (Stopped) {
            throw new EngineFailed('The analysis was stopped.', 'Read it again when the machine has time.');
        } finally {
            $scratch->remove();
            stream_isatty(STDERR) && fwrite(STDERR, "\r\e[2K");
        }
    }
}
