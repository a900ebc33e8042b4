import { useState } from 'react';
import { api } from '../api/client';
import type { Dispatch } from '../api/types';
import { Button } from '../ui/Button';
import { FileButton } from '../ui/FileButton';
import type { useDispatchAction } from './useDispatches';

interface Props {
    dispatch: Dispatch;
    /** That its cut has; null where it was made of none. */
    frames: number | null;
    act: ReturnType<typeof useDispatchAction>;
}

/** Which part of the picture fills the frame, as thumbnail-request.json has it, and how much the dark is lifted. */
const whole = { across: 0.5, down: 0.5, closer: 1, lift: 0 };

const sliders = [
    { name: 'closer', label: 'Closer', min: 1, max: 3 },
    { name: 'across', label: 'Across', min: 0, max: 1 },
    { name: 'down', label: 'Down', min: 0, max: 1 },
    { name: 'lift', label: 'Lift', min: 0, max: 1 },
] as const;

/** A part of an exact frame of the cut, or of a picture of one’s own, lifted where it is dark. */
export function Thumbnail({ dispatch, frames, act }: Props) {
    const { id, thumbnail, cut, picture } = dispatch;
    const [frame, setFrame] = useState(Math.floor((frames ?? 1) / 2));
    const [ofPicture, setOfPicture] = useState(picture);
    const [part, setPart] = useState(whole);
    // What is being chosen is shown in place of what was taken.
    const [chooses, setChooses] = useState(thumbnail === null);
    const source = ofPicture ? `/api/dispatches/${id}/picture?${thumbnail}` : `/api/cuts/${cut}/frames/${frame}`;
    const isShown = ofPicture || frames !== null;
    const take = () =>
        act.mutate(() => api.thumbnail(id, { ...(ofPicture ? {} : { frame }), ...part }), {
            onSuccess: () => setChooses(false),
        });
    const bring = (file: File) =>
        act.mutate(() => api.bringPicture(id, file), {
            onSuccess: () => {
                setOfPicture(true);
                setPart(whole);
                setChooses(false);
            },
        });
    const place = `${100 * part.across}% ${100 * part.down}%`;
    return (
        <div className="mb-3 flex items-start gap-3">
            <span className="block h-[108px] w-[192px] flex-none overflow-hidden rounded bg-sunk">
                {thumbnail !== null && !chooses ? (
                    <img
                        src={`/api/dispatches/${id}/thumbnail?${thumbnail}`}
                        alt="The thumbnail"
                        className="size-full object-cover"
                    />
                ) : (
                    isShown && (
                        <img
                            src={source}
                            alt={ofPicture ? 'A picture of your own' : `Frame ${frame} of the cut`}
                            className="size-full object-cover"
                            style={{
                                objectPosition: place,
                                transform: `scale(${part.closer})`,
                                transformOrigin: place,
                                filter: part.lift > 0 ? `brightness(${1 + part.lift / 2})` : undefined,
                            }}
                        />
                    )
                )}
            </span>
            <div className="grid flex-1 grid-cols-[52px_1fr] items-center gap-x-2 gap-y-1">
                <span className="col-span-2 text-[12px] text-soft">
                    {thumbnail === null ? 'No thumbnail yet: the host picks one' : 'Thumbnail'}
                </span>
                {frames !== null && (
                    <>
                        <label htmlFor="thumbnail-frame">Frame</label>
                        <input
                            id="thumbnail-frame"
                            type="number"
                            min={0}
                            max={frames - 1}
                            value={frame}
                            onChange={(event) => {
                                setFrame(Math.max(0, Math.min(frames - 1, Number(event.target.value))));
                                setOfPicture(false);
                                setChooses(true);
                            }}
                            className="figure h-7 w-24 rounded border border-line bg-page px-2"
                        />
                    </>
                )}
                {isShown &&
                    sliders.map(({ name, label, min, max }) => (
                        <Slider
                            key={name}
                            {...{ name, label, min, max }}
                            value={part[name]}
                            change={(value) => {
                                setPart({ ...part, [name]: value });
                                setChooses(true);
                            }}
                        />
                    ))}
                <span className="col-span-2 mt-1 flex gap-2">
                    {isShown && chooses && (
                        <Button disabled={act.isPending} onClick={take}>
                            Take it
                        </Button>
                    )}
                    {picture && !ofPicture && (
                        <Button
                            kind="quiet"
                            onClick={() => {
                                setOfPicture(true);
                                setChooses(true);
                            }}
                        >
                            Back to your picture
                        </Button>
                    )}
                    <FileButton
                        accept="image/jpeg,image/png"
                        name="Picture for the thumbnail"
                        kind="quiet"
                        disabled={act.isPending}
                        pick={bring}
                    >
                        {picture ? 'Another picture' : 'A picture of your own'}
                    </FileButton>
                </span>
            </div>
        </div>
    );
}

interface SliderProps {
    name: string;
    label: string;
    min: number;
    max: number;
    value: number;
    change: (value: number) => void;
}

function Slider({ name, label, min, max, value, change }: SliderProps) {
    const id = `thumbnail-${name}`;
    return (
        <>
            <label htmlFor={id}>{label}</label>
            <input
                id={id}
                type="range"
                {...{ min, max, value }}
                step={0.05}
                onChange={(event) => change(Number(event.target.value))}
                className="min-w-0 accent-rust"
            />
        </>
    );
}
