<?php

namespace App\Media;

use App\Engine\Engine;
use App\Engine\EngineFailed;
use App\Http\Resources\CutResource;
use App\Models\Cut;
use OuterCrate\Reading\Reading;

/** Brings files in as cuts. The file stays where it is and is only read. */
class CutShelf
{
    /** What a new cut's sheet begins with. */
    private const FIRST_OUTPUTS = [['preset' => 'archive-10-bit', 'host' => null], ['preset' => 'lanternwick-generous', 'host' => 'lanternwick']];

    public function __construct(private readonly CutReader $reader, private readonly Engine $engine)
    {
    }

    /**
     * @param  string  $path  absolute
     * @param  string|null  $name  the file's own name, made readable, when null
     *
     * @throws \OuterCrate\Reading\Unreadable
     * @throws FileProblem
     * @throws EngineFailed
     */
    public function bringIn(string $path, ?string $name = null): Cut
    {
        $path = realpath($path) ?: $path;
        ['reading' => $reading, 'probe' => $probe, 'fastStart' => $fastStart] = $this->reader->read($path);
        $cut = Cut::query()->firstOrNew(['path' => $path], [
            'name' => $name ?? self::readable($path),
            'outputs' => array_map(fn (array $output, int $i): array => ['key' => (string) ($i + 1), ...$output, 'edits' => []], self::FIRST_OUTPUTS, array_keys(self::FIRST_OUTPUTS)),
        ]);
        clearstatcache(true, $path);
        $described = $reading->toArray();
        $cut->fill([
            'bytes' => $reading->bytes,
            'modified' => (int) filemtime($path),
            'reading' => $described,
            'card' => CutResource::card($described),
            'probe' => ['probe' => $probe, 'fastStart' => $fastStart],
        ])->save();
        $this->drawPoster($cut, $reading);

        return $cut;
    }

    public function posterPath(Cut $cut): string
    {
        return config('crate.derived')."/posters/{$cut->id}.jpg";
    }

    /** A picture from a third of the way in. A cut without one is shown without one. */
    private function drawPoster(Cut $cut, Reading $reading): void
    {
        $poster = $this->posterPath($cut);
        try {
            OutputFile::needFolder(dirname($poster));
            $this->engine->poster($cut->path, $reading->mainVideo()->index ?? 0, $reading->duration->toFloat() / 3, $poster.'.partial');
            if (is_file($poster.'.partial')) {
                rename($poster.'.partial', $poster);
            }
        } catch (EngineFailed|FileProblem $e) {
            report($e);
        }
    }

    private static function readable(string $path): string
    {
        $name = pathinfo($path, PATHINFO_FILENAME);
        $words = trim((string) preg_replace('~[_\-\s]+~u', ' ', mb_scrub($name)));

        return mb_strtoupper(mb_substr($words, 0, 1)).mb_substr($words, 1) ?: 'Untitled';
    }
}
