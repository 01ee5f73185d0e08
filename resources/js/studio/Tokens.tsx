import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, Refusal, type TokenAbility } from '../api/client';
import { Button, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { Row } from '../ui/Page';
import { Sheet } from '../ui/Sheet';
import { Problem } from '../ui/States';
import { Tick } from '../ui/Tick';
import { space, type } from '../ui/theme';
import { useAddToken, useEndToken, useTokens } from './safetyQueries';

const ABILITIES: { id: TokenAbility; name: string; told: string }[] = [
    { id: 'read', name: 'Read everything', told: 'reads' },
    { id: 'pieces', name: 'Change pieces, their plans and drawings', told: 'changes pieces' },
    { id: 'box', name: 'Change pencils, papers, swatches and recipes', told: 'changes the box' },
];

const LASTING = [
    { id: '30', name: 'a month' },
    { id: '90', name: 'three months' },
    { id: '365', name: 'a year' },
] as const;

const List = styled.ul`
    display: grid;
    margin: ${space.s} 0 ${space.m};
    & > li {
        display: grid;
        grid-template-columns: minmax(0, 1fr) auto;
        gap: ${space.m};
        align-items: center;
        padding: ${space.s} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & small {
        display: block;
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

const Fields = styled(Form).attrs({ validationBehavior: 'aria' })`
    display: grid;
    gap: ${space.m};
    max-width: 460px;
    & > fieldset {
        display: grid;
        gap: ${space.xs};
        margin: 0;
        padding: 0;
        border: 0;
    }
    & legend {
        padding: 0;
        font-size: ${type.small};
        font-weight: 560;
        color: ${({ theme }) => theme.quiet};
    }
`;

const Written = styled.output`
    display: block;
    margin: ${space.m} 0;
    padding: ${space.m};
    border: 1px solid ${({ theme }) => theme.line};
    font-size: ${type.lead};
    overflow-wrap: anywhere;
    user-select: all;
`;

const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

/** Name, what it may do and how long; then the token itself, once. */
function MakeToken({ onDone }: { onDone: () => void }) {
    const add = useAddToken();
    const [name, setName] = useState('');
    const [abilities, setAbilities] = useState<TokenAbility[]>(['read']);
    const [days, setDays] = useState<(typeof LASTING)[number]['id']>('90');
    const [password, setPassword] = useState('');
    const problems = add.error instanceof Refusal ? add.error.fields : {};
    if (add.data) {
        const { written } = add.data;

        return (
            <>
                <p>Put it where the script reads it, and nowhere else. It is shown only now.</p>
                <Written>{written}</Written>
                <Row>
                    <Button onPress={() => void navigator.clipboard.writeText(written).then(() => notify('Copied'))}>
                        Copy
                    </Button>
                    <StrongButton onPress={onDone}>I have it</StrongButton>
                </Row>
            </>
        );
    }

    return (
        <Fields
            onSubmit={(event) => {
                event.preventDefault();
                add.mutate({ name: name.trim(), abilities, days: Number(days), current_password: password });
            }}
        >
            <Field label="What it is for" value={name} onChange={setName} problem={problems.name} maxLength={80} />
            <fieldset>
                <legend>It may</legend>
                {ABILITIES.map(({ id, name: can }) => (
                    <Tick
                        key={id}
                        isSelected={abilities.includes(id)}
                        onChange={(on) =>
                            setAbilities((now) => (on ? [...now, id] : now.filter((other) => other !== id)))
                        }
                    >
                        {can}
                    </Tick>
                ))}
            </fieldset>
            <Choice label="It lasts" value={days} options={LASTING} onChange={setDays} />
            <Field
                label="Your password"
                inputType="password"
                autoComplete="current-password"
                value={password}
                onChange={setPassword}
                problem={problems.current_password}
            />
            {add.error && problems.name === undefined && problems.current_password === undefined && (
                <Problem message={messageOf(add.error)} />
            )}
            <StrongButton
                type="submit"
                style={{ justifySelf: 'start' }}
                isDisabled={name.trim() === '' || abilities.length === 0 || password === '' || add.isPending}
            >
                Make it
            </StrongButton>
        </Fields>
    );
}

/** Tokens, by which scripts of the artist's own come in. */
export function Tokens() {
    const { data: tokens = [] } = useTokens();
    const end = useEndToken();
    const [making, make] = useState(false);

    return (
        <>
            <p style={{ marginBottom: 12 }}>
                A script of your own asks the studio as this page does: it reads, plans and writes down. It comes in by
                a token, never by your password. <a href="/api/v1/openapi.json">What it may ask</a>
            </p>
            {tokens.length > 0 && (
                <List aria-label="Tokens">
                    {tokens.map((token) => (
                        <li key={token.id}>
                            <span>
                                {token.name}
                                <small>
                                    {ABILITIES.filter(({ id }) => token.abilities.includes(id))
                                        .map(({ told }) => told)
                                        .join(', ')}
                                    ; until {day.format(new Date(token.expiresAt))};{' '}
                                    {token.lastUsedAt === null
                                        ? 'never used'
                                        : `last used ${day.format(new Date(token.lastUsedAt))}`}
                                </small>
                            </span>
                            <Button
                                aria-label={`End ${token.name}`}
                                isDisabled={end.isPending}
                                onPress={() =>
                                    end.mutate(token.id, {
                                        onSuccess: () => notify(`Ended: ${token.name}`),
                                        onError: (error) => notify(messageOf(error)),
                                    })
                                }
                            >
                                End it
                            </Button>
                        </li>
                    ))}
                </List>
            )}
            <Button onPress={() => make(true)}>Make a token</Button>
            <Sheet title="A token for a script" isOpen={making} onClose={() => make(false)}>
                <MakeToken onDone={() => make(false)} />
            </Sheet>
        </>
    );
}
