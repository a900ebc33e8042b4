import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { api } from '../api/client';
import { keys } from '../api/keys';
import type { PiecesAnswer, PiecesRequest } from '../api/types';

export type Piece = PiecesAnswer['pieces'][number];

const NONE: Piece[] = [];

/** The pieces that a cut goes out in; none where it goes out in one file. */
export function usePieces(cut: number) {
    const client = useQueryClient();
    const key = keys.pieces(cut);
    const { data } = useQuery({ queryKey: key, queryFn: () => api.pieces(cut) });
    const divide = useMutation({
        mutationFn: (how: PiecesRequest) => api.divide(cut, how),
        onSuccess: (answer) => client.setQueryData(key, answer),
    });
    const line = useRef(Promise.resolve());
    /** A mark more, or one less where there is one: one after the other, so that none is lost while another is on its way. */
    const mark = (frame: number) => {
        line.current = line.current.then(async () => {
            const now = client.getQueryData<PiecesAnswer>(key)?.pieces ?? NONE;
            if (haveNoGaps(now)) {
                await divide.mutateAsync({ points: withMark(now, frame) }).catch(() => undefined);
            }
        });
    };
    return { pieces: data?.pieces ?? NONE, divide, mark };
}

/** Whether each piece begins where the one before it ends: only those can be changed by marks. */
export const haveNoGaps = (pieces: Piece[]) =>
    pieces.every((piece, i) => i === 0 || (pieces[i - 1]?.last ?? 0) + 1 === piece.first);

/** Marks with one more at a frame, or without the one that is there. */
export function withMark(pieces: Piece[], frame: number) {
    const marks = pieces.map(({ first, name }) => ({ frame: first, name }));
    const others = marks.filter((mark) => mark.frame !== frame);
    return others.length < marks.length ? others : [...marks, { frame, name: '' }];
}
