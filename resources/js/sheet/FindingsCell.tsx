import { useState } from 'react';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Popover } from '../ui/Popover';
import { spoken } from '../ui/spoken';
import { FindingList, type ShownFinding } from './FindingList';

interface Props {
    label: string;
    findings: ShownFinding[];
    /** Its place in the sheet, where it stands in one. */
    at?: string;
}

const look = 'flex items-center gap-2 font-normal focus-visible:outline-offset-[-2px]';

/** The worst finding in words and how many there are; a click shows them all, each with its remedy. */
export function FindingsCell({ label, findings, at }: Props) {
    const [open, setOpen] = useState(false);
    const worst = findings[0];
    if (worst === undefined) {
        return (
            <span data-at={at} tabIndex={at === undefined ? undefined : -1} className={`${look} h-[29px]`}>
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
                    data-at={at}
                    aria-label={spoken(
                        `${label}: ${worst.text}${findings.length > 1 ? ` +${findings.length - 1}` : ''}`,
                    )}
                    onClick={() => setOpen(true)}
                    title={worst.text}
                    className={`${look} min-h-[29px] w-full text-left hover:underline`}
                >
                    <Mark kind={worst.severity} />
                    <span className="line-clamp-5 py-[3px] text-[12px] leading-[15px] whitespace-normal">
                        {worst.text}
                    </span>{' '}
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
