<?php

declare(strict_types=1);

namespace OuterCrate\Encoding\Commands;

use OuterCrate\Reading\Quantisers;

/**
 * Several passes over the same frames of a cut in one run of the engine, which decodes them once. It works in a folder that holds a
 * folder for each of them: what a pass leaves beside its file lies in its own, but for what the engine tells of all in one file.
 */
final readonly class SharedCommand
{
    public Command $command;

    /** Where the engine tells of the frames of all, within the working folder. */
    public string $told;

    /**
     * What the engine calls the statistics of each, by its folder: the place of its picture among all streams that are made.
     *
     * @var array<string, int>
     */
    public array $numbers;

    /**
     * Which output of the engine is the file of each, by its folder: so it is called where frames are told of.
     *
     * @var array<string, int>
     */
    public array $files;

    /**
     * Folders of those that leave the same beside their file as another, by whose folder it is found.
     *
     * @var array<string, string>
     */
    public array $alike;

    /** @param  non-empty-list<SharedPass>  $passes  of the same input options */
    public function __construct(array $passes, string $cut)
    {
        $this->told = $passes[0]->folder.'/'.Quantisers::FILE.'-of-all';
        $arguments = $leaves = $numbers = $files = $alike = [];
        $streams = $outputs = 0;
        foreach ($passes as $place => $pass) {
            $same = array_search($pass->pass->beside, $leaves, true);
            $leaves[$pass->folder] = $pass->pass->beside;
            is_string($same) ? $alike[$pass->folder] = $same : null;
            $own = $pass->outputs($place, $same === false);
            $numbers[$pass->folder] = $streams;
            $files[$pass->folder] = $outputs;
            $streams += count(array_keys($own, '-map', true));
            $outputs += count(array_keys($own, '-f', true));
            array_push($arguments, ...$own);
        }
        $isTold = array_filter($passes, static fn (SharedPass $pass): bool => $pass->isTold()) !== [];
        $this->command = Command::encode(Allowance::Run, [
            '-max_error_rate',
            '1',
            ...$isTold ? ['-vstats_file', $this->told] : [],
            ...Input::of($cut, $passes[0]->pass->input),
            ...$arguments,
        ]);
        [$this->numbers, $this->files, $this->alike] = [$numbers, $files, $alike];
    }
}
