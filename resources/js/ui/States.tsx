import { useEffect, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { BadRow } from '../api/client';
import { Button } from './Button';
import { Table } from './Page';
import { space, type } from './theme';

const Box = styled.section`
    display: grid;
    gap: ${space.m};
    justify-items: start;
    align-content: start;
    padding: ${space.l};
    max-width: 54ch;
`;

const Title = styled.h1`
    font-size: ${type.title};
`;

interface EmptyProps {
    title: string;
    /** Of the heading: 1 where the page has no other. */
    level?: 1 | 2;
    children: ReactNode;
}

/** Nothing here yet: says what to do first. */
export function Empty({ title, level = 2, children }: EmptyProps) {
    return (
        <Box>
            <Title as={level === 1 ? 'h1' : 'h2'}>{title}</Title>
            {children}
        </Box>
    );
}

/** All there is of a page: what is not there, and a way out. */
export function Missing({ title, children }: Omit<EmptyProps, 'level'>) {
    return (
        <main>
            <title>{`${title} – Knotty Prism`}</title>
            <Empty title={title} level={1}>
                {children}
            </Empty>
        </main>
    );
}

const Waiting = styled.p`
    padding: ${space.l};
    color: ${({ theme }) => theme.quiet};
`;

/** Says that something is under way, but only once it has taken a noticeable time. */
export function Loading({ what }: { what: string }) {
    const [slow, setSlow] = useState(false);
    useEffect(() => {
        const timer = setTimeout(() => setSlow(true), 200);

        return () => clearTimeout(timer);
    }, []);

    return <Waiting role="status">{slow ? what : '\u00a0'}</Waiting>;
}

/** What went wrong, in a sentence, and the way to try again. */
export function Problem({ message, retry }: { message: string; retry?: () => void }) {
    return (
        <Box role="alert">
            <p>
                <strong>!</strong> {message}
            </p>
            {retry && <Button onPress={retry}>Try again</Button>}
        </Box>
    );
}

interface BadRowsProps {
    message: string;
    rows: BadRow[];
    what: string;
}

/** Every row of a file that cannot be taken, with what would be right. */
export function BadRows({ message, rows, what }: BadRowsProps) {
    return (
        <section role="alert" style={{ marginTop: 16 }}>
            <p>
                <strong>!</strong> {message}
            </p>
            <Table data-testid="bad-rows">
                <thead>
                    <tr>
                        <th>{what}</th>
                        <th>Column</th>
                        <th>It says</th>
                        <th>What would be right</th>
                    </tr>
                </thead>
                <tbody>
                    {rows.map((row, i) => (
                        <tr key={i}>
                            <td>{row.row}</td>
                            <td>{row.column}</td>
                            <td>{row.value}</td>
                            <td>{row.right}</td>
                        </tr>
                    ))}
                </tbody>
            </Table>
        </section>
    );
}
