import type { Pencil } from '../api/client';

type Named = Pick<Pencil, 'id' | 'number' | 'name'> & { aliases?: string[] };

/** What of a pencil answers to what is typed, the surest first: as the studio itself finds them (`PencilFinder`), in a list that is here. */
const ANSWERS: ((word: string, pencil: Named) => boolean)[] = [
    (word, { id, number }) => [number, id].some((own) => own.toLowerCase() === word),
    (word, { id, number }) => [number, id].some((own) => own.toLowerCase().startsWith(word)),
    (word, { name }) => name.toLowerCase().includes(word),
    (word, pencil) => formerName(word, pencil) !== null,
    (word, { number }) => number.toLowerCase().includes(word),
];

/** The former name that what is typed is part of. */
export const formerName = (word: string, { aliases = [] }: { aliases?: string[] }) =>
    aliases.find((alias) => alias.toLowerCase().includes(word.trim().toLowerCase())) ?? null;

/** Those that answer, the surest first; of equals the order stays. */
export function findPencils<T extends Named>(pencils: T[], typed: string): T[] {
    const word = typed.trim().toLowerCase();
    if (word === '') return pencils;

    return pencils
        .map((pencil) => ({ pencil, rank: ANSWERS.findIndex((answers) => answers(word, pencil)) }))
        .filter(({ rank }) => rank >= 0)
        .sort((one, other) => one.rank - other.rank)
        .map(({ pencil }) => pencil);
}
