import type { ReactNode } from 'react';
import type { Cut, CutAnalysis, Range, Sheet } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Legend } from './Legend';
import { RangeInputs } from './RangeInputs';
import { framesPerSecond } from './timecode';

interface Props {
    cut: Cut;
    range: Range;
    noticed: Sheet['noticed'];
    analysis: CutAnalysis | undefined;
    setRange: (range: Range | null) => void;
    lookAgain: () => void;
    /** What says in how many pieces it goes out. */
    pieces: ReactNode;
}

/** The range in numbers, and the one click that leaves out what does not belong. */
export function RangeLine({ cut, range, noticed, analysis, setRange, lookAgain, pieces }: Props) {
    const frames = range.last - range.first + 1;
    const whole = frames === cut.frames;
    const suggestion = noticed.find((notice) => notice.range !== null);
    const suggested = analysis?.result?.suggestedRange ?? null;
    const taken = suggestion === undefined && suggested !== null;
    return (
        <>
            <div className="flex h-[24px] items-center gap-4 text-[13px] whitespace-nowrap">
                <RangeInputs cut={cut} range={range} setRange={setRange} />
                <span className="-ml-3 text-faint" title="The last frame is part of what is delivered">
                    kept
                </span>
                <Figures className="text-soft" text={`${frames} ${frames === 1 ? 'frame' : 'frames'}`} />
                <Figures className="text-soft" text={`${(frames / framesPerSecond(cut.frameRate)).toFixed(3)} s`} />
                {pieces}
                {!whole && (
                    <button
                        type="button"
                        onClick={() => setRange(null)}
                        className="text-soft underline underline-offset-3 hover:text-ink"
                    >
                        Deliver all of it
                    </button>
                )}
                <span className="ml-auto flex min-w-0 items-center gap-2">
                    {suggestion?.range ? (
                        <>
                            <Mark kind={suggestion.severity} />
                            <span className="truncate text-soft" title={suggestion.text}>
                                {suggestion.id === 'footage-after-gap'
                                    ? 'Footage after a gap'
                                    : 'Black at the end or the beginning'}
                            </span>
                            <Button className="h-6" onClick={() => setRange(suggestion.range)}>
                                Leave it out
                            </Button>
                        </>
                    ) : taken ? (
                        <span className="truncate text-rust">Left out: {suggested.reason}</span>
                    ) : null}
                    <Legend />
                </span>
            </div>
            {analysis?.state === 'failed' && (
                <div role="alert" className="mt-1 flex items-center gap-2 text-[13px]">
                    <Mark kind="caution" />
                    <span className="min-w-0">{analysis.error}</span>
                    <Button className="h-6 flex-none" onClick={lookAgain}>
                        Look again
                    </Button>
                </div>
            )}
        </>
    );
}
