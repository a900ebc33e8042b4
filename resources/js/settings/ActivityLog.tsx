import { useInfiniteQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { moment } from '../ui/moment';
import { Trouble } from '../ui/States';

/** Who did what and when, the latest first. */
export function ActivityLog() {
    const [search, setSearch] = useState('');
    const words = useDeferredValue(search.trim());
    const { data, error, fetchNextPage, hasNextPage, isFetchingNextPage } = useInfiniteQuery({
        queryKey: keys.activity(words),
        queryFn: ({ pageParam }) => api.activity(words, pageParam),
        initialPageParam: undefined as number | undefined,
        getNextPageParam: (page) => (page.more ? page.entries.at(-1)?.id : undefined),
        placeholderData: (old) => old,
    });
    const entries = data?.pages.flatMap((page) => page.entries) ?? [];
    return (
        <section aria-labelledby="activity" className="mt-6 mb-8 text-[13px]">
            <div className="mb-2 flex items-end justify-between gap-5">
                <div>
                    <h2 id="activity" className="font-stencil text-[16px] tracking-[.05em]">
                        ACTIVITY
                    </h2>
                    <p className="text-soft">Who changed what, here and on the command line.</p>
                </div>
                <input
                    type="search"
                    aria-label="Search the activity"
                    placeholder="Search names and actions"
                    value={search}
                    onChange={(event) => setSearch(event.target.value)}
                    className="h-7 w-64 rounded border border-line bg-page px-2"
                />
            </div>
            {error && <Trouble message={error.message} />}
            {entries.length === 0 && data !== undefined ? (
                <p className="border-t-2 border-rule py-2 text-soft">
                    {words === '' ? 'Nothing has been changed yet.' : `Nothing matches “${words}”.`}
                </p>
            ) : (
                <table className="w-full table-fixed border-t-2 border-rule text-left">
                    <colgroup>
                        <col className="w-[150px]" />
                        <col className="w-[180px]" />
                        <col />
                        <col className="w-[150px]" />
                    </colgroup>
                    <thead className="sr-only">
                        <tr>
                            <th scope="col">When</th>
                            <th scope="col">Who</th>
                            <th scope="col">What</th>
                            <th scope="col">From</th>
                        </tr>
                    </thead>
                    <tbody>
                        {entries.map(({ id, at, who, what, subject, address, times }) => (
                            <tr key={id} className="border-b border-line">
                                <td className="py-1.5 pr-5 text-soft">
                                    <Figures text={moment(at)} />
                                </td>
                                <td className="truncate py-1.5 pr-5 font-medium" title={who}>
                                    {who}
                                </td>
                                <td className="truncate py-1.5 pr-5" title={`${what} ${subject}`}>
                                    {what}
                                    {subject !== '' && <span className="text-soft"> · {subject}</span>}
                                    {times > 1 && (
                                        <span className="text-soft">
                                            {' '}
                                            · <Figures text={`${times} times`} />
                                        </span>
                                    )}
                                </td>
                                <td className="truncate py-1.5 text-right text-soft">
                                    <Figures text={address ?? 'command line'} />
                                </td>
                            </tr>
                        ))}
                    </tbody>
                </table>
            )}
            {hasNextPage && (
                <div className="mt-2">
                    <Button kind="quiet" disabled={isFetchingNextPage} onClick={() => fetchNextPage()}>
                        Show older
                    </Button>
                </div>
            )}
        </section>
    );
}
