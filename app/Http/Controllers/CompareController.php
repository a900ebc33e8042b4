<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\RequestRefused;
use App\Media\MediaFolders;
use App\Models\Run;
use App\Models\TransitTest;
use App\Transit\Comparison;
use App\Transit\Comparisons;
use App\Transit\Source;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Files of the same picture, side by side. */
class CompareController
{
    /** Files that are looked at beside each other at most. */
    private const MOST = 3;

    public function __construct(private readonly Comparisons $comparisons, private readonly MediaFolders $folders)
    {
    }

    #[Operation('comparison-view')]
    public function test(TransitTest $test): JsonResponse
    {
        return $this->told($this->comparisons->ofTest($test));
    }

    #[Operation('comparison-view')]
    public function run(Run $run): JsonResponse
    {
        return $this->told($this->comparisons->ofRun($run));
    }

    /** Files of the media folders: `file[]`, the first of which the others are laid over. */
    #[Operation('comparison-view', query: ['file'])]
    public function files(Request $request): JsonResponse
    {
        return $this->told($this->ofFiles($request));
    }

    #[Operation(media: 'image/png')]
    public function testPicture(TransitTest $test, string $source, int $frame): BinaryFileResponse
    {
        return $this->picture($this->comparisons->ofTest($test), $source, $frame);
    }

    #[Operation(media: 'image/png')]
    public function runPicture(Run $run, string $source, int $frame): BinaryFileResponse
    {
        return $this->picture($this->comparisons->ofRun($run), $source, $frame);
    }

    #[Operation(query: ['file'], media: 'image/png')]
    public function filesPicture(Request $request, string $source, int $frame): BinaryFileResponse
    {
        return $this->picture($this->ofFiles($request), $source, $frame);
    }

    #[Operation('fault-map')]
    public function testFaults(TransitTest $test, string $source, int $frame): JsonResponse
    {
        return $this->faults($this->comparisons->ofTest($test), $source, $frame);
    }

    #[Operation('fault-map')]
    public function runFaults(Run $run, string $source, int $frame): JsonResponse
    {
        return $this->faults($this->comparisons->ofRun($run), $source, $frame);
    }

    #[Operation('fault-map', query: ['file'])]
    public function filesFaults(Request $request, string $source, int $frame): JsonResponse
    {
        return $this->faults($this->ofFiles($request), $source, $frame);
    }

    private function ofFiles(Request $request): Comparison
    {
        $files = array_values(array_filter((array) $request->query('file'), fn (mixed $path): bool => is_string($path) && $path !== ''));
        if (count($files) < 2 || count($files) > self::MOST) {
            throw RequestRefused::notPossible('Two or three files are looked at beside each other.', 'Choose as many.');
        }

        return $this->comparisons->ofFiles(array_map($this->folders->resolve(...), $files));
    }

    private function told(?Comparison $comparison): JsonResponse
    {
        return response()->json($this->comparisons->told($this->found($comparison)));
    }

    private function faults(?Comparison $comparison, string $id, int $frame): JsonResponse
    {
        [$comparison, $source] = $this->place($comparison, $id, $frame);

        return response()->json($this->comparisons->faults($comparison, $source, $frame));
    }

    /** @return array{Comparison, Source} */
    private function place(?Comparison $comparison, string $id, int $frame): array
    {
        $comparison = $this->found($comparison);
        $source = $comparison->source($id);
        if ($source === null || $frame >= $comparison->frames()) {
            throw RequestRefused::notThere('There is no such picture to compare.', 'Choose one of the files and frames that are listed.');
        }

        return [$comparison, $source];
    }

    private function picture(?Comparison $comparison, string $id, int $frame): BinaryFileResponse
    {
        [$comparison, $source] = $this->place($comparison, $id, $frame);

        return response()->file($this->comparisons->picture($comparison, $source, $frame), [
            'Content-Type' => 'image/png',
            // The same file under the same name has another content only when it was made again.
            'Cache-Control' => 'private, max-age=3600',
        ]);
    }

    private function found(?Comparison $comparison): Comparison
    {
        return $comparison ?? throw RequestRefused::notThere('There is nothing to compare yet.', 'Wait until it is done.');
    }
}
