<?php

namespace App\Console;

use App\Library\Hosts;
use App\Transit\StandIn;

class RecompressCommand extends CrateCommand
{
    protected $signature = 'recompress
        {file : The file that would be uploaded}
        {--host= : Whose recompression it goes through}
        {--into= : Folder for what comes back}
        {--json : Print the paths as JSON}';

    protected $description = 'Do to a file what a host does, as far as its ladder says, and keep every rendition';

    public function __construct(private readonly Hosts $hosts, private readonly StandIn $standIn)
    {
        parent::__construct();
    }

    protected function perform(): int
    {
        $slugs = implode(', ', array_keys($this->hosts->entries()));
        $host = $this->hosts->need($this->option('host') ?? throw new WrongUse("Say which host: --host=HOST. Hosts: {$slugs}."));
        $folder = $this->absolute($this->option('into') ?? throw new WrongUse('Say where to: --into=FOLDER.'));
        $made = $this->standIn->whole($this->file(), $host, $folder, fn (string $path) => $this->option('json') ?: $this->line($path));
        $this->option('json') && $this->json(['files' => $made]);

        return self::SUCCESS;
    }
}
