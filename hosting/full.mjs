// What artists are told while a disk is full, and whether all goes on once there is room again.
// node hosting/full.mjs URL FOLDER ROUNDS [mariadb], with the pictures of the studio, or its database, on a disk of their own.
import { spawn, spawnSync } from 'node:child_process';
import { closeSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import { Artist, DO, photo, ulid, wait } from './artists.mjs';

const [folder, rounds] = [process.argv[3], Number(process.argv[4])];
const isDatabase = process.argv[5] === 'mariadb';
const filler = `${folder}/${isDatabase ? 'mariadb' : 'app/storage/app'}/filler`;
const MEGABYTE = 1_048_576;

/** What is told where there is no room; a database that finds none goes away, until it is started again. */
const WORDS = isDatabase ? /disk|room|cannot be reached just now/ : /disk|room/;
const STATUS = isDatabase ? [422, 503, 507] : [422, 507];

const server = () =>
    spawnSync('pgrep', ['-f', `^[^ ]*mariadbd .*${folder}/mariadb`])
        .stdout.toString()
        .split('\n')[0];
const command = readFileSync(`/proc/${server()}/cmdline`).toString().split('\0').filter(Boolean);
/** As systemd does it. */
const startAgain = () => server() || spawn(command[0], command.slice(1), { stdio: 'ignore', detached: true }).unref();

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
    // Without a database nobody knows how it goes.
    if (isDatabase && answer.status === 202) return { found: [], said: 'taken on' };
    if (answer.status === 202 && answer.told?.id) {
        const work = await artist.ends(answer.told.id);
        return work.state === 'done' || (work.state === 'failed' && WORDS.test(work.problem))
            ? { found: [], said: work.state === 'done' ? 'done all the same' : work.problem }
            : { found: [`work ${work.state}: ${work.problem}`], said: '' };
    }
    const words = answer.told?.message ?? '';
    return answer.status < 300 || (STATUS.includes(answer.status) && WORDS.test(words))
        ? { found: [], said: words || 'done all the same' }
        : { found: [`${method} ${path}: ${answer.status} ${words}`], said: '' };
};

/** What is asked while it is full; what one has to know for it is read before. */
const WHILE_FULL = {
    upload: (artist) => () => told(artist, 'POST', '/api/pieces', photo('Full')()),
    replace: async (artist) => {
        const { told: piece } = await artist.insist('GET', `/api/pieces/${artist.spare}`);
        return () => told(artist, 'POST', `/api/references/${piece.references[0].id}/photo`, photo()());
    },
    planning: (artist) => () =>
        told(artist, 'POST', '/api/works', { kind: 'planning', piece: artist.spare, anew: true }),
    archive: (artist) => () => told(artist, 'POST', '/api/works', { kind: 'archive' }),
    marks: async (artist) => {
        const { told: plan } = await artist.insist('GET', `/api/pieces/${artist.piece}/plan`);
        const open = plan.steps.find(({ state }) => state === 'open');
        return () =>
            told(artist, 'POST', `/api/pieces/${artist.piece}/drawing`, {
                mark: ulid(),
                keys: [open.key],
                state: 'done',
            });
    },
    photograph: (artist) => () => {
        const form = photo()();
        form.set('mark', ulid());
        return told(artist, 'POST', `/api/pieces/${artist.piece}/drawing/photos`, form);
    },
    drawing: (artist) => () =>
        told(artist, 'GET', `/api/pieces/${artist.piece}/simulation.png?steps=${Math.floor(Math.random() * 40)}`),
};

const artist = new Artist();
await artist.begin();
let wrong = 0;
for (let round = 0; round < rounds; round++) {
    for (const [what, ready] of Object.entries(WHILE_FULL)) {
        const ask = await ready(artist);
        fill();
        const { found, said } = await ask();
        const seen = await artist.ask('GET', `/api/pieces/${artist.piece}/plan`);
        const isGone = isDatabase && [503, 507].includes(seen.status) && WORDS.test(seen.told?.message ?? '');
        if (seen.status !== 200 && !isGone) found.push(`the plan meanwhile: ${seen.status}`);
        rmSync(filler);
        await wait(200);
        let up = 0;
        for (let tries = 0; tries < 60 && up !== 200; tries++) {
            startAgain();
            await wait(500);
            up = (await artist.ask('GET', '/up')).status;
        }
        if (up !== 200) found.push('it does not come back');
        const after = DO[what] ? await DO[what](artist) : (await (await ready(artist))()).found;
        found.push(...after.map((one) => `with room again: ${one}`));
        wrong += found.length;
        console.log(`${what.padEnd(11)} ${found.length ? `WRONG: ${found.join('; ')}` : `as it should be: ${said}`}`);
    }
}
console.log(wrong === 0 ? 'A full disk is told in words, and loses nothing.' : `${wrong} things are wrong.`);
process.exit(wrong === 0 ? 0 : 1);
