import { useEffect, useState } from 'react';
import { messageOf, type KeptRecipe, type Recipe } from '../api/client';
import { usePapers } from '../api/queries';
import { usePencilList, useSubstitutes } from '../pencils/pencilQueries';
import { CalledOut } from '../ui/CalledOut';
import { Choice } from '../ui/Choice';
import { Row, Table } from '../ui/Page';
import { Sheet } from '../ui/Sheet';
import { Loading, Problem } from '../ui/States';
import { SwatchPair } from '../ui/Swatch';

/** The pencils that it is to be laid with. */
const BOX = 'box';

function Against({ name, wanted, recipe }: { name: string; wanted: Recipe; recipe: Recipe }) {
    return (
        <tr>
            <th scope="row">{name}</th>
            <td>
                <SwatchPair target={wanted.predicted} predicted={recipe.predicted} width="110px" height="44px" />
            </td>
            <td>
                <strong>{recipe.difference.words}</strong>, dE00 {recipe.difference.dE00.toFixed(1)}
                <br />
                <CalledOut stack={recipe.stack} />
            </td>
        </tr>
    );
}

/** A recipe on another paper, and out of another box: what it looks like there, and what is lost. */
export function OtherPencils({ kept, onClose }: { kept: KeptRecipe; onClose: () => void }) {
    const papers = usePapers();
    const list = usePencilList({ scope: 'box' });
    const [paper, setPaper] = useState(kept.paper.id);
    const [into, setInto] = useState(BOX);
    const { mutate, data, error, isPending } = useSubstitutes();
    useEffect(
        () => mutate({ text: kept.stack, paper, into: into === BOX ? '' : into }),
        [mutate, kept.stack, paper, into],
    );
    const found = data?.recipes[0];

    return (
        <Sheet title={`${kept.name}, otherwise`} isOpen onClose={onClose}>
            <Row>
                <Choice
                    label="Paper"
                    value={paper}
                    options={papers.data?.map(({ id, name }) => ({ id, name })) ?? []}
                    onChange={setPaper}
                />
                <Choice
                    label="Pencils of"
                    value={into}
                    options={[
                        { id: BOX, name: 'my box' },
                        ...(list.data?.ranges.map(({ code, name }) => ({ id: code, name })) ?? []),
                    ]}
                    onChange={setInto}
                />
            </Row>
            {error && <Problem message={messageOf(error)} />}
            {isPending && <Loading what="Trying stacks" />}
            {found && (
                <Table>
                    <tbody>
                        <Against name="The same" wanted={found.wanted} recipe={found.wanted} />
                        {found.swapped && (
                            <Against name="Pencil for pencil" wanted={found.wanted} recipe={found.swapped} />
                        )}
                        <Against name="Nearest mix" wanted={found.wanted} recipe={found.mix} />
                    </tbody>
                </Table>
            )}
        </Sheet>
    );
}
