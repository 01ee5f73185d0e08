import { ProgressBar } from 'react-aria-components';
import styled from 'styled-components';
import type { Work } from '../api/client';
import { Button } from './Button';
import { space } from './theme';

const Box = styled.div`
    display: grid;
    grid-template-columns: 1fr auto;
    gap: ${space.s};
    align-items: center;
    max-width: 560px;
`;

const Bar = styled(ProgressBar)`
    grid-column: 1 / -1;
    height: 10px;
    border: 1px solid ${({ theme }) => theme.ink};
    & > i {
        display: block;
        height: 100%;
        background: ${({ theme }) => theme.ink};
    }
`;

interface Props {
    work: Work;
    onCancel: () => void;
}

/** How far a long work is, and the way to stop it. */
export function WorkProgress({ work, onCancel }: Props) {
    const percent = Math.round(100 * work.progress);

    const waits = work.before > 0 ? `Busy: ${work.before} before yours` : 'Waiting for its turn';
    const doing = work.doing || waits;

    return (
        <Box data-testid="progress">
            <span role="status">{doing}</span>
            <Button onPress={onCancel}>Cancel</Button>
            <Bar value={percent} aria-label={doing}>
                <i style={{ width: `${percent}%` }} />
            </Bar>
        </Box>
    );
}
