import { useState } from 'react';
import { Button as AriaButton, Disclosure, DisclosurePanel } from 'react-aria-components';
import styled from 'styled-components';
import type { Plan, Turn } from '../api/client';
import type { Otherwise as Deviation } from '../api/marking';
import { useBox } from '../api/queries';
import { buttonLook, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { FieldLabel } from '../ui/Field';
import { PencilPicker } from '../ui/PencilPicker';
import { pressureWord } from '../ui/Pressure';
import { Segments } from '../ui/Segments';
import { space, type } from '../ui/theme';
import { placeWords } from '../ui/turns';
import { Stepper } from './Stepper';
import { Sign } from '../ui/Sign';

type Place = Turn['places'][number];

const Opener = styled(AriaButton)`
    ${buttonLook}
    && {
        min-height: 48px;
    }
`;

const Form = styled.div`
    display: grid;
    gap: ${space.m};
    margin-top: ${space.m};
    padding: ${space.m};
    border: 1px solid ${({ theme }) => theme.quiet};
    & > div[role='radiogroup'] > button,
    & > div[role='toolbar'] > button,
    & button {
        min-height: 48px;
    }
    & > p {
        font-size: ${type.body};
        max-width: 60ch;
    }
`;

const Fields = styled.div`
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(168px, 1fr));
    gap: ${space.m};
    align-items: end;
    & input {
        min-height: 52px;
    }
`;

const WAYS = [
    { id: 'laid', name: 'Laid otherwise' },
    { id: 'lifted', name: 'Took it off' },
    { id: 'spoiled', name: 'Colour on bare paper' },
] as const;

type Way = (typeof WAYS)[number]['id'];

/** Colour that came where nothing should lies lightly, as a rule; percent. */
const SMUDGE = 20;
const ALL = 'all';
/** So many turns back one takes colour off again. */
const LATELY = 6;

export interface Happened {
    turn: Turn;
    places: Place[];
    otherwise: Deviation;
}

const named = (place: Place) => [place.name, placeWords(place)].filter(Boolean).join(', ');

/** Places where colour lies, the latest first, each once. */
function laidLately(turns: Turn[]): { turn: Turn; place: Place }[] {
    const seen = new Set<string>();

    return turns
        .filter(({ step, places }) => step !== null && places.some(({ state }) => state === 'done'))
        .slice(-LATELY)
        .reverse()
        .flatMap((turn) => turn.places.filter(({ state }) => state === 'done').map((place) => ({ turn, place })))
        .filter(({ place }) => !seen.has(place.target) && seen.add(place.target));
}

const bareIn = (turns: Turn[]) =>
    turns
        .filter(({ role, step }) => step === null && (role === 'reserve' || role === 'sparkle'))
        .flatMap((turn) => turn.places.map((place) => ({ turn, place })));

interface Props {
    plan: Plan;
    /** At hand; null when all is drawn. */
    turn: Turn | null;
    open: Place[];
    onHappened: (happened: Happened) => void;
}

/** What really happened, where it was not as the turn says: the prediction goes on from there. */
export function Otherwise({ plan, turn, open, onHappened }: Props) {
    const lifted = laidLately(plan.turns);
    const bare = bareIn(plan.turns);
    const ways = WAYS.filter(({ id }) =>
        id === 'laid' ? turn?.step && open.length > 0 : id === 'lifted' ? lifted.length > 0 : bare.length > 0,
    );
    const [chosen, setWay] = useState<Way>('laid');
    const way = ways.find(({ id }) => id === chosen)?.id ?? ways[0]?.id;
    const [isOpen, setOpen] = useState(false);
    if (way === undefined) return null;
    const done = (happened: Happened) => {
        setOpen(false);
        onHappened(happened);
    };

    return (
        <Disclosure
            isExpanded={isOpen}
            onExpandedChange={(next) => {
                setOpen(next);
                setWay('laid');
            }}
        >
            <Opener slot="trigger">
                It went otherwise <Sign of="more" />
            </Opener>
            <DisclosurePanel>
                {isOpen && (
                    <Form data-testid="otherwise">
                        <Segments label="What happened" value={way} options={ways} onChange={setWay} />
                        {way === 'laid' && turn && <Laid key={turn.number} turn={turn} open={open} onHappened={done} />}
                        {way === 'lifted' && <Lifted of={lifted} onHappened={done} />}
                        {way === 'spoiled' && (
                            <Spoiled of={bare} inHand={turn?.step?.pencil?.id ?? ''} onHappened={done} />
                        )}
                    </Form>
                )}
            </DisclosurePanel>
        </Disclosure>
    );
}

function Pencil({ value, onChange }: { value: string; onChange: (id: string) => void }) {
    const box = useBox();

    return (
        <div>
            <FieldLabel>Pencil</FieldLabel>
            {/* What it lists is known when the box is. */}
            {box.data && <PencilPicker label="Pencil" pencils={box.data} value={value} onChange={onChange} />}
        </div>
    );
}

function Laid({ turn, open, onHappened }: { turn: Turn; open: Place[]; onHappened: (happened: Happened) => void }) {
    const planned = {
        pencil: turn.step?.pencil?.id ?? '',
        pressure: turn.step?.pressurePercent ?? 0,
        coats: open[0]?.coats ?? 1,
    };
    const [pencil, setPencil] = useState(planned.pencil);
    const [pressure, setPressure] = useState(planned.pressure);
    const [coats, setCoats] = useState(planned.coats);
    const [where, setWhere] = useState(ALL);
    const places = where === ALL ? open : open.filter(({ keys }) => keys[0] === where);
    const otherwise: Deviation = {
        ...(pencil !== planned.pencil && { pencil }),
        ...(pressure !== planned.pressure && { pressurePercent: pressure }),
        ...(coats !== planned.coats && { coats }),
    };

    return (
        <>
            <Fields>
                <Pencil value={pencil} onChange={setPencil} />
                <Stepper
                    label={`Pressure, %: ${pressureWord(pressure)}`}
                    value={pressure}
                    least={5}
                    most={100}
                    step={5}
                    onChange={setPressure}
                />
                <Stepper label="Coats" value={coats} least={1} most={9} onChange={setCoats} />
                {open.length > 1 && (
                    <Choice
                        label="Where"
                        value={where}
                        options={[
                            { id: ALL, name: `All ${open.length} places` },
                            ...open.map((place) => ({ id: place.keys[0] ?? '', name: named(place) })),
                        ]}
                        onChange={setWhere}
                    />
                )}
            </Fields>
            <StrongButton
                isDisabled={Object.keys(otherwise).length === 0 || places.length === 0}
                onPress={() => onHappened({ turn, places, otherwise })}
            >
                Done like this
            </StrongButton>
        </>
    );
}

interface ListProps {
    of: { turn: Turn; place: Place }[];
    onHappened: (happened: Happened) => void;
}

/** One of several places, by the first step that it has. */
function usePlace(of: ListProps['of']) {
    const [at, setAt] = useState(of[0]?.place.keys[0] ?? '');
    const found = of.find(({ place }) => place.keys[0] === at) ?? of[0];

    return {
        found,
        choice: (
            <Choice
                label="Where"
                value={found?.place.keys[0] ?? ''}
                options={of.map(({ place }) => ({ id: place.keys[0] ?? '', name: named(place) }))}
                onChange={setAt}
            />
        ),
    };
}

function Lifted({ of, onHappened }: ListProps) {
    const { found, choice } = usePlace(of);
    const [dabs, setDabs] = useState(1);

    return (
        <>
            <p>With the kneaded eraser: press and pull off, do not rub.</p>
            <Fields>
                {choice}
                <Stepper label="Dabs" value={dabs} least={1} most={4} onChange={setDabs} />
            </Fields>
            <StrongButton
                isDisabled={!found}
                onPress={() => found && onHappened({ turn: found.turn, places: [found.place], otherwise: { dabs } })}
            >
                Taken off
            </StrongButton>
        </>
    );
}

function Spoiled({ of, inHand, onHappened }: ListProps & { inHand: string }) {
    const { found, choice } = usePlace(of);
    const [pencil, setPencil] = useState(inHand);
    const [pressure, setPressure] = useState(SMUDGE);

    return (
        <>
            <p>What should have stayed paper has colour on it. Say which, and what to do about it is worked out.</p>
            <Fields>
                {choice}
                <Pencil value={pencil} onChange={setPencil} />
                <Stepper
                    label={`How firmly, %: ${pressureWord(pressure)}`}
                    value={pressure}
                    least={5}
                    most={100}
                    step={5}
                    onChange={setPressure}
                />
            </Fields>
            <StrongButton
                isDisabled={!found || pencil === ''}
                onPress={() =>
                    found &&
                    onHappened({
                        turn: found.turn,
                        places: [found.place],
                        otherwise: { pencil, pressurePercent: pressure },
                    })
                }
            >
                That happened
            </StrongButton>
        </>
    );
}
