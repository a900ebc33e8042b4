import { Figures } from '../ui/Figures';

interface Props {
    rows: { label: string; from: string; to: string }[];
    from: string;
    to: string;
}

/** In what two of a kind differ, row by row. */
export function DifferenceTable({ rows, from, to }: Props) {
    if (rows.length === 0) {
        return <p className="pb-2 text-soft">They say the same.</p>;
    }
    return (
        <table className="mb-3 w-full table-fixed text-[12px] leading-4" aria-label={`${from} against ${to}`}>
            <colgroup>
                <col style={{ width: 120 }} />
            </colgroup>
            <thead className="text-soft">
                <tr>
                    <td />
                    <th scope="col" className="pb-1">
                        {from}
                    </th>
                    <th scope="col" className="pb-1">
                        {to}
                    </th>
                </tr>
            </thead>
            <tbody>
                {rows.map((row) => (
                    <tr key={row.label} className="align-top">
                        <th scope="row" className="py-0.5 text-soft">
                            {row.label}
                        </th>
                        <td className="py-0.5 pr-3 break-words">
                            <Figures text={row.from} />
                        </td>
                        <td className="py-0.5 break-words">
                            <Figures text={row.to} />
                        </td>
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
