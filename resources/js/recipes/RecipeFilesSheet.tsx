import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { messageOf, Refusal } from '../api/client';
import { Button, StrongButton } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { notify } from '../ui/Notices';
import { Table } from '../ui/Page';
import { Sheet } from '../ui/Sheet';
import { BadRows, Problem } from '../ui/States';
import { counted } from '../ui/words';
import { useImportRecipes, usePreviewRecipes } from './recipeQueries';

/** Recipes from a table, looked at before they are taken in. */
export function RecipeFilesSheet({ onClose }: { onClose: () => void }) {
    const [text, setText] = useState<string | null>(null);
    const preview = usePreviewRecipes();
    const take = useImportRecipes();
    const refusal = preview.error ?? take.error;
    const fresh = preview.data?.filter(({ known }) => known === null).length ?? 0;

    return (
        <Sheet title="Recipes from a file" isOpen onClose={onClose}>
            <p>
                A table (CSV) with the columns name, paper and steps, and where known purpose, tags with | between, and
                note: as it is exported here.
            </p>
            <FileTrigger
                acceptedFileTypes={['.csv', 'text/csv']}
                onSelect={(files) =>
                    void files?.[0]?.text().then((read) => {
                        setText(read);
                        take.reset();
                        preview.mutate(read);
                    })
                }
            >
                <Button>{text === null ? 'Choose a file' : 'Choose another file'}</Button>
            </FileTrigger>
            {refusal instanceof Refusal && refusal.rows.length > 0 ? (
                <BadRows message={refusal.message} rows={refusal.rows} what="Row" />
            ) : (
                refusal && <Problem message={messageOf(refusal)} />
            )}
            {preview.data && text !== null && (
                <>
                    <Table>
                        <tbody>
                            {preview.data.map((row) => (
                                <tr key={row.row}>
                                    <td>{row.name}</td>
                                    <td>
                                        <CalledOut stack={row.stack} />
                                    </td>
                                    <td>{row.known === null ? 'new' : `known as ${row.known}`}</td>
                                </tr>
                            ))}
                        </tbody>
                    </Table>
                    <StrongButton
                        isDisabled={fresh === 0 || take.isPending}
                        onPress={() =>
                            take.mutate(text, {
                                onSuccess: ({ written }) => {
                                    notify(`${counted(written, 'recipe')} taken in`);
                                    onClose();
                                },
                            })
                        }
                    >
                        Take in {counted(fresh, 'recipe')}
                    </StrongButton>
                </>
            )}
        </Sheet>
    );
}
