import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Dispatch } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { CameBack } from './CameBack';
import { Release } from './Release';
import type { useDispatchAction } from './useDispatches';

interface Props {
    dispatch: Dispatch;
    zone: string;
    act: ReturnType<typeof useDispatchAction>;
}

const marks = { ready: 'done', failed: 'stop' } as const;

/** What its host has made of it so far, who sees it, and what is not in order before everybody may. */
export function Hold({ dispatch, zone, act }: Props) {
    const client = useQueryClient();
    const { video } = dispatch;
    const terms = useMutation({
        mutationFn: () => api.acceptTerms(dispatch.account.id),
        onSuccess: () => act.mutate(() => api.changeDispatch(dispatch.id, 'look')),
        onSettled: () => client.invalidateQueries({ queryKey: keys.dispatches() }),
    });
    if (video === null) {
        return (
            <section aria-label="Hold" className="text-[13px]">
                <h3 className="mb-2 font-medium">At its host</h3>
                <p className="text-soft">It has not arrived yet. When it has, it is held until you release it.</p>
            </section>
        );
    }
    return (
        <section aria-label="Hold" className="text-[13px]">
            <h3 className="mb-2 flex items-baseline gap-2 font-medium">
                At its host
                <span className="ml-auto font-normal text-soft">{video.visibility}</span>
                {video.page !== null && video.visibility !== 'private' && (
                    <a href={video.page} target="_blank" rel="noreferrer" className="font-normal text-rust underline">
                        its page
                    </a>
                )}
            </h3>
            <p role="status" className="mb-2 text-soft">
                <Figures text={video.words} />
                {video.tier ? ` It got the ${video.tier} tier. ` : ''}
                {video.better !== null && <Figures text={video.better} />}
            </p>
            {video.renditions.length > 0 && (
                <ul aria-label="Sizes" className="mb-4 border-t border-line">
                    {video.renditions.map((one) => (
                        <li key={one.lines} className="flex h-[26px] items-center gap-2 border-b border-line">
                            {one.state in marks ? (
                                <Mark kind={marks[one.state as keyof typeof marks]} />
                            ) : (
                                <span className="w-[11px] text-center text-faint">·</span>
                            )}
                            <Figures text={`${one.lines} lines`} />
                            <span className="text-soft">{one.codec}</span>
                            <Measured of={dispatch.measured.find(({ lines }) => lines === one.lines)} />
                            <span className="ml-auto text-soft">
                                {one.state === 'ready' ? 'there' : one.state === 'failed' ? 'failed' : 'comes later'}
                            </span>
                        </li>
                    ))}
                </ul>
            )}
            {video.renditions.some(({ state }) => state === 'ready') && <CameBack dispatch={dispatch} act={act} />}
            {dispatch.missing.now.some(({ about }) => about === 'terms') && (
                <div className="mb-3 flex items-center gap-3 rounded bg-sunk px-3 py-2">
                    <span>{dispatch.account.hostName} asks you to accept its terms.</span>
                    <Button className="ml-auto" disabled={terms.isPending} onClick={() => terms.mutate()}>
                        I accept them
                    </Button>
                </div>
            )}
            {dispatch.stage === 'held' && <Release dispatch={dispatch} zone={zone} act={act} />}
        </section>
    );
}

/** How it compares with the upload, once it has come back and was measured. */
function Measured({ of }: { of: Dispatch['measured'][number] | undefined }) {
    return of === undefined ? null : (
        <span className="text-soft" title="SSIM against the upload, in pieces of it (Wang et al. 2004)">
            <Figures text={`${Math.round(of.kbps)} kb/s · SSIM ${of.ssimDb.toFixed(1)} dB`} />
        </span>
    );
}
