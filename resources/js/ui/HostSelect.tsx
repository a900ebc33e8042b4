import { useHosts } from '../api/queries';

interface Props {
    id: string;
    value: string | null;
    onChange: (host: string | null) => void;
    disabled?: boolean;
    className?: string;
}

/** The host that a file goes to, or none. */
export function HostSelect({ id, value, onChange, disabled, className = '' }: Props) {
    const hosts = useHosts().data?.hosts ?? [];
    return (
        <select
            id={id}
            value={value ?? ''}
            disabled={disabled}
            onChange={(event) => onChange(event.target.value === '' ? null : event.target.value)}
            className={`h-7 rounded border border-line bg-page px-1.5 disabled:text-faint ${className}`}
        >
            <option value="">no host</option>
            {hosts.map((option) => (
                <option key={option.slug} value={option.slug}>
                    {option.name}
                </option>
            ))}
        </select>
    );
}
