import { useState } from 'react';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { FileButton } from '../ui/FileButton';
import { Popover } from '../ui/Popover';
import { haveNoGaps, type usePieces } from './usePieces';

interface Props {
    pieces: ReturnType<typeof usePieces>;
    seek: (frame: number) => void;
    mark: () => void;
}

/** How many files the range goes out in, and where each begins. */
export function PiecesMenu({ pieces: { pieces, divide }, seek, mark }: Props) {
    const [open, setOpen] = useState(false);
    const said = pieces.length === 0 ? 'in one file' : `in ${pieces.length} pieces`;
    const fixed = !haveNoGaps(pieces);
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="Pieces"
            width={440}
            align="end"
            anchor={
                <button
                    type="button"
                    aria-haspopup="dialog"
                    aria-expanded={open}
                    title="Whether the range goes out in one file, or each piece of it in its own"
                    onClick={() => setOpen(!open)}
                    className={`underline underline-offset-3 hover:text-ink ${pieces.length > 0 ? 'text-rust' : 'text-soft'}`}
                >
                    {said}
                </button>
            }
        >
            <div className="mb-2 flex items-baseline font-medium">
                Pieces
                <span className="ml-auto font-normal text-faint">
                    {pieces.length === 0 ? 'one file' : 'one file each, for every output'}
                </span>
            </div>
            {pieces.length > 0 && (
                <ol className="mb-3 max-h-[240px] overflow-y-auto border-y border-line" aria-label="Pieces">
                    {pieces.map((piece) => (
                        <li key={piece.first}>
                            <button
                                type="button"
                                className="flex h-7 w-full items-center gap-3 px-1 text-left hover:bg-sunk"
                                title={`Frames ${piece.first} to ${piece.last}`}
                                onClick={() => seek(piece.first)}
                            >
                                <span className="figure text-faint">{piece.number}</span>
                                <span className="figure">{piece.firstLabel}</span>
                                <span className="min-w-0 flex-1 truncate">{piece.name}</span>
                                <Figures className="text-soft" text={piece.durationLabel} />
                            </button>
                        </li>
                    ))}
                </ol>
            )}
            {divide.isError && (
                <p role="alert" className="mb-3 text-[12.5px] text-stop">
                    {divide.error.message}
                </p>
            )}
            <div className="flex flex-wrap gap-2">
                <Button
                    onClick={mark}
                    disabled={fixed || divide.isPending}
                    title={
                        fixed
                            ? 'These leave something out: go back to one file first'
                            : 'The frame that is shown begins a piece, or no longer does (M)'
                    }
                >
                    Begin one here
                </Button>
                <Button disabled={divide.isPending} onClick={() => divide.mutate({ shots: true })}>
                    {divide.isPending && divide.variables.shots ? 'Looking …' : 'At found shots'}
                </Button>
                <FileButton
                    accept=".edl,.csv,.tsv,.txt,.vtt"
                    name="List of pieces"
                    disabled={divide.isPending}
                    title="A CMX 3600 EDL, a CSV with a place on each line, or WebVTT chapters"
                    pick={async (file) => divide.mutate({ list: await file.text() })}
                >
                    By a list …
                </FileButton>
                {pieces.length > 0 && (
                    <Button kind="quiet" disabled={divide.isPending} onClick={() => divide.mutate({ points: [] })}>
                        One file
                    </Button>
                )}
            </div>
        </Popover>
    );
}
