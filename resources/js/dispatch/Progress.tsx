import { api } from '../api/client';
import type { Dispatch } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import type { useDispatchAction } from './useDispatches';

interface Props {
    dispatch: Dispatch;
    act: ReturnType<typeof useDispatchAction>;
}

/** How far it is on its way, and what can be done about that. */
export function Progress({ dispatch, act }: Props) {
    const { id, stage, paused } = dispatch;
    const isOn = stage === 'sending' || stage === 'waiting';
    const change = (how: 'stop' | 'pause' | 'continue') => act.mutate(() => api.changeDispatch(id, how));
    const facts = [
        `${dispatch.sentLabel} of ${dispatch.bytesLabel}`,
        stage === 'sending' ? dispatch.speedLabel : null,
        stage === 'sending' && dispatch.leftLabel !== null ? `${dispatch.leftLabel} left` : null,
    ];
    return (
        <div className="mb-4">
            <div className="flex items-center gap-3">
                <div
                    role="progressbar"
                    aria-label="Sent"
                    aria-valuenow={dispatch.percent}
                    aria-valuemin={0}
                    aria-valuemax={100}
                    className="h-2 flex-1 overflow-hidden rounded bg-sunk"
                >
                    <div className="h-full bg-rust transition-[width]" style={{ width: `${dispatch.percent}%` }} />
                </div>
                <Figures className="w-12 text-right text-[13px]" text={`${dispatch.percent} %`} />
                {isOn && (
                    <>
                        <Button onClick={() => change(paused ? 'continue' : 'pause')} disabled={act.isPending}>
                            {paused ? 'Go on' : 'Pause'}
                        </Button>
                        <Button onClick={() => change('stop')} disabled={act.isPending}>
                            Stop
                        </Button>
                    </>
                )}
                {!isOn && (
                    <Button kind="primary" onClick={() => change('continue')} disabled={act.isPending}>
                        Go on
                    </Button>
                )}
            </div>
            <p className="mt-1 text-[13px] text-soft">
                <Figures text={facts.filter(Boolean).join(' · ')} />
                {paused && ' · paused'}
            </p>
        </div>
    );
}
