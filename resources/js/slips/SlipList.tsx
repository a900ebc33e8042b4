import { Link, useSearchParams } from 'react-router';
import { isNarrowed, soughtIn } from '../api/sought';
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

/** Every file that was made, the latest first: each leads to its slip. */
export function SlipList() {
    const [address, setAddress] = useSearchParams();
    const sought = soughtIn(address);
    const choices = useDeliveryChoices();
    const list = useDeliveries(sought);
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
            <Title about="Every file that was made, the latest first. A file keeps its slip when it is deleted">
                Slips
            </Title>
            <SlipFilters sought={sought} choices={choices.data} change={setAddress} />
            {error !== null && <Trouble message={error.message} />}
            {files.length === 0 ? (
                <Blank
                    title="No file matches"
                    within
                    action={isNarrowed(sought) && <Button onClick={() => setAddress({})}>Show all files</Button>}
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

function Files({ files }: { files: Delivery[] }) {
    return (
        <table className="w-full table-fixed border-t-2 border-rule text-[13px]">
            <colgroup>
                <col style={{ width: '30%' }} />
                <col style={{ width: '18%' }} />
                <col style={{ width: '20%' }} />
                <col style={{ width: 120 }} />
                <col style={{ width: 88 }} />
                <col style={{ width: 150 }} />
                <col style={{ width: 168 }} />
            </colgroup>
            <thead>
                <tr className="border-b border-rule text-soft">
                    <th scope="col" className="h-[30px] px-2 pl-0">
                        File
                    </th>
                    <th scope="col" className="px-2">
                        Cut
                    </th>
                    <th scope="col" className="px-2">
                        Preset
                    </th>
                    <th scope="col" className="px-2">
                        Host
                    </th>
                    <th scope="col" className="px-2 text-right">
                        Size
                    </th>
                    <th scope="col" className="px-2">
                        Made
                    </th>
                    <th scope="col" className="px-2">
                        State
                    </th>
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
