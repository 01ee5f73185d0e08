import { useState } from 'react';
import { Disclosure, DisclosurePanel, Button as AriaButton, Form, TextArea, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type DrawingEntry, type Plan, type Step } from '../api/client';
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

/** So many places are named, more are counted. */
const NAMED = 3;

const stepWords = (steps: Step[]) =>
    steps
        .map(({ kind, pencil, pressurePercent, passes }) =>
            pencil ? `${pencil.number} ${pressureText(pressurePercent, passes)}` : LAID_BY[kind],
        )
        .join(', then ');

const LAID_BY: Record<Step['kind'], string> = { layer: '', wash: 'a wash', blend: 'the blender', lift: 'a dab' };

const notationOf = (steps: Step[]) => steps.map(({ notation }) => notation).join(' > ');

/** An entry in words: what was laid, instead of what, and where; or what was written. */
export function saidOf({ kind, keys, did, note, turn }: DrawingEntry, plan: Plan): string {
    if (kind === 'note') return note ?? '';
    const names = did?.places ?? [];
    const where = names.length > 0 && names.length <= NAMED ? names.join(', ') : counted(names.length, 'place');
    if (kind === 'left') return `Left as it was planned: ${where}`;
    if (kind === 'replanned')
        return `Planned anew: ${where}; from here ${stepWords(did?.laid ?? []) || 'nothing more'}`;
    const marked = plan.steps.filter(({ key }) => keys.includes(key));
    if (did === null) {
        // Not answered yet, or from before that was noted. The plan may be another by now.
        const step = marked[0]?.step;
        const what = step ? stepWords([step]) : (marked[0]?.role ?? 'a step');
        const zones = new Set(marked.map(({ zone }) => zone.id)).size;

        return marked.length === 0
            ? `${counted(keys.length, 'step')} ${DID[kind]}, of a plan that has changed since`
            : `Turn ${turn ?? marked[0]?.turn}: ${what} ${DID[kind]} in ${counted(zones, 'place')}`;
    }
    const { laid, planned } = did;
    const what = stepWords(kind === 'done' && laid.length > 0 ? laid : planned) || (marked[0]?.role ?? 'a step');
    const isOtherwise = kind === 'done' && laid.length > 0 && notationOf(laid) !== notationOf(planned);
    const instead = !isOtherwise ? '' : planned.length === 0 ? ' on bare paper' : `, instead of ${stepWords(planned)}`;

    return `Turn ${turn}: ${what} ${DID[kind]}${instead} in ${where}`;
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
