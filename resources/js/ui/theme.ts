/**
 * A true neutral (a* = b* = 0) of a given lightness: red, green and blue are equal, so no grey of the interface leans.
 * L* to sRGB by CIE 1976 and IEC 61966-2-1.
 */
export function grey(L: number): string {
    const y = L > 8 ? ((L + 16) / 116) ** 3 : (L * 27) / 24389;
    const code = y <= 0.0031308 ? 12.92 * y : 1.055 * y ** (1 / 2.4) - 0.055;
    const byte = Math.round(255 * code)
        .toString(16)
        .padStart(2, '0');

    return `#${byte}${byte}${byte}`;
}

export interface Theme {
    desk: string;
    panel: string;
    raised: string;
    surround: string;
    line: string;
    ink: string;
    quiet: string;
    strong: string;
    onStrong: string;
    bar: string;
    onBar: string;
}

/** Lightness of each surface; text keeps 4.5 : 1 or more on every one of them. */
export const daylight: Theme = {
    desk: grey(82),
    panel: grey(91),
    raised: grey(97),
    surround: grey(70),
    line: grey(76),
    ink: grey(10),
    quiet: grey(34),
    strong: grey(16),
    onStrong: grey(97),
    bar: grey(16),
    onBar: grey(97),
};

export const dim: Theme = {
    // Not darker: a black pencil, L* 15, must show on it.
    desk: grey(22),
    panel: grey(29),
    raised: grey(34),
    surround: grey(40),
    line: grey(46),
    ink: grey(96),
    quiet: grey(80),
    strong: grey(92),
    onStrong: grey(10),
    bar: grey(12),
    onBar: grey(88),
};

export const space = { xs: '4px', s: '8px', m: '12px', l: '20px', xl: '32px' } as const;

/** There are no other sizes. */
export const type = {
    small: '13px',
    body: '15px',
    lead: '17px',
    title: '24px',
    /** Read from a step away: a pencil's own page, the pressure in Draw. */
    far: '34px',
    word: '84px',
    huge: '132px',
} as const;

/** Too narrow for two columns: a tablet held upright. */
export const UPRIGHT = '(max-width: 900px)';

/** How large what is pressed is: by a mouse, by a finger, in Draw, where a pencil is in the hand. */
export const target = { usual: '36px', touch: '44px', draw: '60px' } as const;

export const radius = '3px';
