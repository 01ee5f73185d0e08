import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { SchoolPicture } from '../../resources/js/studio/SchoolPictures';
import drawn from '../../resources/js/studio/schools.json';
import { StudioPage } from '../../resources/js/studio/StudioPage';
import { Notices } from '../../resources/js/ui/Notices';
import { SchoolRows } from '../../resources/js/ui/SchoolRows';
import { artist, cartridge, papers, schoolQuestions, show, words } from './fixtures';
import { Answer, serve } from './server';

describe('the hand that draws', () => {
    it('is the right one until the artist says otherwise, and is kept', async () => {
        const session = (hand: 'left' | 'right') => ({ user: { ...artist, hand }, demo: false });
        const asked = serve({
            'GET /api/session': () => session('right'),
            'PATCH /api/account': () => session('left'),
        });
        show(<StudioPage />);
        const right = await screen.findByRole('radio', { name: 'Right' });
        await waitFor(() => expect(right.getAttribute('aria-checked')).toBe('true'));
        await userEvent.click(screen.getByRole('radio', { name: 'Left' }));
        await waitFor(() =>
            expect(screen.getByRole('radio', { name: 'Left' }).getAttribute('aria-checked')).toBe('true'),
        );
        expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ hand: 'left' });
    });
});

const studio = (more: Parameters<typeof serve>[0] = {}, user: Partial<typeof artist> = {}) => {
    const asked = serve({
        'GET /api/session': () => ({ user: { ...artist, ...user }, demo: true }),
        'GET /api/papers': () => papers,
        'GET /api/words': () => words,
        'GET /api/account/sessions': () => [],
        'GET /api/account/tokens': () => [],
        'GET /api/account/room': () => ({ usedBytes: 12_300_000, mostBytes: 10_000_000_000 }),
        ...more,
    });
    show(
        <>
            <StudioPage />
            <Notices />
        </>,
    );

    return asked;
};

describe('papers of one’s own', () => {
    const own = { ...cartridge, id: 'mine', name: 'Mine', own: true, widthMm: 300, heightMm: 400 };

    it('are written down in words', async () => {
        const asked = studio({ 'POST /api/papers': () => new Answer(201, own) });
        await userEvent.click(await screen.findByRole('button', { name: 'A paper of my own' }));
        await userEvent.type(screen.getByRole('textbox', { name: 'Name, as on the pad' }), 'Mine');
        await userEvent.click(screen.getByRole('button', { name: /Surface/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Drafting film' }));
        expect(screen.getByText(/Takes very few layers/)).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: /^White Colour|Colour/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Black' }));
        await userEvent.click(screen.getByRole('button', { name: 'Save' }));
        expect(await screen.findByText('Mine is among your papers')).toBeTruthy();
        expect(asked.find(({ method, path }) => method === 'POST' && path === '/api/papers')?.body).toEqual({
            name: 'Mine',
            kind: 'film',
            colour: 'black',
            widthMm: null,
            heightMm: null,
        });
    });

    it('say at the field what is refused', async () => {
        studio({
            'POST /api/papers': () =>
                new Answer(422, { message: 'x', errors: { name: ['You have a paper of that name already.'] } }),
        });
        await userEvent.click(await screen.findByRole('button', { name: 'A paper of my own' }));
        await userEvent.type(screen.getByRole('textbox', { name: 'Name, as on the pad' }), 'Mine');
        await userEvent.click(screen.getByRole('button', { name: 'Save' }));
        expect(await screen.findByText('You have a paper of that name already.')).toBeTruthy();
    });

    it('alone can be changed and removed, and are taken back', async () => {
        const asked = studio({
            'GET /api/papers': () => [cartridge, own],
            'DELETE /api/papers/mine': () => new Answer(200, {}),
            'POST /api/papers/mine/restore': () => new Answer(200, {}),
        });
        expect(await screen.findByText(/300 × 400 mm/)).toBeTruthy();
        expect(screen.queryByRole('button', { name: 'Remove Harbour Cartridge' })).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: 'Remove Mine' }));
        await userEvent.click(await screen.findByRole('button', { name: 'Take back' }));
        await waitFor(() => expect(asked.some(({ path }) => path === '/api/papers/mine/restore')).toBe(true));
    });

    it('are what new pieces are drawn on, once that is chosen', async () => {
        const asked = studio({
            'PATCH /api/account': () => ({ user: { ...artist, paper: 'fog-toned' }, demo: true }),
        });
        await userEvent.click(await screen.findByRole('button', { name: /Paper of new pieces/ }));
        await userEvent.click(await screen.findByRole('option', { name: 'Fog Toned' }));
        await waitFor(() =>
            expect(screen.getByRole('button', { name: /Paper of new pieces/ }).textContent).toContain('Fog Toned'),
        );
        expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ paper: 'fog-toned' });
    });
});

describe('the account', () => {
    it('asks for the password where the e-mail is another one, not for a name', async () => {
        const asked = studio({
            'PATCH /api/account': ({ body }) => {
                const changes = body as { name: string; email?: string; current_password?: string };

                return changes.email !== undefined && changes.current_password !== 'ten pencils'
                    ? new Answer(422, {
                          message: 'x',
                          errors: { current_password: ['That is not your password now.'] },
                      })
                    : { user: { ...artist, ...changes }, demo: true };
            },
        });
        const name = await screen.findByRole('textbox', { name: 'Name' });
        await userEvent.clear(name);
        await userEvent.type(name, 'Ines');
        expect(screen.queryByLabelText('Password of now, for the e-mail')).toBeNull();
        await userEvent.click(screen.getByRole('button', { name: 'Save name and e-mail' }));
        await waitFor(() => expect(asked.find(({ method }) => method === 'PATCH')?.body).toEqual({ name: 'Ines' }));
        const email = screen.getByRole('textbox', { name: 'E-mail' });
        await userEvent.clear(email);
        await userEvent.type(email, 'ines@example.test');
        await userEvent.type(screen.getByLabelText('Password of now, for the e-mail'), 'wrong');
        await userEvent.click(screen.getByRole('button', { name: 'Save name and e-mail' }));
        expect(await screen.findByText('That is not your password now.')).toBeTruthy();
    });

    it('is deleted with the password only, and then nobody is signed in', async () => {
        const asked = studio({ 'DELETE /api/account': () => ({ user: null, demo: true }) });
        await userEvent.click(await screen.findByRole('button', { name: 'Delete this studio' }));
        const sure = screen.getByRole('button', { name: 'Delete everything' });
        expect((sure as HTMLButtonElement).disabled).toBe(true);
        await userEvent.type(screen.getByLabelText('Your password'), 'ten pencils');
        await userEvent.click(sure);
        await waitFor(() =>
            expect(asked.find(({ method }) => method === 'DELETE')?.body).toEqual({ current_password: 'ten pencils' }),
        );
    });

    it('of a copy of the demo has neither password nor end of one’s own', async () => {
        studio({}, { copy: true });
        expect(await screen.findByText(/goes by itself after a day/)).toBeTruthy();
        expect(screen.queryByRole('button', { name: 'Delete this studio' })).toBeNull();
    });
});

describe('the schools of a studio', () => {
    const put = studio;

    it('are each explained in a sentence', async () => {
        put();
        for (const question of schoolQuestions.questions) {
            const row = await screen.findByTestId(`school-${question.id}`);
            expect(row.textContent).toContain(question.name);
            expect(row.textContent).toContain(question.schools[0]?.sentence ?? 'nothing');
        }
    });

    it('are chosen, and hold at once', async () => {
        const asked = put({
            'PUT /api/schools': () => ({ ...schoolQuestions, chosen: { ...schoolQuestions.chosen, shadows: 'black' } }),
        });
        await userEvent.click(await screen.findByRole('radio', { name: 'Black, last' }));
        await waitFor(() => expect(screen.getByTestId('school-shadows').textContent).toContain('Black may deepen it.'));
        expect(asked.find(({ method }) => method === 'PUT')?.body).toEqual({ schools: { shadows: 'black' } });
    });

    it('say when they could not be kept', async () => {
        put({ 'PUT /api/schools': () => new Answer(422, { message: 'There is no such school.' }) });
        await userEvent.click(await screen.findByRole('radio', { name: 'Black, last' }));
        expect(await screen.findByText('There is no such school.')).toBeTruthy();
        expect(screen.getByTestId('school-shadows').textContent).toContain('From the complement.');
    });

    it('can be asked for again when they do not come', async () => {
        let fails = true;
        put({ 'GET /api/schools': () => (fails ? new Answer(500, { message: 'Broken.' }) : schoolQuestions) });
        const again = await screen.findByRole('button', { name: /again/i });
        fails = false;
        await userEvent.click(again);
        expect(await screen.findByTestId('school-value')).toBeTruthy();
    });
});

describe('pictures of schools', () => {
    it('differ between the schools of which order comes first', () => {
        const { value } = drawn;
        expect(new Set(Object.values(value).map((rows) => JSON.stringify(rows))).size).toBe(Object.keys(value).length);
    });

    it('show a colour for each place and time', () => {
        const { container } = show(
            <SchoolPicture
                rows={[
                    ['#ffffff', '#ffffff', '#ffffff', '#ffffff'],
                    ['#aa0000', '#bb0000', '#cc0000', '#0000aa'],
                ]}
            />,
        );
        expect([...container.querySelectorAll('rect')].map((rect) => rect.getAttribute('fill')).slice(4)).toEqual([
            '#aa0000',
            '#bb0000',
            '#cc0000',
            '#0000aa',
        ]);
    });
});

describe('answers', () => {
    const rows = (own: string[], only?: string[]) => {
        serve({});
        const chosen: Record<string, string | null>[] = [];
        show(
            <SchoolRows
                chosen={schoolQuestions.chosen}
                own={own}
                from="As the studio"
                {...(only ? { only } : {})}
                without={['background']}
                onChoose={(answers) => chosen.push(answers)}
            />,
        );

        return chosen;
    };

    it('given here are taken back by a button of their own', async () => {
        const chosen = rows(['shadows']);
        await userEvent.click(await screen.findByRole('button', { name: 'Shadows: As the studio' }));
        expect(chosen).toEqual([{ shadows: null }]);
        expect(screen.queryByRole('button', { name: 'Highlights: As the studio' })).toBeNull();
    });

    it('are asked for only where they matter', async () => {
        rows([], ['value', 'background']);
        expect(await screen.findByTestId('school-value')).toBeTruthy();
        expect(screen.queryByTestId('school-shadows')).toBeNull();
        expect(screen.queryByTestId('school-background')).toBeNull();
    });
});

describe('a code beside the password', () => {
    const key = { key: 'ABCDEFGH', uri: 'otpauth://totp/x', picture: '<svg xmlns="http://www.w3.org/2000/svg"/>' };
    const codes = ['2345a-bcdef', '6789g-hjkmn'];

    it('is set up from the password by a picture to the codes that are kept', async () => {
        let tries = 0;
        const asked = studio({
            'POST /api/account/second-factor': () => key,
            'PUT /api/account/second-factor': () =>
                tries++ === 0
                    ? new Answer(422, { message: 'No.', errors: { code: ['That code is not right.'] } })
                    : { codes },
        });
        await userEvent.click(await screen.findByRole('button', { name: 'Ask for a code, too' }));
        await userEvent.type(screen.getByLabelText('Your password'), 'harbour lights');
        await userEvent.click(screen.getByRole('button', { name: 'Go on' }));
        expect(await screen.findByRole('img', { name: /The key/ })).toBeTruthy();
        expect(screen.getByText('ABCD EFGH')).toBeTruthy();
        await userEvent.type(screen.getByLabelText('Six figures that it shows now'), '123456');
        await userEvent.click(screen.getByRole('button', { name: 'Turn it on' }));
        expect(await screen.findByText('That code is not right.')).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Turn it on' }));
        expect((await screen.findAllByRole('listitem')).map(({ textContent }) => textContent)).toEqual(
            expect.arrayContaining(codes),
        );
        expect(asked.filter(({ method }) => method === 'PUT').map(({ body }) => body)).toEqual([
            { code: '123456' },
            { code: '123456' },
        ]);
        await userEvent.click(screen.getByRole('button', { name: 'I have them' }));
        expect(screen.queryByText(codes[0] ?? '')).toBeNull();
    });

    it('is turned off by the password, and its codes exchanged', async () => {
        const asked = studio(
            {
                'POST /api/account/second-factor/codes': () => ({ codes }),
                'DELETE /api/account/second-factor': () => ({ user: artist, demo: false }),
            },
            { secondFactor: true, codesLeft: 1 },
        );
        expect(await screen.findByText(/one recovery code is left/)).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'New recovery codes' }));
        await userEvent.type(screen.getByLabelText('Your password'), 'harbour lights');
        await userEvent.click(screen.getByRole('button', { name: 'Make new codes' }));
        await userEvent.click(await screen.findByRole('button', { name: 'I have them' }));
        await userEvent.click(screen.getByRole('button', { name: 'Turn the code off' }));
        await userEvent.type(screen.getByLabelText('Your password'), 'harbour lights');
        await userEvent.click(screen.getByRole('button', { name: 'Turn it off' }));
        expect(await screen.findByText('The password alone opens the studio again')).toBeTruthy();
        expect(asked.find(({ method }) => method === 'DELETE')?.body).toEqual({ current_password: 'harbour lights' });
    });
});

it('tells what room the pictures of the studio take', async () => {
    studio();
    expect(await screen.findByText('Its pictures take 13 MB of 10.0 GB.')).toBeTruthy();
});

describe('where one is signed in', () => {
    const place = (here: boolean, browser: string) => ({
        here,
        browser,
        address: '192.0.2.7',
        lastAt: '2026-11-30T09:05:00Z',
    });

    it('is told, and ended everywhere but here', async () => {
        let places = [place(true, 'Firefox on Linux'), place(false, 'Safari on iPad')];
        studio({
            'GET /api/account/sessions': () => places,
            'DELETE /api/account/sessions': () => {
                places = places.slice(0, 1);

                return new Answer(204, null);
            },
        });
        expect(await screen.findByText('Firefox on Linux, 192.0.2.7: here, now')).toBeTruthy();
        expect(screen.getByText(/^Safari on iPad, 192.0.2.7: 30 November/)).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Sign out everywhere but here' }));
        expect(await screen.findByText('You are signed out everywhere but here')).toBeTruthy();
        await waitFor(() => expect(screen.queryByText(/Safari/)).toBeNull());
        expect(screen.queryByRole('button', { name: 'Sign out everywhere but here' })).toBeNull();
    });
});

describe('scripts of one’s own', () => {
    const token = {
        id: 7,
        name: 'Evening lists',
        abilities: ['read', 'pieces'],
        lastUsedAt: null,
        expiresAt: '2027-02-28T10:00:00Z',
    };
    const open = async (more: Parameters<typeof studio>[0] = {}) => {
        const asked = studio({ 'GET /api/account/tokens': () => [token], ...more });
        await screen.findByText('Evening lists');

        return asked;
    };
    const fill = async () => {
        await userEvent.click(screen.getByRole('button', { name: 'Make a token' }));
        await userEvent.type(screen.getByRole('textbox', { name: 'What it is for' }), 'Lists');
        await userEvent.click(screen.getByRole('checkbox', { name: /Change pieces/ }));
        await userEvent.type(screen.getByLabelText('Your password'), 'pencil-and-paper');
        await userEvent.click(screen.getByRole('button', { name: 'Make it' }));
    };

    it('are told with what they may do, and until when', async () => {
        await open();
        expect(screen.getByText(/reads, changes pieces; until 28 Feb 2027; never used/)).toBeTruthy();
    });

    it('come in by a token that is shown once', async () => {
        const asked = await open({
            'POST /api/account/tokens': () => new Answer(201, { token, written: '7|prism_secret' }),
        });
        await fill();
        expect(await screen.findByText('7|prism_secret')).toBeTruthy();
        expect(asked.find(({ method }) => method === 'POST')?.body).toEqual({
            name: 'Lists',
            abilities: ['read', 'pieces'],
            days: 90,
            current_password: 'pencil-and-paper',
        });
        await userEvent.click(screen.getByRole('button', { name: 'I have it' }));
        await waitFor(() => expect(screen.queryByText('7|prism_secret')).toBeNull());
    });

    it('have no token without the password', async () => {
        await open({
            'POST /api/account/tokens': () =>
                new Answer(422, {
                    message: 'That is not your password.',
                    errors: { current_password: ['That is not your password.'] },
                }),
        });
        await fill();
        expect(await screen.findByText('That is not your password.')).toBeTruthy();
    });

    it('come in no more when their token is ended', async () => {
        const asked = await open({ 'DELETE /api/account/tokens/7': () => new Answer(204, null) });
        await userEvent.click(screen.getByRole('button', { name: 'End Evening lists' }));
        await waitFor(() => expect(asked.some(({ method }) => method === 'DELETE')).toBe(true));
    });
});

describe('an e-mail that was not confirmed', () => {
    it('is told, with what cannot be done before, and its link is sent again', async () => {
        const asked = studio({ 'POST /api/account/confirmation': () => new Answer(204, null) }, { confirmEmail: true });
        expect(await screen.findByText(/Is it yours\? .* Until then nothing of the studio can be shared/)).toBeTruthy();
        await userEvent.click(screen.getByRole('button', { name: 'Send it again' }));
        expect(await screen.findByText(`Sent to ${artist.email}`)).toBeTruthy();
        expect(asked.some(({ path }) => path === '/api/account/confirmation')).toBe(true);
    });

    it('is not spoken of once it is', async () => {
        studio();
        await screen.findByRole('button', { name: 'Save name and e-mail' });
        expect(screen.queryByText(/Is it yours/)).toBeNull();
    });
});
