import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { useChangeBox } from '../api/queries';
import { ByNumber } from '../pencils/ByNumber';
import { usePencilList } from '../pencils/pencilQueries';
import { Button } from '../ui/Button';
import { Loading, Problem } from '../ui/States';
import { space, type } from '../ui/theme';
import { counted } from '../ui/words';

const Ranges = styled.ul`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(260px, 100%), 1fr));
    gap: ${space.m};
    margin: ${space.m} 0 ${space.l};
    & > li {
        display: grid;
        gap: ${space.s};
        padding: ${space.m};
        background: ${({ theme }) => theme.panel};
    }
    & b {
        font-size: ${type.lead};
    }
`;

/** Its pencils in the order of their hues: a range is known by its colours. */
const Strip = styled.span`
    display: flex;
    height: 44px;
    padding: 6px;
    background: ${({ theme }) => theme.surround};
    & > i {
        flex: 1;
    }
`;

function ShippedRange({ code, name, onIn }: { code: string; name: string; onIn: () => void }) {
    const list = usePencilList({ range: code, order: 'roll' });
    const change = useChangeBox();
    const pencils = list.data?.pencils ?? [];

    return (
        <li>
            <b>{name}</b>
            <small>
                {code}, {counted(pencils.length, 'pencil')}
            </small>
            <Strip aria-hidden>
                {pencils.map(({ id, hex }) => (
                    <i key={id} style={{ background: hex ?? undefined }} />
                ))}
            </Strip>
            <Button
                isDisabled={pencils.length === 0 || change.isPending}
                onPress={() => change.mutate({ add: pencils.map(({ id }) => id) }, { onSuccess: onIn })}
            >
                I have all of {name}
            </Button>
            {change.isError && <Problem message={messageOf(change.error)} />}
        </li>
    );
}

/** The first question: a range that ships, or numbers as they stand on the barrels, or a file. */
export function WhichPencils({ onDone }: { onDone: () => void }) {
    const list = usePencilList({ scope: 'box' });
    const [colourless, setColourless] = useState(0);
    if (!list.data) return <Loading what="Opening the ranges" />;

    return (
        <>
            <Ranges aria-label="Ranges that ship">
                {list.data.ranges
                    .filter(({ own }) => !own)
                    .map(({ code, name }) => (
                        <ShippedRange key={code} code={code} name={name} onIn={onDone} />
                    ))}
            </Ranges>
            <h2>Or by number</h2>
            <p>
                Some of a range above, or all that you have of another one. One that is not here needs a short code of
                yours, and a swatch card for its colours. You have drawn one already? Type the numbers in its order: its
                photo is read next.
            </p>
            <ByNumber
                onIn={(without) => {
                    setColourless(without);
                    if (without === 0) onDone();
                }}
            />
            {colourless > 0 && (
                <p style={{ marginTop: 12 }}>
                    <Button onPress={onDone}>Go on: the card can wait</Button>
                </p>
            )}
            <p style={{ marginTop: 20 }}>
                A table of them, or a palette? <Link to="/pencils/files">Take in a file</Link> (CSV, GPL).
            </p>
        </>
    );
}
