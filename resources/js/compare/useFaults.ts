import { useQueries } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { ComparisonView } from '../api/types';

type Source = ComparisonView['sources'][number] | undefined;

/** Nothing is wrong with the first file: the others are held against it. */
const query = (place: string, files: string, view: ComparisonView, source: Source, frame: number, wanted: boolean) => ({
    queryKey: keys.faults(place, files, source?.id, frame),
    queryFn: () => api.faults(place, files, source?.id ?? '', frame),
    enabled: wanted && source?.here === true && source.id !== view.sources[0]?.id,
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
});

/** Where a frame of some files has lost detail or has bands. */
export const useFaults = (
    place: string,
    files: string,
    view: ComparisonView,
    sources: Source[],
    frame: number,
    wanted: boolean,
) => useQueries({ queries: sources.map((source) => query(place, files, view, source, frame, wanted)) });

/** What is wrong with some frames of a file, in words: one after the other, since each takes a second of the machine. */
export function useNames(
    place: string,
    files: string,
    view: ComparisonView,
    source: Source,
    frames: number[],
    wanted: boolean,
) {
    const [upTo, setUpTo] = useState(0);
    const named = useQueries({
        queries: frames.map((frame, i) => query(place, files, view, source, frame, wanted && i <= upTo)),
    });
    useEffect(() => {
        if (named[upTo]?.isFetched) {
            setUpTo(upTo + 1);
        }
    });
    return named.map(({ data }) => data?.words);
}
