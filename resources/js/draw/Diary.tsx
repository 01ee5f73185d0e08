import { useState } from 'react';
import {
    Disclosure,
    DisclosurePanel,
    Button as AriaButton,
    FileTrigger,
    Form,
    TextArea,
    TextField,
} from 'react-aria-components';
import styled from 'styled-components';
import type { DrawingEntry, Plan, Step } from '../api/client';
import { useDrawingLog } from '../api/kept';
import type { About } from '../api/marking';
import { Button, buttonLook } from '../ui/Button';
import { FieldLabel } from '../ui/Field';
import { pressureText } from '../ui/Pressure';
import { Segments } from '../ui/Segments';
import { radius, space, type } from '../ui/theme';
import { counted } from '../ui/words';
import { smaller } from './smaller';
import { Sign } from '../ui/Sign';

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

const Tools = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s};
    margin-bottom: ${space.m};
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
    & img {
        display: block;
        width: auto;
        height: auto;
        max-width: 100%;
        max-height: 220px;
        margin-top: ${space.xs};
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
export function saidOf({ kind, keys, did, note, turn, zone }: DrawingEntry, plan: Pick<Plan, 'steps'>): string {
    const on = zone !== null ? `${zone}: ` : '';
    if (kind === 'note') return on + (note ?? '');
    if (kind === 'photo') return on + (note ?? (turn === null ? 'Photo' : `Photo at turn ${turn}`));
    const names = did?.places ?? [];
    const where = names.length > 0 && names.length <= NAMED ? names.join(', ') : counted(names.length, 'place');
    if (kind === 'corrected') return `Corrections taken over from a photo: ${where}`;
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
    const role = marked[0]?.role;
    if (laid.length === 0 && kind === 'done' && (role === 'reserve' || role === 'sparkle'))
        return `Turn ${turn}: paper kept in ${where}`;
    const what = stepWords(kind === 'done' && laid.length > 0 ? laid : planned) || (role ?? 'a step');
    const isOtherwise = kind === 'done' && laid.length > 0 && notationOf(laid) !== notationOf(planned);
    const instead = !isOtherwise ? '' : planned.length === 0 ? ' on bare paper' : `, instead of ${stepWords(planned)}`;

    return `Turn ${turn}: ${what} ${DID[kind]}${instead} in ${where}`;
}

interface Props {
    piece: string;
    plan: Plan;
    /** At hand. */
    turn: number | null;
    /** The place that is shown large, by the name of its zone. */
    zone: string | null;
    onWrite: (note: string, about: About) => void;
    onPhotograph: (photo: Blob, about: About) => void;
}

const ABOUT = [
    { id: 'turn', name: 'This turn' },
    { id: 'zone', name: 'The place shown' },
    { id: 'piece', name: 'The whole piece' },
] as const;

type Subject = (typeof ABOUT)[number]['id'];

/** What was done and written down, read as a diary; notes and photos of the turn at hand, of a place or of the piece. */
export function Diary({ piece, plan, turn, zone, onWrite, onPhotograph }: Props) {
    const log = useDrawingLog(piece);
    const [text, setText] = useState('');
    const [chosen, setChosen] = useState<Subject>('turn');
    const subjects = ABOUT.filter(({ id }) => id === 'piece' || (id === 'turn' ? turn !== null : zone !== null));
    const subject = subjects.find(({ id }) => id === chosen)?.id ?? subjects[0]?.id ?? 'piece';
    const about = { turn: subject === 'turn' ? turn : null, zone: subject === 'zone' ? zone : null };
    const take = (files: FileList | null) => {
        const photo = files?.[0];
        if (photo) void smaller(photo).then((small) => onPhotograph(small, about));
    };

    return (
        <Disclosure>
            <Opener slot="trigger">
                Diary and notes <Sign of="more" />
            </Opener>
            <DisclosurePanel>
                <Writing
                    onSubmit={(event) => {
                        event.preventDefault();
                        if (text.trim() === '') return;
                        onWrite(text.trim(), about);
                        setText('');
                    }}
                >
                    <TextField value={text} onChange={setText} maxLength={2000}>
                        <FieldLabel>
                            {subject === 'turn'
                                ? `A note on turn ${turn}`
                                : subject === 'zone'
                                  ? `A note on ${zone}`
                                  : 'A note on the piece'}
                        </FieldLabel>
                        <TextArea placeholder="Sharpened twice; the rope wants less." />
                    </TextField>
                    <Button type="submit" isDisabled={text.trim() === ''}>
                        Write it down
                    </Button>
                </Writing>
                <Tools>
                    {subjects.length > 1 && (
                        <Segments label="What it is about" value={subject} options={subjects} onChange={setChosen} />
                    )}
                    <FileTrigger acceptedFileTypes={['image/*']} defaultCamera="environment" onSelect={take}>
                        <Button>Take a photo</Button>
                    </FileTrigger>
                    <FileTrigger acceptedFileTypes={['image/jpeg', 'image/png', 'image/webp']} onSelect={take}>
                        <Button>Choose a photo</Button>
                    </FileTrigger>
                </Tools>
                {log.data?.length === 0 && <p>Nothing yet. Each press and each note stands here with its time.</p>}
                <Entries data-testid="diary">
                    {log.data?.map((entry) => (
                        <li key={entry.mark} data-undone={entry.undone || undefined}>
                            <time dateTime={entry.madeAt}>{WHEN.format(new Date(entry.madeAt))}</time>
                            <span>
                                {saidOf(entry, plan)}
                                {entry.photo && !entry.undone && (
                                    <a href={entry.photo.url} target="_blank" rel="noreferrer">
                                        <img
                                            src={entry.photo.url}
                                            width={entry.photo.width}
                                            height={entry.photo.height}
                                            alt="The drawing as it was then; opens large"
                                            loading="lazy"
                                        />
                                    </a>
                                )}
                                {entry.undone && <span className="visually-hidden">, taken back</span>}
                            </span>
                        </li>
                    ))}
                </Entries>
            </DisclosurePanel>
        </Disclosure>
    );
}
