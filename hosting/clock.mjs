// What artists can do while the clock of the server jumps. node hosting/clock.mjs URL FOLDER ROUNDS; CLOCK is the file that says how far it is off.
import { writeFileSync } from 'node:fs';
import { Artist, DO, wait } from './artists.mjs';

const rounds = Number(process.argv[4]);

/** Seconds by which it is off, one after the other; in the middle of each thing that is done. */
const JUMPS = [7200, -7200, 0, 100_000, -100_000, 0];
const AFTER = { marks: 800, upload: 900, replace: 900, planning: 3000, archive: 900 };

const off = (seconds) => writeFileSync(process.env.CLOCK, `${seconds < 0 ? '-' : '+'}${Math.abs(seconds)}`);

let wrong = 0;
for (let round = 0; round < rounds; round++) {
    for (const jump of JUMPS) {
        // Who was signed in may be no more after a day.
        const artist = new Artist();
        await artist.begin();
        for (const [what, does] of Object.entries(DO)) {
            const began = Date.now();
            const jumps = wait(AFTER[what]).then(() => off(jump));
            let found;
            try {
                found = await does(artist);
            } catch (error) {
                found = [String(error)];
            }
            await jumps;
            wrong += found.length;
            console.log(
                `${what.padEnd(9)} clock to ${String(jump).padStart(7)} s, ${((Date.now() - began) / 1000).toFixed(1).padStart(5)} s  ${found.length ? `WRONG: ${found.join('; ')}` : 'as it should be'}`,
            );
        }
    }
}
off(0);
console.log(wrong === 0 ? 'The clock jumped, and nothing is lost or stuck.' : `${wrong} things are wrong.`);
process.exit(wrong === 0 ? 0 : 1);
