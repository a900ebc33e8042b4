<?php

namespace App\Dispatch;

use App\Dispatch\Connections\Connections;
use App\Dispatch\Connections\SendingFailed;
use App\Models\Dispatch;
use App\Models\HostAccount;
use App\Work\WorkQueue;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use OuterCrate\Dispatch\Stage;

/** Accounts at hosts: signing in and out, and forgetting one. */
class HostAccounts
{
    public function __construct(
        private readonly Connections $connections,
        private readonly WorkQueue $queue,
        private readonly SendFile $send,
        private readonly FollowDispatch $follow,
    ) {
    }

    /** @return Collection<int, HostAccount> */
    public function all(): Collection
    {
        return HostAccount::query()->orderBy('host')->orderBy('name')->get();
    }

    /** @throws SendingFailed when there is no such account yet */
    public function need(string $host, ?string $name = null): HostAccount
    {
        return HostAccount::query()->where('host', $host)->when($name !== null, fn ($query) => $query->where('name', $name))->first()
            ?? throw SendingFailed::signIn($host);
    }

    /**
     * Signs in; what waited for that goes on. A sign-in that fails leaves everything as it was.
     *
     * @throws SendingFailed
     */
    public function signIn(string $host, string $name, string $password): HostAccount
    {
        [$connection, $address] = Connections::reached($host);
        $account = HostAccount::withTrashed()->firstOrNew(['host' => $host, 'name' => $name]);
        $account->fill(['connection' => $connection, 'address' => $address, 'forgotten_at' => null]);
        $talks = $this->connections->of($account);
        ['token' => $token, 'expiresAt' => $expires] = $talks->signIn($account, $password);
        $account->fill(['token' => $token, 'expires_at' => $expires === null ? null : Carbon::parse($expires)]);
        $account->takes = $talks->takes($account)->toArray();
        try {
            $account->save();
        } catch (UniqueConstraintViolationException) {
            // Another request created the account at the same moment. The second attempt finds and updates it.
            return $this->signIn($host, $name, $password);
        }
        $this->goOn($account);

        return $account;
    }

    public function signOut(HostAccount $account): void
    {
        $account->update(['token' => null, 'expires_at' => null]);
    }

    /**
     * Its token is gone, and it is offered no more; what was sent with it goes on naming it.
     *
     * @throws SendingFailed while something is on its way with it, or held
     */
    public function forget(HostAccount $account): void
    {
        $going = Dispatch::query()->where('host_account_id', $account->id)
            ->whereIn('stage', [Stage::Waiting, Stage::Sending, Stage::NeedsYou, Stage::Held])->count();
        $going === 0 || throw SendingFailed::needsPerson(
            'account-in-use',
            ($going === 1 ? 'A file is' : "{$going} files are").' on the way with this account, or held.',
            'Release, stop or remove what is, or sign out alone.',
        );
        $this->signOut($account);
        $account->delete();
    }

    public function acceptTerms(HostAccount $account): void
    {
        $this->connections->of($account)->acceptTerms($account);
        $this->goOn($account);
    }

    private function goOn(HostAccount $account): void
    {
        foreach (Dispatch::query()->where('host_account_id', $account->id)->get() as $dispatch) {
            if ($dispatch->stage === Stage::NeedsYou) {
                $dispatch->update(['stage' => Stage::Waiting, 'problem' => null, 'failures' => 0]);
                $this->queue->put($this->send, $dispatch->id);
            } elseif ($dispatch->stage === Stage::Held) {
                $this->queue->hurry($this->queue->put($this->follow, $dispatch->id));
            }
        }
    }
}
