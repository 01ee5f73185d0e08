// What artists do while something is killed; and whether what they were told is true afterwards.
// node hosting/drills.mjs URL FOLDER ROUNDS, the folder being that of the studio, by which its processes are known.
import { spawn, spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { Artist, DO, wait } from './artists.mjs';

const [folder, rounds] = [process.argv[3], Number(process.argv[4])];

/** By which a process is known; the database is known by its folder, too, and is started again here. */
const VICTIMS = {
    web: `^php-fpm: (master process .*${folder}|pool prism)`,
    worker: `^php ${folder}/app/artisan queue:work`,
    database: `^[^ ]*mariadbd .*${folder}`,
    ...(process.env.REDIS_PORT && { redis: `^redis-server .*:${process.env.REDIS_PORT}` }),
};
const ROUNDS_OF_ONE = 10;

// As it was started: what it is started with again once it is killed.
const [pid] = spawnSync('pgrep', ['-f', VICTIMS.database]).stdout.toString().split('\n');
const database = readFileSync(`/proc/${pid}/cmdline`).toString().split('\0').filter(Boolean);
const kill = (victim) => {
    spawnSync('pkill', ['-9', '-f', VICTIMS[victim]]);
    if (victim === 'database')
        setTimeout(() => spawn(database[0], database.slice(1), { stdio: 'ignore', detached: true }).unref(), 500);
};

let artist;
let wrong = 0;
for (let round = 0; round < rounds; round++) {
    const what = Object.keys(DO)[round % 5];
    const victim = Object.keys(VICTIMS)[Math.floor(round / 5) % Object.keys(VICTIMS).length];
    if (round % ROUNDS_OF_ONE === 0) {
        artist = new Artist();
        await artist.begin();
    }
    const began = Date.now();
    const after = { marks: 1500, upload: 2500, replace: 2500, planning: 12_000, archive: 1500 }[what];
    const killed = wait(200 + Math.random() * after).then(() => kill(victim));
    const found = await DO[what](artist);
    await killed;
    const up = await artist.insist('GET', '/up');
    if (up.status !== 200) found.push(`health: ${up.status}`);
    wrong += found.length;
    console.log(
        `${String(round + 1).padStart(3)} ${what.padEnd(8)} ${victim.padEnd(8)} ${((Date.now() - began) / 1000).toFixed(1).padStart(6)} s  ${found.length ? `WRONG: ${found.join('; ')}` : 'as it should be'}`,
    );
}
console.log(
    wrong === 0 ? `${rounds} rounds, and nothing that was acknowledged is lost.` : `${wrong} things are wrong.`,
);
process.exit(wrong === 0 ? 0 : 1);
