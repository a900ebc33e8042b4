import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { api } from '../api/client';
import { keys } from '../api/keys';
import { useLibraryChanged } from '../api/library';
import { useItem } from '../api/queries';
import type { LibraryItem, Teaching } from '../api/types';
import { Button } from '../ui/Button';
import { isGoing } from '../ui/isGoing';
import { Blank, Failed, Loading } from '../ui/States';
import { UnderWay } from '../ui/UnderWay';
import { useKept } from '../ui/useKept';
import { useTitle } from '../ui/useTitle';
import { Learnt } from './Learnt';
import { Lessons } from './Lessons';

/** Paths of the files of each lesson. */
const NO_LESSONS: string[][] = [];

/** A host is taught: an upload and what came back of it are looked at, and become a version of the host. */
export default function TeachPage() {
    const slug = useParams().slug ?? '';
    const { data: item, error, refetch } = useItem('host', slug);
    useTitle(item === undefined ? undefined : `Teach ${item.name}`);
    if (error !== null && item === undefined) {
        return <Failed error={error} retry={() => refetch()} />;
    }
    return item === undefined ? <Loading what="the host" /> : <Teach key={slug} item={item} />;
}

function Teach({ item }: { item: LibraryItem }) {
    const client = useQueryClient();
    const [lessons, setLessons] = useKept(`outer-crate/teach/${item.slug}`, NO_LESSONS);
    const list = useQuery({ queryKey: keys.teachings(item.slug), queryFn: () => api.teachings(item.slug) });
    const id = list.data?.teachings[0]?.id;
    const last = useQuery({
        queryKey: keys.teaching(id),
        queryFn: () => api.teaching(id ?? 0),
        enabled: id !== undefined,
        refetchInterval: (query) => (isGoing(query.state.data?.teaching) ? 1_000 : false),
    });
    const teach = useMutation({
        mutationFn: () => api.teach(item.slug, lessons),
        onSuccess: () => client.invalidateQueries({ queryKey: keys.teachings(item.slug) }),
    });
    const stop = useMutation({ mutationFn: () => api.stopTeaching(id ?? 0), onSettled: () => last.refetch() });
    const now = last.data?.teaching;
    const going = isGoing(now);
    const whole = lessons.length > 0 && lessons.every((files) => files.length > 1);
    return (
        <div className="px-5 py-4">
            <div className="mb-3 flex items-start gap-6">
                <div className="min-w-0">
                    <h1 className="truncate text-[20px] leading-6 font-semibold">Teach {item.name}</h1>
                    <p className="mt-1 max-w-[720px] text-[13px] leading-[18px] text-soft">
                        Upload a file, download what the host made of it in every size, and give all of them here, in
                        any order and by any name. Two or three uploads of one cut in other sizes or frame rates show
                        where its tiers begin.{' '}
                        <Link to={`/hosts/${item.slug}`} className="text-rust underline underline-offset-3">
                            To the host
                        </Link>
                    </p>
                </div>
                {now?.result != null && <Save item={item} teaching={now} />}
            </div>
            <Lessons lessons={lessons} setLessons={setLessons}>
                <Button
                    kind="primary"
                    disabled={!whole || going || teach.isPending}
                    title={
                        going
                            ? 'It is being learnt'
                            : whole
                              ? undefined
                              : 'Each upload needs a file at least that the host made of it'
                    }
                    onClick={() => teach.mutate()}
                >
                    Learn from {lessons.length < 2 ? 'these files' : `${lessons.length} uploads`}
                </Button>
            </Lessons>
            <UnderWay
                asked={now}
                label="Learning"
                waits="It waits its turn; files that are being made go first."
                goes="Reading, measuring, and making the same again"
                stopped="It was stopped. Learn again: what was made is kept, and it goes on there."
                stop={stop}
                problems={[teach.error, last.error, stop.error]}
            />
            {now === undefined && list.data !== undefined && lessons.length === 0 && (
                <Blank within title="Nothing has been learnt from files yet">
                    The figures of this host are what its page says, or what somebody typed. Files say what it does.
                </Blank>
            )}
            {now?.result != null && <Learnt taught={now.result} files={now.lessons.flat()} />}
        </div>
    );
}

/** What was learnt becomes a version of the host, or a host of one's own where it ships. */
function Save({ item, teaching }: { item: LibraryItem; teaching: Teaching }) {
    const changed = useLibraryChanged();
    const client = useQueryClient();
    const navigate = useNavigate();
    const save = useMutation({
        mutationFn: () => api.saveTaught(teaching.id),
        onSuccess: (saved) => {
            changed();
            client.invalidateQueries({ queryKey: keys.teachings() });
            client.invalidateQueries({ queryKey: keys.teaching(teaching.id) });
            navigate(`/hosts/${saved.slug}`);
        },
    });
    return (
        <div className="ml-auto flex max-w-[520px] flex-none flex-col items-end gap-1 text-[13px]">
            <Button kind="primary" className="h-9" disabled={save.isPending} onClick={() => save.mutate()}>
                {item.shipped && teaching.savedAs === null
                    ? 'Save as a host of your own'
                    : `Save as a version of ${item.shipped ? 'your own' : item.name}`}
            </Button>
            {teaching.savedAs !== null && (
                <span className="text-soft">
                    Saved:{' '}
                    <Link to={`/hosts/${teaching.savedAs}`} className="text-rust underline underline-offset-3">
                        look at it
                    </Link>
                </span>
            )}
            {save.error && (
                <span role="alert" className="text-stop">
                    {save.error.message}
                </span>
            )}
        </div>
    );
}
