<?php

namespace Tests\Support\Soak;

use Illuminate\Support\Facades\File;

/** Prints the results of a soak as a table, with remarks about every failure. */
final class Report
{
    private const MAX_REMARKS = 60;

    /** @var list<array{int, float, string, string}> status, seconds, method and path, and the body of a failure */
    private readonly array $answers;

    public function __construct(private readonly Site $site)
    {
        $answers = [];
        foreach (glob("{$site->folder}/answers-*") ?: [] as $file) {
            foreach (file($file, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
                [, $status, $seconds, $method, $path, $said] = explode(' ', $line, 6) + [5 => ''];
                $answers[] = [(int) $status, (float) $seconds, "{$method} {$path}", $said];
            }
        }
        $this->answers = $answers;
    }

    public function print(Faults $faults, Audit $audit, Usage $usage): void
    {
        foreach ($faults->counts() as $fault => $times) {
            figure("  {$fault}", "{$times} ×", 'a fault');
        }
        $this->answers();
        foreach ($audit->found() as $what => [$value, $promise]) {
            figure($what, (string) $value, $promise);
        }
        $this->recovery($faults);
        foreach (['memory', 'storage'] as $what) {
            [$before, $after] = $usage->quarters($what);
            figure(
                "{$what}, last quarter of it / second quarter",
                sprintf('%.2f ×', $after / max(1, $before)),
                sprintf('flat; %.1f MB, %.1f MB', $before / 1e6, $after / 1e6),
            );
        }
        foreach (array_slice($audit->remarks, 0, self::MAX_REMARKS) as $remark) {
            echo '  ', $this->readable($remark), "\n";
        }
    }

    /** Copies logs and answers to storage/soak. */
    public function keep(): void
    {
        $kept = storage_path('soak/'.basename($this->site->folder));
        File::deleteDirectory($kept);
        File::ensureDirectoryExists($kept);
        foreach ([...glob("{$this->site->folder}/answers-*"), ...glob("{$this->site->disk}/storage-*/logs/*.log")] as $file) {
            copy($file, "{$kept}/".str_replace('/', '-', substr($file, strlen($this->site->folder) + 1)));
        }
        echo "  Logs and answers are in storage/soak.\n";
    }

    private function answers(): void
    {
        $of = fn (int ...$statuses): array => array_filter($this->answers, fn (array $one): bool => in_array($one[0], $statuses, true));
        $good = array_column(array_filter($this->answers, fn (array $one): bool => $one[0] >= 200 && $one[0] < 500), 1);
        $within = sprintf('%.2f s, %.2f s', percentile($good, 0.5), percentile($good, 0.99));
        figure('requests', (string) count($this->answers), '');
        figure('answered within: half, 99 of 100', $within, 'no promise: the cores are full');
        figure('answered 500', (string) count($of(500)), '0');
        figure('answered 503, with a sentence', (string) count($of(503)), 'while a database, a disk or PHP-FPM is not there');
        figure('answered 502 or 504, or not at all', (string) count($of(0, 502, 504)), 'while something is dead');
        foreach (array_unique(array_map(fn (array $one): string => "{$one[2]} {$one[3]}", $of(500))) as $one) {
            echo '  500: ', $this->readable($one), "\n";
        }
    }

    private function recovery(Faults $faults): void
    {
        $recovered = $faults->recovered();
        rsort($recovered);
        $seconds = array_column($recovered, 0);
        figure(
            'seconds until it answered after a kill: half, worst',
            sprintf('%.2f, %.2f', percentile($seconds, 0.5), max([0, ...$seconds])),
            'within 5',
        );
        foreach (array_slice($recovered, 0, 3) as [$took, $victim]) {
            printf("  %.2f s: %s\n", $took, $this->readable($victim));
        }
    }

    private function readable(string $text): string
    {
        return str_replace($this->site->folder, '…', $text);
    }
}
