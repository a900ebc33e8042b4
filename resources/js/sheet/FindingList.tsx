import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark, type MarkKind } from '../ui/Mark';

export interface ShownFinding {
    id: string;
    severity: MarkKind;
    text: string;
    remedy: { text: string; apply: () => void } | null;
}

/** Findings in full, each with its remedy. */
export function FindingList({ findings }: { findings: ShownFinding[] }) {
    return (
        <ul className="flex flex-col gap-3">
            {findings.map((finding) => (
                <li key={finding.id} className="flex gap-2">
                    <span className="pt-1">
                        <Mark kind={finding.severity} />
                    </span>
                    <div>
                        <Figures className="block" text={finding.text} />
                        {finding.remedy && (
                            <Button className="mt-1.5" onClick={finding.remedy.apply}>
                                <Figures text={finding.remedy.text} />
                            </Button>
                        )}
                    </div>
                </li>
            ))}
        </ul>
    );
}
