<?php

namespace App\Console;

use App\Analysis\CutAnalyses;
use App\Desk\Keeper;
use App\Media\CutFile;
use App\Models\Cut;
use App\Models\Run;
use App\Models\Work;
use App\Shelf\CutShelf;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

class DemoCommand extends Command
{
    protected $signature = 'crate:demo {folder : Where demo/make-media put the cuts} {--fresh : Empty the shelf and the queue first}';

    protected $description = 'Put the demo cuts on the shelf';

    public function handle(CutShelf $shelf, CutAnalyses $analyses, Keeper $keeper): int
    {
        $folder = realpath($this->argument('folder')) ?: $this->argument('folder');
        if ($this->option('fresh')) {
            DB::transaction(function () use ($shelf): void {
                Run::query()->delete();
                Cut::withTrashed()->get()->each($shelf->forget(...));
                Work::query()->delete();
            });
        }
        $brought = [];
        foreach (require base_path('demo/cuts.php') as $file => $cut) {
            $path = "{$folder}/{$file}";
            $known = Cut::withTrashed()->where('path', $path)->first();
            if ($known === null || ! CutFile::isHere($known)) {
                $new = $shelf->bringIn($path, $cut['name'], analyse: false);
                $brought[] = $new;
                if ($known === null) {
                    $outputs = array_map(fn (array $output): array => $keeper->keep($new, $output), $cut['outputs'] ?? $new->outputs);
                    $new->update(['outputs' => $outputs]);
                }
            }
        }

        // What stands at the top is looked at first.
        foreach (array_reverse($brought) as $cut) {
            $analyses->ask($cut, anew: true);
        }

        return self::SUCCESS;
    }
}
