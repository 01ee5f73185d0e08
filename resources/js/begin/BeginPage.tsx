import { useQueryClient } from '@tanstack/react-query';
import { Navigate, useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { keys } from '../api/keys';
import { useBox, useChangeAccount } from '../api/queries';
import { useWork } from '../api/works';
import { PhotoForm } from './PhotoForm';
import { Button, LinkButton } from '../ui/Button';
import { notify } from '../ui/Notices';
import { Page } from '../ui/Page';
import { Problem } from '../ui/States';
import { space, UPRIGHT } from '../ui/theme';
import { WorkProgress } from '../ui/WorkProgress';
import { Road } from './Road';
import { STEPS } from './wayIn';
import { WhichPaper } from './WhichPaper';
import { WhichPencils } from './WhichPencils';

const Two = styled.div`
    display: grid;
    grid-template-columns: minmax(0, 1fr) 300px;
    gap: ${space.xl};
    align-items: start;
    & > aside {
        position: sticky;
        top: 0;
    }
    @media ${UPRIGHT} {
        grid-template-columns: minmax(0, 1fr);
    }
`;

const Foot = styled.p`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.m};
    margin-top: ${space.xl};
`;

/** A photo of one's own, or the demo piece with a box that fits. */
function WhichPhoto({ onBegun }: { onBegun: (piece: string) => void }) {
    const client = useQueryClient();
    const box = useBox();
    const demo = useWork('demo-piece', ({ result }) => {
        void client.invalidateQueries({ queryKey: keys.pieces });
        void client.invalidateQueries({ queryKey: keys.pencils });
        if (result && 'piece' in result) onBegun(result.piece);
    });
    const isEmpty = box.data?.length === 0;

    return (
        <>
            <PhotoForm onBegun={onBegun} />
            <h2>No photo at hand?</h2>
            <p>
                A still life of the harbour, planned with{' '}
                {isEmpty ? 'a box of 48 pencils that comes with it' : 'your box'}.
            </p>
            <p style={{ margin: '12px 0' }}>
                <Button
                    isDisabled={demo.open || demo.start.isPending}
                    onPress={() =>
                        demo.start.mutate({ withBox: true }, { onError: (error) => notify(messageOf(error)) })
                    }
                >
                    Try the demo piece
                </Button>
            </p>
            {demo.work && demo.open && (
                <WorkProgress work={demo.work} onCancel={() => demo.cancel.mutate(demo.work?.id ?? '')} />
            )}
            {demo.work?.state === 'failed' && <Problem message={demo.work.problem} />}
        </>
    );
}

/** The way into a new studio: three questions, each of which can wait. */
export function BeginPage() {
    const { step } = useParams();
    const navigate = useNavigate();
    const change = useChangeAccount();
    const index = STEPS.findIndex(({ id }) => id === step);
    const now = STEPS[index];
    if (!now) return <Navigate to="/begin/pencils" replace />;
    const next = STEPS[index + 1]?.id;
    const forth = () => void navigate(next ? `/begin/${next}` : '/pieces');
    const done = (address: string) => {
        // Asked for no more; whether that is kept or not, the way is free.
        change.mutate({ begun: true });
        void navigate(address);
    };

    return (
        <Page>
            <title>{`${now.asks} – Knotty Prism`}</title>
            <small>
                Question {index + 1} of {STEPS.length}
            </small>
            <h1 style={{ marginBottom: 12 }}>{now.asks}</h1>
            <Two>
                <div>
                    {now.id === 'pencils' && <WhichPencils onDone={forth} />}
                    {now.id === 'paper' && <WhichPaper onDone={forth} />}
                    {now.id === 'photo' && <WhichPhoto onBegun={(piece) => done(`/pieces/${piece}/match`)} />}
                    <Foot>
                        {next && <LinkButton to={`/begin/${next}`}>Later: next question</LinkButton>}
                        <Button onPress={() => done('/pieces')}>Straight to the studio</Button>
                    </Foot>
                </div>
                <Road at={now.id} />
            </Two>
        </Page>
    );
}
