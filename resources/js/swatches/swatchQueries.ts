import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answered, api, formOf, type Chart, type ChartReading, type SwatchEntry, type SwatchForm } from '../api/client';
import type { paths } from '../api/schema';
import { ended } from '../api/works';
import type { Place } from '../ui/PointPicture';

/** Where the colour of a swatch comes from. */
export const SOURCES: Record<SwatchEntry['source'], string> = {
    typed: 'typed',
    instrument: 'instrument',
    picture: 'from a picture',
    simulated: 'simulated',
};

const keys = {
    swatches: ['swatches'] as const,
    charts: ['charts'] as const,
    calibrations: ['calibrations'] as const,
};

export type SwatchFilters = NonNullable<paths['/api/swatches']['get']['parameters']['query']>;

export const useSwatches = (filters: SwatchFilters) =>
    useQuery({
        queryKey: [...keys.swatches, filters],
        placeholderData: keepPreviousData,
        queryFn: () => answered(api.GET('/api/swatches', { params: { query: filters } })),
    });

/** Whatever changes the book makes the calibrations' counts stale too. */
function useBookMutation<Input, Output>(change: (input: Input) => Promise<Output>) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: change,
        onSettled: () =>
            Promise.all(
                [keys.swatches, keys.calibrations, keys.charts, ['pencils'], ['lessons']].map((queryKey) =>
                    client.invalidateQueries({ queryKey }),
                ),
            ),
    });
}

export const useAddSwatch = () => useBookMutation((body: SwatchForm) => answered(api.POST('/api/swatches', { body })));

export const useRemoveSwatch = () =>
    useBookMutation((swatch: number) =>
        answered(api.DELETE('/api/swatches/{swatch}', { params: { path: { swatch } } })),
    );

export const useRestoreSwatch = () =>
    useBookMutation((swatch: number) =>
        answered(api.POST('/api/swatches/{swatch}/restore', { params: { path: { swatch } } })),
    );

export const useNoteSwatch = () =>
    useBookMutation(({ swatch, note }: { swatch: number; note: string }) =>
        answered(api.PATCH('/api/swatches/{swatch}', { params: { path: { swatch } }, body: { note } })),
    );

export interface SwatchFile {
    text: string;
    paper: string | null;
}

export const usePreviewSwatches = () =>
    useMutation({ mutationFn: (body: SwatchFile) => answered(api.POST('/api/swatches/preview', { body })) });

export const useImportSwatches = () =>
    useBookMutation((body: SwatchFile) => answered(api.POST('/api/swatches/import', { body })));

export const useCharts = () => useQuery({ queryKey: keys.charts, queryFn: () => answered(api.GET('/api/charts')) });

export const useChart = (chart: string) =>
    useQuery({
        queryKey: [...keys.charts, chart],
        queryFn: () => answered(api.GET('/api/charts/{chart}', { params: { path: { chart } } })),
    });

export interface ChartWish {
    /** A proof is laid out from its plan. */
    kind: Exclude<Chart['kind'], 'proof'>;
    paper: string;
    page: Chart['page'];
    title?: string;
    pencils?: string[];
    text?: string;
}

export const useAddChart = () => useBookMutation((body: ChartWish) => answered(api.POST('/api/charts', { body })));

export const useRemoveChart = () =>
    useBookMutation((chart: string) => answered(api.DELETE('/api/charts/{chart}', { params: { path: { chart } } })));

export const useRestoreChart = () =>
    useBookMutation((chart: string) =>
        answered(api.POST('/api/charts/{chart}/restore', { params: { path: { chart } } })),
    );

/** A row of fields on a plain sheet: middles of its first and last, and how many there are. */
export interface PointedRow {
    from: Place;
    to: Place;
    fields: number;
}

const formRows = (rows: PointedRow[]) =>
    Object.fromEntries(
        rows.flatMap(({ from, to, fields }, row) => [
            [`rows[${row}][from][0]`, String(from[0])],
            [`rows[${row}][from][1]`, String(from[1])],
            [`rows[${row}][to][0]`, String(to[0])],
            [`rows[${row}][to][1]`, String(to[1])],
            [`rows[${row}][fields]`, String(fields)],
        ]),
    );

export const useReadChart = (chart: string) =>
    useMutation({
        mutationFn: async ({ picture, rows = [] }: { picture: Blob; rows?: PointedRow[] }): Promise<ChartReading> => {
            const work = await answered(
                api.POST('/api/charts/{chart}/readings', {
                    params: { path: { chart } },
                    body: { picture: '' },
                    bodySerializer: formOf({ picture, ...formRows(rows) }),
                }),
            );
            const { result } = await ended(work, 'picture');
            if (!result || !('fields' in result)) throw new Error('A chart that was read has fields.');

            return result;
        },
    });

export type Taken = NonNullable<
    paths['/api/charts/{chart}/swatches']['post']['requestBody']
>['content']['application/json'];

export const useTakeReadings = (chart: string) =>
    useBookMutation((body: Taken) =>
        answered(api.POST('/api/charts/{chart}/swatches', { params: { path: { chart } }, body })),
    );

export const useLessons = (paper: string) =>
    useQuery({
        queryKey: ['lessons', paper],
        enabled: paper !== '',
        queryFn: () => answered(api.GET('/api/lessons', { params: { query: { paper } } })),
    });

export const useCalibrations = () =>
    useQuery({ queryKey: keys.calibrations, queryFn: () => answered(api.GET('/api/calibrations')) });

export const useCalibration = (calibration: number | undefined, against: number | undefined) =>
    useQuery({
        queryKey: [...keys.calibrations, calibration, against],
        enabled: calibration !== undefined,
        placeholderData: keepPreviousData,
        queryFn: () =>
            answered(
                api.GET('/api/calibrations/{calibration}', {
                    params: { path: { calibration: calibration ?? 0 }, query: against ? { against } : {} },
                }),
            ),
    });

/** Another calibration changes every prediction. */
