<?php

declare(strict_types=1);

namespace OuterCrate\Encoding;

/** Reads the engine's `-progress` lines: key=value, each report closed by `progress=continue` or `progress=end`. */
final class ProgressReader
{
    private string $rest = '';

    /** @var array<string, string> */
    private array $report = [];

    /** Takes the next piece of output, cut anywhere; gives the last report that it completed, if any. */
    public function take(string $piece): ?Progress
    {
        $lines = explode("\n", $this->rest.$piece);
        $this->rest = substr((string) array_pop($lines), -4096);
        $latest = null;
        foreach ($lines as $line) {
            [$key, $value] = explode('=', trim($line), 2) + [1 => ''];
            $this->report[$key] = trim($value);
            if ($key === 'progress') {
                $latest = new Progress(
                    max(0, (int) ($this->report['frame'] ?? 0)),
                    is_numeric($this->report['fps'] ?? null) && (float) $this->report['fps'] > 0 ? (float) $this->report['fps'] : null,
                    max(0, (int) ($this->report['total_size'] ?? 0)),
                    $value === 'end',
                    is_numeric($this->report['out_time_us'] ?? null) ? (float) $this->report['out_time_us'] / 1_000_000 : null,
                );
                $this->report = [];
            }
        }

        return $latest;
    }
}
