import { Button } from './Button';
import { Figures } from './Figures';

interface Props {
    /** What is under way, for a screen reader. */
    label: string;
    text: string;
    percent: number;
    stopAsked: boolean;
    stop: () => void;
}

/** Work that was asked for on this page: how far it is, and a way to stop it. */
export function UnderWay({ label, text, percent, stopAsked, stop }: Props) {
    return (
        <div className="relative mt-4 flex h-10 items-center gap-4 rounded bg-sunk px-3 text-[13px]">
            <span role="status">
                <Figures text={text} />
            </span>
            <Button className="ml-auto" disabled={stopAsked} onClick={stop}>
                {stopAsked ? 'Stopping …' : 'Stop'}
            </Button>
            <span
                role="progressbar"
                aria-label={label}
                aria-valuenow={percent}
                className="absolute bottom-0 left-0 h-[3px] bg-rust"
                style={{ width: `${percent}%` }}
            />
        </div>
    );
}
