import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { useEffect, useMemo } from 'react';
import { useParams } from 'react-router';
import { keys } from '../api/keys';
import { ToSurvives } from '../survives/ToSurvives';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { PackTrouble } from '../ui/PackTrouble';
import { Failed, Loading, Trouble } from '../ui/States';
import { takesKey } from '../ui/typing';
import { useTitle } from '../ui/useTitle';
import { CutStage } from '../viewer/CutStage';
import { usePieces } from '../viewer/usePieces';
import { AboutCut } from './AboutCut';
import { MissingFile } from './MissingFile';
import { SheetTable } from './SheetTable';
import { TakenBack } from './TakenBack';
import { ToSlips } from './ToSlips';
import { useSheet } from './useSheet';

export function SheetPage() {
    const id = Number(useParams().cut);
    return <SheetOf key={id} id={id} />;
}

function SheetOf({ id }: { id: number }) {
    const client = useQueryClient();
    const {
        query,
        sheet,
        outputs,
        range,
        change,
        setRange,
        undo,
        redo,
        canUndo,
        canRedo,
        planning,
        problem,
        told,
        dismiss,
        settled,
        pack: packSheet,
    } = useSheet(id);
    const { pieces } = usePieces(id);
    useTitle(sheet?.cut.name);
    const frames = sheet?.cut.frames ?? 1;
    const [first, last] = [range?.first ?? 0, range?.last ?? frames - 1];
    const { first: known, last: end } = sheet?.range ?? {};
    // Pieces lie within the range that is kept.
    // biome-ignore lint/correctness/useExhaustiveDependencies: the pieces lie within the range that is kept
    useEffect(() => {
        client.invalidateQueries({ queryKey: keys.pieces(id) });
    }, [client, id, known, end]);
    const delivered = useMemo(() => ({ first, last }), [first, last]);
    const pack = useMutation({
        mutationFn: packSheet,
        onSettled: () => client.invalidateQueries({ queryKey: keys.runs() }),
    });

    useEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            if (takesKey(event) || !(event.ctrlKey || event.metaKey)) {
                return;
            }
            const key = event.key.toLowerCase();
            if (key === 'z' || key === 'y') {
                event.preventDefault();
                (key === 'y' || event.shiftKey ? redo : undo)();
            }
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    });

    if (query.isError && sheet === undefined) {
        return <Failed error={query.error} retry={() => query.refetch()} />;
    }
    if (sheet === undefined) {
        return <Loading what="the sheet" />;
    }
    const { cut } = sheet;
    const count = outputs.length * Math.max(1, pieces.length);
    const whyNot =
        count === 0
            ? 'Add an output first'
            : cut.fileState !== 'here'
              ? cut.fileState === 'silent'
                  ? 'The cut’s drive does not answer'
                  : 'The cut’s file is not where it was'
              : sheet.stopped
                ? 'A finding marked ■ has to be answered first'
                : null;
    return (
        <div className="flex h-full min-w-[1024px] flex-col gap-3 px-5 pt-3.5">
            <div className="flex items-start gap-4">
                <div className="min-w-0 flex-1">
                    <h1 className="truncate text-[20px] leading-7 font-semibold" title={cut.name}>
                        {cut.name}
                    </h1>
                    <p className="flex text-[13px] text-soft">
                        <span className="truncate" title={cut.path}>
                            <Figures
                                text={[
                                    `${cut.width}×${cut.height}`,
                                    `${cut.frameRateLabel} fps`,
                                    cut.values.video,
                                    cut.durationLabel,
                                    '',
                                ].join(' · ')}
                            />
                            {cut.file}
                        </span>
                        <AboutCut cut={cut} />
                        <ToSlips cut={cut.id} />
                        <ToSurvives cut={cut.id} />
                    </p>
                </div>
                <div className="flex flex-none items-center gap-3 text-right">
                    <p
                        aria-live="polite"
                        className={`max-w-[440px] text-[13px] leading-[18px] text-balance text-soft ${planning ? 'opacity-50' : ''}`}
                    >
                        <Figures text={sheet.recap} />
                    </p>
                    <div className="flex items-center gap-2">
                        <Button
                            kind="quiet"
                            aria-label="Undo"
                            title={canUndo ? 'Undo (Ctrl Z)' : 'Nothing was changed yet'}
                            disabled={!canUndo}
                            onClick={undo}
                            className="h-9 disabled:opacity-30"
                        >
                            <Undo2 size={15} />
                        </Button>
                        <Button
                            kind="quiet"
                            aria-label="Redo"
                            title={canRedo ? 'Redo (Ctrl Shift Z)' : 'Nothing was taken back'}
                            disabled={!canRedo}
                            onClick={redo}
                            className="h-9 disabled:opacity-30"
                        >
                            <Redo2 size={15} />
                        </Button>
                        <Button
                            kind="primary"
                            className="h-9"
                            disabled={whyNot !== null || pack.isPending}
                            title={
                                whyNot ??
                                'Make these files: each becomes a run in the queue, and gets a slip of what came out'
                            }
                            onClick={() => pack.mutate(false)}
                        >
                            Pack {count} {count === 1 ? 'file' : 'files'}
                        </Button>
                    </div>
                </div>
            </div>
            {cut.fileState !== 'here' && <MissingFile cut={cut} />}
            {problem && <Trouble message={problem} />}
            {problem === null && pack.error && <PackTrouble error={pack.error} again={() => pack.mutate(true)} />}
            {told.length > 0 && (
                <div role="status" className="mb-3 flex items-start gap-3 rounded bg-sunk px-3 py-2 text-[13px]">
                    <span>{told.join(' ')}</span>
                    <Button kind="quiet" className="ml-auto h-6" onClick={dismiss}>
                        Understood
                    </Button>
                </div>
            )}
            <TakenBack cut={cut.id} keys={outputs.map(({ key }) => key)} settled={settled} />
            <CutStage cut={cut} range={delivered} noticed={sheet.noticed} setRange={setRange} />
            <SheetTable
                cut={cut}
                sheet={sheet}
                outputs={outputs}
                change={change}
                setRange={setRange}
                planning={planning}
            />
        </div>
    );
}
