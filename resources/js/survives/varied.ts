import type { TransitRequest } from '../api/types';

/** What candidates around an output differ in. */
export type Varied = Required<Omit<NonNullable<TransitRequest['grid']>, 'output'>>;

export const USUAL: Varied = {
    times: [0.5, 1, 2, 4],
    steps: [0],
    passes: [],
    codecs: [],
    keyframes: [],
    depths: [],
    lifts: [],
};

/** Candidates that one test takes. */
export const MOST = 60;

/** Candidates that there are: one for each combination; nothing chosen of a thing leaves it as the output has it. */
export const countOf = (varied: Varied) =>
    Object.values(varied).reduce((product, values) => product * Math.max(1, values.length), 1);
