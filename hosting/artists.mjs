// Artists as the drills have them: what they do, and whether what they were told is true afterwards.
import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';

const [url, folder] = [process.argv[2], process.argv[3]];
const PHOTOS = ['jugs', 'lantern', 'harbour'].map((name) => readFileSync(`database/demo/${name}.jpg`));
/** Nothing takes longer to be as it was, ms. */
const RECOVERS = 90_000;

export const wait = (ms) => new Promise((done) => setTimeout(done, ms));
export const ulid = () => {
    const signs = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
    let text = '';
    for (let i = 0, time = Date.now(); i < 10; i++, time = Math.floor(time / 32)) text = signs[time % 32] + text;
    return text + [...randomBytes(16)].map((byte) => signs[byte % 32]).join('');
};

export class Artist {
    cookies = new Map();

    async ask(method, path, body) {
        try {
            const answer = await fetch(url + path, {
                method,
                signal: AbortSignal.timeout(60_000),
                headers: {
                    Accept: 'application/json',
                    Cookie: [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; '),
                    'X-XSRF-TOKEN': decodeURIComponent(this.cookies.get('XSRF-TOKEN') ?? ''),
                    ...(body === undefined || body instanceof FormData ? {} : { 'Content-Type': 'application/json' }),
                },
                body: body === undefined || body instanceof FormData ? body : JSON.stringify(body),
            });
            for (const line of answer.headers.getSetCookie()) {
                const [, name, value] = /^([^=]+)=([^;]*)/.exec(line) ?? [];
                if (name) this.cookies.set(name, value);
            }
            const bytes = Buffer.from(await answer.arrayBuffer());
            let told = null;
            try {
                told = JSON.parse(bytes.toString());
            } catch {
                // A picture, or the words of nginx.
            }
            return { status: answer.status, told, bytes };
        } catch (error) {
            return { status: 0, told: null, bytes: Buffer.alloc(0), error };
        }
    }

    /** Until it is answered, as a page does that keeps what was pressed. */
    async insist(method, path, body) {
        const until = Date.now() + RECOVERS;
        for (;;) {
            const answer = await this.ask(method, path, body?.());
            if ((answer.status >= 200 && answer.status < 500 && answer.status !== 419) || Date.now() > until)
                return answer;
            await wait(400);
        }
    }

    async begin() {
        await this.insist('GET', '/api/session');
        await this.insist('POST', '/api/session/demo', () => ({}));
        const pieces = (await this.insist('GET', '/api/pieces')).told;
        this.piece = pieces.find(({ recipeCount }) => recipeCount > 5)?.id ?? pieces[0].id;
        this.spare = pieces.find(({ id }) => id !== this.piece).id;
    }

    /** What becomes of long work: ended, whatever was killed. */
    async ends(id) {
        const until = Date.now() + 4 * RECOVERS;
        while (Date.now() < until) {
            const { told } = await this.insist('GET', `/api/works/${id}`);
            if (told && ['done', 'failed', 'cancelled'].includes(told.state)) return told;
            await wait(700);
        }
        return { state: 'never ended', problem: '' };
    }
}

export const photo = (title) => () => {
    const form = new FormData();
    form.set(
        'photo',
        new Blob([PHOTOS[Math.floor(Math.random() * PHOTOS.length)]], { type: 'image/jpeg' }),
        'photo.jpg',
    );
    if (title) {
        form.set('title', title);
        form.set('paper', 'harbour-cartridge');
    }
    return form;
};

/** Work that ended says why in words if it failed. */
const ended = (work) =>
    work.state === 'done'
        ? []
        : work.state === 'failed' && /\w+ \w+/.test(work.problem)
          ? []
          : [`work ${work.state}: ${work.problem}`];

const readable = async (artist, id) => {
    const { status, told } = await artist.insist('GET', `/api/pieces/${id}`);
    if (status !== 200) return [`piece ${id}: ${status}`];
    const wrong = [];
    for (const reference of told.references) {
        const picture = await artist.insist('GET', reference.url.replace(/^https?:\/\/[^/]+/, ''));
        if (picture.status !== 200 || picture.bytes.length < 500)
            wrong.push(`its photo: ${picture.status}, ${picture.bytes.length} bytes`);
    }
    const sample = await artist.insist('POST', `/api/pieces/${id}/samples`, () => ({ x: 0.5, y: 0.5, radius: 0.01 }));
    return sample.status === 200 ? wrong : [...wrong, `its colour: ${sample.status}`];
};

export const DO = {
    async marks(artist) {
        const path = `/api/pieces/${artist.piece}/drawing`;
        const { told: plan } = await artist.insist('GET', `/api/pieces/${artist.piece}/plan`);
        const open = plan.steps.filter(({ state }) => state === 'open').slice(0, 12);
        const sent = [];
        for (const { key } of open) {
            const mark = ulid();
            const { status } = await artist.insist('POST', path, () => ({ mark, keys: [key], state: 'done' }));
            if (status === 200) sent.push({ mark, key });
        }
        const after = new Map(
            (await artist.insist('GET', `/api/pieces/${artist.piece}/plan`)).told.steps.map(({ key, state }) => [
                key,
                state,
            ]),
        );
        const { told: log } = await artist.insist('GET', path);
        return sent.flatMap(({ mark, key }) => [
            ...(after.get(key) === 'done' ? [] : [`a step that was marked is ${after.get(key)}`]),
            ...(log.filter((entry) => entry.mark === mark).length === 1
                ? []
                : [`a mark stands ${log.filter((entry) => entry.mark === mark).length} times in the log`]),
        ]);
    },
    async upload(artist) {
        const { status, told } = await artist.insist('POST', '/api/pieces', photo('Killed'));
        if (status !== 202) return [`upload: ${status} ${told?.message ?? ''}`];
        const work = await artist.ends(told.id);
        return [...ended(work), ...(work.state === 'done' ? await readable(artist, work.result.piece) : [])];
    },
    async replace(artist) {
        const { told } = await artist.insist('GET', `/api/pieces/${artist.spare}`);
        const { status, told: work } = await artist.insist(
            'POST',
            `/api/references/${told.references[0].id}/photo`,
            photo(),
        );
        if (status !== 202) return [`replace: ${status} ${work?.message ?? ''}`];
        return [...ended(await artist.ends(work.id)), ...(await readable(artist, artist.spare))];
    },
    async planning(artist) {
        const { status, told } = await artist.insist('POST', '/api/works', () => ({
            kind: 'planning',
            piece: artist.spare,
            anew: true,
        }));
        if (status !== 202) return [`planning: ${status} ${told?.message ?? ''}`];
        const work = await artist.ends(told.id);
        const plan = await artist.insist('GET', `/api/pieces/${artist.spare}/plan`);
        // All of it or nothing.
        const half =
            work.state === 'done' && plan.told?.zonesWithoutRecipe?.length > 0
                ? [`${plan.told.zonesWithoutRecipe.length} zones have no recipe`]
                : [];
        return [...ended(work), ...(plan.status === 200 ? [] : [`plan: ${plan.status}`]), ...half];
    },
    async archive(artist) {
        const { status, told } = await artist.insist('POST', '/api/works', () => ({ kind: 'archive' }));
        if (status !== 202) return [`archive: ${status} ${told?.message ?? ''}`];
        const work = await artist.ends(told.id);
        if (work.state !== 'done') return ended(work);
        const { bytes } = await artist.insist('GET', `/api/archives/${work.result.archive}`);
        writeFileSync(`${folder}/archive.zip`, bytes);
        const tested = spawnSync('php', [
            '-r',
            '$z = new ZipArchive; exit($z->open($argv[1], ZipArchive::CHECKCONS) === true && $z->numFiles > 2 ? 0 : 1);',
            `${folder}/archive.zip`,
        ]);
        return tested.status === 0 ? [] : ['the archive is no whole zip'];
    },
};
