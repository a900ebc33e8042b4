import { X } from 'lucide-react';
import type { ReactNode } from 'react';
import { Button } from '../ui/Button';
import { PickFiles } from '../ui/PickFiles';

interface Props {
    /** Paths of the files of each. */
    lessons: string[][];
    setLessons: (lessons: string[][]) => void;
    /** What is done with them. */
    children: ReactNode;
}

const cross = 'flex size-5 flex-none items-center justify-center rounded text-soft hover:bg-sunk hover:text-ink';

const nameOf = (path: string) => path.split('/').at(-1) ?? path;

/** Uploads, each with what came back of it. */
export function Lessons({ lessons, setLessons, children }: Props) {
    const taken = lessons.flat();
    const put = (at: number, files: string[]) =>
        setLessons(lessons.map((own, i) => (i === at ? files : own)).filter((own) => own.length > 0));
    return (
        <section aria-label="Files" className="border-t-2 border-rule text-[13px]">
            {lessons.map((files, at) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: items have no identity but their position
                <div key={at} className="flex items-start gap-4 border-b border-line py-2">
                    <span className="w-[112px] flex-none pt-[5px] text-soft">
                        {lessons.length === 1 ? 'The upload and what came back' : `Upload ${at + 1} and what came back`}
                    </span>
                    <ul className="flex min-w-0 flex-1 flex-wrap gap-1.5" aria-label={`Files of upload ${at + 1}`}>
                        {files.map((path) => (
                            <li
                                key={path}
                                title={path}
                                className="flex h-7 max-w-[300px] items-center gap-1.5 rounded border border-line bg-surface pr-1 pl-2"
                            >
                                <span className="truncate">{nameOf(path)}</span>
                                <button
                                    type="button"
                                    aria-label={`Leave ${nameOf(path)} out`}
                                    onClick={() =>
                                        put(
                                            at,
                                            files.filter((other) => other !== path),
                                        )
                                    }
                                    className={cross}
                                >
                                    <X size={13} />
                                </button>
                            </li>
                        ))}
                        <li>
                            <PickFiles
                                label="Add files …"
                                title="Add files"
                                taken={taken}
                                pick={(more) => put(at, [...files, ...more])}
                            />
                        </li>
                    </ul>
                </div>
            ))}
            <div className="flex items-center gap-3 pt-2.5">
                <PickFiles
                    label={lessons.length === 0 ? 'Choose the upload and what came back …' : 'Another upload …'}
                    title="An upload and what came back of it"
                    taken={taken}
                    pick={(files) => setLessons([...lessons, files])}
                />
                {children}
                {lessons.length > 0 && (
                    <Button kind="quiet" className="ml-auto" onClick={() => setLessons([])}>
                        Begin anew
                    </Button>
                )}
            </div>
        </section>
    );
}
