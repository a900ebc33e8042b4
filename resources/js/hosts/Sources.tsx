import { Button } from '../ui/Button';
import { at, type Json, put, rows, without } from './draft';
import { LeaveOut } from './LeaveOut';
import { Place } from './Place';

interface Props {
    file: Json;
    change: ((file: Json) => void) | null;
}

/** Parts of a host that a source can tell of. */
const parts: Record<string, string> = {
    bitrates: 'Rates',
    containers: 'Containers',
    codecs: 'Video codecs',
    keyframes: 'Keyframes',
    audio: 'Audio',
    limits: 'Limits',
    recompression: 'What it does',
};

const today = () => new Date().toISOString().slice(0, 10);

/** Where the figures of a host came from, and when that was looked up. */
export function Sources({ file, change }: Props) {
    const list = rows(file, ['sources']);
    const set = (next: Json | undefined) => change?.(next ?? {});
    const text = (row: number, field: string) => String(at(file, ['sources', row, field]) ?? '');
    const keyOf = (label: string) => Object.keys(parts).find((key) => parts[key] === label);
    return (
        <section aria-label="Where it is from" className="mt-5">
            <h3 className="mb-1 font-medium">Where it is from</h3>
            {list.length === 0 && change === null && <p className="text-soft">No source is named.</p>}
            <ul className="text-[12px]">
                {list.map((_, row) => (
                    // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                    <li key={row} className="flex items-center gap-2 border-b border-line py-[3px]">
                        <span className="w-[110px] flex-none text-soft">
                            <Place
                                label={`What source ${row + 1} tells of`}
                                value={parts[text(row, 'of')] ?? text(row, 'of')}
                                placeholder="all of it"
                                choices={Object.values(parts)}
                                change={change && ((value) => set(put(file, ['sources', row, 'of'], keyOf(value))))}
                            />
                        </span>
                        <span className="min-w-0 flex-1">
                            <Place
                                label={`Source ${row + 1}`}
                                value={text(row, 'text')}
                                placeholder="A page, a letter, a measurement"
                                change={change && ((value) => set(put(file, ['sources', row, 'text'], value)))}
                            />
                        </span>
                        <span className="w-[96px] flex-none">
                            <Place
                                label={`Day on which source ${row + 1} was looked up`}
                                value={text(row, 'lookedUp')}
                                placeholder={today()}
                                fault={(value) =>
                                    value.trim() === '' || /^\d{4}-\d\d-\d\d$/.test(value.trim())
                                        ? null
                                        : 'As 2026-11-24.'
                                }
                                change={
                                    change &&
                                    ((value) => set(put(file, ['sources', row, 'lookedUp'], value.trim() || undefined)))
                                }
                            />
                        </span>
                        {change !== null && (
                            <LeaveOut
                                label={`source ${row + 1}`}
                                onClick={() => set(put(file, ['sources'], without(list, row)))}
                            />
                        )}
                    </li>
                ))}
            </ul>
            {change !== null && (
                <Button
                    className="mt-1.5 h-6"
                    onClick={() =>
                        set(put(file, ['sources', list.length], { text: 'Its help page', lookedUp: today() }))
                    }
                >
                    Add a source
                </Button>
            )}
        </section>
    );
}
