import { useState } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, Refusal } from '../api/client';
import { usePapers, useUsualPaper } from '../api/queries';
import { Button, StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { Choice } from '../ui/Choice';
import { Dial } from '../ui/Dial';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { Row } from '../ui/Page';
import { Sheet } from '../ui/Sheet';
import { Loading, Problem } from '../ui/States';
import { Swatch } from '../ui/Swatch';
import { space } from '../ui/theme';
import { Tick } from '../ui/Tick';
import { BLANK, formOfCalled, RecipeFields } from './RecipeFields';
import { useKeepLadder, useLadder, type LadderWish } from './recipeQueries';

const Rungs = styled.ol`
    display: grid;
    padding: 8px;
    background: ${({ theme }) => theme.surround};
    & > li {
        display: grid;
        grid-template-columns: 96px 28px minmax(0, 1fr);
        align-items: center;
        gap: 0 ${space.m};
        min-height: 44px;
    }
    & > li > :first-child {
        align-self: stretch;
    }
    & b {
        text-align: end;
    }
`;

/** One colour from pale to dark: found, looked at, and kept together. */
export function LadderSheet({ onClose }: { onClose: () => void }) {
    const papers = usePapers();
    const usual = useUsualPaper();
    const [wish, setWish] = useState<Omit<LadderWish, 'paper'> & { paper: string | null }>({
        colour: '',
        paper: null,
        rungs: 5,
        same: false,
    });
    const [asked, setAsked] = useState<LadderWish | null>(null);
    const [called, setCalled] = useState(BLANK);
    const found = useLadder(asked);
    const keep = useKeepLadder();
    const refused = found.error instanceof Refusal ? found.error.fields : {};
    const problems = keep.error instanceof Refusal ? keep.error.fields : {};

    return (
        <Sheet title="A ladder from pale to dark" isOpen onClose={onClose}>
            <Form
                style={{ display: 'grid', gap: 12 }}
                onSubmit={(event) => {
                    event.preventDefault();
                    setAsked({ ...wish, paper: wish.paper ?? usual });
                }}
            >
                <Row>
                    <Field
                        label="Colour: a pencil, #hex, or L a b"
                        value={wish.colour}
                        onChange={(colour) => setWish({ ...wish, colour })}
                        problem={refused.colour}
                        placeholder="#7a5230"
                        maxLength={60}
                    />
                    <Choice
                        label="Paper"
                        value={wish.paper ?? usual}
                        options={papers.data?.map(({ id, name }) => ({ id, name })) ?? []}
                        onChange={(paper) => setWish({ ...wish, paper })}
                    />
                </Row>
                <Dial
                    label="Rungs"
                    value={wish.rungs}
                    from={3}
                    to={9}
                    say={(rungs) => `${rungs}`}
                    onChange={(rungs) => setWish({ ...wish, rungs })}
                />
                <Tick isSelected={wish.same} onChange={(same) => setWish({ ...wish, same })}>
                    All of the same pencils, in other shares
                </Tick>
                <Button type="submit">Find it</Button>
            </Form>
            {found.isFetching && <Loading what="Trying stacks" />}
            {found.isError && Object.keys(refused).length === 0 && <Problem message={messageOf(found.error)} />}
            {found.data && asked && (
                <Form
                    style={{ display: 'grid', gap: 12 }}
                    onSubmit={(event) => {
                        event.preventDefault();
                        keep.mutate(
                            {
                                ...formOfCalled(called),
                                paper: asked.paper,
                                stacks: found.data.map(({ recipe }) => recipe.stack),
                            },
                            {
                                onSuccess: (kept) => {
                                    notify(`${kept.length} recipes are in your book`);
                                    onClose();
                                },
                            },
                        );
                    }}
                >
                    <Rungs aria-label="The ladder, palest first">
                        {found.data.map(({ recipe }, index) => (
                            <li key={index}>
                                <Swatch
                                    colour={recipe.predicted}
                                    label={`Rung ${index + 1}`}
                                    width="100%"
                                    height="100%"
                                />
                                <b>{recipe.predicted.appearance.valueStep}</b>
                                <CalledOut stack={recipe.stack} />
                            </li>
                        ))}
                    </Rungs>
                    <RecipeFields value={called} onChange={setCalled} problems={problems} />
                    {keep.error && Object.keys(problems).length === 0 && <Problem message={messageOf(keep.error)} />}
                    <StrongButton type="submit" isDisabled={keep.isPending}>
                        Keep the ladder
                    </StrongButton>
                </Form>
            )}
        </Sheet>
    );
}
