import { useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { keys, usePieces, useRemovePiece, useRestorePiece } from '../api/queries';
import { useWork } from '../api/works';
import { Button, buttonLook } from '../ui/Button';
import { notify } from '../ui/Notices';
import { Empty, Loading, Problem } from '../ui/States';
import { radius, space, type } from '../ui/theme';
import { WorkProgress } from '../ui/WorkProgress';

const Page = styled.main`
    display: grid;
    align-content: start;
    gap: ${space.l};
    padding: ${space.l} ${space.xl};
    position: relative;
    overflow-y: auto;
    height: 100%;
`;

const Head = styled.div`
    display: flex;
    align-items: center;
    justify-content: space-between;
    & h1 {
        font-size: ${type.title};
    }
`;

export const NewLink = styled(Link)`
    ${buttonLook}
    background: ${({ theme }) => theme.strong};
    border-color: ${({ theme }) => theme.strong};
    color: ${({ theme }) => theme.onStrong};
    font-weight: 620;
`;

const Cards = styled.ul`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(340px, 1fr));
    gap: ${space.l};
`;

const Card = styled.li`
    position: relative;
    background: ${({ theme }) => theme.panel};
    border-radius: ${radius};
    overflow: hidden;
    & > a {
        display: block;
        text-decoration: none;
    }
    & img {
        display: block;
        width: 100%;
        aspect-ratio: 4 / 3;
        object-fit: cover;
        background: ${({ theme }) => theme.surround};
    }
    & h2 {
        font-size: ${type.lead};
        overflow-wrap: anywhere;
    }
    & a > div {
        /* Room for the button below the words. */
        padding: ${space.m} ${space.m} 50px;
    }
    & small {
        color: ${({ theme }) => theme.quiet};
    }
    & > button {
        position: absolute;
        right: ${space.s};
        bottom: ${space.s};
        min-height: 30px;
    }
`;

function PieceCard({
    piece,
}: {
    piece: {
        id: string;
        title: string;
        paperName: string;
        photo: { url: string };
        zoneCount: number;
        recipeCount: number;
    };
}) {
    const remove = useRemovePiece(piece.id);
    const restore = useRestorePiece(piece.id);

    return (
        <Card>
            <Link to={`/pieces/${piece.id}/match`}>
                <img src={piece.photo.url} alt="" loading="lazy" />
                <div>
                    <h2>{piece.title}</h2>
                    <small>
                        {piece.paperName}. {piece.recipeCount} of {piece.zoneCount} zones have a recipe.
                    </small>
                </div>
            </Link>
            <Button
                aria-label={`Remove ${piece.title}`}
                onPress={() =>
                    remove.mutate(undefined, {
                        onSuccess: () => notify(`${piece.title} removed`, () => restore.mutate(undefined)),
                        onError: (error) => notify(messageOf(error)),
                    })
                }
            >
                Remove
            </Button>
        </Card>
    );
}

export function PiecesPage() {
    const pieces = usePieces();
    const navigate = useNavigate();
    const client = useQueryClient();
    const demo = useWork('demo-piece', ({ result }) => {
        void client.invalidateQueries({ queryKey: keys.pieces });
        if (result && 'piece' in result) void navigate(`/pieces/${result.piece}/match`);
    });

    return (
        <Page>
            <title>Pieces – Knotty Prism</title>
            <Head>
                <h1>Pieces</h1>
                <NewLink to="/pieces/new">New piece</NewLink>
            </Head>
            {pieces.isError && <Problem message={messageOf(pieces.error)} retry={() => void pieces.refetch()} />}
            {pieces.isPending && <Loading what="Fetching your pieces" />}
            {pieces.data?.length === 0 && (
                <Empty title="No pieces yet">
                    <p>
                        A piece is one drawing: a photo, a paper, and what you find out about its colours. Start with a
                        photo.
                    </p>
                    <NewLink to="/pieces/new">New piece</NewLink>
                    <Button
                        isDisabled={demo.open || demo.start.isPending}
                        onPress={() => demo.start.mutate({}, { onError: (error) => notify(messageOf(error)) })}
                    >
                        Try the demo piece
                    </Button>
                    {demo.work && demo.open && (
                        <WorkProgress work={demo.work} onCancel={() => demo.cancel.mutate(demo.work?.id ?? '')} />
                    )}
                    {demo.work?.state === 'failed' && <Problem message={demo.work.problem} />}
                </Empty>
            )}
            <Cards>
                {pieces.data?.map((piece) => (
                    <PieceCard key={piece.id} piece={piece} />
                ))}
            </Cards>
        </Page>
    );
}
