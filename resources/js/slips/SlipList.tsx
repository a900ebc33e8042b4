import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { filterFrom, isNarrowed } from '../api/deliveryFilter';
import type { Delivery } from '../api/types';
import { Button } from '../ui/Button';
import { Figures } from '../ui/Figures';
import { Mark } from '../ui/Mark';
import { moment } from '../ui/moment';
import { Blank, Failed, Loading, Trouble } from '../ui/States';
import { Title } from '../ui/Title';
import { useTitle } from '../ui/useTitle';
import { SlipFilters } from './SlipFilters';
import { useDeliveries, useDeliveryChoices } from './useDeliveries';

/** All files made so far, newest first. Each links to its slip. */
export function SlipList() {
    const [address, setAddress] = useSearchParams();
    const filter = useMemo(() => filterFrom(address), [address]);
    const choices = useDeliveryChoices();
    const list = useDeliveries(filter);
    useTitle('Slips');
    const error = list.error ?? choices.error;
    if (error !== null && (list.data === undefined || choices.data === undefined)) {
        return <Failed error={error} retry={() => Promise.all([list.refetch(), choices.refetch()])} />;
    }
    if (list.data === undefined || choices.data === undefined) {
        return <Loading what="the slips" />;
    }
    if (!choices.data.isAnyMade) {
        return (
            <Blank
                title="No file has been made yet"
                action={
                    <Link to="/" className="text-rust underline underline-offset-4">
                        Go to the shelf
                    </Link>
                }
            >
                A slip says what came out of each file that was made.
            </Blank>
        );
    }
    const files = list.data.pages.flatMap((page) => page.deliveries);
    return (
        <div className="min-w-[1024px] px-5 py-4">
            <Title about="All files made so far, newest first. A slip is kept even if its file is deleted">Slips</Title>
            <SlipFilters filter={filter} choices={choices.data} change={setAddress} />
            {error !== null && <Trouble message={error.message} />}
            {files.length === 0 ? (
                <Blank
                    title="No file matches"
                    within
                    action={isNarrowed(filter) && <Button onClick={() => setAddress({})}>Show all files</Button>}
                >
                    Try fewer words, or another host, preset or day.
                </Blank>
            ) : (
                <Files files={files} />
            )}
            {list.hasNextPage && (
                <div className="mt-3">
                    <Button kind="quiet" disabled={list.isFetchingNextPage} onClick={() => list.fetchNextPage()}>
                        Show older
                    </Button>
                </div>
            )}
        </div>
    );
}

const columns: { label: string; width: string | number; look?: string }[] = [
    { label: 'File', width: '30%', look: 'pl-0' },
    { label: 'Cut', width: '18%' },
    { label: 'Preset', width: '20%' },
    { label: 'Host', width: 120 },
    { label: 'Size', width: 88, look: 'text-right' },
    { label: 'Made', width: 150 },
    { label: 'State', width: 168 },
];

function Files({ files }: { files: Delivery[] }) {
    return (
        <table className="w-full table-fixed border-t-2 border-rule text-[13px]">
            <colgroup>
                {columns.map(({ label, width }) => (
                    <col key={label} style={{ width }} />
                ))}
            </colgroup>
            <thead>
                <tr className="h-[30px] border-b border-rule text-soft">
                    {columns.map(({ label, look = '' }) => (
                        <th key={label} scope="col" className={`px-2 ${look}`}>
                            {label}
                        </th>
                    ))}
                </tr>
            </thead>
            <tbody>
                {files.map((file) => (
                    <File key={file.id} file={file} />
                ))}
            </tbody>
        </table>
    );
}

function File({ file }: { file: Delivery }) {
    return (
        <tr className="relative h-9 border-b border-line hover:bg-surface">
            <td className="truncate px-2 pl-0 font-medium" title={file.file}>
                <Link to={`/slips/${file.pack}`} className="after:absolute after:inset-0">
                    {file.file}
                </Link>
            </td>
            <td className="truncate px-2 text-soft" title={file.cutName}>
                {file.cutName}
            </td>
            <td className="truncate px-2 text-soft" title={file.presetName}>
                {file.presetName}
            </td>
            <td className="truncate px-2 text-soft" title={file.hostName ?? undefined}>
                {file.hostName ?? '–'}
            </td>
            <td className="px-2 text-right">
                <Figures text={file.bytesLabel} />
            </td>
            <td className="px-2 text-soft">
                <Figures text={moment(file.madeAt)} />
            </td>
            <td className="truncate px-2">
                <State file={file} />
            </td>
        </tr>
    );
}

function State({ file }: { file: Delivery }) {
    if (!file.onDisk) {
        return <span className="text-soft">no longer on disk</span>;
    }
    const text =
        file.differences === 0
            ? 'as planned'
            : `${file.differences} ${file.differences === 1 ? 'difference' : 'differences'}`;
    return (
        <span className="flex items-center gap-2">
            <Mark kind={file.differences === 0 ? 'done' : 'caution'} />
            <Figures text={text} />
        </span>
    );
}
