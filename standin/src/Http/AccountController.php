<?php

namespace StandIn\Http;

use App\Library\ShippedHosts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use StandIn\Faults;
use StandIn\Models\Account;
use StandIn\Models\Token;
use StandIn\Models\Video;

class AccountController
{
    public function __construct(private readonly Faults $faults, private readonly ShippedHosts $hosts)
    {
    }

    public function signIn(Request $request): JsonResponse
    {
        $asked = ['host' => (string) $request->input('host'), 'name' => (string) $request->input('name')];
        $account = Account::query()->where($asked)->first();
        // A wrong name takes as long as a wrong password.
        $isRight = Hash::check((string) $request->input('password'), $account->password ?? Hash::make(Str::random()));
        if ($account === null || ! $isRight || $this->faults->value('password') !== null) {
            throw new Refusal(401, 'wrong-password', 'There is no such account, or its password is another.');
        }
        $secret = Str::random(40);
        $expires = Carbon::now()->addMinutes((int) config('standin.token_minutes'));
        Token::query()->create(['account_id' => $account->id, 'hash' => hash('sha256', $secret), 'expires_at' => $expires]);

        return response()->json(['token' => $secret, 'expiresAt' => $expires->toIso8601ZuluString()], 201);
    }

    /** The account, and what its host takes. */
    public function show(Request $request): JsonResponse
    {
        $account = Signed::account($request);
        $limits = $this->hosts->item($account->host)->asks->limits;

        return response()->json([
            'host' => $account->host,
            'name' => $account->name,
            'quota' => ['bytes' => self::quota($this->faults), 'used' => self::used($account)],
            'terms' => ['version' => config('standin.terms'), 'accepted' => $account->terms === config('standin.terms')],
            'takes' => [
                'seconds' => $limits->seconds,
                'bytes' => $limits->bytes,
                ...config('standin.most'),
                'categories' => config('standin.categories'),
                'licences' => config('standin.licences'),
                'thumbnailFrame' => config('standin.thumbnail'),
            ],
        ]);
    }

    public function accept(Request $request): JsonResponse
    {
        if ($request->input('version') !== config('standin.terms')) {
            throw new Refusal(409, 'other-terms', 'The terms have changed. Read '.config('standin.terms').'.');
        }
        Signed::account($request)->update(['terms' => config('standin.terms')]);

        return $this->show($request);
    }

    public static function quota(Faults $faults): int
    {
        return $faults->value('quota') === null ? (int) config('standin.quota') : 0;
    }

    public static function used(Account $account): int
    {
        return (int) Video::query()->where('account_id', $account->id)->sum('bytes');
    }
}
