import type { components } from './schema';
import {
    keepPreviousData,
    MutationCache,
    QueryCache,
    QueryClient,
    queryOptions,
    skipToken,
    useMutation,
    useQuery,
    useQueryClient,
} from '@tanstack/react-query';
import { notify } from '../ui/Notices';
import { withWaiting } from './waitingMarks';
import { keys, pieceHasChanged } from './keys';
import { ended } from './works';
import { answered, api, formOf, Refusal, type AccountChanges, type Colour, type NudgeId, type Session } from './client';

const SIGNED_OUT = 401;

/** Whoever is signed out meanwhile is asked to sign in where they are, and is back there after. */
function signedOut(error: Error) {
    if (!(error instanceof Refusal) || error.status !== SIGNED_OUT) return;
    const session = queryClient.getQueryData<Session>(keys.session);
    if (session?.user == null) return;
    queryClient.setQueryData<Session>(keys.session, { ...session, user: null });
    notify('You were signed out meanwhile. Sign in, and you are back where you were.');
}

export const queryClient: QueryClient = new QueryClient({
    queryCache: new QueryCache({ onError: signedOut }),
    mutationCache: new MutationCache({ onError: signedOut }),
    defaultOptions: {
        queries: {
            staleTime: 30_000,
            // What is kept in the browser answers where the network does not.
            networkMode: 'offlineFirst',
            retry: (count, error) => count < 2 && error instanceof Refusal && error.status === 0,
            refetchOnWindowFocus: true,
        },
    },
});

type Lab = Pick<Colour, 'L' | 'a' | 'b'>;
const lab = ({ L, a, b }: Lab): Lab => ({ L, a, b });

const ofSession = queryOptions({
    queryKey: keys.session,
    queryFn: () => answered(api.GET('/api/session')),
    staleTime: Infinity,
});

export const useSession = () => useQuery(ofSession);

export const usePapers = () => useQuery({ queryKey: keys.papers, queryFn: () => answered(api.GET('/api/papers')) });

/** The paper that the artist draws on unless something else is said; empty while papers are fetched. */
export function useUsualPaper(): string {
    const papers = usePapers();
    const usual = useSession().data?.user?.paper;

    return papers.data?.find(({ id }) => id === usual)?.id ?? papers.data?.[0]?.id ?? '';
}

/** What a paper is called. */
export function usePaperName() {
    const papers = usePapers();

    return (id: string) => papers.data?.find((paper) => paper.id === id)?.name ?? id;
}

/** What the artist owns, in box order. */
export const useBox = () =>
    useQuery({
        queryKey: [...keys.pencils, 'box'],
        queryFn: async () =>
            (await answered(api.GET('/api/pencils', { params: { query: { scope: 'box', order: 'number' } } }))).pencils,
    });

/** The same as it lies on the roll: by hue, light beside dark. */
export const useBoxByHue = () =>
    useQuery({
        queryKey: [...keys.pencils, 'box', 'roll'],
        queryFn: async () =>
            (await answered(api.GET('/api/pencils', { params: { query: { scope: 'box', order: 'roll' } } }))).pencils,
    });

export const usePieces = () => useQuery({ queryKey: keys.pieces, queryFn: () => answered(api.GET('/api/pieces')) });

const ofPiece = (id: string) =>
    queryOptions({
        queryKey: keys.piece(id),
        queryFn: () => answered(api.GET('/api/pieces/{piece}', { params: { path: { piece: id } } })),
    });

export const usePiece = (id: string) => useQuery(ofPiece(id));

const ofPlan = (id: string) =>
    queryOptions({
        queryKey: keys.plan(id),
        queryFn: async ({ client }) =>
            withWaiting(
                client,
                id,
                await answered(api.GET('/api/pieces/{piece}/plan', { params: { path: { piece: id } } })),
            ),
    });

export const usePlan = (id: string, wanted = true) => useQuery({ ...ofPlan(id), enabled: wanted });

/** Asks at once for what an address shows, before its parts ask one after the other. */
export function fetchAhead(pathname: string) {
    void queryClient.prefetchQuery(ofSession);
    const [, piece, stage] = /^\/pieces\/([0-9a-z]{26})(?:\/(\w+))?/.exec(pathname) ?? [];
    if (piece === undefined) return;
    void queryClient.prefetchQuery(ofPiece(piece));
    if (stage === 'plan' || stage === 'draw') void queryClient.prefetchQuery(ofPlan(piece));
}

export interface Spot {
    x: number;
    y: number;
    radius: number;
}

/** Of the first reference as it is now: in another light it has another address. */
export const useSample = (piece: string, photo: string, spot: Spot | null) =>
    useQuery({
        queryKey: ['piece', piece, 'sample', photo, spot],
        staleTime: Infinity,
        placeholderData: keepPreviousData,
        queryFn: spot
            ? ({ signal }) =>
                  answered(api.POST('/api/pieces/{piece}/samples', { params: { path: { piece } }, body: spot, signal }))
            : skipToken,
    });

/** A colour as it was typed: hex, three numbers, a pencil. */
/** Pencils whose heavy coat comes nearest to a colour: of the box, and of what is beside it. */
export const useNearestPencils = ({ L, a, b }: Lab) => {
    const to = [L, a, b].map((value) => value.toFixed(2)).join(' ');

    return useQuery({
        queryKey: [...keys.pencils, 'nearest', to],
        queryFn: ({ signal }) => answered(api.GET('/api/nearest-pencils', { params: { query: { to } }, signal })),
    });
};

export const useTypedColour = (text: string | null) =>
    useQuery({
        queryKey: ['colour', text],
        staleTime: Infinity,
        queryFn:
            text === null ? skipToken : ({ signal }) => answered(api.POST('/api/colours', { body: { text }, signal })),
    });

interface BesideWhite {
    picture: Blob;
    /** Shares of width and height. */
    white: readonly [number, number];
    asked: readonly [number, number];
    of: 'paper' | 'coat';
}

/** The colour of what lies beside a white sheet in a photo. */
export const useColourBesideWhite = () =>
    useMutation({
        mutationFn: ({ picture, white, asked, of }: BesideWhite) =>
            answered(
                api.POST('/api/colours/beside-white', {
                    body: { picture: '', white: [...white], asked: [...asked], of },
                    bodySerializer: formOf({
                        picture,
                        'white[0]': String(white[0]),
                        'white[1]': String(white[1]),
                        'asked[0]': String(asked[0]),
                        'asked[1]': String(asked[1]),
                        of,
                    }),
                }),
            ),
    });

export interface SearchWishes {
    maxPencils: number;
    maxLayers: number;
    noBlack: boolean;
    valueOnly: boolean;
    lightfast: boolean;
    paletteOnly: boolean;
    waxLast: boolean;
    /** On toned paper: black and white freely. */
    toned: boolean;
    must: string[];
    avoid: string[];
}

/** Recipes depend on box, paper and school too, so these are part of the key. */
export const useRecipes = (
    piece: string,
    target: (Lab & { zone: string | null }) | null,
    wishes: SearchWishes,
    circumstances: string,
) =>
    useQuery({
        queryKey: ['piece', piece, 'recipes', target && [lab(target), target.zone], wishes, circumstances],
        staleTime: Infinity,
        // Whoever goes on to another zone waits for no search of the zone before.
        queryFn: target
            ? ({ signal }) =>
                  answered(
                      api.POST('/api/pieces/{piece}/recipes', {
                          params: { path: { piece } },
                          body: { ...lab(target), zone: target.zone, ...wishes },
                          signal,
                      }),
                  )
            : skipToken,
    });

/** On what a zone is drawn: the paper, or a ground of another medium on it. */
export const supportOf = (paper: string, zone: Pick<components['schemas']['Zone'], 'ground'> | null | undefined) =>
    zone?.ground ? `${paper} ${zone.ground.colour.hex} ${zone.ground.tooth}` : paper;

export const usePrediction = (piece: string, paper: string, zone: string | null, target: Lab, stack: string | null) =>
    useQuery({
        queryKey: ['piece', piece, 'prediction', paper, zone, lab(target), stack],
        staleTime: Infinity,
        placeholderData: keepPreviousData,
        queryFn:
            stack === null
                ? skipToken
                : ({ signal }) =>
                      answered(
                          api.POST('/api/pieces/{piece}/predictions', {
                              params: { path: { piece } },
                              body: { ...lab(target), stack, zone },
                              signal,
                          }),
                      ),
    });

/** Three neighbouring hues for a zone. */
export const useTrio = (zone: string) =>
    useMutation({
        mutationFn: () => answered(api.POST('/api/zones/{zone}/trio', { params: { path: { zone } } })),
    });

/** Why a stack is as it is: the same without this or that. */
export const useWhy = (
    piece: string,
    paper: string,
    zone: string | null,
    target: Lab,
    stack: string,
    wanted: boolean,
) =>
    useQuery({
        queryKey: ['piece', piece, 'why', paper, zone, lab(target), stack],
        enabled: wanted && stack !== '',
        staleTime: Infinity,
        queryFn: ({ signal }) =>
            answered(
                api.POST('/api/pieces/{piece}/why', {
                    params: { path: { piece } },
                    body: { ...lab(target), stack, zone },
                    signal,
                }),
            ),
    });

/** What brings a stack a little lighter, redder, duller. */
export const useNudge = (piece: string) =>
    useMutation({
        mutationFn: (body: { stack: string; nudge: NudgeId; zone: string | null }) =>
            answered(api.POST('/api/pieces/{piece}/nudges', { params: { path: { piece } }, body })),
    });

/** What changes a piece and is waited for: it makes its queries stale. */
export function usePieceMutation<Input, Output>(
    piece: string,
    change: (input: Input) => Promise<Output>,
    /** Changes of one scope are sent one after the other. */
    scope?: string,
) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: change,
        scope: scope === undefined ? undefined : { id: scope },
        onSettled: () => pieceHasChanged(client, piece),
    });
}

export const useAddZone = (piece: string) =>
    usePieceMutation(piece, (body: Spot & { name: string; stack?: string }) =>
        answered(api.POST('/api/pieces/{piece}/zones', { params: { path: { piece } }, body })),
    );

export const useRemovePiece = (piece: string) =>
    usePieceMutation(piece, () => answered(api.DELETE('/api/pieces/{piece}', { params: { path: { piece } } })));

export const useRestorePiece = (piece: string) =>
    usePieceMutation(piece, () => answered(api.POST('/api/pieces/{piece}/restore', { params: { path: { piece } } })));

/** What a piece is begun from: a photo, or a drawing in lines. */
export type PieceFrom = 'photo' | 'lines';

export function useAddPiece() {
    const client = useQueryClient();

    return useMutation({
        mutationFn: async ({
            title,
            paper,
            from,
            photo,
        }: {
            title: string;
            paper: string;
            from: PieceFrom;
            photo: File;
        }) => {
            const work = await answered(
                api.POST('/api/pieces', {
                    body: { title, paper, from, photo: '' },
                    bodySerializer: formOf({ title, paper, from, photo }),
                }),
            );
            const { result } = await ended(work, 'photo');

            return { id: result && 'piece' in result ? result.piece : '' };
        },
        onSuccess: () => client.invalidateQueries({ queryKey: keys.pieces }),
    });
}

export function useChangeBox() {
    const client = useQueryClient();

    return useMutation({
        mutationFn: (body: { add?: string[]; remove?: string[] }) => answered(api.PUT('/api/box', { body })),
        onSettled: () =>
            Promise.all([
                client.invalidateQueries({ queryKey: keys.pencils }),
                client.invalidateQueries({ queryKey: keys.session }),
            ]),
    });
}

/** In which words papers and lamps are told. */
export const useWords = () =>
    useQuery({ queryKey: keys.words, staleTime: Infinity, queryFn: () => answered(api.GET('/api/words')) });

/** What the artist says of themself: plans follow. */
export function useChangeAccount() {
    const client = useQueryClient();

    return useMutation({
        mutationFn: (body: AccountChanges) => answered(api.PATCH('/api/account', { body })),
        onSuccess: (now) => {
            client.setQueryData(keys.session, now);

            return client.invalidateQueries({ queryKey: ['piece'] });
        },
    });
}

/** Photos of the drawing that were compared, the latest first. */
export const useReviews = (piece: string, isWanted = true) =>
    useQuery({
        queryKey: keys.reviews(piece),
        queryFn: () => answered(api.GET('/api/pieces/{piece}/reviews', { params: { path: { piece } } })),
        // One who does not want them must not keep those who do from getting them: they share one query.
        enabled: isWanted,
    });

/** From now on this calibration speaks; null: the pencils' own colours. */
export function usePutInForce() {
    const client = useQueryClient();

    return useMutation({
        mutationFn: (calibration: number | null) =>
            answered(api.PUT('/api/calibrations/in-force', { body: { calibration } })),
        onSettled: () => client.invalidateQueries(),
    });
}
