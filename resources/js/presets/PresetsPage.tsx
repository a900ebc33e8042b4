import { Navigate, useParams, useSearchParams } from 'react-router';
import { usePresets } from '../api/queries';
import { BringInItems } from '../library/BringInItems';
import { Removed } from '../library/Removed';
import { BrokenFiles } from '../ui/BrokenFiles';
import { Failed, Loading } from '../ui/States';
import { Title } from '../ui/Title';
import { useTitle } from '../ui/useTitle';
import { PresetDetail } from './PresetDetail';
import { PresetIndex } from './PresetIndex';

/** Presets: a list that is searched, and beside it one of them as a column of the sheet on a cut. */
export function PresetsPage() {
    const { data, isError, error, refetch } = usePresets();
    const { slug } = useParams();
    const [query, setQuery] = useSearchParams();
    const chosen = data?.presets.find((preset) => preset.slug === slug);
    useTitle(chosen?.name ?? 'Presets');
    if (isError && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="the presets" />;
    }
    const first = data.presets[0];
    if (slug === undefined && first !== undefined) {
        return <Navigate to={{ pathname: `/presets/${first.slug}`, search: query.toString() }} replace />;
    }
    return (
        <div className="flex h-full flex-col px-5 pt-4">
            <Title
                about="Rules for a file to make, which fit any cut"
                more={
                    <span className="ml-auto flex flex-none gap-2">
                        <Removed kind="preset" items={data.removed} />
                        <BringInItems />
                    </span>
                }
            >
                Presets
            </Title>
            <BrokenFiles files={data.broken} />
            <div className="grid min-h-0 flex-1 grid-cols-[340px_minmax(0,1fr)] gap-x-6 border-t-2 border-rule">
                <PresetIndex presets={data.presets} chosen={slug ?? null} query={query} setQuery={setQuery} />
                {slug !== undefined && <PresetDetail key={slug} slug={slug} presets={data.presets} />}
            </div>
        </div>
    );
}
