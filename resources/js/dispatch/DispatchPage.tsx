import { Link, Navigate, useParams, useSearchParams } from 'react-router';
import type { DispatchList } from '../api/types';
import { Blank, Failed, Loading } from '../ui/States';
import { Title } from '../ui/Title';
import { useTitle } from '../ui/useTitle';
import { DispatchDetail } from './DispatchDetail';
import { DispatchIndex } from './DispatchIndex';
import { NewDispatch } from './NewDispatch';
import { useDispatches } from './useDispatches';

/** What is sent, held and released: all of it at the left, one of it at the right. */
export default function DispatchPage() {
    const { id } = useParams();
    const { data, error, refetch } = useDispatches();
    const sending = data?.dispatches.find(({ stage }) => stage === 'sending');
    useTitle(sending === undefined ? 'Dispatch' : `${sending.percent} % sent`);
    if (error && data === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    if (data === undefined) {
        return <Loading what="what is sent" />;
    }
    const first = data.dispatches[0];
    if (id === undefined && first !== undefined) {
        return <Navigate to={`/dispatch/${first.id}`} replace />;
    }
    return (
        <div className="min-w-[1024px] px-5 py-4">
            <Title about="Uploads on their way to their hosts, held there, and released when they are right">
                Dispatch
            </Title>
            <div className="grid grid-cols-[300px_minmax(0,1fr)] gap-6">
                {data.dispatches.length === 0 ? (
                    <p className="border-t-2 border-rule pt-2 text-[13px] text-soft">Nothing was sent yet.</p>
                ) : (
                    <DispatchIndex dispatches={data.dispatches} chosen={Number(id)} />
                )}
                <Chosen id={id} list={data} />
            </div>
        </div>
    );
}

function Chosen({ id, list }: { id: string | undefined; list: DispatchList }) {
    const [query] = useSearchParams();
    if (id === 'new' && query.has('run')) {
        return <NewDispatch key={query.get('run')} run={Number(query.get('run'))} list={list} />;
    }
    const chosen = list.dispatches.find((one) => one.id === Number(id));
    if (chosen === undefined) {
        return (
            <Blank within title={id === undefined ? 'Nothing to look after' : 'There is no such file on its way'}>
                A made file is sent from its{' '}
                <Link to="/slips" className="text-rust underline underline-offset-4">
                    slip
                </Link>
                .
            </Blank>
        );
    }
    return <DispatchDetail key={chosen.id} dispatch={chosen} list={list} />;
}
