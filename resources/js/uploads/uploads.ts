import { useSyncExternalStore } from 'react';
import { DetailedError, Upload } from 'tus-js-client';
import { api } from '../api/client';
import type { Cut } from '../api/types';
import { checkedStack } from './checkedStack';

export type SendState = 'sending' | 'paused' | 'waiting for the line' | 'reading' | 'done' | 'failed';

/** A file that this page sends. */
export interface Sending {
    key: string;
    name: string;
    bytes: number;
    sent: number;
    /** Bytes per second over the last seconds. */
    speed: number | null;
    state: SendState;
    problem: string | null;
    sha256: string | null;
    cut: Cut | null;
    /** Last part of the upload's address, once it has one. */
    id: string | null;
}

/** A piece is held in memory on both sides, once. */
const PIECE = 8 * 1024 * 1024;

/** Milliseconds before each new try: about an hour of a dead line, after which a click goes on. */
const TRIES = [300, 1_000, 2_000, ...Array.from({ length: 360 }, () => 10_000)];

let list: Sending[] = [];
const uploads = new Map<string, { upload: Upload; marks: { at: number; sent: number }[] }>();
const listeners = new Set<() => void>();
let arrived: (cut: Cut) => void = () => undefined;

function change(key: string, patch: Partial<Sending>) {
    list = list.map((sending) => (sending.key === key ? { ...sending, ...patch } : sending));
    for (const listener of listeners) {
        listener();
    }
}

function subscribe(listener: () => void) {
    listeners.add(listener);
    return () => listeners.delete(listener);
}

export const useSendings = () => useSyncExternalStore(subscribe, () => list);

/** Told of every cut that came of an upload. */
export function onArrival(listener: (cut: Cut) => void) {
    arrived = listener;
}

/** Begins to send files, or goes on with those of them that were begun before. */
export function sendFiles(files: Iterable<File>) {
    for (const file of files) {
        const key = `${file.name}-${file.size}-${file.lastModified}`;
        if (list.some((sending) => sending.key === key && sending.state !== 'failed' && sending.state !== 'done')) {
            continue;
        }
        list = [
            {
                key,
                name: file.name,
                bytes: file.size,
                sent: 0,
                speed: null,
                state: 'sending',
                problem: null,
                sha256: null,
                cut: null,
                id: null,
            },
            ...list.filter((sending) => sending.key !== key),
        ];
        start(key, file);
    }
}

async function start(key: string, file: File) {
    const upload = new Upload(file, {
        endpoint: '/api/uploads',
        chunkSize: PIECE,
        retryDelays: TRIES,
        metadata: { filename: file.name, filetype: file.type },
        removeFingerprintOnSuccess: true,
        httpStack: checkedStack(),
        onUploadUrlAvailable: () => change(key, { id: upload.url?.split('/').at(-1) ?? null }),
        onProgress: (sent) => progress(key, sent),
        onChunkComplete: () => change(key, { state: 'sending', problem: null }),
        onShouldRetry: (error) => {
            const status = error.originalResponse?.getStatus() ?? 0;
            if (status === 0) {
                change(key, { state: 'waiting for the line', speed: null });
            }
            // Another call asks for the sign-in meanwhile; the upload goes on after it.
            return (
                status === 0 || status === 401 || status === 409 || status === 423 || status === 460 || status >= 500
            );
        },
        onError: (error) => change(key, { state: 'failed', speed: null, problem: problemOf(error) }),
        onSuccess: () => finish(key),
    });
    uploads.set(key, { upload, marks: [] });
    const before = await upload.findPreviousUploads();
    if (before[0] !== undefined) {
        upload.resumeFromPreviousUpload(before[0]);
    }
    upload.start();
    change(key, {});
}

function progress(key: string, sent: number) {
    const marks = uploads.get(key)?.marks ?? [];
    const at = performance.now();
    marks.push({ at, sent });
    while (marks.length > 2 && at - (marks[0]?.at ?? at) > 5_000) {
        marks.shift();
    }
    const first = marks[0];
    const speed =
        first !== undefined && at - first.at > 400 && sent > first.sent
            ? ((sent - first.sent) / (at - first.at)) * 1000
            : null;
    change(key, { sent, ...(speed === null ? {} : { speed }) });
}

async function finish(key: string) {
    const id = list.find((sending) => sending.key === key)?.id ?? uploads.get(key)?.upload.url?.split('/').at(-1);
    change(key, { state: 'reading', speed: null });
    try {
        const { upload } = await api.upload(id ?? '');
        change(key, { sha256: upload.sha256 });
        const { cut } = await api.bringIn(upload.file ?? '');
        change(key, { state: 'done', cut });
        arrived(cut);
    } catch (error) {
        change(key, { state: 'failed', problem: error instanceof Error ? error.message : 'It could not be read.' });
    }
}

export function pause(key: string) {
    uploads.get(key)?.upload.abort();
    change(key, { state: 'paused', speed: null });
}

export function resume(key: string) {
    const known = uploads.get(key);
    if (known !== undefined) {
        known.marks.length = 0;
        change(key, { state: 'sending', problem: null });
        known.upload.start();
    }
}

/** Ends an upload; what had arrived is removed. */
export async function cancel(key: string) {
    const known = uploads.get(key);
    const state = list.find((sending) => sending.key === key)?.state;
    list = list.filter((sending) => sending.key !== key);
    change(key, {});
    if (state !== 'done' && state !== 'reading') {
        await known?.upload.abort(true).catch(() => undefined);
    }
    uploads.delete(key);
}

/** Removes an upload that an earlier page began. */
export async function discard(id: string) {
    await Upload.terminate(`/api/uploads/${id}`);
    for (const name of Object.keys(localStorage)) {
        if (name.startsWith('tus::') && localStorage.getItem(name)?.includes(id)) {
            localStorage.removeItem(name);
        }
    }
}

function problemOf(error: Error): string {
    if (error instanceof DetailedError) {
        try {
            return JSON.parse(error.originalResponse?.getBody() ?? '').error.message;
        } catch {
            return 'The line was lost. What has arrived is kept: go on when it is back.';
        }
    }
    return error.message;
}

// A line that is back is used at once, and not at the next try.
window.addEventListener('online', () => {
    for (const sending of list) {
        if (sending.state === 'waiting for the line') {
            uploads.get(sending.key)?.upload.abort();
            resume(sending.key);
        }
    }
});

window.addEventListener('beforeunload', (event) => {
    if (list.some((sending) => sending.state === 'sending')) {
        event.preventDefault();
    }
});
