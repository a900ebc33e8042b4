import { useState } from 'react';
import type { Edits, Plan } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Popover } from '../ui/Popover';

/** The worst finding in words and how many there are; a click shows them all, each with its remedy. */
export function FindingsCell({ plan, apply }: { plan: Plan | undefined; apply: (patch: Edits) => void }) {
    const [open, setOpen] = useState(false);
    if (plan === undefined) {
        return '…';
    }
    const worst = plan.findings[0];
    if (worst === undefined) {
        return (
            <span className="flex items-center gap-2 font-normal">
                <Mark kind="done" /> none
            </span>
        );
    }
    const more = plan.findings.length - 1;
    return (
        <Popover
            open={open}
            onOpenChange={setOpen}
            label={`Findings of ${plan.presetName}`}
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
                    {more > 0 && <Figures className="ml-auto flex-none text-faint" text={`+${more}`} />}
                </button>
            }
        >
            <ul className="flex flex-col gap-3">
                {plan.findings.map((finding) => (
                    <li key={finding.id} className="flex gap-2">
                        <span className="pt-1">
                            <Mark kind={finding.severity} />
                        </span>
                        <div>
                            <Figures text={finding.text} />
                            {finding.remedy && (
                                <Button
                                    className="mt-1.5"
                                    onClick={() => {
                                        apply(finding.remedy?.patch ?? {});
                                        setOpen(false);
                                    }}
                                >
                                    <Figures text={finding.remedy.text} />
                                </Button>
                            )}
                        </div>
                    </li>
                ))}
            </ul>
        </Popover>
    );
}
