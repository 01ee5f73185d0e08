import { useState } from 'react';
import styled from 'styled-components';
import { messageOf, type Plan } from '../api/client';
import { useChangePiece } from '../api/kept';
import { useDeskPiece } from '../desk/DeskContext';
import { Dial } from '../ui/Dial';
import { notify } from '../ui/Notices';
import { space, type } from '../ui/theme';
import { spokenMinutes } from '../ui/words';

const Box = styled.section`
    display: grid;
    gap: ${space.s};
    & h2 {
        font-size: ${type.title};
    }
`;

/** How long it takes, and in how many sittings. */
export function SchedulePanel({ plan }: { plan: Plan }) {
    const piece = useDeskPiece();
    const change = useChangePiece(piece.id);
    const [moving, setMoving] = useState<number | null>(null);
    const { sessionMinutes } = piece.planning;
    const tell = { onError: (error: Error) => notify(messageOf(error)) };
    const saved = plan.apartMinutes - plan.minutes;

    return (
        <Box aria-labelledby="schedule">
            <h2 id="schedule">Time</h2>
            <p data-testid="time">
                About <b>{spokenMinutes(plan.minutes)}</b> in{' '}
                {plan.sessions === 1 ? 'one session' : `${plan.sessions} sessions`}
                {plan.idleMinutes >= 1 ? `, ${spokenMinutes(plan.idleMinutes)} of it waiting for a wash to dry` : ''}.
                {saved >= 5 ? ` Finishing one zone after the other would take ${spokenMinutes(saved)} longer.` : ''}
            </p>
            <p>
                {plan.pace.steps === 0
                    ? `Reckoned with ${plan.pace.pace.toFixed(0)} mm² a minute, until your own log tells better.`
                    : `At your own pace: ${plan.pace.pace.toFixed(0)} mm² a minute, from ${plan.pace.steps} steps of your log.`}
            </p>
            <Dial
                label="A session of yours"
                value={moving ?? sessionMinutes}
                from={30}
                to={240}
                step={15}
                say={spokenMinutes}
                onChange={setMoving}
                onEnd={(to) => change.mutate({ sessionMinutes: to }, { ...tell, onSettled: () => setMoving(null) })}
            />
        </Box>
    );
}
