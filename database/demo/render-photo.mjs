// Renders a demo reference by path tracing and writes it as PPM, or what the renderer knows of it as PGM: the object and
// the part of it that each pixel shows, lit, half-lit or in shadow.
// Usage: node render-photo.mjs OUT.ppm SCENE [width height samples]
//        node render-photo.mjs --truth OUT.pgm SCENE [width height]
// make-photo.php calls this and turns the results into a JPEG and a PNG.
import { writeFileSync } from 'node:fs';
import { Worker, isMainThread, parentPort, workerData } from 'node:worker_threads';
import { fileURLToPath } from 'node:url';
import { add, cross, dot, fbm, had, lerp, mul, norm, sub } from './render/maths.mjs';
import { GLASS, scenes } from './render/scenes.mjs';

const TAU = Math.PI * 2;
const EPS = 1e-4;

let seed = 1;
const random = () => {
    seed = (Math.imul(seed, 1664525) + 1013904223) | 0;
    let t = seed ^ (seed >>> 15);
    t = Math.imul(t, 0x85ebca6b);
    t ^= t >>> 13;
    return (t >>> 0) / 4294967296;
};

const arguments_ = isMainThread ? process.argv.slice(2) : [];
const wantsTruth = arguments_[0] === '--truth';
if (wantsTruth) arguments_.shift();
const [out, sceneName, w, h, n] = arguments_;
const scene = scenes[isMainThread ? sceneName : workerData.sceneName];
if (!scene) throw new Error(`Usage: node render-photo.mjs [--truth] OUT SCENE [width height samples]; scenes: ${Object.keys(scenes).join(', ')}`);
const { spheres, marched, ground, wall, light, sky } = scene;

// --- what a ray meets ------------------------------------------------------------------------------------------------
const hitSphere = (o, d, s, far) => {
    const oc = sub(o, s.c);
    const b = dot(oc, d);
    const disc = b * b - dot(oc, oc) + s.r * s.r;
    if (disc < 0) return Infinity;
    const root = Math.sqrt(disc);
    const t = -b - root > EPS ? -b - root : -b + root;
    return t > EPS && t < far ? t : Infinity;
};
const hitMarched = (o, d, t, far) => {
    const { bound } = t;
    const oc = sub(o, bound.c);
    const inside = dot(oc, oc) < bound.r * bound.r;
    let at = inside ? 0.002 : hitSphere(o, d, bound, far);
    if (at === Infinity) return Infinity;
    const leave = at + 2 * bound.r + 0.1;
    for (let i = 0; i < 128 && at < leave && at < far; i++) {
        const distance = t.distance(add(o, mul(d, at)));
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
    for (const shape of marched) {
        const t = hitMarched(o, d, shape, best);
        if (t < best) { best = t; object = shape; }
    }
    if (d[1] < 0) {
        const t = -o[1] / d[1];
        if (t > EPS && t < best) { best = t; object = ground; }
    }
    if (d[2] < 0) {
        const t = (wall.back - o[2]) / d[2];
        if (t > EPS && t < best) { best = t; object = wall; }
    }
    return [best, object];
};

const normalAt = (p, object) => {
    if (object.bumpy) {
        const e = 0.006;
        const bump = (x, z) => 0.012 * fbm(x * 3, z * 30, 4.4);
        return norm([bump(p[0] - e, p[2]) - bump(p[0] + e, p[2]), 2 * e, bump(p[0], p[2] - e) - bump(p[0], p[2] + e)]);
    }
    if (object === ground) return [0, 1, 0];
    if (object === wall) return [0, 0, 1];
    if (object.distance) {
        const e = 0.001;
        const f = (dx, dy, dz) => object.distance([p[0] + dx, p[1] + dy, p[2] + dz]);
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
        const { albedo, gloss, rough } = object.surface(p, object);
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
const { eye, look } = scene;
const forward = norm(sub(look, eye));
const right = norm(cross(forward, [0, 1, 0]));
const up = cross(right, forward);

const row = (y, width, height, samples) => {
    const line = new Float32Array(width * 3);
    const zoom = 2 * Math.tan((scene.angle * Math.PI) / 360);
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
                let v = linear[3 * (y * width + x) + k] * fall * scene.exposure;
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

// --- what the renderer knows -----------------------------------------------------------------------------------------
const LAMP_RAYS = 96;
/** Where the lamp falls less than this on a surface (times the cosine) it is in shadow; above the second, lit. */
const SHADOW_BELOW = 0.1, LIT_ABOVE = 0.5;

/** The share of the lamp that reaches a point, times the cosine: 0-1. */
const litShare = (p, n) => {
    let sum = 0;
    for (let i = 0; i < LAMP_RAYS; i++) {
        const z = 1 - (2 * (i + 0.5)) / LAMP_RAYS, a = i * 2.39996, r = Math.sqrt(1 - z * z);
        const to = sub(add(light.c, mul([r * Math.cos(a), z, r * Math.sin(a)], light.r)), p);
        const distance = Math.sqrt(dot(to, to));
        const d = mul(to, 1 / distance);
        const cos = dot(n, d);
        if (cos <= 0) continue;
        const through = shadow(add(p, mul(n, 2 * EPS)), d, distance);
        if (through) sum += cos * ((through[0] + through[1] + through[2]) / 3);
    }
    return sum / LAMP_RAYS;
};

/** One number for each object, part and light that can be seen; glass has no light side of its own. */
const truthOf = (width, height) => {
    const zoom = 2 * Math.tan((scene.angle * Math.PI) / 360);
    const numbers = new Map();
    const map = Buffer.alloc(width * height);
    const objects = [...spheres, ...marched, ground, wall];
    for (let y = 0; y < height; y++) {
        for (let x = 0; x < width; x++) {
            const u = ((x + 0.5) / width - 0.5) * zoom * (width / height), v = (0.5 - (y + 0.5) / height) * zoom;
            const d = norm(add(forward, add(mul(right, u), mul(up, v))));
            const [t, object] = trace(eye, d);
            const p = add(eye, mul(d, t));
            let name = String(objects.indexOf(object));
            if (object.kind !== GLASS) {
                // The grain of planks is no form: their light is that of the plain board.
                const n = object === ground ? [0, 1, 0] : normalAt(p, object);
                const flat = object === ground || object === wall;
                const share = litShare(p, dot(n, d) > 0 ? mul(n, -1) : n) / (flat ? Math.max(1e-6, dot(n, norm(sub(light.c, p)))) : 1);
                name += `.${object.part ? object.part(p, object) : 0}.${share < SHADOW_BELOW ? 0 : share < LIT_ABOVE ? 1 : 2}`;
            }
            if (!numbers.has(name)) numbers.set(name, numbers.size + 1);
            map[y * width + x] = numbers.get(name);
        }
    }
    return [map, [...numbers.keys()]];
};

if (wantsTruth) {
    const width = Number(w ?? 800), height = Number(h ?? 600);
    const [map, parts] = truthOf(width, height);
    writeFileSync(out, Buffer.concat([Buffer.from(`P5\n${width} ${height}\n255\n`), map]));
    // The parts by number from 1, thing.part.light, and where the light comes from in the picture, in degrees from the right,
    // counter-clockwise.
    const middle = look, towards = sub(light.c, middle);
    console.log(JSON.stringify({ parts, lightDegrees: (Math.atan2(dot(towards, up), dot(towards, right)) * 180) / Math.PI }));
} else if (isMainThread) {
    const width = Number(w ?? 1600), height = Number(h ?? 1200), samples = Number(n ?? 64);
    const image = new Float32Array(width * height * 3);
    const workers = 2;
    await Promise.all(
        Array.from({ length: workers }, (_, from) => new Promise((done, failed) => {
            const worker = new Worker(fileURLToPath(import.meta.url), { workerData: { sceneName, from, workers, width, height, samples } });
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
