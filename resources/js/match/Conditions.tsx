import { memo, useRef, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Pencil } from '../api/client';
import type { SearchWishes } from '../api/queries';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Tick } from '../ui/Tick';
import { space, target, type } from '../ui/theme';
import { PencilPicker } from '../ui/PencilPicker';
import { counted } from '../ui/words';

const Head = styled.div`
    display: flex;
    align-items: center;
    gap: ${space.m};
    & > div {
        flex: 1;
        min-width: 0;
    }
    & h2 {
        font-size: ${type.lead};
        line-height: 1.2;
    }
    & p {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

const Row = styled.div`
    display: flex;
    align-items: end;
    flex-wrap: wrap;
    gap: ${space.xs} ${space.m};
    padding: ${space.xs} 0;
`;

const Named = styled.p`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s};
    padding: ${space.xs} 0;
    & button {
        min-height: ${target.usual};
        padding: 0 8px;
    }
`;

const COUNTS = ['1', '2', '3', '4'] as const;
const LAYERS = ['1', '2', '3', '4', '6', '8', '12'] as const;

/** Pencils that a recipe can be asked to use. */
const MOST_USED = 3;

const TICKS = [
    ['noBlack', 'No black'],
    ['valueOnly', 'Value only'],
    ['waxLast', 'Wax only last'],
    ['toned', 'Black and white freely'],
    ['lightfast', 'Lightfast'],
    ['paletteOnly', 'From the palette'],
] as const;

/** The conditions that hold, in a line. */
export function conditionsIn(wishes: SearchWishes): string {
    const ticked = TICKS.filter(([key]) => wishes[key]).map(([, name]) => name.toLowerCase());

    return [`Up to ${counted(wishes.maxPencils, 'pencil')} in ${counted(wishes.maxLayers, 'layer')}`, ...ticked].join(
        ', ',
    );
}

interface Props {
    /** Whose recipes they are; it stands above them already. */
    of: string | null;
    wishes: SearchWishes;
    toned: boolean;
    owned: Pencil[] | undefined;
    onChange: (wishes: SearchWishes) => void;
    /** What else can be asked of the colour. */
    children?: ReactNode;
}

/** What recipes are to obey: folded into a line, since most are looked for without any. */
export const Conditions = memo(function Conditions({ of, wishes, toned, owned, onChange, children }: Props) {
    const [open, setOpen] = useState(false);
    const more = useRef<HTMLButtonElement>(null);
    const without = (ids: string[], id: string) => ids.filter((other) => other !== id);

    return (
        <>
            <Head>
                <div>
                    <h2>Recipes{of !== null && <span className="visually-hidden"> for {of}</span>}</h2>
                    <p>{conditionsIn(wishes)}</p>
                </div>
                {children}
                <Button ref={more} aria-expanded={open} onPress={() => setOpen(!open)}>
                    {open ? 'Fewer conditions' : 'More conditions'}
                </Button>
            </Head>
            {open && (
                <Row>
                    <Choice
                        label="Pencils, at most"
                        value={String(wishes.maxPencils) as (typeof COUNTS)[number]}
                        options={COUNTS.map((count) => ({ id: count, name: count }))}
                        onChange={(count) => onChange({ ...wishes, maxPencils: Number(count) })}
                    />
                    <Choice
                        label="Layers, at most"
                        value={String(wishes.maxLayers) as (typeof LAYERS)[number]}
                        options={LAYERS.map((count) => ({ id: count, name: count }))}
                        onChange={(count) => onChange({ ...wishes, maxLayers: Number(count) })}
                    />
                    {wishes.must.length < MOST_USED && (
                        <span style={{ width: 170 }}>
                            <PencilPicker
                                key={`${wishes.must.join()} ${owned ? 'box' : 'waiting'}`}
                                pencils={owned ?? []}
                                value=""
                                label="Use this pencil"
                                placeholder="Use this pencil"
                                onChange={(id) =>
                                    onChange({
                                        ...wishes,
                                        must: [...without(wishes.must, id), id],
                                        avoid: without(wishes.avoid, id),
                                    })
                                }
                            />
                        </span>
                    )}
                    {TICKS.filter(([key]) => key !== 'toned' || toned).map(([key, name]) => (
                        <Tick key={key} isSelected={wishes[key]} onChange={(on) => onChange({ ...wishes, [key]: on })}>
                            {name}
                        </Tick>
                    ))}
                </Row>
            )}
            {(
                [
                    ['must', 'Used in any case:', 'only if it fits'],
                    ['avoid', 'Left out:', 'again'],
                ] as const
            ).map(
                ([key, label, how]) =>
                    wishes[key].length > 0 && (
                        <Named key={key}>
                            {label}
                            {wishes[key].map((id) => (
                                <Button
                                    key={id}
                                    data-named={id}
                                    aria-label={`Use ${id} ${how}`}
                                    onPress={() => {
                                        // It goes, and the hand with it.
                                        more.current?.focus();
                                        onChange({ ...wishes, [key]: without(wishes[key], id) });
                                    }}
                                >
                                    {id.replace(':', ' ')} ×
                                </Button>
                            ))}
                        </Named>
                    ),
            )}
        </>
    );
});
