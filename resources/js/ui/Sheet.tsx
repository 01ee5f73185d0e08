import type { ReactNode } from 'react';
import { Dialog, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from './Button';
import { radius, space, type } from './theme';

const Veil = styled(ModalOverlay)`
    position: fixed;
    inset: 0;
    z-index: 30;
    display: grid;
    place-items: center;
    padding: ${space.l};
    background: rgb(0 0 0 / 55%);
`;

const Paper = styled(Modal)`
    width: min(640px, 100%);
    max-height: 90vh;
    overflow: auto;
    background: ${({ theme }) => theme.panel};
    border-radius: ${radius};
`;

const Content = styled(Dialog)`
    display: grid;
    gap: ${space.m};
    padding: ${space.l};
    outline: none;
`;

const Head = styled.div`
    display: flex;
    justify-content: space-between;
    align-items: center;
    & h2 {
        font-size: ${type.title};
    }
`;

interface Props {
    title: string;
    isOpen: boolean;
    onClose: () => void;
    children: ReactNode;
}

/** A sheet laid over the desk; Escape puts it away. */
export function Sheet({ title, isOpen, onClose, children }: Props) {
    return (
        <Veil isOpen={isOpen} isDismissable onOpenChange={(open) => !open && onClose()}>
            <Paper>
                <Content>
                    <Head>
                        <Heading slot="title">{title}</Heading>
                        <Button onPress={onClose}>Close</Button>
                    </Head>
                    {children}
                </Content>
            </Paper>
        </Veil>
    );
}
