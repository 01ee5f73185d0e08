// Renders the demo reference, a harbour still life (two glass floats, a painted buoy and a coil of rope on planks), by
// path tracing, and writes it as PPM. Usage: node render-photo.mjs OUT.ppm [width height samples]
// make-photo.php calls this and turns the result into a JPEG.
import { writeFileSync } from 'node:fs';
import { Worker, isMainThread, parentPort, workerData } from 'node:worker_threads';
import { fileURLToPath } from 'node:url';

const TAU = Math.PI * 2;
const EPS = 1e-4;

// --- deterministic noise ---------------------------------------------------------------------------------------------
let seed = 1;
const random = () => {
    seed = (Math.imul(seed, 1664525) + 1013904223) | 0;
    let t = seed ^ (seed >>> 15);
    t = Math.imul(t, 0x85ebca6b);
    t ^= t >>> 13;
    return (t >>> 0) / 4294967296;
};
const hash = (x, y, z) => {
    let h = Math.imul(x | 0, 374761393) + Math.imul(y | 0, 668265263) + Math.imul(z | 0, 2147483647);
    h = Math.imul(h ^ (h >>> 13), 1274126177);
    return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
};
const smooth = (t) => t * t * (3 - 2 * t);
const noise = (x, y, z) => {
    const ix = Math.floor(x), iy = Math.floor(y), iz = Math.floor(z);
    const fx = smooth(x - ix), fy = smooth(y - iy), fz = smooth(z - iz);
    const mix = (a, b, t) => a + (b - a) * t;
    const row = (dy, dz) => mix(hash(ix, iy + dy, iz + dz), hash(ix + 1, iy + dy, iz + dz), fx);
    return mix(mix(row(0, 0), row(1, 0), fy), mix(row(0, 1), row(1, 1), fy), fz);
};
const fbm = (x, y, z) => noise(x, y, z) * 0.5 + noise(x * 2.1, y * 2.1, z * 2.1) * 0.27 + noise(x * 4.3, y * 4.3, z * 4.3) * 0.15 + noise(x * 8.7, y * 8.7, z * 8.7) * 0.08;

// --- vectors ---------------------------------------------------------------------------------------------------------
const add = (a, b) => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
const sub = (a, b) => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
const mul = (a, k) => [a[0] * k, a[1] * k, a[2] * k];
const had = (a, b) => [a[0] * b[0], a[1] * b[1], a[2] * b[2]];
const dot = (a, b) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
const cross = (a, b) => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const norm = (a) => mul(a, 1 / Math.sqrt(dot(a, a)));
const lerp = (a, b, t) => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];

// --- scene -----------------------------------------------------------------------------------------------------------
const GLASS = 0, PAINT = 1, PLANKS = 2, WALL = 3, ROPE = 4, IRON = 5;
const spheres = [
    { c: [-1.35, 1.0, -0.1], r: 1.0, kind: GLASS, tint: [1.7, 0.3, 1.05] },
    { c: [-1.35, 1.0, -0.1], r: 0.93, kind: GLASS, inner: true, tint: [0, 0, 0] },
    { c: [0.42, 0.5, 1.15], r: 0.5, kind: GLASS, tint: [4.2, 1.5, 0.5] },
    { c: [0.42, 0.5, 1.15], r: 0.455, kind: GLASS, inner: true, tint: [0, 0, 0] },
    { c: [1.55, 1.08, -0.55], r: 1.08, kind: PAINT },
];
const tori = [
    { c: [-0.75, 0.13, 2.05], R: 0.62, r: 0.12, kind: ROPE },
    { c: [-0.7, 0.34, 2.02], R: 0.5, r: 0.12, kind: ROPE },
    { c: [1.55, 2.3, -0.55], R: 0.17, r: 0.045, kind: IRON, upright: true },
];
const light = { c: [-4.6, 6.4, 4.2], r: 1.25, power: [150, 142, 127] };
const sky = (d) => lerp([0.1, 0.1, 0.1], [0.2, 0.23, 0.28], 0.5 + 0.5 * d[1]);
const buoyAxis = norm([0.32, 1, 0.18]);

const torusDistance = (p, t) => {
    const q = sub(p, t.c);
    if (t.upright) return Math.hypot(Math.hypot(q[0], q[1]) - t.R, q[2]) - t.r;
    const a = Math.atan2(q[2], q[0]);
    const ring = Math.hypot(q[0], q[2]) - t.R;
    const b = Math.atan2(q[1], ring);
    // Three strands, laid round one another.
    return Math.hypot(ring, q[1]) - t.r * (0.93 + 0.09 * Math.cos(3 * b + 26 * a));
};

const hitSphere = (o, d, s, far) => {
    const oc = sub(o, s.c);
    const b = dot(oc, d);
    const disc = b * b - dot(oc, oc) + s.r * s.r;
    if (disc < 0) return Infinity;
    const root = Math.sqrt(disc);
    const t = -b - root > EPS ? -b - root : -b + root;
    return t > EPS && t < far ? t : Infinity;
};
const hitTorus = (o, d, t, far) => {
    const bound = { c: t.c, r: t.R + t.r * 1.2 };
    const oc = sub(o, bound.c);
    const inside = dot(oc, oc) < bound.r * bound.r;
    let at = inside ? 0.002 : hitSphere(o, d, bound, far);
    if (at === Infinity) return Infinity;
    const leave = at + 2 * bound.r + 0.1;
    for (let i = 0; i < 96 && at < leave && at < far; i++) {
        const distance = torusDistance(add(o, mul(d, at)), t);
        if (distance < 0.0008) return at > 0.004 ? at : Infinity;
        at += distance * 0.75;
    }
    return Infinity;
};
const trace = (o, d, skipGlass = false) => {
    let best = Infinity, object = null;
    for (const s of spheres) {
        if (skipGlass && s.kind === GLASS) continue;
        const t = hitSphere(o, d, s, best);
        if (t < best) { best = t; object = s; }
    }
    for (const torus of tori) {
        const t = hitTorus(o, d, torus, best);
        if (t < best) { best = t; object = torus; }
    }
    if (d[1] < 0) {
        const t = -o[1] / d[1];
        if (t > EPS && t < best) { best = t; object = { kind: PLANKS }; }
    }
    if (d[2] < 0) {
        const t = (-3.2 - o[2]) / d[2];
        if (t > EPS && t < best) { best = t; object = { kind: WALL }; }
    }
    return [best, object];
};

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
const wall = (p) => {
    const board = Math.floor(p[0] / 0.9 + 30);
    const across = p[0] / 0.9 + 30 - board;
    const worn = fbm(p[0] * 1.6, p[1] * 0.7, board * 2.3);
    const c = lerp([0.2, 0.26, 0.32], [0.3, 0.33, 0.35], Math.min(1, worn * 1.4 - 0.2));
    const gap = Math.min(across, 1 - across) * 0.9;
    return mul(c, (0.86 + 0.22 * hash(board, 8, 2)) * (gap < 0.014 ? 0.3 : 1));
};
const paint = (p, s) => {
    const q = mul(sub(p, s.c), 1 / s.r);
    const height = dot(q, buoyAxis);
    const edge = 0.012 * (noise(q[0] * 9, q[1] * 9, q[2] * 9) - 0.5);
    let c = height > 0.16 + edge || height < -0.3 + edge ? [0.66, 0.085, 0.035] : [0.75, 0.68, 0.52];
    const scuff = fbm(q[0] * 4 + 3, q[1] * 4, q[2] * 4);
    if (scuff > 0.62) c = lerp(c, [0.5, 0.42, 0.33], Math.min(0.55, (scuff - 0.62) * 4));
    const stain = fbm(q[0] * 2, q[1] * 6 - 2, q[2] * 2);
    return mul(c, 0.85 + 0.25 * stain);
};
const rope = (p, t) => {
    const q = sub(p, t.c);
    const a = Math.atan2(q[2], q[0]);
    const b = Math.atan2(q[1], Math.hypot(q[0], q[2]) - t.R);
    const strand = 0.5 + 0.5 * Math.cos(3 * b + 26 * a);
    const fibre = noise(a * 60, b * 9, 3);
    return mul([0.56, 0.44, 0.27], (0.5 + 0.5 * strand) * (0.75 + 0.4 * fibre));
};

const normalAt = (p, object) => {
    if (object.kind === PLANKS) {
        const e = 0.006;
        const bump = (x, z) => 0.012 * fbm(x * 3, z * 30, 4.4);
        return norm([bump(p[0] - e, p[2]) - bump(p[0] + e, p[2]), 2 * e, bump(p[0], p[2] - e) - bump(p[0], p[2] + e)]);
    }
    if (object.kind === WALL) return [0, 0, 1];
    if (object.R !== undefined) {
        const e = 0.001;
        const f = (dx, dy, dz) => torusDistance([p[0] + dx, p[1] + dy, p[2] + dz], object);
        return norm([f(e, 0, 0) - f(-e, 0, 0), f(0, e, 0) - f(0, -e, 0), f(0, 0, e) - f(0, 0, -e)]);
    }
    return mul(sub(p, object.c), 1 / object.r);
};

// --- light -----------------------------------------------------------------------------------------------------------
/** What reaches a point from a place on the lamp: glass on the way tints instead of blocking. */
const shadow = (p, d, distance) => {
    const [t] = trace(p, d, true);
    if (t < distance) return null;
    let through = [1, 1, 1];
    for (const s of spheres) {
        if (s.kind !== GLASS || s.inner) continue;
        const oc = sub(p, s.c);
        const b = dot(oc, d);
        const disc = b * b - dot(oc, oc) + s.r * s.r;
        if (disc <= 0 || -b + Math.sqrt(disc) < EPS) continue;
        // Edge-on the wall of the float is thick and bends the light away; the middle focuses it.
        const centre = Math.sqrt(disc) / s.r;
        const depth = 0.16 + 0.55 * (1 - centre);
        const bright = 0.2 + 0.95 * centre * centre;
        through = had(through, mul(s.tint.map((k) => Math.exp(-k * depth * 3)), bright));
    }
    return through;
};
const direct = (p, n) => {
    const z = 1 - 2 * random(), a = TAU * random(), ring = Math.sqrt(1 - z * z);
    const target = add(light.c, mul([ring * Math.cos(a), z, ring * Math.sin(a)], light.r));
    const to = sub(target, p);
    const distance2 = dot(to, to);
    const d = mul(to, 1 / Math.sqrt(distance2));
    const cos = dot(n, d);
    if (cos <= 0) return [0, 0, 0];
    const through = shadow(add(p, mul(n, 2 * EPS)), d, Math.sqrt(distance2));
    return through ? mul(had(light.power, through), cos / (Math.PI * distance2) * 1.15) : [0, 0, 0];
};
const scatter = (n) => {
    const a = TAU * random(), r2 = random(), r = Math.sqrt(r2);
    const u = norm(Math.abs(n[0]) > 0.5 ? cross(n, [0, 1, 0]) : cross(n, [1, 0, 0]));
    const v = cross(n, u);
    return norm(add(add(mul(u, r * Math.cos(a)), mul(v, r * Math.sin(a))), mul(n, Math.sqrt(1 - r2))));
};
/** The lamp in a mirror: nothing if the way to it is barred. Its edge is soft. */
const lampMirrored = (p, n, d, cos) => {
    const mirror = add(d, mul(n, 2 * cos));
    const oc = sub(p, light.c);
    const b = dot(oc, mirror);
    const near2 = dot(oc, oc) - b * b;
    if (-b < 0 || near2 > light.r * light.r) return [0, 0, 0];
    const [t] = trace(add(p, mul(n, 2 * EPS)), mirror, true);
    const edge = Math.min(1, (1 - Math.sqrt(near2) / light.r) * 4);
    return t < 8 ? [0, 0, 0] : mul(light.power, 0.16 * edge);
};
const fresnel = (cos, f0) => f0 + (1 - f0) * (1 - cos) ** 5;

const radiance = (o, d, depth) => {
    let got = [0, 0, 0], carry = [1, 1, 1], diffused = false;
    for (let bounce = 0; bounce < depth; bounce++) {
        const [t, object] = trace(o, d);
        if (t === Infinity) return add(got, had(carry, sky(d)));
        const p = add(o, mul(d, t));
        let n = normalAt(p, object);
        if (object.kind === GLASS) {
            const outside = dot(d, n) < 0;
            const facing = outside ? n : mul(n, -1);
            const cos = -dot(d, facing);
            // The inner sphere holds air: going in there means leaving glass.
            const eta = (object.inner ? !outside : outside) ? 1 / 1.5 : 1.5;
            const inGlass = object.inner ? outside : !outside;
            if (inGlass) carry = had(carry, object.inner ? glassTint(object, t) : object.tint.map((k) => Math.exp(-k * t * 4)));
            const k = 1 - eta * eta * (1 - cos * cos);
            const reflect = k < 0 ? 1 : fresnel(k < 0 ? 0 : Math.min(cos, Math.sqrt(k)), 0.04);
            // The lamp's own reflection is added whole where it is seen, not left to chance: it would come out speckled.
            if (!diffused && k >= 0) got = add(got, had(carry, mul(lampMirrored(p, facing, d, cos), reflect)));
            if (random() < reflect) {
                d = norm(add(d, mul(facing, 2 * cos)));
                o = add(p, mul(facing, 2 * EPS));
            } else {
                d = norm(add(mul(d, eta), mul(facing, eta * cos - Math.sqrt(k))));
                o = add(p, mul(facing, -2 * EPS));
            }
            continue;
        }
        if (dot(n, d) > 0) n = mul(n, -1);
        const cos = -dot(n, d);
        let albedo, gloss = 0, rough = 0;
        if (object.kind === PLANKS) { albedo = planks(p); gloss = 0.02; rough = 0.35; }
        else if (object.kind === WALL) albedo = wall(p);
        else if (object.kind === ROPE) albedo = rope(p, object);
        else if (object.kind === IRON) { albedo = [0.12, 0.11, 0.1]; gloss = 0.3; rough = 0.15; }
        else { albedo = paint(p, object); gloss = 0.045; rough = 0.03; }
        if (rough > 0 && rough < 0.1 && !diffused) got = add(got, had(carry, mul(lampMirrored(p, n, d, cos), fresnel(cos, gloss))));
        if (gloss > 0 && random() < fresnel(cos, gloss)) {
            const mirror = add(d, mul(n, 2 * cos));
            const jitter = mul([random() - 0.5, random() - 0.5, random() - 0.5], 2 * rough);
            d = norm(add(mirror, jitter));
            if (dot(d, n) <= 0) d = norm(mirror);
            o = add(p, mul(n, 2 * EPS));
            diffused ||= rough >= 0.1;
            continue;
        }
        got = add(got, had(had(carry, albedo), direct(p, n)));
        carry = had(carry, albedo);
        if (bounce > 2 && random() > 0.75) return got;
        if (bounce > 2) carry = mul(carry, 1 / 0.75);
        diffused = true;
        d = scatter(n);
        o = add(p, mul(n, 2 * EPS));
    }
    return got;
};
const glassTint = (inner, t) => {
    const outer = spheres[spheres.indexOf(inner) - 1];
    return outer.tint.map((k) => Math.exp(-k * t * 4));
};

// --- camera ----------------------------------------------------------------------------------------------------------
const eye = [0.15, 2.75, 8.2], look = [0.08, 0.86, 0];
const forward = norm(sub(look, eye));
const right = norm(cross(forward, [0, 1, 0]));
const up = cross(right, forward);

const row = (y, width, height, samples) => {
    const line = new Float32Array(width * 3);
    const zoom = 2 * Math.tan((31 * Math.PI) / 360);
    for (let x = 0; x < width; x++) {
        seed = Math.imul(y, 73856093) ^ Math.imul(x + 1, 19349663);
        for (let i = 0; i < 8; i++) random();
        let sum = [0, 0, 0];
        for (let s = 0; s < samples; s++) {
            const u = ((x + random()) / width - 0.5) * zoom * (width / height);
            const v = (0.5 - (y + random()) / height) * zoom;
            const d = norm(add(forward, add(mul(right, u), mul(up, v))));
            const c = radiance(eye, d, 9);
            // A stray bright path would leave a white dot.
            sum = add(sum, c.map((k) => Math.min(k, 6)));
        }
        for (let k = 0; k < 3; k++) line[3 * x + k] = sum[k] / samples;
    }
    return line;
};

/** Lens, sensor and curve: fall-off to the corners, shot noise, a soft shoulder, sRGB. */
const develop = (linear, width, height) => {
    const bytes = Buffer.alloc(width * height * 3);
    seed = 4242;
    const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(TAU * random());
    for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
            const fall = 1 - 0.28 * ((x / width - 0.5) ** 2 + (y / height - 0.5) ** 2) * 2;
            const luma = gauss();
            for (let k = 0; k < 3; k++) {
                let v = linear[3 * (y * width + x) + k] * fall * 1.6;
                v += 0.0065 * Math.sqrt(Math.max(v, 0.004)) * (0.6 * luma + 0.7 * gauss());
                v = Math.max(0, v);
                v = v < 0.6 ? v : 0.6 + 0.4 * (1 - Math.exp(-(v - 0.6) / 0.4));
                const coded = v <= 0.0031308 ? 12.92 * v : 1.055 * v ** (1 / 2.4) - 0.055;
                bytes[3 * (y * width + x) + k] = Math.max(0, Math.min(255, Math.round(255 * coded)));
            }
        }
    }
    return bytes;
};

if (isMainThread) {
    const [out, w = '1600', h = '1200', n = '64'] = process.argv.slice(2);
    if (!out) throw new Error('Usage: node render-photo.mjs OUT.ppm [width height samples]');
    const width = Number(w), height = Number(h), samples = Number(n);
    const image = new Float32Array(width * height * 3);
    const workers = 2;
    await Promise.all(
        Array.from({ length: workers }, (_, from) => new Promise((done, failed) => {
            const worker = new Worker(fileURLToPath(import.meta.url), { workerData: { from, workers, width, height, samples } });
            worker.on('message', ({ y, line }) => image.set(line, y * width * 3));
            worker.on('error', failed);
            worker.on('exit', done);
        })),
    );
    writeFileSync(out, Buffer.concat([Buffer.from(`P6\n${width} ${height}\n255\n`), develop(image, width, height)]));
} else {
    const { from, workers, width, height, samples } = workerData;
    for (let y = from; y < height; y += workers) parentPort.postMessage({ y, line: row(y, width, height, samples) });
}
