import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import {
    ForgotPasswordPage,
    RegisterPage,
    ResetPasswordPage,
    SignInPage,
} from '../../resources/js/account/AccountPages';
import { answered, api } from '../../resources/js/api/client';
import { keys } from '../../resources/js/api/keys';
import { queryClient } from '../../resources/js/api/queries';
import { NewPiecePage } from '../../resources/js/pieces/NewPiecePage';
import { PiecesPage, stageOf } from '../../resources/js/pieces/PiecesPage';
import { Notices } from '../../resources/js/ui/Notices';
import { papers, piece, reference, show, workOf } from './fixtures';
import { Answer, serve } from './server';

const nobody = { user: null, demo: false };
const signedIn = { user: { id: 1, name: 'Ada', email: 'ada@example.test' }, demo: false };

describe('being signed out meanwhile', () => {
    it('asks to sign in, and says so once', async () => {
        serve({ 'GET /api/pieces': () => new Answer(401, { message: 'Unauthenticated.' }) });
        show(<Notices />);
        queryClient.setQueryData(keys.session, signedIn);
        const ask = () =>
            queryClient
                .fetchQuery({ queryKey: ['asked'], queryFn: () => answered(api.GET('/api/pieces')) })
                .catch(() => undefined);
        await ask();
        await ask();
        expect(queryClient.getQueryData(keys.session)).toEqual({ ...signedIn, user: null });
        expect(await screen.findAllByText(/You were signed out meanwhile/)).toHaveLength(1);
        queryClient.clear();
    });
});

describe('signing in', () => {
    it('offers the demo studio only if it is there', async () => {
        serve({ 'GET /api/session': () => nobody });
        show(<SignInPage />);
        await screen.findByRole('button', { name: 'Sign in' });
        expect(screen.queryByRole('button', { name: 'Open the demo studio' })).toBeNull();
    });

    it('opens the demo studio by one press', async () => {
        const asked = serve({
            'GET /api/session': () => ({ user: null, demo: true }),
            'POST /api/session/demo': () => signedIn,
        });
        show(<SignInPage />);
        await userEvent.click(await screen.findByRole('button', { name: 'Open the demo studio' }));
        await waitFor(() => expect(asked.at(-1)).toMatchObject({ method: 'POST', path: '/api/session/demo' }));
    });

    it('sends what was typed', async () => {
        const asked = serve({ 'GET /api/session': () => nobody, 'POST /api/session': () => signedIn });
        show(<SignInPage />);
        await userEvent.type(screen.getByLabelText('E-mail'), 'ada@example.test');
        await userEvent.type(screen.getByLabelText('Password'), 'harbour lights');
        await userEvent.click(screen.getByText('Stay signed in'));
        await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({
                email: 'ada@example.test',
                password: 'harbour lights',
                remember: true,
            }),
        );
    });

    it('asks for a code once the password was right, and sends it', async () => {
        const asked = serve({
            'GET /api/session': () => nobody,
            'POST /api/session': ({ body }) =>
                (body as { code?: string }).code === undefined
                    ? new Answer(422, { message: 'No.', errors: { code: ['Write the six figures.'] } })
                    : signedIn,
        });
        show(<SignInPage />);
        await userEvent.type(await screen.findByLabelText('E-mail'), 'ada@example.test');
        await userEvent.type(screen.getByLabelText('Password'), 'harbour lights');
        expect(screen.queryByLabelText('Code')).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
        const code = await screen.findByLabelText('Code');
        expect(document.activeElement).toBe(code);
        await userEvent.type(code, '123 456');
        expect(screen.getByText('Write the six figures.')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Sign in' }));
        await waitFor(() =>
            expect(asked.filter(({ method }) => method === 'POST').at(-1)?.body).toMatchObject({ code: '123 456' }),
        );
    });

    it('puts a refusal at its field, and any other below', async () => {
        let answer = new Answer(422, {
            message: 'No.',
            errors: { email: ['No studio has this e-mail and password.'] },
        });
        serve({ 'GET /api/session': () => nobody, 'POST /api/session': () => answer });
        show(<SignInPage />);
        await userEvent.type(screen.getByLabelText('E-mail'), 'a@b.test{Enter}');
        expect(await screen.findByText(/No studio has this e-mail and password/)).toBeTruthy();
        expect(screen.queryByRole('alert')).toBeNull();
        answer = new Answer(429, { message: 'Too many attempts; try again in a minute.' });
        await userEvent.type(screen.getByLabelText('E-mail'), '{Enter}');
        expect((await screen.findByRole('alert')).textContent).toContain('Too many attempts');
    });
});

describe('a new studio', () => {
    it('is opened with a name, an e-mail and a password written twice', async () => {
        const asked = serve({ 'POST /api/account': () => signedIn });
        show(<RegisterPage />);
        await userEvent.type(screen.getByLabelText('Your name'), 'Ada');
        await userEvent.type(screen.getByLabelText('E-mail'), 'ada@example.test');
        await userEvent.type(screen.getByLabelText(/^Password, 10/), 'harbour lights');
        await userEvent.type(screen.getByLabelText('Password again'), 'harbour light');
        await userEvent.click(screen.getByRole('button', { name: 'Open the studio' }));
        await waitFor(() =>
            expect(asked.at(-1)?.body).toEqual({
                name: 'Ada',
                email: 'ada@example.test',
                password: 'harbour lights',
                password_confirmation: 'harbour light',
            }),
        );
    });

    it('says at each field what is wrong', async () => {
        serve({
            'POST /api/account': () =>
                new Answer(422, {
                    message: 'No.',
                    errors: { email: ['This e-mail has a studio already.'], password: ['Write it twice the same.'] },
                }),
        });
        show(<RegisterPage />);
        await userEvent.click(screen.getByRole('button', { name: 'Open the studio' }));
        expect(await screen.findByText(/has a studio already/)).toBeTruthy();
        expect(screen.getByText(/twice the same/)).toBeTruthy();
    });
});

describe('a forgotten password', () => {
    it('is answered alike whether there is such a studio or not', async () => {
        const asked = serve({ 'POST /api/account/forgot': () => new Answer(200, {}) });
        show(<ForgotPasswordPage />);
        await userEvent.type(screen.getByLabelText('E-mail'), 'who@example.test{Enter}');
        expect((await screen.findByRole('status')).textContent).toContain('If there is a studio with this e-mail');
        expect(asked.at(-1)?.body).toEqual({ email: 'who@example.test' });
    });

    it('is exchanged with the token of the link', async () => {
        const asked = serve({ 'POST /api/account/reset': () => new Answer(200, {}) });
        show(<ResetPasswordPage />, '/reset-password?token=t0k3n&email=ada%40example.test');
        await userEvent.type(screen.getByLabelText(/^Password, 10/), 'harbour lights');
        await userEvent.type(screen.getByLabelText('Password again'), 'harbour lights{Enter}');
        expect((await screen.findByRole('status')).textContent).toContain('The password is changed');
        expect(asked.at(-1)?.body).toMatchObject({ token: 't0k3n', email: 'ada@example.test' });
    });

    it('says when the link is too old', async () => {
        serve({
            'POST /api/account/reset': () => new Answer(422, { message: 'This link is too old; ask for another.' }),
        });
        show(<ResetPasswordPage />, '/reset-password?token=old&email=a%40b.test');
        await userEvent.type(screen.getByLabelText('Password again'), '{Enter}');
        expect((await screen.findByRole('alert')).textContent).toContain('too old');
    });
});

describe('pieces', () => {
    const summary = {
        id: 'p1',
        title: 'Floats',
        paperName: 'Harbour Cartridge',
        photo: reference('r1', 'Photo'),
        zoneCount: 22,
        recipeCount: 9,
        progress: null,
        updatedAt: '2026-11-24T10:00:00Z',
    };
    const put = (more: Parameters<typeof serve>[0] = {}) => {
        const asked = serve({ 'GET /api/pieces': () => [summary], 'GET /api/works': () => ({ work: null }), ...more });
        show(
            <>
                <PiecesPage />
                <Notices />
            </>,
        );

        return asked;
    };

    it('tell paper and how far each is, and lead on from there', async () => {
        put();
        const link = await screen.findByRole('link', { name: 'Floats' });
        expect(link.getAttribute('href')).toBe('/pieces/p1/match');
        expect(screen.getByText('Harbour Cartridge')).toBeTruthy();
        expect(screen.getByText('9 of 22 zones have recipes')).toBeTruthy();
        expect(screen.getByRole('link', { name: /^Match ?: Floats$/ }).getAttribute('href')).toBe('/pieces/p1/match');
    });

    it.each([
        [{ zoneCount: 0, recipeCount: 0 }, 'Photo in, no zones yet', 'Look', 'look'],
        [{ recipeCount: 9 }, '9 of 22 zones have recipes', 'Match', 'match'],
        [{ recipeCount: 22 }, 'Every zone has a recipe', 'Plan it', 'plan'],
        [{ turns: 54, done: 0, minutesLeft: 324 }, 'Planned: 54 turns, 5 h 24 min left', 'Begin drawing', 'draw'],
        [{ turns: 54, done: 12, minutesLeft: 60 }, 'Turn 13 of 54, 1 h left', 'Go on drawing', 'draw'],
        [{ turns: 1, done: 1, minutesLeft: 0 }, 'Drawn, 1 turn', 'Compare', 'compare'],
    ] as const)('with %o say "%s" and go on to %s', (stands, said, next, path) => {
        const of = 'turns' in stands ? { ...summary, recipeCount: 22, progress: stands } : { ...summary, ...stands };
        expect(stageOf(of)).toEqual({ said, next, path });
    });

    it('start with the demo piece where there are none', async () => {
        const work = {
            id: 'w',
            kind: 'demo-piece',
            problem: '',
            startedAt: '',
            doing: 'Naming',
            progress: 0.5,
            result: null,
        };
        let asked = 0;
        put({
            'GET /api/pieces': () => [],
            'GET /api/works': () => ({
                work:
                    asked === 0
                        ? null
                        : {
                              ...work,
                              state: asked++ > 1 ? 'done' : 'running',
                              result: asked > 2 ? { piece: 'p1' } : null,
                          },
            }),
            'POST /api/works': () => {
                asked = 1;

                return { ...work, state: 'waiting', result: null };
            },
        });
        await userEvent.click(await screen.findByRole('button', { name: 'Try the demo piece' }));
        expect(await screen.findByRole('button', { name: 'Cancel' })).toBeTruthy();
        await waitFor(() => expect(window.location.pathname).toBe('/pieces/p1/match'));
    });

    it('are removed, and come back by undo', async () => {
        const asked = put({
            'DELETE /api/pieces/p1': () => piece([]),
            'POST /api/pieces/p1/restore': () => piece([]),
        });
        await userEvent.click(await screen.findByRole('button', { name: 'More of Floats' }));
        await userEvent.click(await screen.findByRole('menuitem', { name: 'Remove' }));
        await userEvent.click(await screen.findByRole('button', { name: 'Take back' }));
        await waitFor(() =>
            expect(asked.filter(({ method }) => method !== 'GET').map(({ method }) => method)).toEqual([
                'DELETE',
                'POST',
            ]),
        );
    });

    it('can be asked for again when they do not come', async () => {
        let fails = true;
        put({ 'GET /api/pieces': () => (fails ? new Answer(500, { message: 'Broken.' }) : [summary]) });
        const again = await screen.findByRole('button', { name: /again/i });
        fails = false;
        await userEvent.click(again);
        expect(await screen.findByRole('link', { name: 'Floats' })).toBeTruthy();
    });
});

describe('a new piece', () => {
    const put = (more: Parameters<typeof serve>[0] = {}) => {
        vi.stubGlobal(
            'URL',
            Object.assign(URL, { createObjectURL: () => 'blob:photo', revokeObjectURL: () => undefined }),
        );
        const asked = serve({ 'GET /api/papers': () => papers, ...more });
        const { container } = show(<NewPiecePage />, '/pieces/new');
        const choose = async (file: File) => {
            await screen.findByRole('button', { name: 'Start' });
            const input = container.querySelector<HTMLInputElement>('input[type=file]');
            if (input) await userEvent.upload(input, file);
        };

        return { asked, choose };
    };
    const photo = new File(['jpeg'], 'two-floats_on-planks.jpg', { type: 'image/jpeg' });

    it('starts with a photo, and takes its title from the file', async () => {
        const { asked, choose } = put({
            'POST /api/pieces': () => workOf('photo', { state: 'waiting' }),
            'GET /api/works/w1': () => workOf('photo', { result: { piece: 'p1' } }),
        });
        await screen.findByRole('button', { name: 'Start' });
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Start' }).disabled).toBe(true);
        await choose(photo);
        expect(screen.getByLabelText<HTMLInputElement>('Title').value).toBe('two floats on planks');
        expect(screen.getByRole('img', { name: 'What is to be drawn' })).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Start' }));
        await waitFor(() => expect(window.location.pathname).toBe('/pieces/p1/look'));
        expect(asked.filter(({ method }) => method === 'POST')).toHaveLength(1);
    });

    it('keeps a title that was written before', async () => {
        const { choose } = put();
        await userEvent.type(await screen.findByLabelText('Title'), 'My floats');
        await choose(photo);
        expect(screen.getByLabelText<HTMLInputElement>('Title').value).toBe('My floats');
    });

    it.each([
        ['at once', new Answer(422, { message: 'No.', errors: { photo: ['This is no picture that can be read.'] } })],
        ['once it is decoded', workOf('photo', { state: 'failed', problem: 'This is no picture that can be read.' })],
    ])('says of a photo what is wrong with it, %s, and takes another', async (_, answer) => {
        const { choose } = put({ 'POST /api/pieces': () => answer });
        await choose(photo);
        await userEvent.click(screen.getByRole('button', { name: 'Start' }));
        expect((await screen.findByRole('alert')).textContent).toContain('no picture that can be read');
        await choose(new File(['png'], 'other.png', { type: 'image/png' }));
        await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
        expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Start' }).disabled).toBe(false);
    });
});
