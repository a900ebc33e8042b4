import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { HostAccount } from '../api/types';
import { Button } from '../ui/Button';
import { Trouble } from '../ui/States';
import { HostSignIn } from './HostSignIn';
import { useDispatches } from './useDispatches';

/** Who one is at the hosts: signed in beforehand, so that nothing waits for a password. */
export function Accounts() {
    const client = useQueryClient();
    const { data, error } = useDispatches();
    const [signsIn, setSignsIn] = useState<HostAccount | 'new' | null>(null);
    const change = useMutation({
        mutationFn: (ask: () => Promise<unknown>) => ask(),
        onSettled: () => client.invalidateQueries({ queryKey: keys.dispatches() }),
    });
    return (
        <section aria-labelledby="host-accounts" className="mt-6 text-[13px]">
            <h2 id="host-accounts" className="font-stencil text-[16px] tracking-[.05em]">
                ACCOUNTS AT HOSTS
            </h2>
            <p className="mb-2 text-soft">
                A password goes to its host and is kept nowhere; what the host gives for it is sealed here.
            </p>
            {error && data === undefined && <Trouble message={error.message} />}
            <ul className="border-t-2 border-rule">
                {data?.accounts.map((account) => (
                    <li key={account.id} className="flex h-9 items-center gap-3 border-b border-line">
                        <span className="font-medium">{account.hostName}</span>
                        <span className="min-w-0 flex-1 truncate">{account.name}</span>
                        <span className="text-soft">{account.signedIn ? 'signed in' : 'signed out'}</span>
                        <span className="flex w-[140px] flex-none justify-end gap-2">
                            {account.signedIn ? (
                                <Button
                                    kind="quiet"
                                    disabled={change.isPending}
                                    onClick={() => change.mutate(() => api.signOutOfHost(account.id))}
                                >
                                    Sign out
                                </Button>
                            ) : (
                                <>
                                    <Button
                                        kind="quiet"
                                        disabled={change.isPending}
                                        title="It is offered no more; what was sent with it stays on record."
                                        onClick={() => change.mutate(() => api.forgetHostAccount(account.id))}
                                    >
                                        Forget
                                    </Button>
                                    <Button kind="quiet" onClick={() => setSignsIn(account)}>
                                        Sign in
                                    </Button>
                                </>
                            )}
                        </span>
                    </li>
                ))}
                {data?.accounts.length === 0 && (
                    <li className="border-b border-line py-2 text-soft">There is none yet.</li>
                )}
            </ul>
            {change.error && <Trouble message={change.error.message} />}
            <div className="mt-2">
                {signsIn === null ? (
                    <Button onClick={() => setSignsIn('new')}>Another account</Button>
                ) : (
                    <HostSignIn
                        key={signsIn === 'new' ? 'new' : signsIn.id}
                        hosts={data?.hosts ?? []}
                        account={signsIn === 'new' ? null : signsIn}
                        signedIn={() => setSignsIn(null)}
                    />
                )}
            </div>
        </section>
    );
}
