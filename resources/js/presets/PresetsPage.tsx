import { useHosts, usePresets } from '../api/queries';
import { BrokenFiles } from '../ui/BrokenFiles';
import { Failed, Loading } from '../ui/States';
import { Title } from '../ui/Title';

/** The shipped presets. */
export function PresetsPage() {
    const { data, isError, error, refetch } = usePresets();
    const hosts = useHosts().data?.hosts ?? [];
    if (isError && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the presets" />;
    }
    const roles = [...new Set(data.presets.map((preset) => preset.role))];
    return (
        <div className="px-5 py-4">
            <Title about="Rules for a file to make, which fit any cut">Presets</Title>
            <BrokenFiles files={data.broken} />
            {roles.map((role) => (
                <table
                    key={role}
                    className="mb-6 w-full table-fixed border-t-2 border-rule text-[13px]"
                    aria-label={role}
                >
                    <thead>
                        <tr className="border-b border-rule">
                            <th
                                scope="col"
                                className={`h-[38px] w-[250px] font-stencil text-[16px] tracking-[.05em] uppercase ${role === 'upload' ? 'text-rust' : ''}`}
                            >
                                {role}
                            </th>
                            <th scope="col" className="w-[140px] px-2 text-soft">
                                Made for
                            </th>
                            <th scope="col" className="px-2 text-soft">
                                What it does
                            </th>
                        </tr>
                    </thead>
                    <tbody>
                        {data.presets
                            .filter((preset) => preset.role === role)
                            .map((preset) => (
                                <tr key={preset.slug} className="h-9 border-b border-line">
                                    <td className="truncate font-medium">{preset.name}</td>
                                    <td className="truncate px-2 text-soft">
                                        {hosts.find((host) => host.slug === preset.host)?.name ?? 'any place'}
                                    </td>
                                    <td className="truncate px-2" title={preset.about}>
                                        {preset.about}
                                    </td>
                                </tr>
                            ))}
                    </tbody>
                </table>
            ))}
        </div>
    );
}
