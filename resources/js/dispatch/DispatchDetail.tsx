import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Dispatch, DispatchList } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { moment } from '../ui/moment';
import { Trouble } from '../ui/States';
import { DetailsForm } from './DetailsForm';
import { Hold } from './Hold';
import { HostSignIn } from './HostSignIn';
import { Progress } from './Progress';
import { useDispatchAction } from './useDispatches';

/** One file: how far it is, what is said of it, and what its host makes of it. */
export function DispatchDetail({ dispatch, list }: { dispatch: Dispatch; list: DispatchList }) {
    const act = useDispatchAction();
    const describing = useDispatchAction();
    const look = dispatch.stage === 'waiting' ? 'bg-sunk' : 'border border-stop bg-stop-wash';
    const hasArrived = dispatch.stage === 'held' || dispatch.stage === 'released';
    return (
        <section aria-label={`${dispatch.file} to ${dispatch.account.hostName}`}>
            <div className="mb-2 flex items-baseline gap-3">
                <h2 className="truncate text-[17px] font-semibold">{dispatch.details.title || dispatch.cutName}</h2>
                <span className="truncate text-[13px] text-soft">
                    {dispatch.file} to {dispatch.account.hostName} as {dispatch.account.name}
                </span>
                <strong role="status" className="ml-auto flex-none text-[13px] font-medium">
                    {dispatch.stageWords}
                </strong>
            </div>
            {dispatch.problem !== null && dispatch.problem !== '' && (
                <p
                    role={dispatch.stage === 'waiting' ? 'status' : 'alert'}
                    className={`mb-3 rounded px-3 py-2 text-[13px] ${look}`}
                >
                    <Figures text={dispatch.problem} />
                </p>
            )}
            {!dispatch.account.signedIn && !['released', 'removed'].includes(dispatch.stage) && (
                <div className="mb-4">
                    <HostSignIn hosts={list.hosts} account={dispatch.account} signedIn={() => act.reset()} />
                </div>
            )}
            {!hasArrived && dispatch.stage !== 'removed' && <Progress dispatch={dispatch} act={act} />}
            <div className="grid grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)] gap-8">
                <DetailsForm
                    dispatch={dispatch}
                    questions={list.questions}
                    templates={list.templates}
                    act={describing}
                />
                <div>
                    <Hold dispatch={dispatch} zone={list.zone} act={act} />
                    <Record dispatch={dispatch} />
                    {dispatch.mayClear && dispatch.run !== null && <ClearHere run={dispatch.run} />}
                    {hasArrived && (
                        <Button
                            kind="quiet"
                            className="mt-3"
                            disabled={act.isPending}
                            title="The file here stays"
                            onClick={() => act.mutate(() => api.removeDispatch(dispatch.id))}
                        >
                            Remove from its host
                        </Button>
                    )}
                </div>
            </div>
        </section>
    );
}

/** The host has it, byte for byte: the upload file here can go. It can be put back on the page of the store. */
function ClearHere({ run }: { run: number }) {
    const client = useQueryClient();
    const clear = useMutation({
        mutationFn: () => api.clearStored([run]),
        onSuccess: () => {
            for (const queryKey of [keys.dispatches(), keys.store(), keys.machine()]) {
                client.invalidateQueries({ queryKey });
            }
        },
    });
    return (
        <>
            <Button
                kind="quiet"
                className="mt-3"
                disabled={clear.isPending}
                title="It can be put back on the page of the store, until that is emptied"
                onClick={() => clear.mutate()}
            >
                Clear the file here away
            </Button>
            {clear.error && <Trouble message={clear.error.message} />}
        </>
    );
}

/** What was done with it, and when. */
function Record({ dispatch }: { dispatch: Dispatch }) {
    return (
        <>
            <h3 className="mt-5 mb-1 text-[13px] font-medium">Record</h3>
            <ol className="text-[12px] leading-[18px] text-soft">
                {dispatch.record.map((entry) => (
                    <li key={entry.at + entry.text} className="flex gap-2">
                        <Figures className="flex-none" text={moment(entry.at)} />
                        <span>{entry.text}</span>
                    </li>
                ))}
            </ol>
        </>
    );
}
