import { useState } from 'react';
import styled from 'styled-components';
import { messageOf, type Colour } from '../api/client';
import { useNearestPencils } from '../api/queries';
import { Button } from '../ui/Button';
import { PencilTag } from '../ui/PencilTag';
import { Sheet } from '../ui/Sheet';
import { Loading, Problem } from '../ui/States';
import { space } from '../ui/theme';

/** Each beside the colour that is wanted, without a gap. */
const List = styled.ul`
    display: grid;
    gap: ${space.s};
    margin-top: ${space.s};
    & > li {
        display: grid;
        grid-template-columns: 88px minmax(200px, 1fr) minmax(0, 1.2fr);
        align-items: center;
        gap: ${space.m};
    }
    & > li > span {
        display: grid;
        grid-template-columns: 1fr 1fr;
        height: 44px;
        forced-color-adjust: none;
    }
`;

/** What goes with a colour: opposite on the wheel, and its neighbours as dark and light of one form. */
const BESIDE = {
    complement: 'Complement',
    darker: 'Darker neighbour',
    lighter: 'Lighter neighbour',
} as const;

function Nearest({ colour }: { colour: Colour }) {
    const found = useNearestPencils(colour);
    if (found.isError) return <Problem message={messageOf(found.error)} retry={() => void found.refetch()} />;
    if (!found.data) return <Loading what="Looking through the ranges" />;

    return (
        <>
            {(['box', 'others'] as const).map((of) => (
                <section key={of}>
                    <h3>{of === 'box' ? 'In your box' : 'Not in your box'}</h3>
                    {found.data[of].length === 0 ? (
                        <p>None with a colour.</p>
                    ) : (
                        <List>
                            {found.data[of].map((pencil) => (
                                <li key={pencil.id}>
                                    <span aria-hidden>
                                        <i style={{ background: colour.hex }} />
                                        <i style={{ background: pencil.hex ?? undefined }} />
                                    </span>
                                    <PencilTag pencil={pencil} />
                                    <div>{pencil.misses}</div>
                                </li>
                            ))}
                        </List>
                    )}
                </section>
            ))}
            {found.data.beside.length > 0 && (
                <section>
                    <h3>Beside it, out of your box</h3>
                    <List>
                        {found.data.beside.map(({ what, colour: wanted, pencil }) => (
                            <li key={what}>
                                <span aria-hidden>
                                    <i style={{ background: colour.hex }} />
                                    <i style={{ background: pencil.hex ?? undefined }} />
                                </span>
                                <PencilTag pencil={pencil} />
                                <div>
                                    <b>{BESIDE[what]}</b>: {wanted.appearance.family}
                                    {pencil.misses === 'on target' ? '' : `; ${pencil.misses ?? ''}`}
                                </div>
                            </li>
                        ))}
                    </List>
                </section>
            )}
        </>
    );
}

/** From a colour straight to the pencils whose heavy coat comes nearest, and which way each misses. */
export function NearestPencils({ name, colour }: { name: string; colour: Colour }) {
    const [isOpen, setOpen] = useState(false);

    return (
        <>
            <Button onPress={() => setOpen(true)}>Nearest pencils</Button>
            <Sheet title={`Nearest to ${name}, laid heavily`} isOpen={isOpen} onClose={() => setOpen(false)}>
                <Nearest colour={colour} />
            </Sheet>
        </>
    );
}
