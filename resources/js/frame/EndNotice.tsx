import { X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { useStrip } from '../api/queries';
import { play } from '../settings/play';
import { Mark } from '../ui/Mark';

const look =
    'fixed right-5 bottom-[48px] z-40 flex max-w-[420px] items-center gap-3 rounded border border-rule bg-surface ' +
    'px-3 py-2 text-[13px] shadow-pop';

/** Says on every page when all of the queue is done: what was made, a sound, and a notification where the browser may. */
export function EndNotice() {
    const ended = useStrip().data?.ended;
    const known = useRef<number | null | undefined>(undefined);
    const [dismissed, setDismissed] = useState<number | null>(null);
    const [fresh, setFresh] = useState<number | null>(null);
    useEffect(() => {
        if (ended === undefined) {
            return;
        }
        // What had ended before the page was opened is no news.
        if (
            known.current !== undefined &&
            ended !== null &&
            ended.id !== known.current &&
            ended.made + ended.failed > 0
        ) {
            setFresh(ended.id);
            play(ended.sound);
            if (typeof Notification !== 'undefined' && Notification.permission === 'granted' && document.hidden) {
                new Notification('Outer Crate', { body: ended.words, tag: `queue-${ended.id}` });
            }
        }
        known.current = ended?.id ?? null;
    }, [ended]);
    if (!ended || fresh !== ended.id || dismissed === ended.id) {
        return null;
    }
    return (
        <div role="status" aria-label="The queue is done" className={look}>
            <Mark kind={ended.failed > 0 ? 'caution' : 'done'} />
            <span className="min-w-0">{ended.words}</span>
            <Link to="/queue" className="flex-none text-rust hover:underline" onClick={() => setDismissed(ended.id)}>
                To the queue
            </Link>
            <button
                type="button"
                aria-label="Put the notice away"
                onClick={() => setDismissed(ended.id)}
                className="flex size-6 flex-none items-center justify-center rounded text-faint hover:bg-sunk hover:text-ink"
            >
                <X size={13} />
            </button>
        </div>
    );
}
