import { useState, type ReactNode } from 'react';
import { Form } from 'react-aria-components';
import { Link, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { Refusal } from '../api/client';
import { useSession } from '../api/queries';
import { StrongButton, Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Tick } from '../ui/Tick';
import { GrainSwatch } from '../ui/GrainSwatch';
import { space, type } from '../ui/theme';
import ladder from './ladder.json';
import { useForgotPassword, useOpenDemo, useRegister, useResetPassword, useSignIn } from './accountQueries';

const Page = styled.main`
    display: grid;
    grid-template-columns: minmax(0, 1fr) 440px;
    height: 100%;
    & > div:last-child {
        display: grid;
        align-content: center;
        gap: ${space.l};
        padding: ${space.xl};
        background: ${({ theme }) => theme.panel};
        overflow-y: auto;
    }
`;

const Front = styled.div`
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
    gap: ${space.xl};
    padding: ${space.xl};
    overflow: hidden;
    & h1 {
        font-size: ${type.far};
        letter-spacing: -0.02em;
    }
    & p {
        font-size: ${type.lead};
        max-width: 40ch;
    }
`;

const Rungs = styled.ol`
    display: grid;
    grid-template-columns: repeat(9, minmax(0, 1fr));
    grid-template-rows: minmax(0, 1fr);
    min-height: 0;
    & > li {
        display: grid;
        grid-template-rows: minmax(0, 1fr) auto;
        align-content: start;
    }
    & b {
        padding-top: ${space.xs};
        font-variant-numeric: tabular-nums;
    }
`;

// Refused by the studio's own sentences, at the field.
const Fields = styled(Form).attrs({ validationBehavior: 'aria' })`
    display: grid;
    gap: ${space.m};
    & h2 {
        font-size: ${type.title};
    }
`;

const Links = styled.p`
    display: flex;
    gap: ${space.l};
`;

/** How far each rung hangs above the one before it, percent. */
const RUNG = 7;

/** A ladder of nine values, each laid with a pencil: what the studio works with. */
function Values() {
    return (
        <Rungs aria-hidden>
            {ladder.map(({ step, number, section }, index) => (
                <li key={step} style={{ height: `${100 - RUNG * index}%` }}>
                    <GrainSwatch section={section} label="" height="100%" />
                    <b>{number}</b>
                </li>
            ))}
        </Rungs>
    );
}

function Around({ children }: { children: ReactNode }) {
    return (
        <Page>
            <Front>
                <Values />
                <h1>Knotty Prism</h1>
                <p>
                    Which pencils, in which order, how hard, over which underlayer, so that the drawing matches the
                    photo.
                </p>
            </Front>
            <div>{children}</div>
        </Page>
    );
}

const fieldOf = (error: unknown, name: string) => (error instanceof Refusal ? error.fields[name] : undefined);
const general = (error: unknown) =>
    error instanceof Refusal && Object.keys(error.fields).length === 0 ? error.message : null;

interface Passwords {
    password: string;
    password_confirmation: string;
}

interface NewPasswordProps {
    form: Passwords;
    onChange: (form: Passwords) => void;
    error: unknown;
}

/** A new password, twice. */
function NewPassword({ form: { password, password_confirmation }, onChange, error }: NewPasswordProps) {
    return (
        <>
            <Field
                label="Password, 10 characters or more"
                inputType="password"
                autoComplete="new-password"
                value={password}
                onChange={(typed) => onChange({ password: typed, password_confirmation })}
                problem={fieldOf(error, 'password')}
            />
            <Field
                label="Password again"
                inputType="password"
                autoComplete="new-password"
                value={password_confirmation}
                onChange={(typed) => onChange({ password, password_confirmation: typed })}
            />
        </>
    );
}

const focused = (input: HTMLInputElement | null) => input?.focus();

export function SignInPage() {
    const session = useSession();
    const signIn = useSignIn();
    const demo = useOpenDemo();
    const [email, setEmail] = useState('');
    const [password, setPassword] = useState('');
    const [remember, setRemember] = useState(false);
    const [code, setCode] = useState('');
    // Asked for once the password was right.
    const asksCode = fieldOf(signIn.error, 'code') !== undefined || code !== '';

    return (
        <Around>
            <title>Sign in – Knotty Prism</title>
            {session.data?.demo && (
                <section>
                    <StrongButton
                        style={{ width: '100%', minHeight: 52 }}
                        isDisabled={demo.isPending}
                        onPress={() => demo.mutate(undefined)}
                    >
                        Open the demo studio
                    </StrongButton>
                    {demo.error && <p role="alert">{demo.error.message}</p>}
                </section>
            )}
            <Fields
                onSubmit={(event) => {
                    event.preventDefault();
                    signIn.mutate({ email, password, remember, ...(code.trim() !== '' && { code }) });
                }}
            >
                <h2>Sign in</h2>
                <Field
                    label="E-mail"
                    inputType="email"
                    autoComplete="email"
                    value={email}
                    onChange={setEmail}
                    problem={fieldOf(signIn.error, 'email')}
                />
                <Field
                    label="Password"
                    inputType="password"
                    autoComplete="current-password"
                    value={password}
                    onChange={setPassword}
                    problem={fieldOf(signIn.error, 'password')}
                />
                {asksCode && (
                    <Field
                        label="Code"
                        inputRef={focused}
                        inputType="text"
                        autoComplete="one-time-code"
                        value={code}
                        onChange={setCode}
                        problem={fieldOf(signIn.error, 'code')}
                    />
                )}
                <Tick isSelected={remember} onChange={setRemember}>
                    Stay signed in
                </Tick>
                {general(signIn.error) && <p role="alert">{general(signIn.error)}</p>}
                <Button type="submit" isDisabled={signIn.isPending}>
                    Sign in
                </Button>
            </Fields>
            <Links>
                <Link to="/register">New studio</Link>
                <Link to="/forgot-password">Forgot the password</Link>
            </Links>
        </Around>
    );
}

export function RegisterPage() {
    const register = useRegister();
    const [form, setForm] = useState({ name: '', email: '', password: '', password_confirmation: '' });
    const set = (name: 'name' | 'email') => (value: string) => setForm({ ...form, [name]: value });

    return (
        <Around>
            <title>New studio – Knotty Prism</title>
            <Fields
                onSubmit={(event) => {
                    event.preventDefault();
                    register.mutate(form);
                }}
            >
                <h2>New studio</h2>
                <Field
                    label="Your name"
                    autoComplete="name"
                    value={form.name}
                    onChange={set('name')}
                    problem={fieldOf(register.error, 'name')}
                />
                <Field
                    label="E-mail"
                    inputType="email"
                    autoComplete="email"
                    value={form.email}
                    onChange={set('email')}
                    problem={fieldOf(register.error, 'email')}
                />
                <NewPassword
                    form={form}
                    onChange={(passwords) => setForm({ ...form, ...passwords })}
                    error={register.error}
                />
                {general(register.error) && <p role="alert">{general(register.error)}</p>}
                <StrongButton type="submit" isDisabled={register.isPending}>
                    Open the studio
                </StrongButton>
            </Fields>
            <Links>
                <Link to="/">Sign in instead</Link>
            </Links>
        </Around>
    );
}

export function ForgotPasswordPage() {
    const forgot = useForgotPassword();
    const [email, setEmail] = useState('');

    return (
        <Around>
            <title>Forgot the password – Knotty Prism</title>
            {forgot.isSuccess ? (
                <p role="status">If there is a studio with this e-mail, a link is on its way. It works for an hour.</p>
            ) : (
                <Fields
                    onSubmit={(event) => {
                        event.preventDefault();
                        forgot.mutate(email);
                    }}
                >
                    <h2>Forgot the password</h2>
                    <Field
                        label="E-mail"
                        inputType="email"
                        autoComplete="email"
                        value={email}
                        onChange={setEmail}
                        problem={forgot.error?.message}
                    />
                    <StrongButton type="submit" isDisabled={forgot.isPending}>
                        Send a link
                    </StrongButton>
                </Fields>
            )}
            <Links>
                <Link to="/">Back to sign in</Link>
            </Links>
        </Around>
    );
}

export function ResetPasswordPage() {
    const reset = useResetPassword();
    const [params] = useSearchParams();
    const [form, setForm] = useState<Passwords>({ password: '', password_confirmation: '' });

    return (
        <Around>
            <title>New password – Knotty Prism</title>
            {reset.isSuccess ? (
                <p role="status">The password is changed. Sign in with it now.</p>
            ) : (
                <Fields
                    onSubmit={(event) => {
                        event.preventDefault();
                        reset.mutate({
                            token: params.get('token') ?? '',
                            email: params.get('email') ?? '',
                            ...form,
                        });
                    }}
                >
                    <h2>New password</h2>
                    <NewPassword form={form} onChange={setForm} error={reset.error} />
                    {reset.error && !fieldOf(reset.error, 'password') && <p role="alert">{reset.error.message}</p>}
                    <StrongButton type="submit" isDisabled={reset.isPending}>
                        Change the password
                    </StrongButton>
                </Fields>
            )}
            <Links>
                <Link to="/">Back to sign in</Link>
            </Links>
        </Around>
    );
}
