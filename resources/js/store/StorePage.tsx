import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { Store } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { moment } from '../ui/moment';
import { Blank, Failed, Loading, Trouble } from '../ui/States';
import { Title } from '../ui/Title';
import { useTitle } from '../ui/useTitle';

type Stored = Store['files'][number];

const derivedWords = {
    pictures: ['Exact frames of cuts', 'taken again when somebody looks'],
    steps: ['Steps of transit tests', 'encoded again by the next test'],
};

const counted = (files: number) => `${files} ${files === 1 ? 'file' : 'files'}`;

/** What was made and takes room: cleared away with care, and put back until that is emptied. */
export function StorePage() {
    const client = useQueryClient();
    const { data, error, refetch, hasNextPage, fetchNextPage, isFetchingNextPage } = useInfiniteQuery({
        queryKey: keys.storeFiles(),
        queryFn: ({ pageParam }) => api.store(pageParam),
        initialPageParam: undefined as string | undefined,
        getNextPageParam: (page) => page.cursor ?? undefined,
    });
    const [chosen, setChosen] = useState<number[]>([]);
    const act = useMutation({
        mutationFn: (how: () => Promise<unknown>) => how(),
        onSuccess: () => {
            for (const queryKey of [keys.store(), keys.machine(), keys.packs(), keys.deliveries()]) {
                client.invalidateQueries({ queryKey });
            }
            setChosen([]);
        },
    });
    useTitle('Store');
    if (error && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    const [first] = data?.pages ?? [];
    if (data === undefined || first === undefined) {
        return <Loading what="the store" />;
    }
    const files = data.pages.flatMap((page) => page.files);
    const { cleared, filesLabel } = first;
    const groups = new Map<string, Stored[]>();
    for (const file of files) {
        const name = `${file.cut ?? ''} ${file.cutName}`;
        groups.set(name, [...(groups.get(name) ?? []), file]);
    }
    const toggle = (run: number) =>
        setChosen(chosen.includes(run) ? chosen.filter((other) => other !== run) : [...chosen, run]);
    return (
        <div className="max-w-[1180px] px-5 py-4">
            <Title
                about="What was made and takes room; cuts are never touched"
                more={
                    <span className="ml-auto flex flex-none items-center gap-2">
                        <Button
                            disabled={chosen.length === 0 || act.isPending}
                            title={
                                chosen.length === 0
                                    ? 'Choose files first'
                                    : 'They can be put back until that is emptied'
                            }
                            onClick={() => act.mutate(() => api.clearStored(chosen))}
                        >
                            Clear {chosen.length === 0 ? 'away' : `${chosen.length} away`}
                        </Button>
                    </span>
                }
            >
                Store
            </Title>
            {act.error && <Trouble message={act.error.message} />}
            {cleared.files > 0 && (
                <div role="status" className="mb-3 flex items-center gap-3 rounded bg-sunk px-3 py-2 text-[13px]">
                    <span className="min-w-0 truncate" title={cleared.names.join('\n')}>
                        <Figures text={`${counted(cleared.files)} cleared away, ${cleared.label}: `} />
                        {cleared.names.join(', ')}
                        {cleared.files > cleared.names.length && ' …'}
                    </span>
                    <Button
                        className="ml-auto flex-none"
                        disabled={act.isPending}
                        onClick={() => act.mutate(api.takeStoredBack)}
                    >
                        Put back
                    </Button>
                    <Button className="flex-none" disabled={act.isPending} onClick={() => act.mutate(api.emptyStore)}>
                        Delete for good
                    </Button>
                </div>
            )}
            {files.length === 0 ? (
                <Blank title="No made file lies here">What is packed is listed here, by its cut.</Blank>
            ) : (
                <table className="w-full table-fixed border-t-2 border-rule text-[13px]" aria-label="Made files">
                    <thead>
                        <tr className="border-b border-rule text-left text-soft">
                            <th scope="col" className="h-[30px] w-[34px]">
                                <span className="sr-only">Chosen</span>
                            </th>
                            <th scope="col" className="w-[84px]">
                                Role
                            </th>
                            <th scope="col">File</th>
                            <th scope="col" className="w-[170px]">
                                Made
                            </th>
                            <th scope="col" className="w-[250px]" />
                            <th scope="col" className="w-[100px] text-right">
                                <Figures text={filesLabel} />
                            </th>
                        </tr>
                    </thead>
                    {[...groups].map(([name, ofCut]) => (
                        <tbody key={name}>
                            <tr>
                                <th
                                    scope="rowgroup"
                                    colSpan={5}
                                    className="border-b border-line pt-3 pb-1 text-left font-medium"
                                >
                                    {ofCut[0]?.cutName}
                                </th>
                                <td className="border-b border-line pt-3 pb-1 text-right text-soft">
                                    <Figures text={ofCut[0]?.cutBytesLabel ?? ''} />
                                </td>
                            </tr>
                            {ofCut.map((file) => (
                                <tr key={file.run} className="border-b border-line">
                                    <td className="h-[30px]">
                                        <input
                                            type="checkbox"
                                            className="block accent-rust"
                                            aria-label={`Choose ${file.file}`}
                                            disabled={file.kept !== null && !chosen.includes(file.run)}
                                            checked={chosen.includes(file.run)}
                                            onChange={() => toggle(file.run)}
                                        />
                                    </td>
                                    <td className="text-soft">{file.role}</td>
                                    <td className="truncate" title={file.path}>
                                        <Link to={`/slips/${file.pack}`} className="hover:underline">
                                            {file.file}
                                        </Link>
                                    </td>
                                    <td className="text-soft">
                                        {file.endedAt !== null && <Figures text={moment(file.endedAt)} />}
                                    </td>
                                    <td className="truncate text-[12.5px] text-faint" title={file.kept ?? undefined}>
                                        {file.onDisk ? file.kept : 'File missing'}
                                    </td>
                                    <td className="text-right">
                                        <Figures text={file.bytesLabel} />
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    ))}
                </table>
            )}
            {hasNextPage && (
                <div className="mt-3">
                    <Button kind="quiet" disabled={isFetchingNextPage} onClick={() => fetchNextPage()}>
                        Show more
                    </Button>
                </div>
            )}
            <Derived act={act.mutate} isPending={act.isPending} />
        </div>
    );
}

interface DerivedProps {
    act: (how: () => Promise<unknown>) => void;
    isPending: boolean;
}

/** Cached files. Counting them on disk can take longer than listing finished files. */
function Derived({ act, isPending }: DerivedProps) {
    const { data } = useQuery({ queryKey: keys.storeDerived(), queryFn: api.storeDerived });
    return (
        <>
            <h2 className="mt-6 mb-1 text-[13px] font-medium">Made again at any time</h2>
            <ul className="border-t border-rule text-[13px]">
                {(data?.derived ?? []).map(({ what, bytes, label }) => (
                    <li key={what} className="flex h-9 items-center gap-3 border-b border-line">
                        <span className="w-[220px]">{derivedWords[what][0]}</span>
                        <span className="min-w-0 flex-1 truncate text-soft">{derivedWords[what][1]}</span>
                        <Figures text={label} />
                        <Button
                            kind="quiet"
                            aria-label={`Delete: ${derivedWords[what][0]}`}
                            disabled={bytes === 0 || isPending}
                            onClick={() => act(() => api.clearDerived(what))}
                        >
                            Delete
                        </Button>
                    </li>
                ))}
            </ul>
        </>
    );
}
