import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { answered, api, forgetCookies, messageOf, Refusal } from '../../resources/js/api/client';

function answers(status: number, body: unknown) {
    const sent = vi.fn((request: Request) => {
        void request;

        return Promise.resolve(
            new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } }),
        );
    });
    vi.stubGlobal('fetch', sent);

    return sent;
}

async function refused(request: Promise<unknown>): Promise<Refusal> {
    const refusal = await request.then(
        () => null,
        (error: unknown) => error,
    );
    if (!(refusal instanceof Refusal)) throw new Error('It was not refused.');

    return refusal;
}

const ask = () => answered(api.GET('/api/session'));

beforeEach(forgetCookies);
afterEach(() => vi.unstubAllGlobals());

describe('answers of the studio', () => {
    it('gives the data of a good answer', async () => {
        answers(200, { user: null, demo: true });
        await expect(ask()).resolves.toEqual({ user: null, demo: true });
    });

    it('says a refusal in the words of the server, by field', async () => {
        answers(422, {
            message: 'The title field is required. (and 1 more error)',
            errors: { title: ['Give the piece a title.'], photo: ['Choose a photo.'] },
        });
        const refusal = await refused(ask());
        expect(refusal.status).toBe(422);
        expect(refusal.message).toBe('Give the piece a title.');
        expect(refusal.fields).toEqual({ title: 'Give the piece a title.', photo: 'Choose a photo.' });
    });

    it('carries the position of a wrong character', async () => {
        answers(422, { message: 'At character 8: the pressure is missing.', position: 8 });
        const refusal = await refused(ask());
        expect(refusal.position).toBe(8);
        expect(refusal.message).toBe('At character 8: the pressure is missing.');
    });

    it('tells what to do when the page was open too long', async () => {
        answers(419, { message: 'CSRF token mismatch.' });
        expect((await refused(ask())).message).toContain('Reload it');
    });

    it('asks once more where the token of the page is old by now', async () => {
        const asked: string[] = [];
        vi.stubGlobal('fetch', (request: Request) => {
            asked.push(
                `${request.method} ${new URL(request.url).pathname} ${request.headers.get('X-XSRF-TOKEN') ?? ''}`,
            );
            document.cookie = 'XSRF-TOKEN=new';

            return Promise.resolve(new Response('{}', { status: asked.length === 1 ? 419 : 200 }));
        });
        document.cookie = 'XSRF-TOKEN=old';
        await answered(api.DELETE('/api/session'));
        expect(asked).toEqual(['DELETE /api/session old', 'GET /api/session ', 'DELETE /api/session new']);
    });

    it('looks the cookies up once for what is asked within a moment', async () => {
        document.cookie = 'XSRF-TOKEN=first';
        const sent = answers(200, {});
        await ask();
        document.cookie = 'XSRF-TOKEN=second';
        await ask();
        forgetCookies();
        await ask();
        expect(sent.mock.calls.map(([request]) => request.headers.get('X-XSRF-TOKEN'))).toEqual([
            'first',
            'first',
            'second',
        ]);
    });

    it('has a sentence for an answer without one', async () => {
        answers(500, {});
        expect((await refused(ask())).message).toBe('Something went wrong in the studio. Try again.');
    });

    it('says so when nothing answers', async () => {
        vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')));
        const refusal = await refused(ask());
        expect(refusal.status).toBe(0);
        expect(refusal.message).toContain('does not answer');
    });

    it('sends the token of the page back, and asks for JSON', async () => {
        document.cookie = `XSRF-TOKEN=${encodeURIComponent('a+b/c==')}`;
        const sent = answers(200, {});
        await ask();
        const request = sent.mock.calls[0]?.[0];
        expect(request?.headers.get('X-XSRF-TOKEN')).toBe('a+b/c==');
        expect(request?.headers.get('Accept')).toBe('application/json');
    });
});

describe('messages', () => {
    it('are those of the error, or a plain one', () => {
        expect(messageOf(new Error('Paper is full.'))).toBe('Paper is full.');
        expect(messageOf('what')).toBe('Something went wrong.');
    });
});
