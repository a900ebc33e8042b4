<?php

namespace App\Console;

use App\Library\UnknownName;
use App\SignIn\ActivityLog;
use Illuminate\Console\Command;
use OuterCrate\Refusals\Refused;
use Throwable;

/** What read, plan and pack share: the file, `--json`, and exit status 0, 1 (failed) or 2 (wrong use). */
abstract class CrateCommand extends Command
{
    private const WRONG_USE = 2;

    private const FAILED = 1;

    /** First words of commands that list or show. */
    private const LOOKS = [null, 'list', 'show', 'export'];

    /** Commands that change nothing of what others see. */
    private const COMPUTES = ['read', 'plan', 'read-table', 'recompress', 'test', 'check-files', 'activity'];

    /** @return int exit status */
    abstract protected function perform(): int;

    public function handle(): int
    {
        try {
            $status = $this->perform();
            $status === self::SUCCESS ? $this->noteActivity() : null;

            return $status;
        } catch (Refused $e) {
            return $this->refuse($e);
        } catch (Throwable $e) {
            report($e);

            return $this->refuse(new BrokenDown($e));
        }
    }

    /** What was changed from the command line is in the activity log, beside what was changed on the pages. */
    private function noteActivity(): void
    {
        $arguments = array_filter(array_slice($this->arguments(), 1), is_string(...));
        $isLook = in_array($this->arguments()['what'] ?? null, self::LOOKS, true) && array_key_exists('what', $this->arguments());
        if ($isLook || in_array($this->getName(), self::COMPUTES, true)) {
            return;
        }
        $user = posix_getpwuid(posix_geteuid())['name'] ?? 'unknown user';
        rescue(fn () => app(ActivityLog::class)->note("{$user}, command line", "bin/crate {$this->getName()}", implode(' ', $arguments)));
    }

    /** The file argument as an absolute path; a name that begins with a dash is a name. */
    protected function file(): string
    {
        return $this->absolute((string) $this->argument('file'));
    }

    protected function absolute(string $path): string
    {
        if ($path === '' || str_contains($path, "\0")) {
            throw new WrongUse('The path is empty.');
        }

        return str_starts_with($path, '/') ? $path : (getenv('CRATE_CALLED_FROM') ?: getcwd()).'/'.$path;
    }

    /** @param  array<mixed>  $data */
    protected function json(array $data): void
    {
        $this->output->writeln(
            json_encode(
                $data,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_INVALID_UTF8_SUBSTITUTE | JSON_THROW_ON_ERROR,
            ),
            \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
        );
    }

    private function refuse(Refused $e): int
    {
        $wrongUse = $e instanceof WrongUse || $e instanceof UnknownName;
        $named = mb_scrub($e->file() ?? ($this->hasArgument('file') ? (string) $this->argument('file') : ''));
        if ($this->option('json')) {
            $this->json([
                'error' => ['id' => $e->id(), 'message' => $e->getMessage(), 'file' => $named, 'kept' => $e->kept(), 'todo' => $e->todo()],
            ]);
        }
        fwrite(STDERR, ($named === '' || $wrongUse ? '' : "{$named}: ")."{$e->getMessage()}\n");

        return $wrongUse ? self::WRONG_USE : self::FAILED;
    }
}
