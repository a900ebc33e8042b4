import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { useHosts } from '../api/queries';
import type { HostAccount } from '../api/types';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Trouble } from '../ui/States';

interface Props {
    /** Hosts that this machine reaches, by slug. */
    hosts: string[];
    /** An account whose sign-in has run out; null for a new one. */
    account: HostAccount | null;
    signedIn: (account: HostAccount) => void;
}

/** Who one is at a host. The password goes to the host and is kept nowhere. */
export function HostSignIn({ hosts, account, signedIn }: Props) {
    const client = useQueryClient();
    const known = useHosts().data?.hosts ?? [];
    const [host, setHost] = useState(account?.host ?? hosts[0] ?? '');
    const [name, setName] = useState(account?.name ?? '');
    const [password, setPassword] = useState('');
    const signIn = useMutation({
        mutationFn: () => api.signInToHost({ host, name, password }),
        onSuccess: (answer) => {
            setPassword('');
            client.invalidateQueries({ queryKey: keys.dispatches() });
            signedIn(answer.account);
        },
    });
    if (hosts.length === 0) {
        return (
            <p className="text-[13px] text-soft">
                This machine is not told where any host is reached. Set <code className="figure">CRATE_HOSTS_AT</code>{' '}
                and start again.
            </p>
        );
    }
    return (
        <form
            className="grid max-w-[640px] grid-cols-[160px_1fr_1fr_auto] items-end gap-2 text-[13px]"
            onSubmit={(event) => {
                event.preventDefault();
                signIn.mutate();
            }}
        >
            <div>
                <label htmlFor="sign-in-host" className="mb-0.5 block text-[12px] text-soft">
                    Host
                </label>
                <select
                    id="sign-in-host"
                    value={host}
                    disabled={account !== null}
                    onChange={(event) => setHost(event.target.value)}
                    className="h-7 w-full rounded border border-line bg-page px-1.5"
                >
                    {hosts.map((slug) => (
                        <option key={slug} value={slug}>
                            {known.find((one) => one.slug === slug)?.name ?? slug}
                        </option>
                    ))}
                </select>
            </div>
            <Field label="Account" value={name} onChange={setName} autoComplete="off" />
            <Field
                label="Password"
                type="password"
                autoComplete="off"
                value={password}
                onChange={setPassword}
                focused={account !== null}
            />
            <Button type="submit" disabled={name === '' || signIn.isPending}>
                Sign in
            </Button>
            {signIn.error && (
                <div className="col-span-full">
                    <Trouble message={signIn.error.message} />
                </div>
            )}
        </form>
    );
}
