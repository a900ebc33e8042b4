import type { FaultMap } from '../api/types';
import { Figures } from '../ui/Figures';
import { FAULTS } from './drawFaults';

interface Props {
    /** Of the files that are shown. */
    faults: { isFetching: boolean; data: FaultMap | undefined }[];
    /** Which of them is spoken of. */
    of: number;
}

const chip = 'absolute right-4 bottom-3 flex items-center gap-3 rounded bg-surface px-2.5 py-1 text-[12.5px]';

/** What the lines over the pictures mean, and what is wrong with the frame in short. */
export function FaultLegend({ faults, of }: Props) {
    return (
        <p role="status" className={`${chip} whitespace-nowrap`}>
            {faults.some(({ isFetching }) => isFetching) ? (
                'Looking for what is wrong …'
            ) : (
                <>
                    <span style={{ color: FAULTS.lost }}>╱╱ detail lost</span>
                    <span style={{ color: FAULTS.banded }}>═ bands</span>
                    <Figures text={faults[of]?.data?.words || 'nothing that could be seen'} />
                </>
            )}
        </p>
    );
}
