// What artists are told while the disk of the pictures is full, and whether all goes on once there is room again.
// node hosting/full.mjs URL FOLDER ROUNDS, with the pictures of the studio on a disk of their own.
import { closeSync, openSync, rmSync, writeSync } from 'node:fs';
import { Artist, DO, photo, ulid, wait } from './artists.mjs';

const [folder, rounds] = [process.argv[3], Number(process.argv[4])];
const filler = `${folder}/app/storage/app/filler`;
const MEGABYTE = 1_048_576;

/** Leaves nothing, not even for the smallest file. */
const fill = () => {
    const file = openSync(filler, 'w');
    for (let size = MEGABYTE; size >= 1;) {
        try {
            if (writeSync(file, Buffer.alloc(size)) === 0) size = Math.floor(size / 2);
        } catch {
            size = Math.floor(size / 2);
        }
    }
    closeSync(file);
};

/** Whether it was done, or refused in words. */
const told = async (artist, method, path, body) => {
    const answer = await artist.ask(method, path, body);
    if (answer.status === 202 && answer.told?.id) {
        const work = await artist.ends(answer.told.id);
        return work.state === 'done' || (work.state === 'failed' && /disk|room/.test(work.problem))
            ? { found: [], said: work.state === 'done' ? 'done all the same' : work.problem }
            : { found: [`work ${work.state}: ${work.problem}`], said: '' };
    }
    const words = answer.told?.message ?? '';
    return answer.status < 300 || ([422, 507].includes(answer.status) && /disk|room/.test(words))
        ? { found: [], said: words || 'done all the same' }
        : { found: [`${method} ${path}: ${answer.status} ${words}`], said: '' };
};

const WHILE_FULL = {
    upload: (artist) => told(artist, 'POST', '/api/pieces', photo('Full')()),
    replace: async (artist) => {
        const { told: piece } = await artist.insist('GET', `/api/pieces/${artist.spare}`);
        return told(artist, 'POST', `/api/references/${piece.references[0].id}/photo`, photo()());
    },
    planning: (artist) => told(artist, 'POST', '/api/works', { kind: 'planning', piece: artist.spare, anew: true }),
    archive: (artist) => told(artist, 'POST', '/api/works', { kind: 'archive' }),
    marks: async (artist) => {
        const { told: plan } = await artist.insist('GET', `/api/pieces/${artist.piece}/plan`);
        const open = plan.steps.find(({ state }) => state === 'open');
        return told(artist, 'POST', `/api/pieces/${artist.piece}/drawing`, {
            mark: ulid(),
            keys: [open.key],
            state: 'done',
        });
    },
    photograph: (artist) => {
        const form = photo()();
        form.set('mark', ulid());
        return told(artist, 'POST', `/api/pieces/${artist.piece}/drawing/photos`, form);
    },
    drawing: (artist) =>
        told(artist, 'GET', `/api/pieces/${artist.piece}/simulation.png?steps=${Math.floor(Math.random() * 40)}`),
};

const artist = new Artist();
await artist.begin();
let wrong = 0;
for (let round = 0; round < rounds; round++) {
    for (const [what, ask] of Object.entries(WHILE_FULL)) {
        fill();
        const { found, said } = await ask(artist);
        const seen = await artist.ask('GET', `/api/pieces/${artist.piece}/plan`);
        if (seen.status !== 200) found.push(`the plan meanwhile: ${seen.status}`);
        rmSync(filler);
        await wait(200);
        const after = DO[what] ? await DO[what](artist) : (await ask(artist)).found;
        found.push(...after.map((one) => `with room again: ${one}`));
        wrong += found.length;
        console.log(`${what.padEnd(11)} ${found.length ? `WRONG: ${found.join('; ')}` : `as it should be: ${said}`}`);
    }
}
console.log(wrong === 0 ? 'A full disk is told in words, and loses nothing.' : `${wrong} things are wrong.`);
process.exit(wrong === 0 ? 0 : 1);
