import { useQueryClient } from '@tanstack/react-query';
import { memo, useEffect, useLayoutEffect, useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { useAnalysis } from '../api/queries';
import type { Cut, Range, Sheet } from '../api/types';
import { takesKey } from '../ui/typing';
import { PiecesMenu } from './PiecesMenu';
import { RangeLine } from './RangeLine';
import { RangeStrip } from './RangeStrip';
import { usePieces } from './usePieces';
import { usePlayer } from './usePlayer';
import { useRoom } from './useRoom';
import { Viewer } from './Viewer';

interface Props {
    cut: Cut;
    range: Range;
    noticed: Sheet['noticed'];
    /** Null delivers all of the cut. */
    setRange: (range: Range | null) => void;
}

/** Height of the line under the strip, with its distance. */
const LINE = 28;

/** The cut to look at, and the part of it that is delivered. */
export const CutStage = memo(function CutStage({ cut, range, noticed, setRange }: Props) {
    const client = useQueryClient();
    const { data: analysis } = useAnalysis(cut.id);
    const [large, setLarge] = useState(false);
    const room = useRoom();
    const player = usePlayer(cut, range, analysis?.proxy ?? null);
    const { frame, seek, toggle, pause, last } = player;
    const divided = usePieces(cut.id);
    useEffect(() => {
        if (analysis?.state === 'done') {
            client.invalidateQueries({ queryKey: keys.sheet(cut.id) });
        }
    }, [analysis?.state, client, cut.id]);

    // With what is shown, not a moment later: a key that follows at once acts on what is seen.
    useLayoutEffect(() => {
        const onKey = (event: KeyboardEvent) => {
            const target = event.target instanceof HTMLElement ? event.target : document.body;
            const here = target === document.body || target.id === 'main' || target.closest('[data-stage]') !== null;
            const asked = document.querySelector('[role=dialog], [data-radix-popper-content-wrapper]') !== null;
            if (takesKey(event) || asked || event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) {
                return;
            }
            const step = event.shiftKey ? cut.timecode.perSecond : 1;
            const key = event.key.toLowerCase();
            const anywhere: Record<string, () => void> = {
                i: () => setRange({ first: frame, last: Math.max(frame, range.last) }),
                o: () => setRange({ first: Math.min(frame, range.first), last: frame }),
                m: () => divided.mark(frame),
            };
            const onStage: Record<string, () => void> = {
                arrowleft: () => seek(frame - step),
                arrowright: () => seek(frame + step),
                home: () => seek(event.shiftKey ? range.first : 0),
                end: () => seek(event.shiftKey ? range.last : last),
                ' ': toggle,
            };
            const act =
                anywhere[key] ?? (here && !(key === ' ' && target.matches('button')) ? onStage[key] : undefined);
            if (act !== undefined) {
                event.preventDefault();
                if (key !== ' ') {
                    pause();
                }
                act();
            }
        };
        window.addEventListener('keydown', onKey);
        return () => window.removeEventListener('keydown', onKey);
    });

    return (
        <section
            data-stage
            aria-label="Picture and range"
            className={`flex flex-none gap-3 ${large ? 'flex-col' : ''}`}
        >
            <Viewer cut={cut} analysis={analysis} player={player} large={large} setLarge={setLarge} height={room} />
            <div className="flex min-w-0 flex-1 flex-col gap-1">
                <RangeStrip
                    cut={cut}
                    analysis={analysis}
                    range={range}
                    setRange={setRange}
                    player={player}
                    pieces={divided.pieces}
                    height={room - LINE}
                />
                <RangeLine
                    pieces={<PiecesMenu pieces={divided} seek={seek} mark={() => divided.mark(frame)} />}
                    cut={cut}
                    range={range}
                    noticed={noticed}
                    analysis={analysis}
                    setRange={setRange}
                    lookAgain={() =>
                        api.analyse(cut.id).then((answer) => client.setQueryData(keys.analysis(cut.id), answer))
                    }
                />
            </div>
        </section>
    );
});
