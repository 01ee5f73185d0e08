import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answered, api, type Review } from '../api/client';
import { usePhotograph } from '../api/kept';
import { keys } from '../api/keys';
import { useWork } from '../api/works';
import { smaller } from '../draw/smaller';
import { hatched } from './hatch';

export const useReviews = (piece: string) =>
    useQuery({
        queryKey: keys.reviews(piece),
        queryFn: () => answered(api.GET('/api/pieces/{piece}/reviews', { params: { path: { piece } } })),
    });

export type Corner = [number, number];

/** A photo of the drawing goes into the log, and is compared from there: as it is found, or by corners that are set. */
export function useReviewing(piece: string) {
    const client = useQueryClient();
    const review = useWork('review', () => void client.invalidateQueries({ queryKey: keys.reviews(piece) }), piece);
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
                    { onError: setProblem, onSuccess: () => review.start.mutate({ piece, photo: mark }) },
                );
            },
        });
    };

    return {
        take,
        again: (photo: string, corners: Corner[]) => review.start.mutate({ piece, photo, corners }),
        problem: problem ?? review.start.error,
        work: review.work,
        open: review.open || sending.isPending,
        cancel: review.cancel,
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
