import { useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { useChangeAccount, usePapers, useSession, useWords } from '../api/queries';
import { PaperSheet } from '../studio/PaperSheet';
import { Button } from '../ui/Button';
import { Loading, Problem } from '../ui/States';
import { radius, space, type } from '../ui/theme';

const List = styled.ul`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(260px, 100%), 1fr));
    gap: ${space.m};
    margin: ${space.m} 0 ${space.l};
`;

const Choose = styled(AriaButton)`
    display: grid;
    gap: ${space.s};
    width: 100%;
    padding: ${space.m};
    text-align: start;
    border: 1px solid ${({ theme }) => theme.quiet};
    border-radius: ${radius};
    background: ${({ theme }) => theme.panel};
    color: ${({ theme }) => theme.ink};
    cursor: pointer;
    & b {
        font-size: ${type.lead};
    }
    & i {
        display: block;
        height: 64px;
        border: 8px solid ${({ theme }) => theme.surround};
    }
    &[data-hovered],
    &[aria-pressed='true'] {
        border-color: ${({ theme }) => theme.ink};
        box-shadow: inset 0 0 0 1px ${({ theme }) => theme.ink};
    }
`;

/** The second question: a paper that ships, or one's own. */
export function WhichPaper({ onDone }: { onDone: () => void }) {
    const papers = usePapers();
    const words = useWords();
    const session = useSession();
    const change = useChangeAccount();
    const [own, setOwn] = useState(false);
    if (!papers.data || !words.data) return <Loading what="Fetching the papers" />;
    const kinds = new Map(words.data.kinds.map((kind) => [kind.id, kind]));
    const choose = (paper: string) => change.mutate({ paper }, { onSuccess: onDone });

    return (
        <>
            <List aria-label="Papers">
                {papers.data.map((paper) => (
                    <li key={paper.id}>
                        <Choose
                            isDisabled={change.isPending}
                            aria-pressed={session.data?.user?.paper === paper.id}
                            onPress={() => choose(paper.id)}
                        >
                            <i style={{ background: paper.colour.hex }} aria-hidden />
                            <b>{paper.name}</b>
                            <small>
                                {paper.toned ? 'Toned: white shows on it. ' : ''}
                                {kinds.get(paper.kind)?.sentence}
                            </small>
                        </Choose>
                    </li>
                ))}
            </List>
            {change.isError && <Problem message={messageOf(change.error)} />}
            <Button onPress={() => setOwn(true)}>Another paper, my own</Button>
            {own && (
                <PaperSheet
                    paper={null}
                    onClose={() => setOwn(false)}
                    onWritten={({ id }) => {
                        setOwn(false);
                        choose(id);
                    }}
                />
            )}
        </>
    );
}
