import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { useLibraryChanged } from '../api/library';
import type { Lesson, LibraryItem } from '../api/types';
import { ItemActions, useItemActions } from '../library/ItemActions';
import { Versions } from '../library/Versions';
import { same } from '../sheet/outputs';
import { LessonTable } from '../teach/LessonTable';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Trouble } from '../ui/States';
import { useKept } from '../ui/useKept';
import { AsksTable, asked, askedAudio, madeAudio } from './AsksTable';
import { CodecsTable } from './CodecsTable';
import { at, type Json, put, rows } from './draft';
import { Place } from './Place';
import { RatesTable } from './RatesTable';
import { Sources } from './Sources';
import { Tiers } from './Tiers';

/** A host as a document: what it asks, what it does to an upload, where that is from; edited where it stands. */
export function HostDocument({ item }: { item: LibraryItem }) {
    const changed = useLibraryChanged();
    const saved = item.file as unknown as Json;
    const [draft, began, setDraft] = useDraft(item);
    const [note, setNote] = useState('');
    const file = draft ?? saved;
    const change = item.shipped ? null : (next: Json) => setDraft(same(next, saved) ? null : next);
    const save = useMutation({
        mutationFn: () => api.saveHost(item.slug, { file: file as Record<string, unknown>, note, began }),
        onSuccess: () => {
            setDraft(null);
            setNote('');
            changed();
        },
        // What somebody else saved meanwhile is looked at before it is saved over.
        onError: changed,
    });
    const actions = useItemActions(item);
    const sentence = item.host?.recompression;
    const name = String(at(file, ['name']) ?? '');
    return (
        <article className="min-h-0 overflow-y-auto pt-3 pb-6 text-[13px]" aria-label={item.name}>
            <div className="flex items-start gap-3">
                <div className="min-w-0 flex-1">
                    {change === null ? (
                        <h2 className="flex items-baseline gap-3">
                            <span className="truncate font-stencil text-[16px] tracking-[.05em] uppercase">
                                {item.name}
                            </span>
                            <span className="flex-none text-soft">ships with Outer Crate</span>
                        </h2>
                    ) : (
                        <h2 className="flex items-baseline gap-3">
                            <span className="w-[280px] font-medium">
                                <Place
                                    label="Name of the host"
                                    value={name}
                                    change={(text) => change(put(file, ['name'], text) ?? {})}
                                />
                            </span>
                            <Figures className="flex-none text-soft" text={`version ${item.version}`} />
                        </h2>
                    )}
                    <div className="mt-1 max-w-[560px] text-soft">
                        <Place
                            label="About the host"
                            value={String(at(file, ['about']) ?? '')}
                            placeholder="What it is"
                            change={change && ((text) => change(put(file, ['about'], text) ?? {}))}
                        />
                    </div>
                </div>
                <ItemActions item={item} actions={actions}>
                    <Link
                        to={`/hosts/${item.slug}/teach`}
                        title="Learn what it does from an upload and what came back of it"
                        className="inline-flex h-7 items-center rounded border border-line bg-surface px-3 hover:border-rule"
                    >
                        Teach it …
                    </Link>
                </ItemActions>
            </div>
            {actions.trouble && <Trouble message={actions.trouble.message} />}
            {item.fault !== null && <Trouble message={item.fault} />}
            {draft !== null && (
                <form
                    aria-label="Unsaved changes"
                    onSubmit={(event) => {
                        event.preventDefault();
                        save.mutate();
                    }}
                    className="sticky top-0 z-10 mt-3 rounded border border-rust bg-rust-wash px-3 py-2"
                >
                    <div className="flex items-center gap-2">
                        <span className="flex-none">Not saved yet.</span>
                        <input
                            aria-label="Note of this version"
                            placeholder="Note: what changed, and why"
                            value={note}
                            onChange={(event) => setNote(event.target.value)}
                            className="h-7 min-w-0 flex-1 rounded border border-line bg-page px-2"
                        />
                        <Button kind="quiet" onClick={() => setDraft(null)}>
                            Discard
                        </Button>
                        <Button kind="primary" type="submit" disabled={save.isPending}>
                            Save version {item.version + 1}
                        </Button>
                    </div>
                    {save.error && (
                        <div className="mt-2">
                            <Trouble message={save.error.message} />
                        </div>
                    )}
                    {began !== item.version && (
                        <p className="mt-2 flex items-center gap-2">
                            <Figures
                                text={`Yours began from version ${began}; version ${item.version} was saved meanwhile (Versions, below).`}
                            />
                            <Button className="ml-auto h-6" onClick={() => setDraft(draft, item.version)}>
                                Mine goes over it
                            </Button>
                        </p>
                    )}
                </form>
            )}
            <div className="mt-4 grid grid-cols-2 gap-x-8">
                <section aria-label="What it asks">
                    <h3 className="mb-1 font-medium">
                        What it asks <span className="font-normal text-soft">· rates in Mb/s</span>
                    </h3>
                    <RatesTable file={file} change={change} />
                    <div className="mt-3">
                        <CodecsTable file={file} change={change} />
                    </div>
                    <div className="mt-3">
                        <AsksTable
                            label="What else it asks"
                            file={file}
                            change={change}
                            fields={[...asked, ...askedAudio]}
                        />
                    </div>
                </section>
                <section aria-label="What it does to an upload">
                    <h3 className="mb-1 font-medium">What it does to an upload</h3>
                    {draft === null && sentence && (
                        <p className="mb-2 text-soft">
                            <Figures text={sentence} />
                        </p>
                    )}
                    <Tiers file={file} change={change} />
                    {at(file, ['recompression']) !== undefined && (
                        <AsksTable label="The audio that it makes" file={file} change={change} fields={madeAudio} />
                    )}
                    <Evidence lessons={rows(file, ['recompression', 'taughtBy']) as unknown as Lesson[]} />
                    <Sources file={file} change={change} />
                    <Notes file={file} change={change} />
                    <Reliance item={item} />
                </section>
            </div>
            <Versions item={item} />
        </article>
    );
}

/** What is not saved yet and the version that it began from, kept until it is saved or discarded: leaving the page loses nothing. */
function useDraft(item: LibraryItem) {
    const [kept, setKept] = useKept<{ began: number; file: Json } | null>(`outer-crate/host/${item.slug}`, null);
    const keep = (file: Json | null, began = kept?.began ?? item.version) =>
        setKept(file === null ? null : { began, file });
    return [kept?.file ?? null, kept?.began ?? item.version, keep] as const;
}

/** Uploads that it was taught by. */
function Evidence({ lessons }: { lessons: Lesson[] }) {
    return lessons.length === 0 ? null : (
        <details className="mt-5">
            <summary className="cursor-pointer font-medium">
                Taught by {lessons.length === 1 ? 'an upload' : `${lessons.length} uploads`}
            </summary>
            <div className="mt-2">
                {lessons.map((lesson) => (
                    <LessonTable key={lesson.upload.name} lesson={lesson} />
                ))}
            </div>
        </details>
    );
}

function Notes({ file, change }: { file: Json; change: ((file: Json) => void) | null }) {
    const notes = String(at(file, ['notes']) ?? '');
    if (change === null && notes === '') {
        return null;
    }
    return (
        <section aria-label="Notes" className="mt-5">
            <h3 className="mb-1 font-medium">Notes</h3>
            {change === null ? (
                <p className="whitespace-pre-wrap">{notes}</p>
            ) : (
                <textarea
                    aria-label="Notes"
                    rows={3}
                    value={notes}
                    onChange={(event) => change(put(file, ['notes'], event.target.value || undefined) ?? {})}
                    className="w-full rounded border border-line bg-page px-2 py-1"
                />
            )}
        </section>
    );
}

/** What a change of the host would touch. */
function Reliance({ item }: { item: LibraryItem }) {
    return (
        <section aria-label="What relies on it" className="mt-5">
            <h3 className="mb-1 font-medium">What relies on it</h3>
            {item.presets.length === 0 && item.sheets.length === 0 && (
                <p className="text-soft">No preset, and no sheet.</p>
            )}
            <ul className="flex flex-wrap gap-x-4 gap-y-1">
                {item.presets.map((preset) => (
                    <li key={preset.slug}>
                        <Link className="underline decoration-dotted underline-offset-3" to={`/presets/${preset.slug}`}>
                            {preset.name}
                        </Link>
                    </li>
                ))}
                {item.sheets.map((sheet) => (
                    <li key={sheet.cut}>
                        <Link className="underline decoration-dotted underline-offset-3" to={`/cuts/${sheet.cut}`}>
                            {sheet.name}
                        </Link>
                        <Figures
                            className="text-soft"
                            text={`, ${sheet.outputs} ${sheet.outputs === 1 ? 'output' : 'outputs'}`}
                        />
                    </li>
                ))}
            </ul>
        </section>
    );
}
