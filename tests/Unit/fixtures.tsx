import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { NuqsAdapter } from 'nuqs/adapters/react-router/v7';
import { BrowserRouter } from 'react-router';
import type {
    Colour,
    Pencil,
    Piece,
    Plan,
    PlanStep,
    Turn,
    Recipe,
    Reference,
    RestsOn,
    SectionBin,
    Step,
    SwatchEntry,
    Target,
    Work,
    Zone,
} from '../../resources/js/api/client';
import { knowKept } from '../../resources/js/api/kept';
import { DeskLight } from '../../resources/js/ui/DeskLight';

type Appearance = Colour['appearance'];

/** A long work that is done. */
export const workOf = (kind: Work['kind'], changes: Partial<Work> = {}): Work => ({
    id: 'w1',
    kind,
    state: 'done',
    before: 0,
    doing: '',
    progress: 1,
    problem: '',
    startedAt: '2026-11-24T10:00:00Z',
    result: null,
    ...changes,
});

/** A colour as the server tells it; what matters to a test is given. */
export function colour(
    changes: Partial<Omit<Colour, 'appearance'>> = {},
    appearance: Partial<Appearance> = {},
): Colour {
    return {
        L: 46.4,
        a: -16.9,
        b: 7.1,
        hex: '#547660',
        ...changes,
        appearance: {
            family: 'green',
            lean: null,
            temperature: 'cool',
            character: 'a tone',
            valueStep: 4,
            valuePosition: 4.13,
            wheelPosition: 9.1,
            hueDegrees: 157.2,
            chroma: 18.3,
            sentence: 'green; a tone, step 4 of 9',
            ...appearance,
        },
    };
}

export function step(number: string, pressurePercent = 40, passes = 1): Step {
    return {
        kind: 'layer',
        pencil: { id: `QW:${number}`, range: 'QW', number, name: 'Made up', binder: 'wax', hex: '#305090' },
        pressurePercent,
        pressureWord: 'light',
        passes,
        notation: `QW:${number}@${pressurePercent}`,
    };
}

export const wash: Step = {
    kind: 'wash',
    pencil: null,
    pressurePercent: 0,
    pressureWord: 'whisper',
    passes: 1,
    notation: 'wash',
};

export function recipe(changes: Partial<Recipe> = {}): Recipe {
    return {
        stack: 'QW:404@40 > QW:519@95',
        steps: [step('404'), step('519', 95)],
        predicted: colour({ hex: '#507a62' }),
        sigma: 2.95,
        sensitivity: 3.1,
        toothLeft: 0.26,
        difference: { dE00: 0.64, dL: 0.2, dC: 0.1, dH: 0.4, valueSteps: 0.02, words: 'on target' },
        underlayer: null,
        build: '404 40 % light; last 519 95 % burnish.',
        rounds: (changes.steps ?? [step('404'), step('519', 95)]).map((_, from) => ({ times: 1, from, steps: 1 })),
        grain: 'grain closed',
        breaks: null,
        warnings: [],
        underLamp: null,
        ...changes,
    };
}

export function target(id: string, name: string, changes: Partial<Target> = {}): Target {
    return {
        id,
        role: 'middle',
        name,
        label: changes.role ?? 'middle',
        colour: colour(),
        read: colour(),
        spread: 1.2,
        share: 1,
        x: 0.25,
        y: 0.5,
        lineMm: null,
        edited: false,
        version: 1,
        recipe: null,
        ...changes,
    };
}

const asRead: Piece['interpretation'] = { chroma: 100, lights: 0, shadows: 0, hue: null, local: null };

/** A zone of one colour; what matters to a test of that colour is given with it. */
export function zone(id: string, name: string, changes: Partial<Zone> & { recipe?: Recipe } = {}): Zone {
    const { recipe: kept, ...others } = changes;

    return {
        id,
        name,
        x: 0.25,
        y: 0.5,
        radius: 0.01,
        share: 0.1,
        outline: 'M100 100L400 100L400 400L100 400Z',
        fits: true,
        ground: null,
        colouring: null,
        traits: {
            surface: 'soft',
            direction: null,
            crisp: true,
            distance: 'near',
            importance: 2,
            light: 'lit',
            warmth: 3,
            corrected: [],
        },
        touching: [],
        targets: [target(`${id}-middle`, name, { recipe: kept ?? null })],
        schools: null,
        interpretation: asRead,
        version: 1,
        ...others,
    };
}

export function reference(id: string, name: string, changes: Partial<Reference> = {}): Reference {
    return {
        id,
        name,
        role: 'colour',
        url: `/${id}/photo`,
        largeUrl: `/${id}/large`,
        valueUrl: `/${id}/value`,
        temperatureUrl: `/${id}/temperature`,
        width: 1600,
        height: 1200,
        balance: null,
        pairs: [],
        ...changes,
    };
}

export function piece(zones: Zone[], changes: Partial<Piece> = {}): Piece {
    const photo = reference('r1', 'Photo');

    return {
        id: 'p1',
        version: 1,
        title: 'Floats',
        paper: cartridge,
        interpretation: asRead,
        schools: {
            chosen: {
                value: 'light-to-dark',
                shadows: 'complement',
                highlights: 'reserve',
                background: 'colour-by-colour',
            },
            own: [],
        },
        lamp: 'daylight',
        tone: 'as-is',
        format: { crop: null, widthMm: 240, heightMm: 180, unit: 'mm' },
        planning: {
            sessionMinutes: 90,
            paletteSize: null,
            pinned: [],
            banned: [],
            valueOnly: false,
        },
        lightDegrees: null,
        photo,
        references: [photo],
        zones,
        lines: null,
        zonesVersion: 7,
        undo: null,
        ...changes,
    };
}

/** A section whose peaks are full and whose valleys are bare. */
export const section: SectionBin[] = [0, 1, 2, 3, 4].map((i) => ({
    depth: 0.05 + 0.22 * i,
    share: 0.2,
    capacity: 0.5 + 0.1 * i,
    looks: '#505050',
    films: i < 4 ? [{ thickness: 0.5 - 0.1 * i, hex: '#305090' }] : [],
}));

export const restsOn: RestsOn = { id: 7, number: 3, swatches: 346, madeAt: '2026-11-24T10:00:00Z' };

export function pencil(number: string, owned = true, changes: Partial<Pencil> = {}): Pencil {
    return {
        id: `QW:${number}`,
        range: 'QW',
        number,
        name: `Pencil ${number}`,
        aliases: [],
        binder: 'wax',
        status: 'current',
        replacedBy: null,
        owned,
        favourite: false,
        L: 46.4,
        hex: '#547660',
        family: 'green',
        lean: null,
        character: 'a tone',
        valueStep: 4,
        distance: null,
        misses: null,
        foundBy: null,
        ...changes,
    };
}

export const cartridge = {
    id: 'harbour-cartridge',
    name: 'Harbour Cartridge',
    kind: 'cartridge' as const,
    own: false,
    widthMm: null,
    heightMm: null,
    colour: colour({ hex: '#f2f3ee' }),
    toned: false,
};

export const toned = {
    ...cartridge,
    id: 'fog-toned',
    name: 'Fog Toned',
    colour: colour({ hex: '#a4a09b' }),
    toned: true,
};

/** Who is signed in. */
export const artist = {
    name: 'Ada',
    email: 'ada@example.test',
    boxCount: 0,
    hand: 'right' as 'left' | 'right',
    paper: null as string | null,
    lamp: 'daylight',
    unit: 'mm',
    sessionMinutes: 90,
    begun: true,
    copy: false,
    confirmEmail: false,
    secondFactor: false,
    codesLeft: 0,
};

export const words = {
    kinds: [
        { id: 'cartridge', name: 'Cartridge, a middle tooth', sentence: 'Takes several layers.', white: '#f2f3ee' },
        { id: 'film', name: 'Drafting film', sentence: 'Takes very few layers.', white: '#eeeeee' },
    ],
    tones: [
        { id: 'white', name: 'White', hex: '#f2f3ee' },
        { id: 'black', name: 'Black', hex: '#2a2a2a' },
    ],
    lamps: [
        { id: 'daylight', name: 'Daylight' },
        { id: 'led', name: 'LED' },
    ],
};

export const papers = [cartridge, toned];

export function swatch(id: number, stack: string, changes: Partial<SwatchEntry> = {}): SwatchEntry {
    return {
        id,
        paper: 'harbour-cartridge',
        stack,
        colour: colour(),
        source: 'typed',
        note: '',
        drawnOn: '2026-11-20',
        spread: null,
        technique: 'single',
        chart: null,
        writtenAt: '2026-11-24T10:00:00Z',
        ...changes,
    };
}

export const planStep = (number: number, changes: Partial<PlanStep> = {}): PlanStep => ({
    key: `key-${number}`,
    number,
    zone: { id: `z${number}`, target: `z${number}-middle`, name: `Zone ${number}` },
    role: 'layer',
    step: step(String(400 + number), 40, number),
    layer: 1,
    before: colour(),
    after: colour(),
    sigma: 1.4,
    target: colour(),
    why: `Because of ${number}.`,
    minutes: 4,
    session: 1,
    turn: number,
    because: [],
    onlyIf: null,
    state: 'open',
    ...changes,
});

/** A turn that goes to one place. */
export const turnOf = (of: PlanStep, changes: Partial<Turn> = {}): Turn => ({
    number: of.number,
    stage: of.role === 'reserve' ? 'reserve' : 'build',
    role: of.role,
    step: of.step,
    places: [
        {
            zone: of.zone.id,
            target: of.zone.target,
            targets: [of.zone.target],
            name: of.zone.name,
            part: 'all',
            coats: of.step?.passes ?? 1,
            fade: null,
            edge: null,
            onlyIf: of.onlyIf,
            stroke: 'small circles',
            direction: null,
            feather: null,
            before: of.before,
            after: of.after,
            wanted: of.target,
            keys: [of.key],
            state: of.state,
        },
    ],
    why: of.why,
    because: of.because,
    minutes: of.minutes,
    session: of.session,
    round: 1,
    endsRound: false,
    point: of.step?.pencil ? 'sharp point' : null,
    reminders: [],
    dryingMinutes: 0,
    state: of.state,
    ...changes,
});

export const planOf = (steps: PlanStep[], changes: Partial<Plan> = {}): Plan => ({
    version: 'as planned',
    pullList: [
        {
            id: 'QW:404',
            range: 'QW',
            number: '404',
            name: 'Pennant Blue',
            binder: 'wax',
            colour: colour(),
            layers: 2,
            zones: 1,
            owned: true,
            share: 0.3,
            part: 'main',
            lightener: null,
            needsMm: 2.5,
            leftMm: null,
            short: false,
        },
    ],
    palette: null,
    beginnings: [],
    minutes: 95,
    idleMinutes: 0,
    apartMinutes: 120,
    sessions: 1,
    calibration: restsOn,
    cautions: ['Sharpening: cut away from the body and cap the blade.'],
    turns: steps.map((one) => turnOf(one)),
    built: 1.6,
    steps,
    currentKey: steps.find(({ state }) => state === 'open')?.key ?? null,
    lastMarked: steps.filter(({ state }) => state !== 'open').at(-1)?.key ?? null,
    done: steps.filter(({ state }) => state !== 'open').length,
    total: steps.length,
    zonesWithoutRecipe: [],
    ownRecipes: 0,
    begunRecipes: 0,
    joins: [],
    advice: [],
    advised: [],
    prep: ['Harbour Cartridge, and a scrap of it'],
    canTakeBack: false,
    pace: { pace: 350, steps: 0 },
    ...changes,
});

/** Renders within everything that the studio stands in. */
/** A client as the studio has it, but that tries nothing twice. */
export function newClient() {
    const client = new QueryClient({ defaultOptions: { queries: { retry: false }, mutations: { retry: false } } });
    knowKept(client);

    return client;
}

export function show(children: ReactNode, address = '/', client = newClient()) {
    window.history.replaceState(null, '', address);

    return render(
        <QueryClientProvider client={client}>
            <DeskLight>
                <BrowserRouter>
                    <NuqsAdapter>{children}</NuqsAdapter>
                </BrowserRouter>
            </DeskLight>
        </QueryClientProvider>,
    );
}

const school = (id: string, name: string, sentence: string) => ({ id, name, sentence });

/** Some of the questions on which artists disagree, as the studio asks them. */
export const schoolQuestions = {
    questions: [
        {
            id: 'value',
            name: 'Which value first',
            ofRecipes: true,
            schools: [
                school('light-to-dark', 'Light to dark', 'The pale layers go down first.'),
                school('form-first', 'Form first', 'Shadow form first, the local colour last.'),
            ],
        },
        {
            id: 'shadows',
            name: 'Shadows',
            ofRecipes: true,
            schools: [
                school('complement', 'Complement', 'From the complement.'),
                school('black', 'Black, last', 'Black may deepen it.'),
            ],
        },
        {
            id: 'highlights',
            name: 'Highlights',
            ofRecipes: false,
            schools: [
                school('reserve', 'Reserve the paper', 'Draw round the light.'),
                school('lift', 'Lift out with the eraser', 'Dab it out.'),
            ],
        },
        {
            id: 'background',
            name: 'Over the picture',
            ofRecipes: false,
            schools: [
                school('colour-by-colour', 'Colour by colour', 'The same pencil everywhere.'),
                school('zone-by-zone', 'Zone by zone', 'Each is finished before the next.'),
            ],
        },
    ],
    chosen: { value: 'light-to-dark', shadows: 'complement', highlights: 'reserve', background: 'colour-by-colour' },
};
