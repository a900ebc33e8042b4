<?php

namespace App\Console;

use App\Checking\CheckedFile;
use App\Checking\FileChecker;
use App\Media\MediaFolders;

class CheckFilesCommand extends CrateCommand
{
    private const LOSSLESS = 'lossless-vault';

    protected $signature = 'check-files
        {folder : Its media files are checked, and those of the folders in it}
        {--preset='.self::LOSSLESS.' : What they are packed with; one that keeps frame, rate and sound}
        {--json : Print a list of what was found}';

    protected $description = 'Read, pack and compare every media file of a folder; exit status 1 when one differs';

    public function __construct(private readonly FileChecker $checker)
    {
        parent::__construct();
    }

    protected function perform(): int
    {
        $folder = $this->absolute((string) $this->argument('folder'));
        $files = MediaFolders::videosIn($folder);
        if ($files === []) {
            throw new WrongUse(is_dir($folder) ? "There is no media file in {$folder}." : "There is no folder {$folder}.");
        }
        $checked = [];
        $this->option('json') || $this->line(sprintf('%-40s %10s %8s %8s %8s %7s', '', 'rate', 'decoded', 'planned', 'made', 'sound'));
        foreach ($files as $path) {
            $checked[] = $file = $this->checker->check($path, (string) $this->option('preset'));
            $this->option('json') || $this->say($file);
        }
        $differing = count(array_filter($checked, fn (CheckedFile $file): bool => $file->differs !== []));
        $refused = count(array_filter($checked, fn (CheckedFile $file): bool => $file->refused !== null));
        if ($this->option('json')) {
            $this->json(array_map(fn (CheckedFile $file): array => $file->toArray(), $checked));
        } else {
            $this->line(count($checked)." files, {$differing} differ, {$refused} could not be packed");
        }

        return $differing === 0 ? self::SUCCESS : self::FAILURE;
    }

    private function say(CheckedFile $file): void
    {
        $name = mb_strimwidth(mb_scrub($file->name), 0, 40, '…');
        $this->line($file->refused !== null ? sprintf('%-40s not packed: %s', $name, $file->refused) : sprintf(
            '%-40s %10s %8d %8d %8d %7s  %s',
            $name,
            $file->rate,
            $file->decoded,
            $file->planned,
            $file->made,
            $file->lag === null ? '–' : "{$file->lag} ms",
            $file->differs === [] ? 'as it was' : 'DIFFERS: '.implode('; ', $file->differs),
        ));
    }
}
