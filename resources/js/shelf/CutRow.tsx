import { useMutation, useQueryClient } from '@tanstack/react-query';
import { X } from 'lucide-react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Cut } from '../api/types';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { Poster } from '../ui/Poster';
import { QuickPack } from './QuickPack';

const tool = 'flex size-5 flex-none items-center justify-center rounded text-faint hover:bg-sunk hover:text-stop';

const what = {
    here: '',
    changed: 'has changed',
    gone: 'has moved or gone',
};

export function CutRow({ cut }: { cut: Cut }) {
    const client = useQueryClient();
    const takeOff = useMutation({
        mutationFn: () => api.takeOff(cut.id),
        onSettled: () => client.invalidateQueries({ queryKey: keys.cuts() }),
    });
    const quiet = 'truncate px-2';
    return (
        <tr className="group relative h-[68px] border-b border-line hover:bg-surface focus-within:bg-surface">
            <td className="py-[7px] pr-2">
                <div className="flex items-center gap-3.5">
                    <Poster src={cut.poster} name={cut.name} width={96} height={54} />
                    <div className="min-w-0">
                        <Link
                            to={`/cuts/${cut.id}`}
                            className="block truncate text-[14px] font-medium after:absolute after:inset-0"
                            title={cut.name}
                        >
                            {cut.name}
                        </Link>
                        {takeOff.error && (
                            <span role="alert" className="block text-[12.5px] leading-4 text-stop">
                                {takeOff.error.message}
                            </span>
                        )}
                        <span className="block truncate text-soft" title={cut.path}>
                            {cut.fileState === 'here' ? (
                                cut.file
                            ) : (
                                <span className="inline-flex items-center gap-1.5 text-stop">
                                    <Mark kind="stop" />
                                    {cut.fileState === 'silent'
                                        ? 'Its drive does not answer'
                                        : `${cut.file} ${what[cut.fileState]}`}
                                </span>
                            )}
                        </span>
                    </div>
                    {cut.fileState === 'here' && (
                        <span className="relative z-1 ml-auto flex-none">
                            <QuickPack cut={cut} />
                        </span>
                    )}
                    <button
                        type="button"
                        aria-label={`Take ${cut.name} off the shelf`}
                        title="Take off the shelf; the file stays, and it can be taken back"
                        disabled={takeOff.isPending}
                        onClick={() => takeOff.mutate()}
                        className={`absolute top-[22px] -right-5 z-1 ${tool}`}
                    >
                        <X size={14} />
                    </button>
                </div>
            </td>
            <td className={quiet}>
                <Figures text={cut.values.frameSize} />
            </td>
            <td className={quiet} title={`${cut.frameRate} frames per second`}>
                <Figures text={cut.values.frameRate} />
            </td>
            <td className={quiet}>
                <Figures text={cut.values.video} />
            </td>
            <td className={`${quiet} max-[1180px]:hidden`}>
                <Figures text={cut.values.colour} />
            </td>
            <td className={`${quiet} max-[1180px]:hidden ${cut.values.audio === 'none' ? 'text-faint' : ''}`}>
                <Figures text={cut.values.audio} />
            </td>
            <td className={`${quiet} text-right`} title={`${cut.frames} frames`}>
                <Figures text={cut.durationLabel} />
            </td>
            <td className={`${quiet} pr-0 text-right`} title={`${cut.bytes.toLocaleString('en')} bytes`}>
                <Figures text={cut.bytesLabel} />
            </td>
        </tr>
    );
}
