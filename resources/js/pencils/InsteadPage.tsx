import { useState } from 'react';
import { parseAsString, useQueryStates } from 'nuqs';
import styled from 'styled-components';
import { messageOf, Refusal, type Recipe, type Substitutes } from '../api/client';
import { usePapers, useUsualPaper } from '../api/queries';
import { StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { Choice } from '../ui/Choice';
import { LinesField } from '../ui/LinesField';
import { Page, Row, Table } from '../ui/Page';
import { PencilTag } from '../ui/PencilTag';
import { RestsOnLine } from '../ui/RestsOnLine';
import { BadRows, Problem } from '../ui/States';
import { SwatchPair } from '../ui/Swatch';
import { usePencilList, useSubstitutes } from './pencilQueries';

const Lines = styled.div`
    flex: 1;
    min-width: 320px;
`;

function Against({ wanted, recipe, name }: { wanted: Recipe; recipe: Recipe | null; name: string }) {
    if (!recipe) return null;

    return (
        <tr>
            <th scope="row">{name}</th>
            <td>
                <SwatchPair target={wanted.predicted} predicted={recipe.predicted} width="120px" height="44px" />
            </td>
            <td>
                <strong>{recipe.difference.words}</strong>
                <br />
                <small>
                    dE00 {recipe.difference.dE00.toFixed(1)} ± {recipe.sigma.toFixed(1)}
                </small>
            </td>
            <td>
                <CalledOut stack={recipe.stack} />
            </td>
        </tr>
    );
}

function PencilInstead({ found }: { found: Substitutes['pencils'][number] }) {
    return (
        <section>
            <h2>
                Substitutes for {found.pencil.number}{' '}
                <small>
                    {found.pencil.range} {found.pencil.name}, {found.pencil.family}
                    {found.replacedBy && ` · its maker names ${found.replacedBy} as its successor`}
                </small>
            </h2>
            {found.nearest ? (
                <p style={{ display: 'flex', alignItems: 'center', gap: 8 }}>
                    Nearest pencil <PencilTag pencil={found.nearest} />
                </p>
            ) : (
                <p>There is no other pencil to choose from.</p>
            )}
            <Table>
                <tbody>
                    {found.strengths.flatMap((strength) => [
                        <Against
                            key={`${strength.strength}p`}
                            wanted={strength.wanted}
                            recipe={strength.pencil}
                            name={`${strength.strength}, pencil`}
                        />,
                        <Against
                            key={`${strength.strength}m`}
                            wanted={strength.wanted}
                            recipe={strength.mix}
                            name={`${strength.strength}, mix`}
                        />,
                    ])}
                </tbody>
            </Table>
        </section>
    );
}

const ASKED = { text: parseAsString.withDefault(''), paper: parseAsString, into: parseAsString.withDefault('') };

/** What to take instead of a pencil or a recipe: nearest pencil and nearest mix, out of the box or of another range. */
export function InsteadPage() {
    const [{ text: asked, paper: onPaper, into }, choose] = useQueryStates(ASKED);
    const [text, setText] = useState(asked);
    const papers = usePapers();
    const ranges = usePencilList({ scope: 'box' });
    const find = useSubstitutes();
    const usual = useUsualPaper();
    const paper = onPaper ?? usual;

    return (
        <Page>
            <title>Substitutes – Knotty Prism</title>
            <h1>What to take instead</h1>
            <Row style={{ marginTop: 12 }}>
                <Lines>
                    <LinesField
                        label="Pencils or recipes, one on a line"
                        value={text}
                        onChange={setText}
                        placeholder={'LO:9659, LO:6945\nLO:3512@40 > QW:5892@60'}
                    />
                </Lines>
                <Choice
                    label="Out of"
                    value={into}
                    options={[
                        { id: '', name: 'my box' },
                        ...(ranges.data?.ranges ?? []).map((range) => ({
                            id: range.code,
                            name: `${range.code} ${range.name}`,
                        })),
                    ]}
                    onChange={(value) => void choose({ into: value })}
                />
                <Choice
                    label="Paper"
                    value={paper}
                    options={(papers.data ?? []).map(({ id, name }) => ({ id, name }))}
                    onChange={(value) => void choose({ paper: value })}
                />
                <StrongButton
                    isDisabled={find.isPending || text.trim() === '' || paper === ''}
                    onPress={() => find.mutate({ text, paper, into })}
                >
                    Find
                </StrongButton>
            </Row>
            {find.isPending && <p role="status">Trying pencils and mixes</p>}
            {find.error instanceof Refusal && find.error.rows.length > 0 ? (
                <BadRows message={find.error.message} rows={find.error.rows} what="Line" />
            ) : (
                find.isError && <Problem message={messageOf(find.error)} />
            )}
            {find.data && (
                <div data-testid="substitutes">
                    {find.data.pencils.map((found) => (
                        <PencilInstead key={found.pencil.id} found={found} />
                    ))}
                    {find.data.recipes.map((found) => (
                        <section key={found.wanted.stack}>
                            <h2>
                                Substitutes for <CalledOut stack={found.wanted.stack} />
                            </h2>
                            {!found.swapped && <p>All of its pencils are at hand.</p>}
                            <Table>
                                <tbody>
                                    <Against wanted={found.wanted} recipe={found.swapped} name="pencil for pencil" />
                                    <Against wanted={found.wanted} recipe={found.mix} name="nearest mix" />
                                </tbody>
                            </Table>
                        </section>
                    ))}
                    <RestsOnLine calibration={find.data.calibration} />
                </div>
            )}
        </Page>
    );
}
