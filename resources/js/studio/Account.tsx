import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, Refusal } from '../api/client';
import { useChangeAccount, useSession } from '../api/queries';
import { useAskAgain, useRemoveAccount } from '../account/accountQueries';
import { Button, StrongButton } from '../ui/Button';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { Columns, Row } from '../ui/Page';
import { Sheet } from '../ui/Sheet';
import { Problem } from '../ui/States';
import { space } from '../ui/theme';
import { SecondFactor } from './SecondFactor';
import { SignedIn } from './SignedIn';
import { Tokens } from './Tokens';

const Fields = styled(Form).attrs({ validationBehavior: 'aria' })`
    display: grid;
    gap: ${space.m};
    max-width: 420px;
`;

const fieldsOf = (error: unknown) => (error instanceof Refusal ? error.fields : {});

/** Until the link in the mail was opened. */
function ToConfirm({ email }: { email: string }) {
    const again = useAskAgain();

    return (
        <div>
            <p>Is it yours? Open the link that was sent to {email}. Until then nothing of the studio can be shared.</p>
            <Button
                isDisabled={again.isPending}
                onPress={() =>
                    again.mutate(undefined, {
                        onSuccess: () => notify(`Sent to ${email}`),
                        onError: (error) => notify(messageOf(error)),
                    })
                }
            >
                Send it again
            </Button>
        </div>
    );
}

/** Name and e-mail; the e-mail asks for the password. */
function Who({ name: was, email: wasEmail, toConfirm }: { name: string; email: string; toConfirm: boolean }) {
    const change = useChangeAccount();
    const [name, setName] = useState(was);
    const [email, setEmail] = useState(wasEmail);
    const [password, setPassword] = useState('');
    const problems = fieldsOf(change.error);
    const other = email.trim() !== wasEmail;

    return (
        <Fields
            onSubmit={(event) => {
                event.preventDefault();
                change.mutate(
                    { name: name.trim(), ...(other && { email: email.trim(), current_password: password }) },
                    {
                        onSuccess: () => {
                            notify('Saved');
                            setPassword('');
                        },
                    },
                );
            }}
        >
            <Field label="Name" value={name} onChange={setName} problem={problems.name} maxLength={80} />
            <Field
                label="E-mail"
                inputType="email"
                value={email}
                onChange={setEmail}
                problem={problems.email}
                autoComplete="email"
            />
            {toConfirm && !other && <ToConfirm email={wasEmail} />}
            {other && (
                <Field
                    label="Password of now, for the e-mail"
                    inputType="password"
                    autoComplete="current-password"
                    value={password}
                    onChange={setPassword}
                    problem={problems.current_password}
                />
            )}
            {change.error && Object.keys(problems).length === 0 && <Problem message={messageOf(change.error)} />}
            <Button
                type="submit"
                isDisabled={change.isPending || (name.trim() === was && !other)}
                style={{ justifySelf: 'start' }}
            >
                Save name and e-mail
            </Button>
        </Fields>
    );
}

const NONE = { current_password: '', password: '', password_confirmation: '' };

function NewPassword() {
    const change = useChangeAccount();
    const [form, setForm] = useState(NONE);
    const problems = fieldsOf(change.error);
    const field = (name: keyof typeof NONE, label: string, autoComplete: string) => (
        <Field
            label={label}
            inputType="password"
            autoComplete={autoComplete}
            value={form[name]}
            onChange={(typed) => setForm({ ...form, [name]: typed })}
            problem={problems[name]}
        />
    );

    return (
        <Fields
            onSubmit={(event) => {
                event.preventDefault();
                change.mutate(form, {
                    onSuccess: () => {
                        notify('The password is changed; elsewhere you are signed out');
                        setForm(NONE);
                    },
                });
            }}
        >
            {field('current_password', 'Password of now', 'current-password')}
            {field('password', 'New password, 10 characters or more', 'new-password')}
            {field('password_confirmation', 'New password again', 'new-password')}
            {change.error && Object.keys(problems).length === 0 && <Problem message={messageOf(change.error)} />}
            <Button
                type="submit"
                isDisabled={change.isPending || form.password === ''}
                style={{ justifySelf: 'start' }}
            >
                Change the password
            </Button>
        </Fields>
    );
}

function Farewell() {
    const [asked, ask] = useState(false);
    const [password, setPassword] = useState('');
    const remove = useRemoveAccount();

    return (
        <>
            <Button onPress={() => ask(true)}>Delete this studio</Button>
            <Sheet title="Delete everything" isOpen={asked} onClose={() => ask(false)}>
                <p>
                    Pieces, photos, drawings, pencils and papers of your own, swatches, calibration: all of it goes, at
                    once and for good. Save copies first if you want to keep any.
                </p>
                <Fields
                    onSubmit={(event) => {
                        event.preventDefault();
                        remove.mutate(password);
                    }}
                >
                    <Field
                        label="Your password"
                        inputType="password"
                        autoComplete="current-password"
                        value={password}
                        onChange={setPassword}
                        problem={fieldsOf(remove.error).current_password}
                    />
                    {remove.error && fieldsOf(remove.error).current_password === undefined && (
                        <Problem message={messageOf(remove.error)} />
                    )}
                    <Row>
                        <StrongButton type="submit" isDisabled={password === '' || remove.isPending}>
                            Delete everything
                        </StrongButton>
                        <Button onPress={() => ask(false)}>Cancel</Button>
                    </Row>
                </Fields>
            </Sheet>
        </>
    );
}

/** Whose studio this is. */
export function Account() {
    const { data } = useSession();
    if (!data?.user) return null;
    if (data.user.copy)
        return (
            <p>
                This is your copy of the demo studio. It has no password and goes by itself after a day; a studio of
                your own keeps what you do.
            </p>
        );

    return (
        <>
            <Columns style={{ rowGap: 24 }}>
                <Who
                    key={data.user.email}
                    name={data.user.name}
                    email={data.user.email}
                    toConfirm={data.user.confirmEmail}
                />
                <NewPassword />
            </Columns>
            <h3>When you sign in</h3>
            <SecondFactor isOn={data.user.secondFactor} codesLeft={data.user.codesLeft} />
            <h3>Where you are signed in</h3>
            <SignedIn />
            <h3>Scripts of your own</h3>
            <Tokens />
            <p style={{ margin: '20px 0' }}>
                <Farewell />
            </p>
        </>
    );
}
