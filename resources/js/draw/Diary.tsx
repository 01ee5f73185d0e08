import { useState } from 'react';
import { Disclosure, DisclosurePanel, Button as AriaButton, Form, TextArea, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type DrawingEntry, type Plan } from '../api/client';
import { useDrawingLog, useNote } from '../api/kept';
import { Button, buttonLook } from '../ui/Button';
import { FieldLabel } from '../ui/Field';
import { notify } from '../ui/Notices';
import { pressureText } from '../ui/Pressure';
import { radius, space, type } from '../ui/theme';
import { counted } from '../ui/words';

const Opener = styled(AriaButton)`
    ${buttonLook}
    && {
        min-height: 48px;
    }
`;

const Writing = styled(Form)`
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: ${space.s};
    align-items: end;
    margin-block: ${space.m};
    & textarea {
        width: 100%;
        min-height: 64px;
        padding: ${space.s} ${space.m};
        border: 1px solid ${({ theme }) => theme.quiet};
        border-radius: ${radius};
        background: ${({ theme }) => theme.raised};
        resize: vertical;
    }
    & button {
        min-height: 48px;
    }
`;

const Entries = styled.ol`
    display: grid;
    & > li {
        display: grid;
        grid-template-columns: 112px minmax(0, 1fr);
        gap: ${space.m};
        padding: ${space.s} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
        overflow-wrap: anywhere;
    }
    & time {
        font-size: ${type.small};
        font-variant-numeric: tabular-nums;
        color: ${({ theme }) => theme.quiet};
    }
    & > li[data-undone] > span {
        text-decoration: line-through;
        color: ${({ theme }) => theme.quiet};
    }
`;

const WHEN = new Intl.DateTimeFormat('en', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hour12: false,
});

const DID = { done: 'laid', skipped: 'skipped', open: 'marked as open again' } as const;

/** An entry in words: what was laid and in how many places, or what was written. */
export function saidOf({ kind, keys, note, turn }: DrawingEntry, plan: Plan): string {
    if (kind === 'note') return note ?? '';
    const marked = plan.steps.filter(({ key }) => keys.includes(key));
    const step = marked[0]?.step;
    const zones = new Set(marked.map(({ zone }) => zone.id)).size;
    const what = step?.pencil
        ? `${step.pencil.number} ${pressureText(step.pressurePercent, step.passes)}`
        : (marked[0]?.role ?? 'a step');

    // The plan may be another by now.
    return marked.length === 0
        ? `${counted(keys.length, 'step')} ${DID[kind]}, of a plan that has changed since`
        : `Turn ${turn ?? marked[0]?.turn}: ${what} ${DID[kind]} in ${counted(zones, 'place')}`;
}

/** What was done and written down, read as a diary; a note for the turn at hand. */
export function Diary({ piece, plan, turn }: { piece: string; plan: Plan; turn: number | null }) {
    const log = useDrawingLog(piece);
    const write = useNote(piece);
    const [text, setText] = useState('');

    return (
        <Disclosure>
            <Opener slot="trigger">Diary and notes ▾</Opener>
            <DisclosurePanel>
                <Writing
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (text.trim() === '') return;
                        write(text.trim(), turn, { onError: (error) => notify(messageOf(error)) });
                        setText('');
                    }}
                >
                    <TextField value={text} onChange={setText} maxLength={2000}>
                        <FieldLabel>{turn === null ? 'Write something down' : `A note on turn ${turn}`}</FieldLabel>
                        <TextArea placeholder="Sharpened twice; the rope wants less." />
                    </TextField>
                    <Button type="submit" isDisabled={text.trim() === ''}>
                        Write it down
                    </Button>
                </Writing>
                {log.data?.length === 0 && <p>Nothing yet. Each press and each note stands here with its time.</p>}
                <Entries data-testid="diary">
                    {log.data?.map((entry) => (
                        <li key={entry.mark} data-undone={entry.undone || undefined}>
                            <time dateTime={entry.madeAt}>{WHEN.format(new Date(entry.madeAt))}</time>
                            <span>
                                {saidOf(entry, plan)}
                                {entry.undone && <span className="visually-hidden">, taken back</span>}
                            </span>
                        </li>
                    ))}
                </Entries>
            </DisclosurePanel>
        </Disclosure>
    );
}
