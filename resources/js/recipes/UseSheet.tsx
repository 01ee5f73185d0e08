import { useState } from 'react';
import { messageOf, type KeptRecipe } from '../api/client';
import { useChangeTarget } from '../api/kept';
import { usePiece, usePieces } from '../api/queries';
import { StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { notify } from '../ui/Notices';
import { Sheet } from '../ui/Sheet';
import { Loading, Problem } from '../ui/States';
import { SwatchPair } from '../ui/Swatch';

/** Lays a recipe into a zone of any piece. */
export function UseSheet({ kept, onClose }: { kept: KeptRecipe; onClose: () => void }) {
    const pieces = usePieces();
    const [chosen, setChosen] = useState<string | null>(null);
    const piece = chosen ?? pieces.data?.[0]?.id ?? null;

    return (
        <Sheet title={`Use ${kept.name}`} isOpen onClose={onClose}>
            {!pieces.data && <Loading what="Fetching your pieces" />}
            {pieces.data?.length === 0 && <p>You have no pieces yet. Begin one from a photo; then recipes go there.</p>}
            {piece !== null && (
                <>
                    <Choice
                        label="Piece"
                        value={piece}
                        options={pieces.data?.map(({ id, title }) => ({ id, name: title })) ?? []}
                        onChange={setChosen}
                    />
                    <InPiece key={piece} kept={kept} id={piece} onClose={onClose} />
                </>
            )}
        </Sheet>
    );
}

function InPiece({ kept, id, onClose }: { kept: KeptRecipe; id: string; onClose: () => void }) {
    const piece = usePiece(id);
    const change = useChangeTarget(id);
    const [chosen, setChosen] = useState<string | null>(null);
    if (!piece.data)
        return piece.isError ? <Problem message={messageOf(piece.error)} /> : <Loading what="Opening the piece" />;
    const { L, a, b } = kept.recipe?.predicted ?? kept.colour;
    const targets = piece.data.zones
        .flatMap((zone) => zone.targets)
        // Where it comes nearest stands first.
        .sort((one, other) => far(one.colour) - far(other.colour));
    const target = targets.find(({ id: of }) => of === chosen) ?? targets[0];
    function far(colour: { L: number; a: number; b: number }) {
        return Math.hypot(colour.L - L, colour.a - a, colour.b - b);
    }
    if (!target) return <p>This piece has no zones yet: read its photo in Look first.</p>;

    return (
        <>
            <Choice
                label="For, the nearest first"
                value={target.id}
                options={targets.map(({ id: of, name }) => ({ id: of, name }))}
                onChange={setChosen}
            />
            <SwatchPair
                target={target.colour}
                predicted={kept.recipe?.predicted ?? kept.colour}
                width="100%"
                height="72px"
                judged
                captioned
                names={['Zone', 'Recipe']}
            />
            {piece.data.paper.id !== kept.paper.id && (
                <p>
                    It was kept on {kept.paper.name}; this piece is on {piece.data.paper.name}, where it is predicted
                    anew.
                </p>
            )}
            {target.recipe && <p>What is kept for it now goes; undo is in its editor.</p>}
            {change.isError && <Problem message={messageOf(change.error)} />}
            <StrongButton
                isDisabled={change.isPending}
                onPress={() =>
                    change.mutate(
                        { id: target.id, version: target.version, stack: kept.stack },
                        {
                            onSuccess: () => {
                                notify(`${kept.name} is kept for ${target.name}`);
                                onClose();
                            },
                        },
                    )
                }
            >
                Lay it there
            </StrongButton>
        </>
    );
}
