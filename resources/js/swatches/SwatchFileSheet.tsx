import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { messageOf, Refusal, type Paper } from '../api/client';
import { Button, StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { Choice } from '../ui/Choice';
import { notify } from '../ui/Notices';
import { Row, Table } from '../ui/Page';
import { BadRows, Problem } from '../ui/States';
import { Sheet } from '../ui/Sheet';
import { useImportSwatches, usePreviewSwatches } from './swatchQueries';

const SHOWN = 8;

interface Props {
    papers: Paper[];
    onClose: () => void;
}

/** Swatches out of a file: looked at first, then taken in, all or nothing. */
export function SwatchFileSheet({ papers, onClose }: Props) {
    const [file, setFile] = useState<{ text: string; name: string } | null>(null);
    const [paper, setPaper] = useState('');
    const preview = usePreviewSwatches();
    const importing = useImportSwatches();
    const look = (next: { text: string; name: string }, on: string) => {
        setFile(next);
        setPaper(on);
        preview.mutate({ text: next.text, paper: on || null });
    };
    const refusal = preview.error ?? importing.error;

    return (
        <Sheet title="Swatches from a file" isOpen onClose={onClose}>
            <p>
                A table (CSV) with id, paper, steps and L, a, b or R380 to R730; or CGATS text from an instrument, its
                SAMPLE_NAME holding the stack.
            </p>
            <Row>
                <FileTrigger
                    acceptedFileTypes={['.csv', '.txt', '.cgats', '.ti3', 'text/csv', 'text/plain']}
                    onSelect={(files) => {
                        const chosen = files?.[0];
                        if (chosen) void chosen.text().then((text) => look({ text, name: chosen.name }, paper));
                    }}
                >
                    <Button>{file ? 'Choose another file' : 'Choose a file'}</Button>
                </FileTrigger>
                <Choice
                    label="Paper of all rows"
                    value={paper}
                    options={[{ id: '', name: 'as the file says' }, ...papers.map(({ id, name }) => ({ id, name }))]}
                    onChange={(on) => (file ? look(file, on) : setPaper(on))}
                />
            </Row>
            {refusal instanceof Refusal && refusal.rows.length > 0 ? (
                <BadRows message={refusal.message} rows={refusal.rows} what="Row" />
            ) : (
                refusal && <Problem message={messageOf(refusal)} />
            )}
            {preview.data && file && (
                <>
                    <Table>
                        <tbody>
                            {preview.data.rows.slice(0, SHOWN).map((row) => (
                                <tr key={row.row}>
                                    <td>
                                        <span
                                            style={{ display: 'block', width: 44, height: 22, background: row.hex }}
                                            aria-hidden
                                        />
                                    </td>
                                    <td>
                                        <CalledOut stack={row.stack} />
                                    </td>
                                    <td>{row.paper}</td>
                                    <td className="number">
                                        {row.L.toFixed(1)} {row.a.toFixed(1)} {row.b.toFixed(1)}
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </Table>
                    {preview.data.count > SHOWN && <p>and {preview.data.count - SHOWN} more</p>}
                    <StrongButton
                        isDisabled={importing.isPending}
                        onPress={() =>
                            importing.mutate(
                                { text: file.text, paper: paper || null },
                                {
                                    onSuccess: ({ written }) => {
                                        notify(`${written} swatches taken in`);
                                        onClose();
                                    },
                                },
                            )
                        }
                    >
                        Take in {preview.data.count} swatches
                    </StrongButton>
                </>
            )}
        </Sheet>
    );
}
