<?php

use App\Http\Problem;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use OuterCrate\Refusals\Refused;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
    )
    ->withCommands([
        App\Console\DemoCommand::class,
        App\Console\CatchUpCommand::class,
        App\Console\SchemaCommand::class,
        App\Console\WorkCommand::class,
        App\Console\WatchLoopCommand::class,
        App\Console\MayListenCommand::class,
        App\Console\StartCommand::class,
        App\Console\UpgradeCommand::class,
        App\Console\BringInCommand::class,
    ])
    ->withMiddleware(function (Middleware $middleware): void {
        // The pages and the API are one origin; the package that HandleCors stands on is not installed.
        $middleware->remove(HandleCors::class);
        $middleware->web(remove: [
            Illuminate\Cookie\Middleware\EncryptCookies::class,
            Illuminate\Cookie\Middleware\AddQueuedCookiesToResponse::class,
            Illuminate\Session\Middleware\StartSession::class,
            Illuminate\View\Middleware\ShareErrorsFromSession::class,
            Illuminate\Foundation\Http\Middleware\ValidateCsrfToken::class,
        ]);
        // Nobody is sent anywhere: the page asks for the sign-in itself.
        $middleware->redirectGuestsTo('/');
        $middleware->append(App\Http\Middleware\SecurityHeaders::class);
        $middleware->append(App\Http\Middleware\SatisfiableRange::class);
        // Authentication runs before models are looked up, so that 404 does not tell strangers what exists.
        $middleware->api(prepend: [
            App\Http\Middleware\WellFormed::class,
            App\Http\Middleware\SameOrigin::class,
            App\Http\Middleware\SignedIn::class,
            App\Http\Middleware\Allowed::class,
            App\Http\Middleware\NoteActivity::class,
        ]);
        $middleware->replace(Illuminate\Http\Middleware\TrustProxies::class, App\Http\Middleware\TrustedProxies::class);
        $middleware->remove([
            Illuminate\Foundation\Http\Middleware\TrimStrings::class,
            Illuminate\Foundation\Http\Middleware\ConvertEmptyStringsToNull::class,
        ]);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*'));
        // What the person did or has is answered, not logged.
        $exceptions->dontReport([Refused::class]);
        // Pages poll twice a second, so a database failure is logged as one line a minute, not per request.
        $exceptions->report(fn (Throwable $e) => App\Database\FaultLog::note($e));
        $exceptions->render(fn (Throwable $e, Request $request) => $request->is('api/*') ? Problem::from($e) : null);
    })
    ->create();
