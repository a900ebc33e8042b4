import { useState } from 'react';
import { api } from '../api/client';
import type { Dispatch } from '../api/types';
import { Button } from '../ui/Button';
import type { useDispatchAction } from './useDispatches';

interface Props {
    dispatch: Dispatch;
    /** That its cut has. */
    frames: number;
    act: ReturnType<typeof useDispatchAction>;
}

/** An exact frame of the cut, filled to the shape that the host takes, lifted where it is dark. */
export function Thumbnail({ dispatch, frames, act }: Props) {
    const [frame, setFrame] = useState(Math.floor(frames / 2));
    const [lift, setLift] = useState(0);
    const { id, thumbnail, cut } = dispatch;
    const shown =
        thumbnail === null ? `/api/cuts/${cut}/frames/${frame}` : `/api/dispatches/${id}/thumbnail?${thumbnail}`;
    return (
        <div className="mb-3 flex items-start gap-3">
            <img
                src={shown}
                alt={thumbnail === null ? `Frame ${frame} of the cut` : 'The thumbnail'}
                className="h-[90px] w-[160px] flex-none rounded bg-sunk object-cover"
            />
            <div className="grid flex-1 grid-cols-[64px_1fr] items-center gap-x-2 gap-y-1.5">
                <span className="col-span-2 text-[12px] text-soft">
                    {thumbnail === null ? 'No thumbnail yet: the host picks one' : 'Thumbnail'}
                </span>
                <label htmlFor="thumbnail-frame">Frame</label>
                <input
                    id="thumbnail-frame"
                    type="number"
                    min={0}
                    max={frames - 1}
                    value={frame}
                    onChange={(event) => setFrame(Math.max(0, Math.min(frames - 1, Number(event.target.value))))}
                    className="figure h-7 w-24 rounded border border-line bg-page px-2"
                />
                <label htmlFor="thumbnail-lift">Lift</label>
                <div className="flex items-center gap-2">
                    <input
                        id="thumbnail-lift"
                        type="range"
                        min={0}
                        max={1}
                        step={0.05}
                        value={lift}
                        onChange={(event) => setLift(Number(event.target.value))}
                        className="min-w-0 flex-1 accent-rust"
                    />
                    <Button
                        disabled={act.isPending}
                        onClick={() => act.mutate(() => api.thumbnail(id, { frame, lift }))}
                    >
                        Take it
                    </Button>
                </div>
            </div>
        </div>
    );
}
