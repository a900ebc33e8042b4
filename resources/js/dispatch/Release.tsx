import { useState } from 'react';
import { api } from '../api/client';
import type { Dispatch } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { moment } from '../ui/moment';
import { Segments } from '../ui/Segments';
import { Trouble } from '../ui/States';
import { Remarks } from './Remarks';
import type { useDispatchAction } from './useDispatches';

interface Props {
    dispatch: Dispatch;
    zone: string;
    act: ReturnType<typeof useDispatchAction>;
}

type When = 'now' | 'ready' | 'at';

const ways = [
    { value: 'ready', label: 'When all sizes are there' },
    { value: 'at', label: 'At a time' },
    { value: 'now', label: 'Now' },
] as const;

const does = { now: 'Release now', ready: 'Release when ready', at: 'Release then' };

/** Everybody is to see it: only once everything is in order, and never without being asked. */
export function Release({ dispatch, zone: own, act }: Props) {
    const [when, setWhen] = useState<When>('ready');
    const [at, setAt] = useState('');
    const [zone, setZone] = useState(own);
    if (dispatch.release !== null) {
        return (
            <div className="flex items-center gap-3 rounded bg-sunk px-3 py-2">
                <Figures
                    text={
                        dispatch.release === 'ready'
                            ? 'It is released when all sizes are there.'
                            : `It is released on ${moment(dispatch.releaseAt)}.`
                    }
                />
                <Button
                    className="ml-auto"
                    disabled={act.isPending}
                    onClick={() => act.mutate(() => api.release(dispatch.id, { when: null }))}
                >
                    Not after all
                </Button>
            </div>
        );
    }
    const open = when === 'now' ? dispatch.missing.now : dispatch.missing.later;
    return (
        <div>
            <h4 className="mb-1.5 font-medium">Release</h4>
            {open.length > 0 && (
                <div className="mb-3">
                    <Remarks remarks={open} />
                </div>
            )}
            <Segments label="When it is released" value={when} options={ways} onChange={setWhen} />
            {when === 'at' && (
                <div className="mt-2 flex items-center gap-2">
                    <input
                        type="datetime-local"
                        aria-label="Date and hour"
                        value={at}
                        onChange={(event) => setAt(event.target.value)}
                        className="h-7 rounded border border-line bg-page px-2"
                    />
                    <input
                        aria-label="Time zone"
                        value={zone}
                        onChange={(event) => setZone(event.target.value)}
                        className="h-7 min-w-0 flex-1 rounded border border-line bg-page px-2"
                    />
                </div>
            )}
            <Button
                kind="primary"
                className="mt-3"
                disabled={open.length > 0 || act.isPending || (when === 'at' && at === '')}
                onClick={() =>
                    act.mutate(() => api.release(dispatch.id, { when, ...(when === 'at' ? { at, zone } : {}) }))
                }
            >
                {does[when]}
            </Button>
            {act.error && (
                <div className="mt-2">
                    <Trouble message={act.error.message} />
                </div>
            )}
        </div>
    );
}
