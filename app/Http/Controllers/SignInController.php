<?php

namespace App\Http\Controllers;

use App\Http\Payload;
use App\SignIn\Door;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Session\Store;

class SignInController
{
    public function store(Request $request, Door $door): JsonResponse
    {
        ['name' => $name, 'password' => $password] = Payload::of($request, 'sign-in-request');
        $request->session()->flush();
        $user = $door->open($name, $password, (string) $request->ip());
        $request->session()->regenerate(true);

        return response()->json(['user' => $user->name]);
    }

    public function destroy(Request $request, Door $door): Response
    {
        $session = $request->session();
        assert($session instanceof Store);
        $door->close($session);

        return response()->noContent();
    }
}
