<?php

use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Foundation\Http\Middleware\ConvertEmptyStringsToNull;
use Illuminate\Foundation\Http\Middleware\TrimStrings;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use OuterCrate\Refusals\Refused;
use StandIn\Console\AccountCommand;
use StandIn\Console\LineCommand;
use StandIn\Console\ProcessCommand;
use StandIn\Console\StartCommand;
use StandIn\Http\Answers;
use StandIn\StandInServiceProvider;

$own = getenv('STANDIN_STORAGE') ?: dirname(__DIR__, 2).'/storage/standin';
// Nothing that the product has put aside for itself is read here: neither its settings nor its compiled configuration.
foreach (['CONFIG', 'ROUTES', 'EVENTS', 'SERVICES', 'PACKAGES'] as $cache) {
    putenv("APP_{$cache}_CACHE={$own}/framework/".strtolower($cache).'.php');
    $_ENV["APP_{$cache}_CACHE"] = $_SERVER["APP_{$cache}_CACHE"] = "{$own}/framework/".strtolower($cache).'.php';
}
foreach (['framework/cache', 'framework/views', 'logs', 'uploads', 'derived', 'videos'] as $folder) {
    is_dir("{$own}/{$folder}") || mkdir("{$own}/{$folder}", 0o700, true) || is_dir("{$own}/{$folder}");
}

$app = Application::configure(basePath: dirname(__DIR__, 2))
    ->withProviders([StandInServiceProvider::class], withBootstrapProviders: false)
    ->withRouting(using: fn () => require __DIR__.'/../routes/host.php')
    ->withCommands([AccountCommand::class, LineCommand::class, ProcessCommand::class, StartCommand::class])
    ->withMiddleware(fn (Middleware $middleware) => $middleware->remove([
        HandleCors::class, TrimStrings::class, ConvertEmptyStringsToNull::class,
    ]))
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->dontReport([Refused::class]);
        $exceptions->render(fn (Throwable $e, Request $request) => $request->is('pages/*', '/') ? null : Answers::problem($e));
    })
    ->create();
$app->useConfigPath(dirname(__DIR__).'/config');
$app->useDatabasePath(dirname(__DIR__).'/database');
$app->useEnvironmentPath(dirname(__DIR__));
$app->useStoragePath($own);

return $app;
