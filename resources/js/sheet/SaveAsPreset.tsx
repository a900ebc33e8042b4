import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { useLibraryChanged } from '../api/library';
import type { SavingPreview } from '../api/types';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Figures } from '../ui/Figures';
import { Trouble } from '../ui/States';
import type { Output } from './outputs';
import type { Columns } from './useColumns';

interface Props {
    cut: number;
    output: Output;
    /** The column is being decided: what would be saved is not known yet. */
    planning: boolean;
    columns: Columns;
    close: () => void;
}

/** Makes a preset of a column: cell by cell the rule that would be kept, or what it came to on this cut. */
export function SaveAsPreset({ cut, output, planning, columns, close }: Props) {
    const preview = useQuery({
        queryKey: keys.saving(cut, output.key),
        queryFn: () => api.columnAsPreset(cut, output.key),
        enabled: !planning,
        staleTime: 0,
    });
    if (preview.error) {
        return <Trouble message={preview.error.message} />;
    }
    return preview.data === undefined ? (
        <p className="text-soft">Reading the column …</p>
    ) : (
        <Form cut={cut} output={output} preview={preview.data} columns={columns} close={close} />
    );
}

type FormProps = Pick<Props, 'cut' | 'output' | 'columns' | 'close'> & { preview: SavingPreview };

function Form({ cut, output, preview, columns, close }: FormProps) {
    const changed = useLibraryChanged();
    const client = useQueryClient();
    const [name, setName] = useState(preview.version === null ? '' : preview.name);
    const [note, setNote] = useState('');
    const [tags, setTags] = useState(preview.tags.join(', '));
    const [fixed, setFixed] = useState<string[]>([]);
    const save = useMutation({
        mutationFn: (over: boolean) => {
            const body = {
                name: name.trim(),
                note,
                tags: tags
                    .split(',')
                    .map((tag) => tag.trim())
                    .filter((tag) => tag !== ''),
                from: { cut, output: output.key, fixed },
            };
            return over
                ? api.savePreset(preview.preset, { ...body, began: preview.version ?? undefined })
                : api.createPreset({ ...body, about: preview.about });
        },
        onSuccess: (item) => {
            changed();
            // The column is what was saved: nothing of it is changed by hand any more.
            columns.swap(output.key, item.slug, output.host, false);
            close();
        },
        // Where somebody else saved it meanwhile, the next press knows of that.
        onError: () => client.invalidateQueries({ queryKey: keys.savings() }),
    });
    const over = preview.version !== null;
    const another = over && name.trim() !== '' && name.trim() !== preview.name;
    return (
        <form
            // The rows scroll; what is typed and the buttons stay in sight.
            className="flex max-h-[calc(var(--radix-popover-content-available-height)-76px)] flex-col"
            onSubmit={(event) => {
                event.preventDefault();
                save.mutate(over && !another);
            }}
        >
            <div className="min-h-[120px] flex-1 overflow-y-auto pl-2.5">
                <table className="w-full table-fixed" aria-label="What the preset will say">
                    <colgroup>
                        <col style={{ width: 96 }} />
                        <col />
                        <col style={{ width: 200 }} />
                    </colgroup>
                    <thead className="text-soft">
                        <tr className="border-b border-line">
                            <th scope="col" className="sticky top-0 bg-surface pb-1">
                                Row
                            </th>
                            <th scope="col" className="sticky top-0 bg-surface pb-1">
                                Rule that is kept
                            </th>
                            <th
                                scope="col"
                                className="sticky top-0 bg-surface pb-1"
                                title="Says outright what this cut and its host came to"
                            >
                                Or fixed, as on this cut
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {preview.rows.map((row) => {
                            const isFixed = fixed.includes(row.cell);
                            return (
                                <tr key={row.cell} className="border-b border-line align-top">
                                    <th scope="row" className="py-1 text-soft">
                                        {row.label}
                                    </th>
                                    <td className="py-1 pr-2">
                                        <span className={`relative block ${isFixed ? 'text-faint line-through' : ''}`}>
                                            {row.changed && (
                                                <span
                                                    title="Differs from the preset that the column began with"
                                                    className="absolute top-[7px] -left-2.5 size-[5px] rounded-full bg-rust"
                                                />
                                            )}
                                            <Figures text={row.rule} />
                                        </span>
                                        {row.changed && !isFixed && (
                                            <Figures
                                                className="block text-[12px] leading-4 text-faint"
                                                text={`was: ${row.was}`}
                                            />
                                        )}
                                    </td>
                                    <td className="py-1">
                                        {row.fixed !== null && (
                                            <label className="flex items-start gap-2">
                                                <input
                                                    type="checkbox"
                                                    checked={isFixed}
                                                    aria-label={`Fix ${row.label}: ${row.value}`}
                                                    onChange={() =>
                                                        setFixed((cells) =>
                                                            isFixed
                                                                ? cells.filter((cell) => cell !== row.cell)
                                                                : [...cells, row.cell],
                                                        )
                                                    }
                                                    className="mt-1 accent-rust"
                                                />
                                                <Figures className={isFixed ? '' : 'text-soft'} text={row.value} />
                                            </label>
                                        )}
                                    </td>
                                </tr>
                            );
                        })}
                    </tbody>
                </table>
            </div>
            <div className="mt-3 grid grid-cols-2 gap-x-4 gap-y-2">
                <Field label="Name" value={name} onChange={setName} placeholder="What you will look for" focused />
                <Field label="Tags" value={tags} onChange={setTags} placeholder="small, archive" />
                <Field label="Note of this version" value={note} onChange={setNote} placeholder="Why it is so" wide />
            </div>
            {save.error && (
                <div className="mt-3">
                    <Trouble message={save.error.message} />
                </div>
            )}
            <div className="mt-3 flex items-center gap-2 border-t border-line pt-3">
                <Figures
                    className="text-[12px] text-soft"
                    text={
                        over
                            ? `Saving over “${preview.name}” makes version ${(preview.version ?? 0) + 1} of it.`
                            : 'It becomes a preset of your own.'
                    }
                />
                <Button
                    className="ml-auto"
                    kind={over && !another ? 'plain' : 'primary'}
                    disabled={name.trim() === '' || save.isPending || (over && !another)}
                    title={
                        name.trim() === ''
                            ? 'Give it a name first'
                            : over && !another
                              ? 'Give it another name to save it as a new one'
                              : undefined
                    }
                    onClick={() => save.mutate(false)}
                >
                    Save as new
                </Button>
                {over && (
                    <Button
                        kind={another ? 'plain' : 'primary'}
                        disabled={name.trim() === '' || save.isPending}
                        onClick={() => save.mutate(true)}
                    >
                        {another ? 'Save over and rename' : 'Save over'}
                    </Button>
                )}
            </div>
        </form>
    );
}
