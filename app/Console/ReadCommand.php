<?php

namespace App\Console;

use App\Media\CutReader;

class ReadCommand extends CrateCommand
{
    protected $signature = 'read {file : The media file} {--json : Print resources/schema/reading.json}';

    protected $description = 'Say what a media file is';

    public function __construct(private readonly CutReader $reader)
    {
        parent::__construct();
    }

    protected function perform(): int
    {
        $reading = $this->reader->read($this->file())['reading']->toArray();
        if ($this->option('json')) {
            $this->json($reading);

            return self::SUCCESS;
        }
        $this->line("Box     {$reading['containerName']} · {$reading['durationLabel']} · {$reading['bytesLabel']}");
        foreach ($reading['video'] as $video) {
            $variable = $video['variableRate'] ? ' variable' : '';
            $this->line("Picture {$video['label']} · {$video['width']}×{$video['height']} ({$video['displayAspect']}) · {$video['frameRateLabel']}{$variable} fps · {$video['scan']} · {$video['colour']['label']} {$video['bitDepth']}-bit {$video['chroma']}");
        }
        foreach ($reading['audio'] as $audio) {
            $this->line("Sound   {$audio['label']} · {$audio['channels']} ch");
        }

        return self::SUCCESS;
    }
}
