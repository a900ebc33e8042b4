import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { DispatchList } from '../api/types';
import { Button } from '../ui/Button';
import { Segments } from '../ui/Segments';
import { Trouble } from '../ui/States';
import { HostSignIn } from './HostSignIn';
import { Remarks } from './Remarks';
import { useDispatchAction } from './useDispatches';

const seenBy = [
    { value: 'private', label: 'Private' },
    { value: 'unlisted', label: 'Unlisted' },
] as const;

const times = [
    { value: 'now', label: 'Now' },
    { value: 'at', label: 'At a time' },
] as const;

/** A made file before it is sent: to whom, what is noticed, and who sees it when it arrives. */
export function NewDispatch({ run, list }: { run: number; list: DispatchList }) {
    const navigate = useNavigate();
    const [chosen, setChosen] = useState<number | null>(null);
    const [another, setAnother] = useState(false);
    const [replaces, setReplaces] = useState(false);
    const [begins, setBegins] = useState<'now' | 'at'>('now');
    const [at, setAt] = useState('');
    const [visibility, setVisibility] = useState<'private' | 'unlisted'>('private');
    const account = list.accounts.find((one) => one.id === chosen) ?? list.accounts[0] ?? null;
    const check = useQuery({
        queryKey: keys.checkBeforeSending(run, account?.id, account?.signedIn),
        queryFn: () => api.checkBeforeSending({ run, account: account?.id ?? 0 }),
        enabled: account !== null,
    });
    const earlier = check.data?.inPlaceOf ?? null;
    const send = useDispatchAction();
    const remarks = check.data?.remarks ?? [];
    const isStopped = remarks.some((remark) => remark.severity === 'stop');
    const asks = account === null || another || !account.signedIn;
    return (
        <section aria-label="Send a file" className="max-w-[760px]">
            <h2 className="mb-3 truncate text-[17px] font-semibold">Send {check.data?.file ?? 'a file'}</h2>
            {list.accounts.length > 0 && (
                <div className="mb-3 flex items-center gap-2 text-[13px]">
                    <label htmlFor="account" className="text-soft">
                        To
                    </label>
                    <select
                        id="account"
                        value={account?.id ?? ''}
                        onChange={(event) => {
                            setChosen(Number(event.target.value));
                            setAnother(false);
                        }}
                        className="h-7 rounded border border-line bg-page px-1.5"
                    >
                        {list.accounts.map((one) => (
                            <option key={one.id} value={one.id}>
                                {one.hostName} as {one.name}
                                {one.signedIn ? '' : ' (signed out)'}
                            </option>
                        ))}
                    </select>
                    <Button kind="quiet" aria-expanded={another} onClick={() => setAnother(!another)}>
                        Another account
                    </Button>
                </div>
            )}
            {asks && (
                <div className="mb-4">
                    <HostSignIn
                        key={another ? 'new' : account?.id}
                        hosts={list.hosts}
                        account={another ? null : account}
                        signedIn={(one) => {
                            setChosen(one.id);
                            setAnother(false);
                        }}
                    />
                </div>
            )}
            {account?.signedIn && !another && (
                <>
                    {check.error && <Trouble message={check.error.message} />}
                    <h3 className="mb-1.5 text-[13px] font-medium">Before it is sent</h3>
                    {check.isPending ? (
                        <p role="status" className="text-[13px] text-soft">
                            Looking at the file …
                        </p>
                    ) : (
                        <Remarks remarks={remarks} />
                    )}
                    <div className="mt-4 flex items-center gap-3 text-[13px]">
                        <span className="text-soft">It is sent</span>
                        <Segments label="When it is sent" value={begins} options={times} onChange={setBegins} />
                        {begins === 'at' && (
                            <input
                                type="datetime-local"
                                aria-label="When sending begins"
                                value={at}
                                onChange={(event) => setAt(event.target.value)}
                                className="h-7 rounded border border-line bg-page px-2"
                            />
                        )}
                        {begins === 'at' && <span className="text-soft">{list.zone}</span>}
                    </div>
                    <div className="mt-3 flex items-center gap-3 text-[13px]">
                        <span className="text-soft">It arrives</span>
                        <Segments
                            label="Who sees it when it arrives"
                            value={visibility}
                            options={seenBy}
                            onChange={setVisibility}
                        />
                        <span className="text-soft">and is held until you release it.</span>
                        <Button
                            kind="primary"
                            className="ml-auto"
                            disabled={!check.isSuccess || isStopped || send.isPending || (begins === 'at' && at === '')}
                            title={isStopped ? 'What is marked ■ has to be put right first' : undefined}
                            onClick={() =>
                                send.mutate(
                                    () =>
                                        api.dispatch({
                                            run,
                                            account: account.id,
                                            visibility,
                                            ...(begins === 'at' ? { at, zone: list.zone } : {}),
                                            ...(replaces && earlier !== null ? { inPlaceOf: earlier.id } : {}),
                                        }),
                                    {
                                        onSuccess: ({ dispatch }) => navigate(`/dispatch/${dispatch.id}`),
                                    },
                                )
                            }
                        >
                            Send
                        </Button>
                    </div>
                    {earlier !== null && (
                        <label className="mt-3 flex items-center gap-2 text-[13px]">
                            <input
                                type="checkbox"
                                checked={replaces}
                                onChange={(event) => setReplaces(event.target.checked)}
                                className="accent-rust"
                            />
                            In place of “{earlier.title}”, which goes once this one is released
                        </label>
                    )}
                    {send.error && <Trouble message={send.error.message} />}
                </>
            )}
        </section>
    );
}
