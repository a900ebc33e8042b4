import { useItem } from '../../api/queries';
import type { Plan } from '../../api/types';
import { Figures } from '../../ui/Figures';

/** What the host asks by frame size and frame rate, with the place of this picture marked. */
export function BitrateTable({ plan }: { plan: Plan }) {
    const item = useItem('host', plan.host ?? undefined).data;
    const host = item?.slug === plan.host ? item?.host : undefined;
    const here = plan.bitrateRow;
    if (host == null || host.bitrates.length === 0) {
        return null;
    }
    const both = host.bitrates.some((row) => row.high !== row.normal);
    const peaks = host.bitrates.some((row) => row.peak !== null);
    const mark = (row: number, high: boolean) =>
        row === here?.shorterSide && (!both || high === here.high) ? 'bg-rust-wash font-medium text-ink' : '';
    return (
        <table className="self-start w-full text-[12px] leading-[22px] text-soft">
            <caption className="sr-only">What {plan.hostName} asks by frame size</caption>
            <thead>
                <tr className="text-faint">
                    <th className="py-1 text-left font-normal">{plan.hostName} asks</th>
                    <th className="px-2 text-right font-normal">
                        {both ? `≤ ${host.highFrameRateAbove} fps` : 'average'}
                    </th>
                    {both && <th className="px-2 text-right font-normal">above</th>}
                    {peaks && <th className="px-2 text-right font-normal">peak</th>}
                </tr>
            </thead>
            <tbody>
                {host.bitrates.map((row) => (
                    <tr key={row.shorterSide} aria-current={row.shorterSide === here?.shorterSide || undefined}>
                        <th className="text-left font-normal">
                            <Figures text={`${row.shorterSide} lines`} />
                        </th>
                        <td className={`px-2 text-right ${mark(row.shorterSide, false)}`}>
                            <Figures text={row.normal} />
                        </td>
                        {both && (
                            <td className={`px-2 text-right ${mark(row.shorterSide, true)}`}>
                                <Figures text={row.high} />
                            </td>
                        )}
                        {peaks && (
                            <td className="px-2 text-right">
                                <Figures text={row.peak ?? ''} />
                            </td>
                        )}
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
