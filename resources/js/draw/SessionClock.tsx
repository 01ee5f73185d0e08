import styled from 'styled-components';
import { Button } from '../ui/Button';
import { space, type } from '../ui/theme';
import { spokenMinutes } from '../ui/words';
import { Asked } from './Asked';
import { useKeptState } from '../ui/useKeptState';
import { useNow } from './useNow';

const MINUTE = 60_000;
/** Eyes and hand are asked to rest after so long, minutes. */
const REST_AFTER = 25;
/** A session that was left for so long has ended by itself, minutes. */
const FORGOTTEN = 240;

interface Session {
    startedAt: number;
    restedAt: number;
    /** Whether the cautions were read. */
    warned?: boolean;
}

const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.xs} ${space.m};
    font-size: ${type.small};
    color: ${({ theme }) => theme.quiet};
    font-variant-numeric: tabular-nums;
    & button {
        min-height: 48px;
    }
    & > strong {
        color: ${({ theme }) => theme.ink};
    }
`;

const Cautions = styled(Asked)`
    flex-basis: 100%;
    color: ${({ theme }) => theme.ink};
    font-size: ${type.body};
    & ul {
        display: grid;
        gap: ${space.xs};
        padding-inline-start: 18px;
        list-style: square;
    }
    & > button {
        justify-self: start;
    }
`;

interface Props {
    piece: string;
    /** That one likes a session to last. */
    minutes: number;
    /** Said once, as a session begins. */
    cautions: string[];
}

/** How long one has drawn, of the length of session that one likes; and when eyes and hand should rest. */
export function SessionClock({ piece, minutes, cautions }: Props) {
    const [session, set] = useKeptState<Session | null>(`prism.session.${piece}`, null);
    const now = useNow(session !== null);
    // The clock may not have ticked yet since then.
    const since = (time: number) => Math.max(0, Math.floor((now - time) / MINUTE));
    const running = session !== null && since(session.startedAt) < FORGOTTEN ? session : null;
    const begin = () => set({ startedAt: Date.now(), restedAt: Date.now(), warned: false });
    if (!running) {
        return (
            <Row>
                <Button onPress={begin}>Begin a session of {spokenMinutes(minutes)}</Button>
            </Row>
        );
    }
    const passed = since(running.startedAt);
    const said =
        passed >= minutes
            ? 'This session is over: clean the desk, look at it from the door.'
            : since(running.restedAt) >= REST_AFTER
              ? 'Look far away for a minute, and shake out the hand.'
              : null;

    return (
        <Row role="status" data-testid="session">
            <span>
                Session: {spokenMinutes(passed)} of {spokenMinutes(minutes)}
            </span>
            {said && <strong>{said}</strong>}
            {said && passed < minutes && (
                <Button onPress={() => set({ ...running, restedAt: Date.now() })}>Rested</Button>
            )}
            <Button onPress={() => set(null)}>End it</Button>
            {cautions.length > 0 && running.warned === false && (
                <Cautions aria-label="Before you begin" data-testid="cautions">
                    <b>Before you begin</b>
                    <ul>
                        {cautions.map((caution) => (
                            <li key={caution}>{caution}</li>
                        ))}
                    </ul>
                    <Button onPress={() => set({ ...running, warned: true })}>Understood</Button>
                </Cautions>
            )}
        </Row>
    );
}
