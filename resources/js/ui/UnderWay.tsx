import { Button } from './Button';
import { Figures } from './Figures';
import { isGoing } from './isGoing';
import { Trouble } from './States';

interface Asked {
    state: string;
    percent: number;
    stopAsked: boolean;
    error: string | null;
}

interface Props {
    /** What was asked for last on this page; undefined while nothing was. */
    asked: Asked | undefined;
    /** What it is, for a screen reader. */
    label: string;
    /** What is said while it waits, while it goes on, and after it was stopped. */
    waits: string;
    goes: string;
    stopped: string;
    stop: { isPending: boolean; mutate: () => void };
    /** What went wrong in asking for it or about it. */
    problems: (Error | null)[];
}

/** Work that was asked for on this page: how far it is and a way to stop it, or why there is none. */
export function UnderWay({ asked, label, waits, goes, stopped, stop, problems }: Props) {
    const failed = asked?.state === 'failed' ? asked.error : null;
    const messages = [...problems.map((problem) => problem?.message ?? null), failed].filter((text) => text !== null);
    return (
        <>
            {messages.map((message) => (
                <div key={message} className="mt-3">
                    <Trouble message={message} />
                </div>
            ))}
            {asked && isGoing(asked) && (
                <div className="relative mt-4 flex h-10 items-center gap-4 rounded bg-sunk px-3 text-[13px]">
                    <span role="status">
                        <Figures text={asked.state === 'waiting' ? waits : `${goes} · ${asked.percent} %`} />
                    </span>
                    <Button
                        className="ml-auto"
                        disabled={asked.stopAsked || stop.isPending}
                        onClick={() => stop.mutate()}
                    >
                        {asked.stopAsked || stop.isPending ? 'Stopping …' : 'Stop'}
                    </Button>
                    <span
                        role="progressbar"
                        aria-label={label}
                        aria-valuenow={asked.percent}
                        className="absolute bottom-0 left-0 h-[3px] bg-rust"
                        style={{ width: `${asked.percent}%` }}
                    />
                </div>
            )}
            {asked?.state === 'stopped' && <p className="mt-4 text-[13px] text-soft">{stopped}</p>}
        </>
    );
}
