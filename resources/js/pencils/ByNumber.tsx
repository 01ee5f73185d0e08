import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, Refusal } from '../api/client';
import { Button, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { LinesField } from '../ui/LinesField';
import { Row } from '../ui/Page';
import { BadRows, Loading, Problem } from '../ui/States';
import { counted } from '../ui/words';
import { FoundPencils } from './FoundPencils';
import { useImportPencils, usePencilList, usePreviewPencils } from './pencilQueries';

const Numbers = styled.div`
    max-width: 640px;
    margin-top: 12px;
`;

/** A range that is not among those there are. */
const OTHER = '';

interface Props {
    /** They are in the box, in the order in which they were typed; so many of them have no colour yet. */
    onIn?: (colourless: number, ids: string[]) => void;
    /** Where their numbers stand. */
    on?: string;
}

/** The pencils one owns, by the numbers on their barrels. */
export function ByNumber({ onIn, on = 'the barrels' }: Props) {
    const list = usePencilList({ scope: 'box' });
    const [chosen, setChosen] = useState<string | null>(null);
    const [code, setCode] = useState('');
    const [binder, setBinder] = useState<'wax' | 'oil'>('wax');
    const [text, setText] = useState('');
    const preview = usePreviewPencils();
    const importing = useImportPencils();
    if (!list.data)
        return list.isError ? (
            <Problem message={messageOf(list.error)} retry={() => void list.refetch()} />
        ) : (
            <Loading what="Opening the ranges" />
        );
    const range = chosen ?? list.data.ranges[0]?.code ?? OTHER;
    const wish = { text, range: range === OTHER ? code.trim() : range, binder, intoBox: true };
    const refusal = preview.error ?? importing.error;
    const fields = refusal instanceof Refusal ? refusal.fields : {};
    const forget = () => {
        preview.reset();
        importing.reset();
    };
    const rows = preview.data?.rows ?? [];
    const colourless = rows.filter(({ hex }) => hex === null).length;

    return (
        <>
            <Row style={{ marginTop: 12 }}>
                <Choice
                    label="Range"
                    value={range}
                    options={[
                        ...list.data.ranges.map((one) => ({ id: one.code, name: `${one.code} ${one.name}` })),
                        { id: OTHER, name: 'another one, my own' },
                    ]}
                    onChange={(next) => {
                        setChosen(next);
                        forget();
                    }}
                />
                {range === OTHER && (
                    <>
                        <Field
                            label="Short code for it"
                            placeholder="HB"
                            value={code}
                            onChange={setCode}
                            problem={fields.range}
                        />
                        <Choice
                            label="Binder"
                            value={binder}
                            options={[
                                { id: 'wax', name: 'wax' },
                                { id: 'oil', name: 'oil' },
                            ]}
                            onChange={setBinder}
                        />
                    </>
                )}
            </Row>
            <Numbers>
                <LinesField
                    label={`Numbers, as they stand on ${on}`}
                    value={text}
                    placeholder={'101-124, 130 Rose, 133\n207'}
                    onChange={(next) => {
                        setText(next);
                        forget();
                    }}
                />
            </Numbers>
            <Row style={{ marginTop: 12 }}>
                <Button
                    isDisabled={text.trim() === '' || wish.range === '' || preview.isPending}
                    onPress={() => preview.mutate(wish)}
                >
                    Look them up
                </Button>
            </Row>
            {refusal instanceof Refusal && refusal.rows.length > 0 ? (
                <BadRows message={refusal.message} rows={refusal.rows} what="Line" />
            ) : (
                refusal && fields.range === undefined && <Problem message={messageOf(refusal)} />
            )}
            {importing.isSuccess ? (
                <p role="status">
                    {counted(rows.length, 'pencil')} in your box.{' '}
                    {colourless > 0 ? (
                        <>
                            {colourless === rows.length ? 'They have' : `${colourless} of them have`} no colour yet:{' '}
                            <Link to="/swatches/charts">print a swatch card</Link>, fill and photograph it.
                        </>
                    ) : (
                        <Link to="/pencils?box=1">See them laid out</Link>
                    )}
                </p>
            ) : (
                preview.data && (
                    <section aria-label="Found">
                        <Row style={{ marginTop: 12 }}>
                            <h2 style={{ flex: 1 }}>
                                {counted(rows.length, 'pencil')}
                                {colourless > 0 &&
                                    (colourless === rows.length
                                        ? ', none with a colour yet'
                                        : `, ${colourless} without a colour yet`)}
                            </h2>
                            <StrongButton
                                isDisabled={importing.isPending}
                                onPress={() =>
                                    importing.mutate(wish, {
                                        onSuccess: () =>
                                            onIn?.(
                                                colourless,
                                                rows.map(({ id }) => id),
                                            ),
                                    })
                                }
                            >
                                Put {rows.length === 1 ? 'it' : `all ${rows.length}`} into my box
                            </StrongButton>
                        </Row>
                        <FoundPencils rows={rows} first="Line" />
                    </section>
                )
            )}
        </>
    );
}
