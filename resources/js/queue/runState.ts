import { useMutation, useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Run } from '../api/types';
import type { MarkKind } from '../ui/Mark';

/** The one mark of a run's state wherever it is shown: on the strip, in the queue, at its slip, among packs. */
export function runMark({ state, differences }: Pick<Run, 'state' | 'differences'>): MarkKind | null {
    switch (state) {
        case 'failed':
            return 'stop';
        case 'stopped':
            return 'note';
        case 'done':
            return (differences ?? 0) > 0 ? 'caution' : 'done';
        default:
            return null;
    }
}

/** What the strip and the queue say of a run: `194/313 · 62 % · 24.3 fps · 0:14`; in brief, where there are several, `62 % · 0:14`. */
export function stateText(run: Run, brief = false): string {
    if (run.stopAsked) {
        return 'stopping';
    }
    switch (run.state) {
        case 'waiting':
            return run.recalled ? 'on its sheet' : run.paused ? 'paused' : 'waiting';
        case 'running':
            return [
                run.paused ? 'paused' : null,
                run.pass,
                brief ? null : `${run.frames}/${run.framesTotal}`,
                `${run.percent} %`,
                run.speed === null || run.paused || brief ? null : `${run.speed.toFixed(run.speed < 10 ? 1 : 0)} fps`,
                run.paused ? null : run.secondsLeftLabel,
            ]
                .filter(Boolean)
                .join(' · ');
        case 'done':
            return run.bytesLabel ?? 'done';
        default:
            return run.state;
    }
}

export function useStop(run: Run) {
    const client = useQueryClient();
    return useMutation({
        mutationFn: () => api.stop(run.id),
        onSettled: () => client.invalidateQueries({ queryKey: keys.runs() }),
    });
}
