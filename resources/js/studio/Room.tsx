import { useQuery } from '@tanstack/react-query';
import { answered, api } from '../api/client';

const gigabytes = (bytes: number) =>
    bytes / 1e9 >= 0.1 ? `${(bytes / 1e9).toFixed(1)} GB` : `${Math.ceil(bytes / 1e6)} MB`;

/** What the pictures of this studio take of what there is. */
export function Room() {
    const { data } = useQuery({
        queryKey: ['room'],
        queryFn: ({ signal }) => answered(api.GET('/api/account/room', { signal })),
    });

    return data ? (
        <p>
            Its pictures take {gigabytes(data.usedBytes)} of {gigabytes(data.mostBytes)}.
        </p>
    ) : null;
}
