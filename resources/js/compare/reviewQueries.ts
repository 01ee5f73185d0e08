import { skipToken, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api, type Review, type WorkWish } from '../api/client';
import { usePhotograph } from '../api/kept';
import type { Spot } from '../api/queries';
import { keys } from '../api/keys';
import { useWork } from '../api/works';
import { smaller } from '../draw/smaller';
import { hatched } from './hatch';

export type Corner = [number, number];
export type Hand = NonNullable<WorkWish['hand']>;

/**
 * A photo of the drawing goes into the log, and is compared from there: as it is found, or by corners that are set.
 *
 * @param taped  tape lies round it, and no bare paper
 */
export function useReviewing(piece: string, taped: boolean) {
    const client = useQueryClient();
    const done = () => void client.invalidateQueries({ queryKey: keys.drawing(piece) });
    const review = useWork('review', done, piece);
    const simulated = useWork('simulated-drawing', done, piece);
    const latest =
        simulated.open || (simulated.work && (review.work?.id ?? '') < simulated.work.id) ? simulated : review;
    const photograph = usePhotograph(piece);
    const [problem, setProblem] = useState<Error | null>(null);
    const sending = useMutation({ mutationFn: smaller });
    const take = (photo: File) => {
        setProblem(null);
        sending.mutate(photo, {
            onSuccess: (small) => {
                const mark = photograph(
                    small,
                    { turn: null, zone: null },
                    { onError: setProblem, onSuccess: () => review.start.mutate({ piece, photo: mark, taped }) },
                );
            },
        });
    };

    return {
        take,
        again: (photo: string, corners: Corner[]) => review.start.mutate({ piece, photo, corners, taped }),
        /** What is ticked in Draw, drawn and photographed by the simulated studio. */
        simulate: (hand: Hand) => simulated.start.mutate({ piece, hand }),
        problem: problem ?? review.start.error ?? simulated.start.error,
        work: latest.work,
        open: review.open || simulated.open || sending.isPending,
        cancel: latest.cancel,
    };
}

/** Where values are off, as hatching to be laid over the drawing. */
export const useHatching = ({ errors, width, height }: Review) =>
    useQuery({
        queryKey: ['hatching', errors, width, height],
        staleTime: Infinity,
        structuralSharing: false,
        queryFn: async () => {
            const answer = await fetch(errors);
            // Its bytes are numbers, no colours.
            const image = await createImageBitmap(await answer.blob(), { colorSpaceConversion: 'none' });
            const canvas = document.createElement('canvas');
            canvas.width = width;
            canvas.height = height;
            const context = canvas.getContext('2d', { willReadFrequently: true });
            if (!context) throw new Error('This browser cannot read pictures.');
            context.drawImage(image, 0, 0);

            return hatched(context.getImageData(0, 0, width, height).data, width, height);
        },
    }).data;

/** The same spot of the photo and of the drawing. */
export const useSpotInBoth = (piece: string, photo: string | null, spot: Spot | null) =>
    useQuery({
        queryKey: [...keys.reviews(piece), photo, spot],
        queryFn:
            photo === null || spot === null
                ? skipToken
                : ({ signal }) =>
                      answered(
                          api.POST('/api/pieces/{piece}/reviews/{photo}/samples', {
                              params: { path: { piece, photo } },
                              body: spot,
                              signal,
                          }),
                      ),
        placeholderData: (before) => before,
        retry: false,
    });
