import styled from 'styled-components';
import type { Replan } from '../api/client';
import { useReplans } from '../api/kept';
import type { Decision } from '../api/marking';
import { Button, StrongButton } from '../ui/Button';
import { StepsOnTop } from '../ui/RecipeBuild';
import { SwatchPair } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { Asked } from './Asked';

const Card = styled(Asked)`
    & h3 {
        font-size: ${type.body};
        font-weight: 640;
    }
    & button {
        min-height: 52px;
    }
`;

const Both = styled.div`
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
    gap: ${space.l};
    & > div {
        display: grid;
        align-content: start;
        gap: ${space.s};
    }
`;

const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.s};
`;

function Ending({ title, ending, wanted }: { title: string; ending: Replan['old']; wanted: Replan['wanted'] }) {
    return (
        <div>
            <h3>{title}</h3>
            <SwatchPair
                target={wanted}
                predicted={ending.colour}
                names={['Wanted', 'At the end']}
                width="160px"
                height="84px"
                judged
                captioned
            />
            <p>
                {ending.words} <small>dE00 {ending.dE00.toFixed(1)}</small>
            </p>
            {ending.steps.length === 0 ? <p>Nothing more here.</p> : <StepsOnTop steps={ending.steps} />}
        </div>
    );
}

interface Props {
    piece: string;
    onDecide: (decision: Pick<Decision, 'target' | 'rest' | 'take'>) => void;
}

/** Where something was laid otherwise and the plan would miss: what follows as it was, and planned anew. */
export function ReplanCards({ piece, onDecide }: Props) {
    const replans = useReplans(piece);

    return replans?.map((replan) => {
        const { target, name, rest, old, wanted } = replan;

        return (
            <Card key={target} aria-label={`What follows in ${name}`} data-testid="replan">
                <h2>Go on otherwise in {name}?</h2>
                <Both>
                    <Ending title="As planned from here" ending={old} wanted={wanted} />
                    <Ending title="Planned anew" ending={replan.new} wanted={wanted} />
                </Both>
                <Row>
                    <StrongButton onPress={() => onDecide({ target, rest, take: true })}>
                        Take the new plan
                    </StrongButton>
                    <Button onPress={() => onDecide({ target, rest, take: false })}>Leave it as it was</Button>
                </Row>
            </Card>
        );
    });
}
