// What stands in the demo references, and where the lamp and the camera are. An object is a sphere or a `marched` shape
// with a distance function; opaque ones have surface(p) -> { albedo, gloss, rough }. part(p) numbers the painted parts of
// an object, for the truth about zones.
import { add, dot, fbm, hash, lerp, mul, noise, norm, sub } from './maths.mjs';

export const GLASS = 0, OPAQUE = 1;

// --- surfaces --------------------------------------------------------------------------------------------------------
const planks = (p) => {
    const board = Math.floor(p[2] / 0.82 + 40);
    const across = (p[2] / 0.82 + 40) - board;
    const x = p[0] + hash(board, 3, 7) * 9;
    const grain = fbm(x * 0.7, across * 9 + board * 3.7, 2.2 + 0.6 * noise(x * 0.4, board, 1));
    const fine = noise(x * 2.2, across * 70 + board * 11, 5);
    const tone = 0.75 + 0.5 * hash(board, 1, 1);
    let c = lerp([0.42, 0.31, 0.21], [0.2, 0.135, 0.085], Math.min(1, Math.max(0, grain * 1.5 - 0.25)));
    c = mul(c, tone * (0.82 + 0.3 * fine));
    const knot = noise(x * 0.9 + 4, board * 5.1, 9);
    if (knot > 0.8) c = mul(c, 1 - (knot - 0.8) * 2.2);
    const gap = Math.min(across, 1 - across) * 0.82;
    return gap < 0.018 ? mul(c, 0.12) : mul(c, 0.75 + 0.25 * Math.min(1, gap / 0.06));
};
const boards = (p) => {
    const board = Math.floor(p[0] / 0.9 + 30);
    const across = p[0] / 0.9 + 30 - board;
    const worn = fbm(p[0] * 1.6, p[1] * 0.7, board * 2.3);
    const c = lerp([0.2, 0.26, 0.32], [0.3, 0.33, 0.35], Math.min(1, worn * 1.4 - 0.2));
    const gap = Math.min(across, 1 - across) * 0.9;
    return mul(c, (0.86 + 0.22 * hash(board, 8, 2)) * (gap < 0.014 ? 0.3 : 1));
};
/** A plastered wall, nearly plain. */
const plaster = (low, high) => (p) => lerp(low, high, Math.min(1, Math.max(0, fbm(p[0] * 0.8, p[1] * 0.8, 4.2) * 1.3 - 0.15)));
/** Woven cloth: a plain colour with the threads just showing. */
const cloth = (colour) => (p) => mul(colour, 0.9 + 0.14 * noise(p[0] * 60, p[2] * 60, 1) + 0.08 * (fbm(p[0] * 1.5, p[2] * 1.5, 8) - 0.5));
const slate = (p) => mul([0.13, 0.14, 0.15], 0.75 + 0.55 * fbm(p[0] * 3.1, p[2] * 3.1, 6.1));

const matt = (colour) => (p, s) => ({ albedo: colour(p, s), gloss: 0, rough: 0 });
const waxed = (colour) => (p, s) => ({ albedo: colour(p, s), gloss: 0.02, rough: 0.35 });
const glossy = (colour, gloss = 0.045, rough = 0.03) => (p, s) => ({ albedo: colour(p, s), gloss, rough });
const iron = { surface: glossy(() => [0.12, 0.11, 0.1], 0.3, 0.15) };

const buoyAxis = norm([0.32, 1, 0.18]);
const buoyBand = (p, s) => {
    const q = mul(sub(p, s.c), 1 / s.r);
    const edge = 0.012 * (noise(q[0] * 9, q[1] * 9, q[2] * 9) - 0.5);
    const height = dot(q, buoyAxis);
    return height > 0.16 + edge ? 2 : height < -0.3 + edge ? 3 : 1;
};
const buoyPaint = (p, s) => {
    const q = mul(sub(p, s.c), 1 / s.r);
    let c = buoyBand(p, s) === 1 ? [0.75, 0.68, 0.52] : [0.66, 0.085, 0.035];
    const scuff = fbm(q[0] * 4 + 3, q[1] * 4, q[2] * 4);
    if (scuff > 0.62) c = lerp(c, [0.5, 0.42, 0.33], Math.min(0.55, (scuff - 0.62) * 4));
    const stain = fbm(q[0] * 2, q[1] * 6 - 2, q[2] * 2);
    return mul(c, 0.85 + 0.25 * stain);
};
const hemp = (p, t) => {
    const q = sub(p, t.c);
    const a = Math.atan2(q[2], q[0]);
    const b = Math.atan2(q[1], Math.hypot(q[0], q[2]) - t.R);
    const strand = 0.5 + 0.5 * Math.cos(3 * b + 26 * a);
    const fibre = noise(a * 60, b * 9, 3);
    return mul([0.56, 0.44, 0.27], (0.5 + 0.5 * strand) * (0.75 + 0.4 * fibre));
};

// --- shapes ----------------------------------------------------------------------------------------------------------
const rope = (c, R, r) => {
    const t = { c, R, r, bound: { c, r: R + r * 1.2 }, surface: matt(hemp) };
    // Three strands, laid round one another.
    t.distance = (p) => {
        const q = sub(p, c);
        const a = Math.atan2(q[2], q[0]);
        const ring = Math.hypot(q[0], q[2]) - R;
        const b = Math.atan2(q[1], ring);
        return Math.hypot(ring, q[1]) - r * (0.93 + 0.09 * Math.cos(3 * b + 26 * a));
    };
    return t;
};
/** An upright ring in the plane of the picture. */
const ring = (c, R, r, look = iron) => ({
    c, R, r, bound: { c, r: R + r * 1.2 }, ...look,
    distance: (p) => Math.hypot(Math.hypot(p[0] - c[0], p[1] - c[1]) - R, p[2] - c[2]) - r,
});
/** Half a ring that stands off to one side, as a handle does. */
const handle = (c, R, r, squash, side, look) => ({
    c, bound: { c, r: R * squash + r * 1.3 }, ...look,
    distance: (p) => {
        const x = (p[0] - c[0]) * side, y = (p[1] - c[1]) / squash, z = p[2] - c[2];
        if (x < 0) return Math.max(0.02, Math.hypot(x, Math.abs(Math.abs(y) - R), z) - r);
        return Math.hypot(Math.hypot(x, y) - R, z) - r;
    },
});
/** Turned on a wheel: radius(y) from the foot at y = 0 to the rim at y = height; `wall` makes it hollow from above. */
const turned = (c, height, radius, wall, look) => {
    const most = Math.max(...Array.from({ length: 60 }, (_, i) => radius((i / 59) * height)));
    const at = (y) => Math.max(0, Math.min(height, y));
    const t = { c, height, bound: { c: [c[0], c[1] + height / 2, c[2]], r: Math.hypot(most, height / 2) + 0.05 }, ...look };
    t.distance = (p) => {
        const y = p[1] - c[1], across = Math.hypot(p[0] - c[0], p[2] - c[2]);
        const f = radius(at(y)), slope = (radius(at(y + 0.01)) - radius(at(y - 0.01))) / 0.02;
        const beside = (across - f) / Math.sqrt(1 + slope * slope);
        const outer = Math.max(beside, y - height, -y);
        if (!wall) return outer;
        const inner = Math.max((across - f + wall) / Math.sqrt(1 + slope * slope), -(y - wall * 1.5));
        return Math.max(outer, -inner);
    };
    return t;
};
/** Radius through given heights, smooth in between (monotone where they are). */
const profile = (points) => (y) => {
    let i = 0;
    while (i < points.length - 2 && y > points[i + 1][0]) i++;
    const [y0, r0] = points[i], [y1, r1] = points[i + 1];
    const slope = (k) => (k <= 0 || k >= points.length - 1 ? 0 : (points[k + 1][1] - points[k - 1][1]) / (points[k + 1][0] - points[k - 1][0]));
    const w = y1 - y0, t = Math.max(0, Math.min(1, (y - y0) / w)), t2 = t * t, t3 = t2 * t;
    return (2 * t3 - 3 * t2 + 1) * r0 + (t3 - 2 * t2 + t) * w * slope(i) + (3 * t2 - 2 * t3) * r1 + (t3 - t2) * w * slope(i + 1);
};
const glass = (c, r, inside, tint) => [
    { c, r, kind: GLASS, tint },
    { c, r: inside, kind: GLASS, inner: true, tint: [0, 0, 0] },
];
const room = (ground, wall, back) => ({
    ground: { kind: OPAQUE, ...ground },
    wall: { kind: OPAQUE, back, ...wall },
});

/** Two glazes on one pot, the upper run down over the lower in uneven tongues. */
const glazed = (upper, lower, line, runs) => {
    const part = (p, s) => {
        const a = Math.atan2(p[2] - s.c[2], p[0] - s.c[0]);
        return p[1] - s.c[1] > line + runs * (noise(a * 3.1 + 7, 1, 2) - 0.5) ? 1 : 2;
    };
    return { part, surface: glossy((p, s) => mul(part(p, s) === 1 ? upper : lower, 0.88 + 0.2 * fbm(p[0] * 5, p[1] * 5, p[2] * 5)), 0.05, 0.025) };
};
const enamel = (colour) => ({ surface: glossy((p) => mul(colour, 0.93 + 0.1 * fbm(p[0] * 3, p[1] * 3, p[2] * 3)), 0.05, 0.04) });

// --- scenes ----------------------------------------------------------------------------------------------------------
const dayRoom = (d) => lerp([0.1, 0.1, 0.1], [0.2, 0.23, 0.28], 0.5 + 0.5 * d[1]);
const lanternBody = enamel([0.035, 0.17, 0.2]);
const lanternCap = enamel([0.04, 0.2, 0.23]);
const lanternRim = { surface: glossy(() => [0.72, 0.66, 0.5], 0.05, 0.05) };

export const scenes = {
    harbour: {
        spheres: [
            ...glass([-1.35, 1.0, -0.1], 1.0, 0.93, [1.7, 0.3, 1.05]),
            ...glass([0.42, 0.5, 1.15], 0.5, 0.455, [4.2, 1.5, 0.5]),
            { c: [1.55, 1.08, -0.55], r: 1.08, kind: OPAQUE, part: buoyBand, surface: glossy(buoyPaint) },
        ],
        marched: [rope([-0.75, 0.13, 2.05], 0.62, 0.12), rope([-0.7, 0.34, 2.02], 0.5, 0.12), ring([1.55, 2.3, -0.55], 0.17, 0.045)],
        ...room({ surface: waxed(planks), bumpy: true }, { surface: matt(boards) }, -3.2),
        light: { c: [-4.6, 6.4, 4.2], r: 1.25, power: [150, 142, 127] },
        sky: dayRoom,
        eye: [0.15, 2.75, 8.2], look: [0.08, 0.86, 0], angle: 31, exposure: 1.6,
    },
    // A lantern of enamelled tin with a frosted globe, and rope, on a slate shelf; the lamp hangs to the right.
    lantern: {
        spheres: [{ c: [-0.25, 1.5, 0], r: 0.6, kind: OPAQUE, surface: glossy(() => [0.7, 0.66, 0.55], 0.04, 0.3) }],
        marched: [
            turned([-0.25, 0, 0], 0.95, profile([[0, 0.92], [0.1, 0.95], [0.55, 0.9], [0.7, 0.6], [0.95, 0.46]]), 0, lanternBody),
            turned([-0.25, 0.93, 0], 0.1, () => 0.52, 0, lanternRim),
            turned([-0.25, 1.98, 0], 0.12, () => 0.52, 0, lanternRim),
            turned([-0.25, 2.08, 0], 0.62, profile([[0, 0.62], [0.12, 0.56], [0.36, 0.22], [0.44, 0.2], [0.62, 0.2]]), 0, lanternCap),
            ring([-0.25, 1.5, 0], 0.92, 0.035),
            ring([-0.25, 2.92, 0], 0.24, 0.035),
            rope([1.5, 0.14, 0.7], 0.66, 0.13), rope([1.46, 0.38, 0.66], 0.6, 0.13), rope([1.5, 0.62, 0.7], 0.52, 0.12),
        ],
        ...room({ surface: matt(slate) }, { surface: matt(plaster([0.5, 0.46, 0.38], [0.6, 0.56, 0.47])) }, -2.2),
        light: { c: [5.2, 5.6, 4.4], r: 0.9, power: [150, 138, 118] },
        sky: (d) => lerp([0.09, 0.085, 0.08], [0.17, 0.175, 0.19], 0.5 + 0.5 * d[1]),
        eye: [0.4, 2.3, 8.6], look: [0.3, 1.3, 0], angle: 30, exposure: 1.5,
    },
    // Three glazed jugs on a cloth under a warm lamp, low on the left.
    jugs: {
        spheres: [],
        marched: [
            turned([-1.45, 0, 0.1], 2.15, profile([[0, 0.5], [0.15, 0.55], [0.8, 0.82], [1.5, 0.5], [1.85, 0.42], [2.15, 0.52]]), 0.06, glazed([0.06, 0.13, 0.34], [0.5, 0.42, 0.3], 0.62, 0.34)),
            handle([-1.98, 1.42, 0.1], 0.36, 0.075, 1.25, -1, enamel([0.06, 0.13, 0.34])),
            turned([0.35, 0, 0.75], 1.15, profile([[0, 0.5], [0.12, 0.56], [0.5, 0.72], [0.9, 0.6], [1.15, 0.62]]), 0.06, glazed([0.62, 0.36, 0.07], [0.32, 0.14, 0.06], 0.5, 0.3)),
            turned([1.75, 0, -0.35], 1.75, profile([[0, 0.55], [0.2, 0.66], [0.75, 0.84], [1.25, 0.6], [1.5, 0.38], [1.75, 0.46]]), 0.06, glazed([0.2, 0.38, 0.22], [0.58, 0.56, 0.48], 0.7, 0.3)),
            handle([2.3, 1.1, -0.35], 0.32, 0.07, 1.2, 1, enamel([0.2, 0.38, 0.22])),
        ],
        ...room({ surface: matt(cloth([0.5, 0.46, 0.42])) }, { surface: matt(plaster([0.16, 0.11, 0.09], [0.21, 0.15, 0.12])) }, -2.6),
        light: { c: [-5.6, 4.2, 3.6], r: 1.0, power: [150, 118, 84] },
        sky: (d) => lerp([0.1, 0.09, 0.08], [0.15, 0.15, 0.16], 0.5 + 0.5 * d[1]),
        eye: [0.1, 2.9, 8.2], look: [0.12, 0.86, 0], angle: 32, exposure: 1.7,
    },
    // A bowl, a tall can and a tub with a float and a coil of rope, on boards under a cool lamp from the upper right. Nothing
    // was ever tuned on it: it only measures.
    shelf: {
        spheres: [...glass([1.95, 0.62, 0.75], 0.62, 0.57, [0.5, 1.6, 3.1])],
        marched: [
            turned([-0.35, 0, -0.45], 2.3, profile([[0, 0.5], [0.12, 0.54], [1.5, 0.5], [1.85, 0.32], [2.3, 0.3]]), 0, { part: (p) => (p[1] > 0.72 && p[1] < 1.15 ? 2 : 1), surface: glossy((p) => (p[1] > 0.72 && p[1] < 1.15 ? [0.74, 0.7, 0.6] : [0.44, 0.06, 0.09]), 0.045, 0.08) }),
            turned([-1.75, 0, 0.35], 0.95, profile([[0, 0.45], [0.1, 0.5], [0.45, 0.78], [0.95, 0.95]]), 0.07, glazed([0.16, 0.3, 0.42], [0.6, 0.54, 0.42], 0.42, 0.2)),
            turned([1.0, 0, -0.9], 1.25, profile([[0, 0.8], [0.2, 0.82], [1.05, 0.86], [1.25, 0.92]]), 0, { surface: matt((p) => mul([0.42, 0.4, 0.2], 0.85 + 0.25 * fbm(p[0] * 4, p[1] * 2, p[2] * 4))) }),
            rope([0.35, 0.12, 1.5], 0.5, 0.11),
        ],
        ...room({ surface: matt(boards) }, { surface: matt(plaster([0.34, 0.36, 0.38], [0.42, 0.44, 0.45])) }, -2.8),
        light: { c: [4.6, 6.2, 4.8], r: 1.1, power: [128, 140, 150] },
        sky: (d) => lerp([0.1, 0.1, 0.1], [0.18, 0.18, 0.17], 0.5 + 0.5 * d[1]),
        eye: [-0.1, 2.7, 8.4], look: [0.05, 0.85, 0], angle: 31, exposure: 1.6,
    },
};
