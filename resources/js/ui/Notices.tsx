import {
    Button as AriaButton,
    Text,
    UNSTABLE_Toast as Toast,
    UNSTABLE_ToastContent as ToastContent,
    UNSTABLE_ToastQueue as ToastQueue,
    UNSTABLE_ToastRegion as ToastRegion,
} from 'react-aria-components';
import styled from 'styled-components';
import { buttonLook } from './Button';
import { radius, space } from './theme';

interface Notice {
    text: string;
    undo?: () => void;
}

const queue = new ToastQueue<Notice>({ maxVisibleToasts: 2 });

/** Says something at the foot of the page; with a way back where there is one. */
export function notify(text: string, undo?: () => void) {
    queue.add({ text, undo }, { timeout: undo ? 12_000 : 6_000 });
}

/** Whoever comes next has nothing to take back. */
export const forgetNotices = () => {
    queue.clear();
};

const Region = styled(ToastRegion<Notice>)`
    position: fixed;
    z-index: 40;
    bottom: ${space.l};
    left: 50%;
    transform: translateX(-50%);
    display: grid;
    gap: ${space.s};
`;

const Card = styled(Toast)`
    display: flex;
    align-items: center;
    gap: ${space.m};
    padding: ${space.s} ${space.m};
    border-radius: ${radius};
    background: ${({ theme }) => theme.strong};
    color: ${({ theme }) => theme.onStrong};
`;

const CardButton = styled(AriaButton)`
    ${buttonLook}
    background: transparent;
    color: inherit;
    border-color: currentcolor;
`;

export function Notices() {
    return (
        <Region queue={queue} aria-label="Notices">
            {({ toast }) => (
                <Card toast={toast}>
                    <ToastContent>
                        <Text slot="title">{toast.content.text}</Text>
                    </ToastContent>
                    {toast.content.undo && (
                        <CardButton
                            onPress={() => {
                                toast.content.undo?.();
                                queue.close(toast.key);
                            }}
                        >
                            Take back
                        </CardButton>
                    )}
                    <CardButton slot="close" aria-label="Close">
                        ×
                    </CardButton>
                </Card>
            )}
        </Region>
    );
}
