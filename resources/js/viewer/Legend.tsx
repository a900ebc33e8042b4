import { CircleHelp } from 'lucide-react';
import { useState } from 'react';
import { Popover } from '../ui/Popover';

const signs = [
    ['h-[7px] bg-line', 'How loud it is: the higher, the louder'],
    ['h-0 border-t-2 border-note', 'How much fine detail the picture has'],
    ['h-3 bg-neutral', 'Black picture'],
    [
        'h-3 border border-faint bg-[repeating-linear-gradient(45deg,var(--faint)_0_1px,transparent_1px_4px)]',
        'Nothing moves',
    ],
    ['h-3 border border-line bg-caution-wash', 'Left over after the end'],
    ['h-[3px] bg-caution', 'Silence'],
    ['h-3 border-y-2 border-rust', 'What is delivered; its ends are dragged'],
] as const;

/** What the signs of the strip mean. */
export function Legend() {
    const [open, setOpen] = useState(false);
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label="What the strip shows"
            width={320}
            align="end"
            anchor={
                <button
                    type="button"
                    aria-label="What the strip shows"
                    title="What the strip shows"
                    onClick={() => setOpen(true)}
                    className="flex size-5 flex-none items-center justify-center rounded text-faint hover:bg-sunk hover:text-ink"
                >
                    <CircleHelp size={14} />
                </button>
            }
        >
            <div className="mb-2 font-medium">What the strip shows</div>
            <ul className="flex flex-col gap-1.5">
                {signs.map(([look, means]) => (
                    <li key={means} className="flex items-center gap-3">
                        <span aria-hidden className={`w-5 flex-none ${look}`} />
                        {means}
                    </li>
                ))}
            </ul>
            <p className="mt-2 text-soft">The wheel zooms, down to single frames.</p>
        </Popover>
    );
}
