<?php

namespace Tests\Support;

use Symfony\Component\Process\Process;

/** Other processes that work on the database of a test, as they would beside the application. */
final class Elsewhere
{
    /** @return array<string, string> the surroundings of a process that shares the folders of the test */
    public static function surroundings(string $folder, array $more = []): array
    {
        return $more + [
            ...TestDatabase::shared($folder),
            'APP_ENV' => 'production', 'CACHE_STORE' => 'file', 'LOG_FILE' => 'tests.log',
            'CACHE_PATH' => "{$folder}/cache",
            'CRATE_DERIVED' => "{$folder}/derived", 'CRATE_DELIVERIES' => "{$folder}/out", 'CRATE_UPLOADS' => "{$folder}/uploads",
            'CRATE_MEDIA_FOLDERS' => "{$folder}/media",
        ];
    }

    public static function artisan(string $folder, array $arguments, array $more = []): Process
    {
        return self::started([PHP_BINARY, base_path('artisan'), ...$arguments], self::surroundings($folder, $more));
    }

    public static function crate(string $folder, array $arguments, array $more = []): Process
    {
        return self::started([base_path('bin/crate'), ...$arguments], self::surroundings($folder, $more));
    }

    private static function started(array $command, array $surroundings): Process
    {
        $process = new Process($command, null, $surroundings, null, 120);
        $process->start();

        return $process;
    }
}
