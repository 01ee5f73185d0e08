import { useState } from 'react';
import styled from 'styled-components';
import { messageOf, type Paper } from '../api/client';
import { useChangeAccount, usePapers, useUsualPaper, useWords } from '../api/queries';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { notify } from '../ui/Notices';
import { Row } from '../ui/Page';
import { Loading, Problem } from '../ui/States';
import { space } from '../ui/theme';
import { PaperSheet } from './PaperSheet';
import { useRemovePaper, useRestorePaper } from './studioQueries';

const List = styled.ul`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(300px, 100%), 1fr));
    gap: ${space.m};
    margin: ${space.m} 0;
    & > li {
        display: grid;
        grid-template-columns: 88px minmax(0, 1fr) auto;
        gap: ${space.m};
        align-items: center;
        padding: ${space.s};
        background: ${({ theme }) => theme.panel};
    }
`;

const Colour = styled.span`
    display: block;
    height: 56px;
    outline: 6px solid ${({ theme }) => theme.surround};
    outline-offset: -6px;
    border: 6px solid transparent;
    background-clip: padding-box;
`;

const Buttons = styled.span`
    display: grid;
    gap: ${space.xs};
`;

/** The papers there are, own ones among them, and which of them new pieces are drawn on. */
export function Papers() {
    const papers = usePapers();
    const words = useWords();
    const usual = useUsualPaper();
    const change = useChangeAccount();
    const remove = useRemovePaper();
    const restore = useRestorePaper();
    const [open, setOpen] = useState<Paper | 'new' | null>(null);
    if (!papers.data || !words.data)
        return papers.isError ? (
            <Problem message={messageOf(papers.error)} retry={() => void papers.refetch()} />
        ) : (
            <Loading what="Fetching the papers" />
        );
    const kinds = new Map(words.data.kinds.map((kind) => [kind.id, kind.name]));

    return (
        <>
            <Row>
                <Choice
                    label="Paper of new pieces"
                    value={usual}
                    options={papers.data.map(({ id, name }) => ({ id, name }))}
                    onChange={(paper) => change.mutate({ paper }, { onError: (error) => notify(messageOf(error)) })}
                />
                <Button onPress={() => setOpen('new')}>A paper of my own</Button>
            </Row>
            <List aria-label="Papers">
                {papers.data.map((paper) => (
                    <li key={paper.id}>
                        <Colour style={{ backgroundColor: paper.colour.hex }} aria-hidden />
                        <span>
                            <b>{paper.name}</b>
                            <br />
                            <small>
                                {kinds.get(paper.kind)}
                                {paper.toned && `, toned, step ${paper.colour.appearance.valueStep} of 9`}
                                {paper.widthMm !== null &&
                                    paper.heightMm !== null &&
                                    `, ${paper.widthMm} × ${paper.heightMm} mm`}
                            </small>
                        </span>
                        {paper.own && (
                            <Buttons>
                                <Button aria-label={`Change ${paper.name}`} onPress={() => setOpen(paper)}>
                                    Change
                                </Button>
                                <Button
                                    aria-label={`Remove ${paper.name}`}
                                    onPress={() =>
                                        remove.mutate(paper.id, {
                                            onSuccess: () =>
                                                notify(`${paper.name} removed`, () => restore.mutate(paper.id)),
                                            onError: (error) => notify(messageOf(error)),
                                        })
                                    }
                                >
                                    Remove
                                </Button>
                            </Buttons>
                        )}
                    </li>
                ))}
            </List>
            {open !== null && (
                <PaperSheet
                    paper={open === 'new' ? null : open}
                    onClose={() => setOpen(null)}
                    onWritten={(paper) => {
                        notify(`${paper.name} is among your papers`);
                        setOpen(null);
                    }}
                />
            )}
        </>
    );
}
