import { useState } from 'react';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Popover } from '../ui/Popover';
import { FindingList, type ShownFinding } from './FindingList';

/** The worst finding in words and how many there are; a click shows them all, each with its remedy. */
export function FindingsCell({ label, findings }: { label: string; findings: ShownFinding[] }) {
    const [open, setOpen] = useState(false);
    const worst = findings[0];
    if (worst === undefined) {
        return (
            <span className="flex items-center gap-2 font-normal">
                <Mark kind="done" /> none
            </span>
        );
    }
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label={label}
            width={380}
            anchor={
                <button
                    type="button"
                    onClick={() => setOpen(true)}
                    title={worst.text}
                    className="flex h-[29px] w-full items-center gap-2 text-left font-normal hover:underline focus-visible:outline-offset-[-2px]"
                >
                    <Mark kind={worst.severity} />
                    <span className="truncate">{worst.text}</span>
                    {findings.length > 1 && (
                        <Figures className="ml-auto flex-none text-faint" text={`+${findings.length - 1}`} />
                    )}
                </button>
            }
        >
            <FindingList
                findings={findings.map((finding) => ({
                    ...finding,
                    remedy: finding.remedy && {
                        text: finding.remedy.text,
                        apply: () => {
                            finding.remedy?.apply();
                            setOpen(false);
                        },
                    },
                }))}
            />
        </Popover>
    );
}
