import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Pause, Play, X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Upload } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { cancel, discard, onArrival, pause, resume, type Sending, sendFiles, useSendings } from './uploads';

/** The files that are on their way from this browser, and those that an earlier page began and did not finish. */
export function Sendings() {
    const client = useQueryClient();
    const sendings = useSendings();
    const { data } = useQuery({ queryKey: keys.uploads(), queryFn: api.uploads, refetchInterval: 20_000 });
    useEffect(() => {
        onArrival(() => {
            for (const queryKey of [keys.cuts(), keys.media(), keys.uploads(), keys.runs()]) {
                client.invalidateQueries({ queryKey });
            }
        });
    }, [client]);
    const known = new Set(sendings.map((sending) => sending.id));
    const unfinished = (data?.uploads ?? []).filter((upload) => !known.has(upload.id));
    if (sendings.length === 0 && unfinished.length === 0) {
        return null;
    }
    return (
        <section aria-label="Files on their way" className="mb-4 border-y-2 border-rule text-[13px]">
            <ul>
                {sendings.map((sending) => (
                    <Row key={sending.key} sending={sending} />
                ))}
                {unfinished.map((upload) => (
                    <Unfinished
                        key={upload.id}
                        upload={upload}
                        renew={() => client.invalidateQueries({ queryKey: keys.uploads() })}
                    />
                ))}
            </ul>
        </section>
    );
}

const quantity = (bytes: number) =>
    bytes >= 1e9
        ? `${(bytes / 1e9).toFixed(2)} GB`
        : bytes >= 1e6
          ? `${(bytes / 1e6).toFixed(1)} MB`
          : `${Math.ceil(bytes / 1e3)} kB`;

function clock(seconds: number): string {
    const whole = Math.ceil(seconds);
    const pad = (value: number) => String(value).padStart(2, '0');
    return whole >= 3600
        ? `${Math.floor(whole / 3600)}:${pad(Math.floor(whole / 60) % 60)}:${pad(whole % 60)}`
        : `${Math.floor(whole / 60)}:${pad(whole % 60)}`;
}

function words({ state, sent, bytes, speed, problem, sha256 }: Sending): string {
    switch (state) {
        case 'sending':
            return speed === null
                ? `${quantity(sent)} of ${quantity(bytes)}`
                : `${quantity(sent)} of ${quantity(bytes)} · ${quantity(speed)}/s · ${clock((bytes - sent) / speed)} left`;
        case 'paused':
            return `paused at ${quantity(sent)} of ${quantity(bytes)}`;
        case 'waiting for the line':
            return `the line is gone; goes on by itself from ${quantity(sent)}`;
        case 'reading':
            return 'all of it has arrived, reading …';
        case 'done':
            return `on the shelf · every piece checked · SHA-256 ${sha256?.slice(0, 12)}…`;
        case 'failed':
            return problem ?? 'failed';
    }
}

function Row({ sending }: { sending: Sending }) {
    const { key, name, state, sent, bytes, cut } = sending;
    const percent = bytes === 0 ? 100 : Math.floor((100 * sent) / bytes);
    const over = state === 'done' || state === 'reading';
    return (
        <li className="relative flex min-h-9 items-center gap-3 border-b border-line last:border-0">
            {state === 'done' && <Mark kind="done" />}
            {state === 'failed' && <Mark kind="stop" />}
            {state === 'waiting for the line' && <Mark kind="caution" />}
            <span className="max-w-[40%] min-w-[120px] truncate font-medium" title={name}>
                {cut === null ? (
                    name
                ) : (
                    <Link to={`/cuts/${cut.id}`} className="hover:underline">
                        {cut.name}
                    </Link>
                )}
            </span>
            <span
                className={`min-w-0 flex-1 ${state === 'failed' ? 'py-1.5 leading-[18px]' : 'truncate text-soft'}`}
                title={sending.sha256 ?? undefined}
                role={state === 'failed' ? 'alert' : undefined}
            >
                <Figures text={words(sending)} />
            </span>
            {!over && <Figures className="flex-none" text={`${percent} %`} />}
            <span className="flex flex-none gap-1">
                {(state === 'sending' || state === 'waiting for the line') && (
                    <Button kind="quiet" aria-label={`Pause ${name}`} title="Pause" onClick={() => pause(key)}>
                        <Pause size={14} />
                    </Button>
                )}
                {(state === 'paused' || (state === 'failed' && sent < bytes)) && (
                    <Button kind="quiet" aria-label={`Go on with ${name}`} title="Go on" onClick={() => resume(key)}>
                        <Play size={14} />
                    </Button>
                )}
                <Button
                    kind="quiet"
                    aria-label={over ? `Put ${name} away` : `Give up ${name}`}
                    title={over ? 'Put away' : 'Give up: what has arrived is removed'}
                    onClick={() => cancel(key)}
                >
                    <X size={14} />
                </Button>
            </span>
            {!over && (
                <span
                    role="progressbar"
                    aria-label={`Sending ${name}`}
                    aria-valuenow={percent}
                    className={`absolute bottom-0 left-0 h-[2px] ${state === 'sending' ? 'bg-rust' : 'bg-faint'}`}
                    style={{ width: `${percent}%` }}
                />
            )}
        </li>
    );
}

/** Browsers do not let a page open a file again by itself: the person chooses it once more, and it goes on where it was. */
function Unfinished({ upload, renew }: { upload: Upload; renew: () => void }) {
    const chooser = useRef<HTMLInputElement>(null);
    const percent = Math.floor((100 * upload.offset) / Math.max(1, upload.bytes));
    return (
        <li className="flex h-9 items-center gap-3 border-b border-line last:border-0">
            <span className="max-w-[40%] min-w-[120px] truncate font-medium" title={upload.name}>
                {upload.name}
            </span>
            <span className="min-w-0 flex-1 truncate text-soft">
                <Figures
                    text={`not finished: ${percent} % of ${upload.bytesLabel} is here. Choose the same file to go on.`}
                />
            </span>
            <input
                ref={chooser}
                type="file"
                className="hidden"
                aria-label={`Choose ${upload.name} again`}
                onChange={(event) => sendFiles(event.target.files ?? [])}
            />
            <Button onClick={() => chooser.current?.click()}>Choose it again</Button>
            <Button
                kind="quiet"
                aria-label={`Discard ${upload.name}`}
                title="Discard what has arrived"
                onClick={() => discard(upload.id).finally(renew)}
            >
                <X size={14} />
            </Button>
        </li>
    );
}
