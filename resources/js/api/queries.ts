import { useQuery } from '@tanstack/react-query';
import { api } from './client';
import type { Run } from './types';

const underWay: readonly Run['state'][] = ['waiting', 'running', 'checking'];

export const isUnderWay = (run: Run) => underWay.includes(run.state);

export const useCuts = () => useQuery({ queryKey: ['cuts'], queryFn: api.cuts });

export const usePresets = () => useQuery({ queryKey: ['presets'], queryFn: api.presets, staleTime: 60_000 });

export const useHosts = () => useQuery({ queryKey: ['hosts'], queryFn: api.hosts, staleTime: 60_000 });

export const useChoices = () =>
    useQuery({ queryKey: ['choices'], queryFn: api.choices, staleTime: Number.POSITIVE_INFINITY });

export const useMachine = () => useQuery({ queryKey: ['machine'], queryFn: api.machine, refetchInterval: 15_000 });

/** Asked twice a second while something is being made, seldom otherwise. */
const pace = (runs: Run[] | undefined) => (runs?.some(isUnderWay) ? 500 : 4_000);

export const useBelt = () =>
    useQuery({
        queryKey: ['runs', 'belt'],
        queryFn: api.belt,
        refetchInterval: (query) => pace(query.state.data?.runs),
    });

export const useRuns = () =>
    useQuery({
        queryKey: ['runs', 'all'],
        queryFn: api.runs,
        refetchInterval: (query) => pace(query.state.data?.runs),
    });

export const useSlips = (pack: string) =>
    useQuery({
        queryKey: ['packs', pack],
        queryFn: () => api.slips(pack),
        refetchInterval: (query) => (query.state.data?.runs.some(isUnderWay) ? 1_000 : false),
    });
