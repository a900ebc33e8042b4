<?php

namespace App\Http\Controllers;

use App\Http\Api\Operation;
use App\Http\Middleware\Sessions;
use App\Http\Payload;
use App\SignIn\Door;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Pipeline\Pipeline;
use Illuminate\Session\Store;

class SignInController
{
    #[Operation('sign-in-answer', request: 'sign-in-request')]
    public function store(Request $request, Door $door, Pipeline $pipeline): JsonResponse
    {
        ['name' => $name, 'password' => $password] = Payload::of($request, 'sign-in-request');
        // The session starts after the password check, so that a refused sign-in leaves no session file.
        $user = $door->check($name, $password, (string) $request->ip());

        return $pipeline->send($request)->through(Sessions::BEGIN)->then(function (Request $request) use ($door, $user): JsonResponse {
            $session = $request->session();
            assert($session instanceof Store);
            $door->open($user, $session);

            return response()->json(['user' => $user->name]);
        });
    }

    #[Operation(status: 204)]
    public function destroy(Request $request, Door $door): Response
    {
        $session = $request->session();
        assert($session instanceof Store);
        $door->close($session);

        return response()->noContent();
    }
}
