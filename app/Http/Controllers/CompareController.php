<?php

namespace App\Http\Controllers;

use App\Http\RequestRefused;
use App\Models\Run;
use App\Models\TransitTest;
use App\Transit\Comparison;
use App\Transit\Comparisons;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Files of the same picture, side by side. */
class CompareController
{
    public function __construct(private readonly Comparisons $comparisons)
    {
    }

    public function test(TransitTest $test): JsonResponse
    {
        return response()->json($this->comparisons->told($this->found($this->comparisons->ofTest($test))));
    }

    public function run(Run $run): JsonResponse
    {
        return response()->json($this->comparisons->told($this->found($this->comparisons->ofRun($run))));
    }

    public function testPicture(TransitTest $test, string $source, int $frame): BinaryFileResponse
    {
        return $this->picture($this->found($this->comparisons->ofTest($test)), $source, $frame);
    }

    public function runPicture(Run $run, string $source, int $frame): BinaryFileResponse
    {
        return $this->picture($this->found($this->comparisons->ofRun($run)), $source, $frame);
    }

    private function picture(Comparison $comparison, string $id, int $frame): BinaryFileResponse
    {
        $source = $comparison->source($id);
        if ($source === null || $frame >= $comparison->frames()) {
            throw RequestRefused::notThere('There is no such picture to compare.', 'Choose one of the files and frames that are listed.');
        }

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
