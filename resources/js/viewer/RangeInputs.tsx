import type { Cut, Range } from '../api/types';
import { FrameInput } from './FrameInput';

interface Props {
    cut: Cut;
    range: Range;
    setRange: (range: Range) => void;
}

/** First and last frame in numbers; neither passes the other. */
export function RangeInputs({ cut, range: { first, last }, setRange }: Props) {
    return (
        <>
            <FrameInput
                label="First"
                value={first}
                clock={cut.timecode}
                from={0}
                to={last}
                onChange={(frame) => setRange({ first: frame, last })}
            />
            <FrameInput
                label="Last"
                value={last}
                clock={cut.timecode}
                from={first}
                to={cut.frames - 1}
                onChange={(frame) => setRange({ first, last: frame })}
            />
        </>
    );
}
