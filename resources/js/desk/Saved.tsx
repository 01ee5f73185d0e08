import { useMutationState } from '@tanstack/react-query';
import { counted } from '../ui/words';

/** Whether all that was changed is kept. Without a network changes wait; they are sent when it is back. */
export function Saved() {
    const open = useMutationState({ filters: { status: 'pending' }, select: ({ state }) => state.isPaused });
    const waiting = open.filter(Boolean).length;
    const said = waiting > 0 ? `${counted(waiting, 'change waits', 'changes wait')} for the network` : 'Saving';

    return <small data-testid="saved">{open.length > 0 ? said : 'Saved'}</small>;
}
