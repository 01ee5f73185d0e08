import { onlineManager, useMutationState, useQueryClient, type Mutation } from '@tanstack/react-query';
import { useSyncExternalStore } from 'react';
import { Dialog, DialogTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, Refusal } from '../api/client';
import { Button } from '../ui/Button';
import { Panel } from '../ui/Choice';
import { space, type } from '../ui/theme';
import { counted } from '../ui/words';

const Failed = styled(Button)`
    min-height: 28px;
    padding: 0 ${space.s};
    border-style: dashed;
    font-size: ${type.small};
`;

const List = styled.ul`
    display: grid;
    gap: ${space.m};
    max-width: 360px;
    padding: ${space.m};
    & > li {
        display: grid;
        gap: ${space.xs};
    }
    & > li > div {
        display: flex;
        gap: ${space.s};
    }
`;

/** What is refused as it stands: it is shown where it was typed, and sending it again would not help. */
const REFUSED = [401, 403, 404, 422];

const mayStillBeSent = ({ state }: Mutation) =>
    state.status === 'error' && !(state.error instanceof Refusal && REFUSED.includes(state.error.status));

const WHAT: Record<string, string> = {
    piece: 'A change of the piece',
    zone: 'A change of a zone',
    target: 'A recipe or a colour',
    mark: 'A mark in Draw',
    unmark: 'An undo in Draw',
    note: 'A note in Draw',
};

/** Whether all that was changed is kept. Without a network changes wait and are sent when it is back; what failed is said here. */
export function Saved() {
    const client = useQueryClient();
    const open = useMutationState({ filters: { status: 'pending' }, select: ({ state }) => state.isPaused });
    const failed = useMutationState({
        filters: { predicate: (mutation) => mayStillBeSent(mutation) },
        select: (mutation) => mutation,
    });
    const isOnline = useSyncExternalStore(
        (told) => onlineManager.subscribe(told),
        () => onlineManager.isOnline(),
    );
    // With a network they only stand in line.
    const waiting = isOnline ? 0 : open.filter(Boolean).length;
    const said = waiting > 0 ? `${counted(waiting, 'change waits', 'changes wait')} for the network` : 'Saving';
    if (failed.length > 0 && open.length === 0) {
        const forget = (mutation: Mutation) => client.getMutationCache().remove(mutation);

        return (
            <DialogTrigger>
                <Failed data-testid="saved">{counted(failed.length, 'change', 'changes')} not saved</Failed>
                <Panel placement="bottom end">
                    <Dialog aria-label="What was not saved">
                        <List>
                            {failed.map((mutation) => (
                                <li key={mutation.mutationId}>
                                    <b>{WHAT[String(mutation.options.mutationKey?.[0])] ?? 'A change'}</b>
                                    {messageOf(mutation.state.error)}
                                    <div>
                                        <Button
                                            onPress={() => {
                                                forget(mutation);
                                                void client
                                                    .getMutationCache()
                                                    .build(client, mutation.options)
                                                    .execute(mutation.state.variables)
                                                    .catch(() => undefined);
                                            }}
                                        >
                                            Send again
                                        </Button>
                                        <Button onPress={() => forget(mutation)}>Leave it</Button>
                                    </div>
                                </li>
                            ))}
                        </List>
                    </Dialog>
                </Panel>
            </DialogTrigger>
        );
    }

    return <small data-testid="saved">{open.length > 0 ? said : 'Saved'}</small>;
}
