import type { UseMutationResult } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, Refusal } from '../api/client';
import { Button, StrongButton } from '../ui/Button';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { Row } from '../ui/Page';
import { Sheet } from '../ui/Sheet';
import { Problem } from '../ui/States';
import { space, type } from '../ui/theme';
import { useBeginSecondFactor, useConfirmSecondFactor, useEndSecondFactor, useNewCodes } from './safetyQueries';

const Fields = styled(Form).attrs({ validationBehavior: 'aria' })`
    display: grid;
    gap: ${space.m};
    max-width: 420px;
    & > button {
        justify-self: start;
    }
`;

/** A camera reads it on white only. */
const Picture = styled.img`
    padding: ${space.m};
    background: #fff;
`;

const Codes = styled.ol`
    display: grid;
    grid-template-columns: repeat(2, max-content);
    gap: ${space.s} ${space.xl};
    margin: ${space.m} 0;
    font-size: ${type.lead};
    font-variant-numeric: tabular-nums;
    & > li {
        list-style: none;
    }
`;

interface AskProps {
    label: string;
    field: 'current_password' | 'code';
    error: Error | null;
    isPending: boolean;
    press: string;
    onAsk: (typed: string) => void;
}

/** One thing that is typed, and what is refused of it. */
function Ask({ label, field, error, isPending, press, onAsk }: AskProps) {
    const [typed, setTyped] = useState('');
    const problem = error instanceof Refusal ? error.fields[field] : undefined;

    return (
        <Fields
            onSubmit={(event) => {
                event.preventDefault();
                onAsk(typed);
            }}
        >
            <Field
                label={label}
                inputType={field === 'code' ? 'text' : 'password'}
                autoComplete={field === 'code' ? 'one-time-code' : 'current-password'}
                value={typed}
                onChange={setTyped}
                problem={problem}
            />
            {error && problem === undefined && <Problem message={messageOf(error)} />}
            <StrongButton type="submit" isDisabled={typed.trim() === '' || isPending}>
                {press}
            </StrongButton>
        </Fields>
    );
}

/** What is done by the password alone. */
function AskPassword({
    by,
    press,
    onDone,
}: {
    by: UseMutationResult<unknown, Error, string>;
    press: string;
    onDone?: () => void;
}) {
    return (
        <Ask
            label="Your password"
            field="current_password"
            error={by.error}
            isPending={by.isPending}
            press={press}
            onAsk={(password) => by.mutate(password, { onSuccess: onDone })}
        />
    );
}

function Kept({ codes, onDone }: { codes: string[]; onDone: () => void }) {
    return (
        <>
            <p>
                Write these down, or print them, and keep them apart from your telephone: each opens the studio once in
                place of a code. They are shown only now.
            </p>
            <Codes>
                {codes.map((code) => (
                    <li key={code}>{code}</li>
                ))}
            </Codes>
            <Row>
                <StrongButton onPress={onDone}>I have them</StrongButton>
            </Row>
        </>
    );
}

/** From the password by the picture for the telephone to the codes that are kept. */
function SetUp({ onDone }: { onDone: () => void }) {
    const begin = useBeginSecondFactor();
    const confirm = useConfirmSecondFactor();
    if (confirm.data) return <Kept codes={confirm.data.codes} onDone={onDone} />;
    if (!begin.data) return <AskPassword by={begin} press="Go on" />;

    return (
        <>
            <p>Photograph this with an authenticator on your telephone, or type the key into it.</p>
            <Picture
                src={`data:image/svg+xml,${encodeURIComponent(begin.data.picture)}`}
                alt="The key, for a camera; the same is written below"
            />
            <p style={{ overflowWrap: 'anywhere' }}>{begin.data.key.replace(/(.{4})(?=.)/g, '$1 ')}</p>
            <Ask
                label="Six figures that it shows now"
                field="code"
                error={confirm.error}
                isPending={confirm.isPending}
                press="Turn it on"
                onAsk={(code) => confirm.mutate(code)}
            />
        </>
    );
}

/** New codes, or none asked for any more: each by the password. */
function Exchange({ onDone }: { onDone: () => void }) {
    const exchange = useNewCodes();

    return exchange.data ? (
        <Kept codes={exchange.data.codes} onDone={onDone} />
    ) : (
        <AskPassword by={exchange} press="Make new codes" />
    );
}

function End({ onDone }: { onDone: () => void }) {
    const end = useEndSecondFactor();

    return (
        <AskPassword
            by={end}
            press="Turn it off"
            onDone={() => {
                notify('The password alone opens the studio again');
                onDone();
            }}
        />
    );
}

const PARTS: Record<'set-up' | 'codes' | 'end', [string, (props: { onDone: () => void }) => ReactNode]> = {
    'set-up': ['A code beside the password', SetUp],
    codes: ['New recovery codes', Exchange],
    end: ['No code any more', End],
};

const written = (left: number) => (left === 1 ? 'one recovery code is left' : `${left} recovery codes are left`);

/** A code that changes with the time, asked for beside the password. */
export function SecondFactor({ isOn, codesLeft }: { isOn: boolean; codesLeft: number }) {
    const [part, open] = useState<keyof typeof PARTS | null>(null);
    const [title, Part] = part === null ? ['', () => null] : PARTS[part];

    return (
        <>
            <p style={{ marginBottom: 12 }}>
                {isOn
                    ? `A code from your telephone is asked for when you sign in; ${written(codesLeft)}.`
                    : 'Whoever knows your password can sign in. With a code from your telephone beside it, they cannot.'}
            </p>
            <Row>
                {isOn ? (
                    <>
                        <Button onPress={() => open('codes')}>New recovery codes</Button>
                        <Button onPress={() => open('end')}>Turn the code off</Button>
                    </>
                ) : (
                    <Button onPress={() => open('set-up')}>Ask for a code, too</Button>
                )}
            </Row>
            <Sheet title={title} isOpen={part !== null} onClose={() => open(null)}>
                <Part onDone={() => open(null)} />
            </Sheet>
        </>
    );
}
