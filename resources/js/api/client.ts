import createClient, { type Middleware } from 'openapi-fetch';
import type { components, operations, paths } from './schema';

type Schemas = components['schemas'];
export type Colour = Schemas['Colour'];
export type Paper = Schemas['Paper'];
export type Pencil = Schemas['Pencil'];
export type PencilForm = Schemas['PencilForm'];
export type PencilPage = Schemas['PencilPage'];
export type Piece = Schemas['Piece'];
export type PieceSummary = Schemas['PieceSummary'];
export type Plan = Schemas['Plan'];
export type Drawn = Schemas['Drawn'];
export type PlanStep = Schemas['PlanStep'];
export type Turn = Schemas['Turn'];
export type DrawingEntry = Schemas['DrawingEntry'];
export type Review = Schemas['Review'];
export type Replan = Schemas['Replan'];
export type Recipe = Schemas['Recipe'];
export type Sample = Schemas['Sample'];
export type SectionBin = Schemas['SectionBin'];
export type RestsOn = Schemas['RestsOn'];
export type Session = Schemas['Session'];
export type StackPrediction = Schemas['StackPrediction'];
export type Substitutes = Schemas['Substitutes'];
export type Share = components['schemas']['Share'];
export type TokenAbility = components['schemas']['TokenAbility'];
export type NewToken = operations['addToken']['requestBody']['content']['application/json'];
export type WeekPalette = components['schemas']['WeekPalette'];
/** What a link shows. */
export type Shared = paths['/api/shared/{token}']['get']['responses']['200']['content']['application/json'];
/** What an archive would bring. */
export type Brought = paths['/api/archives']['post']['responses']['200']['content']['application/json'];
export type Figures = paths['/api/figures']['get']['responses']['200']['content']['application/json'];
export type PieceRecord = Schemas['PieceRecord'];
export type DrillKind = Schemas['DrillKindId'];
export type DrillRound = Schemas['DrillRound'];
export type Skill = paths['/api/practice']['get']['responses']['200']['content']['application/json']['skills'][number];
export type KeptRecipe = Schemas['KeptRecipe'];
export type KeptRecipeForm = Schemas['KeptRecipeForm'];
export type SwatchForm = Schemas['SwatchForm'];
export type Chart = Schemas['Chart'];
export type ChartReading = Schemas['ChartReading'];
export type CalibrationReview =
    paths['/api/calibrations/{calibration}']['get']['responses']['200']['content']['application/json'];
export type SwatchEntry = Schemas['Swatch'];
export type Step = Schemas['Step'];
export type Work = Schemas['Work'];
export type WorkWish = NonNullable<paths['/api/works']['post']['requestBody']>['content']['application/json'];
export type AuditResult = Schemas['AuditResult'];
export type Zone = Schemas['Zone'];
export type Colouring = Schemas['Colouring'];
export type ZoneTraits = Schemas['ZoneTraits'];
export type Target = Schemas['Target'];
export type TargetRole = Schemas['TargetRole'];
export type Reference = Schemas['Reference'];
export type Balance = Schemas['Balance'];
export type LampId = Schemas['LampId'];
export type NudgeId = Schemas['NudgeId'];
export type Crop = Schemas['Crop'];
export type Look = Schemas['Look'];
export type Reserves = Schemas['Reserves'];
export type PieceChanges = NonNullable<
    paths['/api/pieces/{piece}']['patch']['requestBody']
>['content']['application/json'];
export type ZoneCorrections = NonNullable<
    NonNullable<paths['/api/zones/{zone}']['patch']['requestBody']>['content']['application/json']['corrections']
>;
export type PaperForm = Schemas['PaperForm'];
export type AccountChanges = NonNullable<paths['/api/account']['patch']['requestBody']>['content']['application/json'];
export type SchoolAnswers = Schemas['SchoolAnswers'];
export type Designation = Schemas['Designation'];

export interface BadRow {
    row: number;
    column: string;
    value: string;
    right: string;
}

/** A refusal of the server, in its own words, with what belongs to single fields. */
export class Refusal extends Error {
    constructor(
        message: string,
        readonly status: number,
        readonly fields: Record<string, string> = {},
        readonly position?: number,
        readonly rows: BadRow[] = [],
    ) {
        super(message);
    }
}

/** What the cookies told last, and when: the browser looks them up in another of its processes, which a hand that drags would feel. */
const cookies = { told: '', at: -Infinity };
const TOLD_FOR = 1000;

/** They are looked up anew with what is asked next. */
export function forgetCookies() {
    cookies.at = -Infinity;
}

function withToken(request: Request): Request {
    if (performance.now() - cookies.at > TOLD_FOR)
        Object.assign(cookies, { told: document.cookie, at: performance.now() });
    const token = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(cookies.told)?.[1];
    if (token) request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token));

    return request;
}

const TOKEN_IS_OLD = 419;

/** With the token of the page; where another answer has brought a new one meanwhile, as on signing out, once more with that. */
async function fetchWithToken(request: Request): Promise<Response> {
    const again = request.clone();
    const answer = await globalThis.fetch(request);
    if (answer.status !== TOKEN_IS_OLD) return answer;
    await globalThis.fetch(new Request(`${window.location.origin}/api/session`));
    forgetCookies();

    return globalThis.fetch(withToken(again));
}

const csrf: Middleware = {
    onRequest({ request }) {
        withToken(request);
        request.headers.set('Accept', 'application/json');

        return request;
    },
};

export const api = createClient<paths>({
    baseUrl: window.location.origin,
    fetch: fetchWithToken,
});
api.use(csrf);

/** What sends files: for `bodySerializer`. */
export function formOf(fields: Record<string, string | Blob>) {
    const form = new FormData();
    for (const [name, value] of Object.entries(fields)) form.set(name, value);

    return () => form;
}

interface Answer<T> {
    data?: T;
    error?: unknown;
    response: Response;
}

/** The data of an answer, or a Refusal. */
export async function answered<T>(request: Promise<Answer<T>>): Promise<T> {
    let answer: Answer<T>;
    try {
        answer = await request;
    } catch {
        throw new Refusal('The studio does not answer. Check that it is running, then try again.', 0);
    }
    if (answer.response.ok) return answer.data as T;
    const problem = (answer.error ?? {}) as {
        message?: string;
        errors?: Record<string, string[]>;
        position?: number;
        rows?: BadRow[];
    };
    const fields = Object.fromEntries(
        Object.entries(problem.errors ?? {}).map(([name, said]) => [name, said[0] ?? '']),
    );
    const message =
        answer.response.status === TOKEN_IS_OLD
            ? 'This page was open too long. Reload it and try again; what was saved is still there.'
            : (problem.message ?? 'Something went wrong in the studio. Try again.');

    throw new Refusal(
        Object.values(fields)[0] ?? message,
        answer.response.status,
        fields,
        problem.position,
        problem.rows,
    );
}

export const messageOf = (error: unknown) => (error instanceof Error ? error.message : 'Something went wrong.');
