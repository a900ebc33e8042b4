import { useState } from 'react';
import { useAnalysis, useReading } from '../api/queries';
import type { Cut, ReadingInWords } from '../api/types';
import { Figures } from '../ui/Figures';
import { Popover } from '../ui/Popover';

/** Everything that was read of the cut and found in it, in words. */
export function AboutCut({ cut }: { cut: Cut }) {
    const [open, setOpen] = useState(false);
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label={`All about ${cut.name}`}
            width={760}
            tall
            anchor={
                <button
                    type="button"
                    onClick={() => setOpen(true)}
                    className="ml-2.5 flex-none text-soft underline decoration-dotted underline-offset-3 hover:text-ink"
                >
                    All about it
                </button>
            }
        >
            <Facts cut={cut} />
        </Popover>
    );
}

function Facts({ cut }: { cut: Cut }) {
    const { data, error } = useReading(cut.id);
    const { data: analysis } = useAnalysis(cut.id);
    if (error) {
        return <p role="alert">{error.message}</p>;
    }
    const found = analysis?.result?.inWords ?? [];
    const groups = [
        ...(data?.groups ?? []),
        ...(found.length > 0 ? [{ title: 'Found by looking', facts: found }] : []),
    ];
    return (
        <div className="columns-2 gap-7">
            {groups.map((group) => (
                <Group key={group.title} group={group} />
            ))}
        </div>
    );
}

function Group({ group }: { group: ReadingInWords['groups'][number] }) {
    return (
        <section className="mb-4 break-inside-avoid">
            <h2 className="mb-1 border-b border-rule pb-0.5 font-medium">{group.title}</h2>
            <dl className="grid grid-cols-[116px_1fr] gap-x-3">
                {group.facts.map((fact) => (
                    <div key={fact.name} className="contents">
                        <dt className="truncate text-soft" title={fact.name}>
                            {fact.name}
                        </dt>
                        <dd className="break-words">
                            <Figures text={fact.text} />
                        </dd>
                    </div>
                ))}
            </dl>
        </section>
    );
}
