import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { messageOf, Refusal } from '../api/client';
import { Button, DownloadLink, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { notify } from '../ui/Notices';
import { Columns, Page, Row } from '../ui/Page';
import { BadRows, Problem } from '../ui/States';
import { Tick } from '../ui/Tick';
import { ColumnsAsked } from './ColumnsAsked';
import { FoundPencils } from './FoundPencils';
import { useImportPencils, usePencilList, usePreviewPencils, type PencilFile } from './pencilQueries';

/** Pencils in and out as files. */
export function FilesPage() {
    const [file, setFile] = useState<(PencilFile & { name: string }) | null>(null);
    const [scope, setScope] = useState('all');
    const list = usePencilList({ scope: 'box' });
    const preview = usePreviewPencils();
    const importing = useImportPencils();
    const look = (next: PencilFile & { name: string }) => {
        setFile(next);
        importing.reset();
        preview.mutate(next);
    };
    const refusal = preview.error ?? importing.error;
    const query = scope === 'all' ? '' : scope === 'box' ? '?scope=box' : `?range=${scope}`;

    return (
        <Page>
            <title>Import and export – Knotty Prism</title>
            <h1>Import and export</h1>
            <Columns>
                <section>
                    <h2>Import</h2>
                    <p>
                        A table (CSV) with the columns range, number, name, binder, and where known aliases, status,
                        replaced_by, opacity, lightfastness, core, stains and the colour of a heavy coat as R380 to
                        R730, L, a, b or hex. Or a GPL palette whose entries are called RANGE:NUMBER and a name. Columns
                        that are called otherwise are asked about.
                    </p>
                    <Row style={{ marginTop: 12 }}>
                        <FileTrigger
                            acceptedFileTypes={['.csv', '.gpl', '.txt', 'text/csv', 'text/plain']}
                            onSelect={(files) => {
                                const chosen = files?.[0];
                                if (chosen)
                                    void chosen.text().then((text) =>
                                        look({
                                            text,
                                            name: chosen.name,
                                            binder: file?.binder ?? 'wax',
                                            intoBox: file?.intoBox ?? false,
                                        }),
                                    );
                            }}
                        >
                            <Button>{file ? 'Choose another file' : 'Choose a file'}</Button>
                        </FileTrigger>
                        <Choice
                            label="Binder, where none is told"
                            value={file?.binder ?? 'wax'}
                            options={[
                                { id: 'wax', name: 'wax' },
                                { id: 'oil', name: 'oil' },
                            ]}
                            onChange={(binder) => file && look({ ...file, binder })}
                        />
                        <Tick
                            isSelected={file?.intoBox ?? false}
                            isDisabled={!file}
                            onChange={(intoBox) => file && setFile({ ...file, intoBox })}
                        >
                            Into my box too
                        </Tick>
                    </Row>
                </section>
                <section>
                    <h2>Export</h2>
                    <Row>
                        <Choice
                            label="Which"
                            value={scope}
                            options={[
                                { id: 'all', name: 'all pencils' },
                                { id: 'box', name: 'my box' },
                                ...(list.data?.ranges ?? []).map((range) => ({
                                    id: range.code,
                                    name: `${range.code} ${range.name}`,
                                })),
                            ]}
                            onChange={setScope}
                        />
                        <DownloadLink href={`/api/pencils.csv${query}`} download>
                            Table (CSV)
                        </DownloadLink>
                        <DownloadLink href={`/api/pencils.gpl${query}`} download>
                            Palette (GPL)
                        </DownloadLink>
                    </Row>
                </section>
            </Columns>
            {refusal instanceof Refusal && refusal.rows.length > 0 ? (
                <BadRows message={refusal.message} rows={refusal.rows} what="Row" />
            ) : (
                refusal && <Problem message={messageOf(refusal)} />
            )}
            {preview.data &&
                file &&
                !importing.isSuccess &&
                (preview.data.missing.length > 0 || preview.data.columns.some(({ means }) => means === null)) && (
                    <ColumnsAsked
                        key={file.name + preview.data.missing.join()}
                        columns={preview.data.columns}
                        missing={preview.data.missing}
                        rangeOfAll={file.rangeOfAll ?? ''}
                        onSaid={(columns, rangeOfAll) =>
                            look({ ...file, columns, ...(rangeOfAll !== '' && { rangeOfAll }) })
                        }
                    />
                )}
            {preview.data && file && !importing.isSuccess && preview.data.missing.length === 0 && (
                <section aria-label="Preview">
                    <h2>
                        {file.name}: {preview.data.new} new, {preview.data.changed} changed, {preview.data.unchanged} as
                        they are
                    </h2>
                    <StrongButton
                        isDisabled={importing.isPending || preview.data.new + preview.data.changed === 0}
                        onPress={() =>
                            importing.mutate(file, {
                                onSuccess: ({ written }) => notify(`${written} pencils taken in`),
                            })
                        }
                    >
                        Take in {preview.data.new + preview.data.changed} pencils
                    </StrongButton>
                    {preview.data.columns.length > 0 &&
                        !preview.data.columns.some(({ means }) => means === 'binder') && (
                            <p>No column tells wax or oil: all are taken as {file.binder}. Choose above.</p>
                        )}
                    <FoundPencils rows={preview.data.rows} first="Row" />
                </section>
            )}
            {importing.data && <p role="status">{importing.data.written} pencils were taken in.</p>}
        </Page>
    );
}
