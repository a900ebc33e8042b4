<?php

namespace App\Http;

use App\Models\Role;
use Illuminate\Http\Request;
use Illuminate\Routing\Route;

/**
 * The one place that says which role a request needs. What only looks needs a viewer, what changes something an editor; the lists are what
 * differs from that.
 */
final class Permissions
{
    /** Settings, folders, accounts at hosts, the webhook, deleting for good, and what others did. */
    private const OWNER = [
        'GET api/settings', 'PUT api/settings', 'POST api/retention/preview', 'GET api/activity',
        'POST api/watch-folders', 'DELETE api/watch-folders/{folder}',
        'POST api/host-accounts', 'DELETE api/host-accounts/{account}/token', 'DELETE api/host-accounts/{account}',
        'PUT api/host-accounts/{account}/terms',
        'POST api/store/empty',
    ];

    /** Looks that name what lies in the media folders, which an editor chooses from. */
    private const EDITOR = ['GET api/media', 'GET api/uploads', 'GET api/uploads/{id}'];

    /** What changes nothing although it sends something. */
    private const VIEWER = ['POST api/plan', 'POST api/library/host/table'];

    public static function needed(Request $request, Route $route): Role
    {
        return self::of($request->method(), $route->uri());
    }

    public static function of(string $method, string $uri): Role
    {
        $method = $method === 'HEAD' ? 'GET' : $method;

        return match (true) {
            in_array("{$method} {$uri}", self::OWNER, true) => Role::Owner,
            in_array("{$method} {$uri}", self::EDITOR, true) => Role::Editor,
            in_array("{$method} {$uri}", self::VIEWER, true), in_array($method, ['GET', 'OPTIONS'], true) => Role::Viewer,
            default => Role::Editor,
        };
    }
}
