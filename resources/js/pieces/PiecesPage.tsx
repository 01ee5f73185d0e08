import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { messageOf, type PieceSummary } from '../api/client';
import { keys } from '../api/keys';
import { usePieces, useRemovePiece, useRestorePiece } from '../api/queries';
import { useWork } from '../api/works';
import { ShareSheet } from '../share/ShareSheet';
import { Button, buttonLook } from '../ui/Button';
import { MoreMenu } from '../ui/MoreMenu';
import { notify } from '../ui/Notices';
import { Road } from '../begin/Road';
import { Empty, Loading, Problem } from '../ui/States';
import { radius, space, type } from '../ui/theme';
import { counted, spokenMinutes } from '../ui/words';
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

const Links = styled.div`
    display: flex;
    align-items: center;
    gap: ${space.l};
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
    display: grid;
    align-content: start;
    background: ${({ theme }) => theme.panel};
    border-radius: ${radius};
    overflow: hidden;
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
    & h2 > a {
        text-decoration: none;
    }
    & small {
        color: ${({ theme }) => theme.quiet};
    }
`;

const Words = styled.div`
    display: grid;
    gap: ${space.xs};
    padding: ${space.m} ${space.m} 0;
`;

/** How much of the drawing is done, as a bar. */
const Bar = styled.span`
    display: block;
    height: 6px;
    background: ${({ theme }) => theme.line};
    & > i {
        display: block;
        height: 100%;
        background: ${({ theme }) => theme.ink};
    }
`;

const Foot = styled.div`
    display: flex;
    justify-content: space-between;
    gap: ${space.s};
    padding: ${space.m};
    & > a {
        ${buttonLook}
    }
`;

/** Where the work on a piece stands, what is said of it, and what comes next. */
export function stageOf(piece: PieceSummary): { said: string; path: string; next: string } {
    const { zoneCount, recipeCount, progress } = piece;
    if (zoneCount === 0) return { said: 'Photo in, no zones yet', path: 'look', next: 'Look' };
    if (recipeCount < zoneCount || progress === null || progress.turns === 0)
        return recipeCount === zoneCount
            ? { said: 'Every zone has a recipe', path: 'plan', next: 'Plan it' }
            : { said: `${recipeCount} of ${counted(zoneCount, 'zone')} have recipes`, path: 'match', next: 'Match' };
    const { turns, done, minutesLeft } = progress;
    if (done === turns) return { said: `Drawn, ${counted(turns, 'turn')}`, path: 'compare', next: 'Compare' };
    const left = `${spokenMinutes(minutesLeft)} left`;

    return done === 0
        ? { said: `Planned: ${counted(turns, 'turn')}, ${left}`, path: 'draw', next: 'Begin drawing' }
        : { said: `Turn ${done + 1} of ${turns}, ${left}`, path: 'draw', next: 'Go on drawing' };
}

const MORE = [
    { id: 'record', name: 'Record' },
    { id: 'share', name: 'Share' },
    { id: 'remove', name: 'Remove' },
] as const;

function PieceCard({ piece }: { piece: PieceSummary }) {
    const remove = useRemovePiece(piece.id);
    const restore = useRestorePiece(piece.id);
    const navigate = useNavigate();
    const [sharing, setSharing] = useState(false);
    const { said, path, next } = stageOf(piece);
    const { progress } = piece;

    return (
        <Card>
            <Link to={`/pieces/${piece.id}/${path}`} tabIndex={-1} aria-hidden>
                <img src={piece.photo.url} alt="" loading="lazy" />
            </Link>
            <Words>
                <h2>
                    <Link to={`/pieces/${piece.id}/match`}>{piece.title}</Link>
                </h2>
                <span>{said}</span>
                {progress !== null && progress.turns > 0 && (
                    <Bar aria-hidden>
                        <i style={{ width: `${(100 * progress.done) / progress.turns}%` }} />
                    </Bar>
                )}
                <small>{piece.paperName}</small>
            </Words>
            <Foot>
                <Link to={`/pieces/${piece.id}/${path}`}>
                    {next}
                    <span className="visually-hidden">: {piece.title}</span>
                </Link>
                <MoreMenu
                    of={piece.title}
                    entries={MORE}
                    onChoose={(what) => {
                        if (what === 'record') void navigate(`/pieces/${piece.id}/record`);
                        else if (what === 'share') setSharing(true);
                        else
                            remove.mutate(undefined, {
                                onSuccess: () => notify(`${piece.title} removed`, () => restore.mutate(undefined)),
                                onError: (error) => notify(messageOf(error)),
                            });
                    }}
                />
            </Foot>
            {sharing && (
                <ShareSheet piece={piece.id} title={piece.title} kind="plan" onClose={() => setSharing(false)} />
            )}
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
                <Links>
                    <Link to="/figures">Figures</Link>
                    <NewLink to="/pieces/new">New piece</NewLink>
                </Links>
            </Head>
            {pieces.isError && <Problem message={messageOf(pieces.error)} retry={() => void pieces.refetch()} />}
            {pieces.isPending && <Loading what="Fetching your pieces" />}
            {pieces.data?.length === 0 && <Road at={null} />}
            {pieces.data?.length === 0 && (
                <Empty title="No pieces yet">
                    <p>
                        A piece is one drawing: a photo, a paper, and what you find out about its colours. Start with a
                        photo.
                    </p>
                    <NewLink to="/pieces/new">New piece</NewLink>
                    <Button
                        isDisabled={demo.open || demo.start.isPending}
                        onPress={() =>
                            demo.start.mutate({ withBox: true }, { onError: (error) => notify(messageOf(error)) })
                        }
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
