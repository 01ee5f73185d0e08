import { useEffect, useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { useChangeBox, useUsualPaper } from '../api/queries';
import { ByNumber } from '../pencils/ByNumber';
import { usePencilList } from '../pencils/pencilQueries';
import { useAddChart } from '../swatches/swatchQueries';
import { Button } from '../ui/Button';
import { notify } from '../ui/Notices';
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

/** The card, and beside it what is typed of it. */
const Beside = styled.div`
    &[data-photo] {
        display: grid;
        grid-template-columns: minmax(200px, 300px) minmax(0, 1fr);
        gap: ${space.l};
    }
`;

const Photo = styled.figure`
    display: grid;
    gap: ${space.s};
    justify-items: start;
    margin: ${space.s} 0;
    & > img {
        max-width: 100%;
        max-height: 420px;
        background: ${({ theme }) => theme.surround};
    }
`;

/** The card that is read once it is known which pencils are on it. */
function CardPhoto({ picture, onAway }: { picture: File; onAway: () => void }) {
    const [address, setAddress] = useState('');
    useEffect(() => {
        const made = URL.createObjectURL(picture);
        setAddress(made);

        return () => URL.revokeObjectURL(made);
    }, [picture]);

    return (
        <Photo>
            {address !== '' && <img src={address} alt="Your card" />}
            <figcaption>
                Which pencils are on it, in its order? Type their numbers; then it is read, and they have their colours.
            </figcaption>
            <Button onPress={onAway}>Without the photo</Button>
        </Photo>
    );
}

/** The first question: a range that ships, or numbers as they stand on the barrels, or a file. */
export function WhichPencils({ onDone }: { onDone: () => void }) {
    const list = usePencilList({ scope: 'box' });
    const [colourless, setColourless] = useState(0);
    const [card, setCard] = useState<File | null>(null);
    const add = useAddChart();
    const paper = useUsualPaper();
    const navigate = useNavigate();
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
            <Beside data-photo={card !== null || undefined}>
                {card === null ? (
                    <p>
                        Some of a range above, or all that you have of another one. One that is not here needs a short
                        code of yours, and a swatch card for its colours.
                    </p>
                ) : (
                    <CardPhoto picture={card} onAway={() => setCard(null)} />
                )}
                <div>
                    <ByNumber
                        on={card === null ? 'the barrels' : 'the card, row by row'}
                        onIn={(without, ids) => {
                            setColourless(without);
                            if (card !== null)
                                add.mutate(
                                    { kind: 'card', paper, page: 'a4', pencils: ids, text: '' },
                                    {
                                        onSuccess: ({ id }) =>
                                            void navigate(`/swatches/charts/${id}`, { state: { picture: card } }),
                                        onError: (error) => notify(messageOf(error)),
                                    },
                                );
                            else if (without === 0) onDone();
                        }}
                    />
                </div>
            </Beside>
            {card === null && (
                <p style={{ marginTop: 20 }}>
                    You have drawn a swatch card already, three fields a pencil?{' '}
                    <FileTrigger
                        acceptedFileTypes={['image/jpeg', 'image/png', 'image/webp']}
                        onSelect={(files) => setCard(files?.[0] ?? null)}
                    >
                        <Button>Begin with its photo</Button>
                    </FileTrigger>
                </p>
            )}
            {colourless > 0 && card === null && (
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
