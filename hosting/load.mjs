// Artists at work, by HTTP: who browses, samples, predicts and marks, and ten who have a picture planned meanwhile; then as fast as it goes.
// node hosting/load.mjs URL ARTISTS SECONDS PAUSE, the pause being that between two presses of one artist, seconds.
import { Agent, request } from 'node:https';
import { randomBytes } from 'node:crypto';
import { gunzipSync } from 'node:zlib';

const [url, artists, seconds, pause] = [process.argv[2], ...process.argv.slice(3).map(Number)];
const here = new URL(url);
const agent = new Agent({ keepAlive: true, maxSockets: 64 });

/** Between two presses of one artist, ms. */
const THINKS = [pause * 500, pause * 1500];
const PLANNERS = 10;
const SIGNING_IN = 4;
const AT_ONCE = 16;
const FLAT_OUT_SECONDS = 10;

const wait = (ms) => new Promise((done) => setTimeout(done, ms));
const between = ([low, high]) => low + Math.random() * (high - low);
const quantile = (values, share) =>
    values.sort((one, other) => one - other)[Math.floor(share * (values.length - 1))] ?? NaN;

/** Crockford's base 32, as ULIDs are written. */
const ulid = () => {
    const signs = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
    let time = Date.now();
    let text = '';
    for (let i = 0; i < 10; i++) {
        text = signs[time % 32] + text;
        time = Math.floor(time / 32);
    }
    return text + [...randomBytes(16)].map((byte) => signs[byte % 32]).join('');
};

const seen = new Map();
const wrong = [];

/** One who asks: with cookies, and what was read before. */
class Artist {
    cookies = new Map();
    etags = new Map();

    ask(kind, method, path, body, headers = {}) {
        const began = performance.now();
        const sent = body === undefined ? undefined : JSON.stringify(body);
        return new Promise((done) => {
            const asked = request(
                {
                    host: here.hostname,
                    port: here.port,
                    agent,
                    method,
                    path,
                    headers: {
                        Accept: 'application/json',
                        'Accept-Encoding': 'gzip',
                        Cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; '),
                        ...(method === 'GET'
                            ? {}
                            : { 'X-XSRF-TOKEN': decodeURIComponent(this.cookies.get('XSRF-TOKEN') ?? '') }),
                        ...(sent === undefined
                            ? {}
                            : { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(sent) }),
                        ...headers,
                    },
                },
                (answer) => {
                    const parts = [];
                    answer.on('data', (part) => parts.push(part));
                    answer.on('end', () => {
                        for (const line of answer.headers['set-cookie'] ?? []) {
                            const [, name, value] = /^([^=]+)=([^;]*)/.exec(line) ?? [];
                            if (name) this.cookies.set(name, value);
                        }
                        const took = performance.now() - began;
                        if (kind) {
                            if (!seen.has(kind)) seen.set(kind, []);
                            seen.get(kind).push(took);
                            if (answer.statusCode >= 400) wrong.push(`${kind}: ${answer.statusCode}`);
                        }
                        done({
                            status: answer.statusCode,
                            etag: answer.headers.etag,
                            bytes: Buffer.concat(parts),
                            took,
                        });
                    });
                },
            );
            asked.on('error', (error) => {
                if (kind) wrong.push(`${kind}: ${error.message}`);
                done({ status: 0, bytes: Buffer.alloc(0), took: performance.now() - began });
            });
            asked.end(sent);
        });
    }

    async told(...of) {
        const { bytes, status } = await this.ask(...of);
        const text = bytes[0] === 0x1f ? gunzipSync(bytes) : bytes;
        if (status >= 400) throw new Error(`${of[2]}: ${status} ${text.toString().slice(0, 200)}`);
        return text.length ? JSON.parse(text.toString()) : null;
    }

    /** What was read before is asked for anew, as a browser does. */
    async look(kind, path) {
        const { status, etag } = await this.ask(
            kind,
            'GET',
            path,
            undefined,
            this.etags.has(path) ? { 'If-None-Match': this.etags.get(path) } : {},
        );
        if (etag && status === 200) this.etags.set(path, etag);
    }

    async begin() {
        await this.ask('', 'GET', '/api/session');
        await this.told('', 'POST', '/api/session/demo', {});
        const pieces = await this.told('', 'GET', '/api/pieces');
        for (const { id } of pieces) {
            const plan = await this.told('', 'GET', `/api/pieces/${id}/plan`);
            if ((plan.steps?.length ?? 0) > (this.steps?.length ?? 0)) {
                this.piece = id;
                this.steps = plan.steps;
            }
        }
        this.other = pieces.find(({ id }) => id !== this.piece)?.id ?? this.piece;
    }

    at = 0;

    async press() {
        const piece = `/api/pieces/${this.piece}`;
        const chance = Math.random();
        if (chance < 0.1) await this.look('browse', '/api/pieces');
        else if (chance < 0.25) await this.look('browse', piece);
        else if (chance < 0.35) await this.look('browse', `${piece}/plan`);
        else if (chance < 0.4) await this.look('browse', '/api/papers');
        else if (chance < 0.6)
            await this.ask('sample', 'POST', `${piece}/samples`, { x: Math.random(), y: Math.random(), radius: 0.01 });
        else if (chance < 0.85)
            await this.ask('predict', 'POST', `${piece}/predictions`, {
                stack: `QW:6858@${Math.round(between([20, 70]))} > QW:2794@${Math.round(between([20, 70]))}x2 > LO:3512@35`,
                L: 50,
                a: -10,
                b: -10,
            });
        else {
            const step = this.steps[this.at++ % this.steps.length];
            // As the page asks: what a press changes, where the plan stays as it was.
            await this.ask(
                'mark',
                'POST',
                `${piece}/drawing`,
                { mark: ulid(), keys: [step.key], state: this.at <= this.steps.length ? 'done' : 'open' },
                { Prefer: 'return=minimal' },
            );
        }
    }
}

const all = [];
const signIn = [];
const left = Array.from({ length: artists }, () => new Artist());
console.log(`${artists} artists sign in, each with a studio of her own`);
await Promise.all(
    Array.from({ length: SIGNING_IN }, async () => {
        for (let artist = left.pop(); artist; artist = left.pop()) {
            const began = performance.now();
            await artist.begin();
            signIn.push(performance.now() - began);
            all.push(artist);
        }
    }),
);
console.log(`  a studio and its first look, median ${(quantile(signIn, 0.5) / 1000).toFixed(1)} s`);

const end = Date.now() + seconds * 1000;
const plannings = [];
const plan = async (artist, n) => {
    const asked = performance.now();
    const work = await artist.told('', 'POST', '/api/works', { kind: 'planning', piece: artist.other, anew: true });
    let begun;
    let waits = 0;
    for (;;) {
        await wait(1000);
        const now = await artist.told('', 'GET', `/api/works/${work.id}`);
        waits = Math.max(waits, now.before ?? 0);
        if (begun === undefined && now.state !== 'waiting') begun = performance.now() - asked;
        if (['done', 'failed', 'cancelled'].includes(now.state)) {
            plannings.push({ n, state: now.state, begun: begun ?? 0, took: performance.now() - asked, waits });
            return;
        }
        if (Date.now() > end + 240_000) return;
    }
};
console.log(`They work for ${seconds} s, each presses something every ${pause} s, ${PLANNERS} have a picture planned`);
const planned = Promise.all(all.slice(0, PLANNERS).map((artist, n) => wait(n * 200).then(() => plan(artist, n))));
await Promise.all(
    all.map(async (artist) => {
        await wait(Math.random() * THINKS[1]);
        while (Date.now() < end) {
            await artist.press();
            await wait(between(THINKS));
        }
    }),
);
const everything = [...seen.values()].flat();
for (const [kind, took] of [...seen, ['all', everything]])
    console.log(
        `  ${kind.padEnd(8)} ${String(took.length).padStart(6)} requests, ${(took.length / seconds).toFixed(0)} a second; ms: median ${quantile(took, 0.5).toFixed(0)}, p95 ${quantile(took, 0.95).toFixed(0)}, most ${quantile(took, 1).toFixed(0)}`,
    );
console.log(`  errors: ${wrong.length} ${[...new Set(wrong)].slice(0, 5).join('; ')}`);
await planned;
for (const { n, state, begun, took, waits } of plannings.sort((one, other) => one.n - other.n))
    console.log(
        `  planning ${n + 1}: ${state}, begun after ${(begun / 1000).toFixed(0)} s, done after ${(took / 1000).toFixed(0)} s; most before it, as it was told: ${waits}`,
    );

console.log(`As fast as it goes, ${AT_ONCE} at once, ${FLAT_OUT_SECONDS} s each`);
const flatOut = async (name, ask) => {
    const until = Date.now() + FLAT_OUT_SECONDS * 1000;
    let done = 0;
    let failed = 0;
    let bytes = 0;
    const took = [];
    await Promise.all(
        all.slice(0, AT_ONCE).map(async (artist) => {
            while (Date.now() < until) {
                const answer = await ask(artist);
                done++;
                took.push(answer.took);
                bytes = answer.bytes.length;
                if (answer.status >= 400 || answer.status === 0) failed++;
            }
        }),
    );
    console.log(
        `  ${name.padEnd(30)} ${(done / FLAT_OUT_SECONDS).toFixed(0).padStart(4)} a second, p95 ${quantile(took, 0.95).toFixed(0)} ms, ${(bytes / 1000).toFixed(0)} kB packed${failed ? `, ${failed} failed` : ''}`,
    );
};
const again = (of) => async (artist) => {
    const path = of(artist);
    const answer = await artist.ask(
        '',
        'GET',
        path,
        undefined,
        artist.etags.has(path) ? { 'If-None-Match': artist.etags.get(path) } : {},
    );
    if (answer.etag) artist.etags.set(path, answer.etag);
    return answer;
};
await flatOut('who am I', (artist) => artist.ask('', 'GET', '/api/session'));
await flatOut('a sample', (artist) =>
    artist.ask('', 'POST', `/api/pieces/${artist.piece}/samples`, { x: Math.random(), y: 0.5, radius: 0.01 }),
);
await flatOut('a prediction', (artist) =>
    artist.ask('', 'POST', `/api/pieces/${artist.piece}/predictions`, {
        stack: `QW:6858@${Math.round(between([20, 70]))} > QW:2794@40`,
        L: 50,
        a: 0,
        b: 0,
    }),
);
await flatOut('a piece', (artist) => artist.ask('', 'GET', `/api/pieces/${artist.piece}`));
await flatOut(
    'a piece, unchanged',
    again((artist) => `/api/pieces/${artist.piece}`),
);
await flatOut('a plan', (artist) => artist.ask('', 'GET', `/api/pieces/${artist.piece}/plan`));
await flatOut(
    'a plan, unchanged',
    again((artist) => `/api/pieces/${artist.piece}/plan`),
);
agent.destroy();
process.exit(wrong.length === 0 ? 0 : 1);
