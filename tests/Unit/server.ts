import { vi } from 'vitest';
import { schoolQuestions } from './fixtures';

export interface Asked {
    method: string;
    path: string;
    query: string;
    body: unknown;
}

type Answers = Record<string, (asked: Asked) => unknown>;

/** A status other than 200, with its body. */
export class Answer {
    constructor(
        readonly status: number,
        readonly body: unknown,
    ) {}
}

/** Stands in for the server: an answer, or the promise of one, for each "METHOD /path"; what is asked is kept. */
export function serve(answers: Answers): Asked[] {
    const asked: Asked[] = [];
    const known: Answers = { 'GET /api/schools': () => schoolQuestions, ...answers };
    vi.stubGlobal('fetch', async (request: Request) => {
        const isForm = (request.headers.get('Content-Type') ?? '').startsWith('multipart/');
        const text = request.method === 'GET' || isForm ? '' : await request.text();
        const now: Asked = {
            method: request.method,
            path: decodeURIComponent(new URL(request.url).pathname),
            query: decodeURIComponent(new URL(request.url).search),
            body: text === '' ? null : (JSON.parse(text) as unknown),
        };
        asked.push(now);
        const answer = known[`${now.method} ${now.path}`];
        if (!answer) throw new Error(`Nobody answers ${now.method} ${now.path}`);
        const given = await answer(now);
        const [status, body] = given instanceof Answer ? [given.status, given.body] : [200, given];

        return new Response(status === 204 ? null : JSON.stringify(body), {
            status,
            headers: { 'Content-Type': 'application/json' },
        });
    });

    return asked;
}
