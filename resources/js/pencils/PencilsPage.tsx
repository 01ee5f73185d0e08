import { useDeferredValue, useState } from 'react';
import { Button as AriaButton, GridLayout, GridList, GridListItem, Size, Virtualizer } from 'react-aria-components';
import { Link, useNavigate } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Pencil } from '../api/client';
import { useChangeBox } from '../api/queries';
import { Button } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { FilterField } from '../ui/FilterField';
import { notify } from '../ui/Notices';
import { Row } from '../ui/Page';
import { Loading, Problem } from '../ui/States';
import { Tick } from '../ui/Tick';
import { useFilters } from '../ui/useFilters';
import { space, type } from '../ui/theme';
import { PencilSheet } from './PencilSheet';
import { usePencilList, type PencilFilters } from './pencilQueries';
import { Sign } from '../ui/Sign';

const MOST_AT_ONCE = 500;
const HUES = ['red', 'orange', 'yellow', 'green', 'blue', 'violet'];

const Page = styled.main`
    display: grid;
    grid-template-rows: auto auto minmax(0, 1fr);
    gap: ${space.m};
    height: 100%;
    padding: ${space.m} ${space.xl} 0;
    & h1 {
        flex: 1;
        font-size: ${type.title};
        align-self: center;
    }
`;

const Grid = styled(GridList)`
    height: 100%;
    position: relative;
    overflow-y: auto;
    outline: none;
    padding: 0;
` as typeof GridList;

const Item = styled(GridListItem)`
    height: 100%;
    cursor: pointer;
    outline: none;
    &[data-focus-visible] {
        outline: 3px solid ${({ theme }) => theme.ink};
        outline-offset: -3px;
    }
` as typeof GridListItem;

const Card = styled.div`
    display: grid;
    grid-template-rows: 54px auto;
    height: 122px;
    width: 100%;
    background: ${({ theme }) => theme.panel};
    overflow: hidden;
    & > span {
        forced-color-adjust: none;
    }
    & > div {
        position: relative;
        min-width: 0;
        padding: 4px 6px;
    }
    & b {
        font-size: ${type.lead};
        line-height: 1.15;
        font-variant-numeric: tabular-nums;
    }
    & small {
        display: block;
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
    }
`;

const Own = styled(AriaButton)`
    position: absolute;
    top: 4px;
    right: 4px;
    width: 24px;
    height: 24px;
    padding: 0;
    border: 1.5px solid ${({ theme }) => theme.ink};
    background: ${({ theme }) => theme.raised};
    font-weight: 800;
    line-height: 1;
    cursor: pointer;
    &[data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
        outline-offset: 2px;
    }
`;

const described = (pencil: Pencil) =>
    [
        `${pencil.range} ${pencil.number} ${pencil.name}`,
        pencil.family ?? 'no colour yet',
        pencil.lean && `leans ${pencil.lean}`,
        pencil.valueStep && `step ${pencil.valueStep}`,
        pencil.status !== 'current' && pencil.status,
        pencil.owned && 'in your box',
    ]
        .filter(Boolean)
        .join(', ');

const layout = {
    minItemSize: new Size(104, 130),
    maxItemSize: new Size(150, 130),
    minSpace: new Size(0, 8),
};

/** How the pencils lie: the address names what is not the rule. */
const LAYOUTS = [
    { id: '', order: 'roll', name: 'by hue' },
    { id: 'value', order: 'value', name: 'by hue, light to dark' },
    { id: 'walk', order: 'walk', name: 'by smallest steps' },
    { id: 'number', order: 'number', name: 'by number' },
] as const;

/** Every pencil, by number or laid out as a roll; a tick for those in the box. */
export function PencilsPage() {
    const { of, choose } = useFilters();
    const [adding, setAdding] = useState(false);
    const navigate = useNavigate();
    const box = useChangeBox();
    const laidOut = LAYOUTS.find(({ id }) => id === of('order')) ?? LAYOUTS[0];
    const filters: PencilFilters = {
        scope: of('box') ? 'box' : 'all',
        order: laidOut.order,
        ...(of('q') && { q: of('q'), order: 'number' }),
        ...(of('near') && { near: of('near') }),
        ...(of('range') && { range: of('range') }),
        ...(of('family') && { family: of('family') }),
        ...(of('lean') && { lean: of('lean') }),
        ...(of('binder') && { binder: of('binder') }),
        ...(of('value') && { value: Number(of('value')) }),
    };
    const list = usePencilList(useDeferredValue(filters));
    const data = list.data;
    if (!data) return list.isError ? <Problem message={messageOf(list.error)} /> : <Loading what="Fetching pencils" />;

    const change = (body: { add?: string[]; remove?: string[] }, said: string) =>
        box.mutate(body, {
            onSuccess: () => notify(said, () => box.mutate({ add: body.remove ?? [], remove: body.add ?? [] })),
            onError: (error) => notify(messageOf(error)),
        });
    const missing = data.pencils.filter((pencil) => !pencil.owned).map((pencil) => pencil.id);
    const any = { id: '', name: 'Any' };

    return (
        <Page>
            <title>Pencils – Knotty Prism</title>
            <Row>
                <h1>
                    {data.owned === 0
                        ? 'Your box is empty: tick the pencils you own'
                        : `${data.owned} ${data.owned === 1 ? 'pencil' : 'pencils'} in your box`}
                    {data.pencils.length !== data.total && <small> · {data.pencils.length} shown</small>}
                </h1>
                {data.owned === 0 && <Link to="/pencils/numbers">Type their numbers</Link>}
                <Button onPress={() => setAdding(true)}>New pencil</Button>
                <Button
                    isDisabled={missing.length === 0 || missing.length > MOST_AT_ONCE}
                    onPress={() => change({ add: missing }, `${missing.length} put in the box`)}
                >
                    Put all shown in the box
                </Button>
            </Row>
            <Row role="search" aria-label="Find pencils">
                <div style={{ width: 210 }}>
                    <FilterField
                        label="Number, name, old name, family"
                        value={of('q')}
                        onChange={(q) => choose('q', q)}
                    />
                </div>
                <div style={{ width: 170 }}>
                    <FilterField
                        label="Nearest to a colour"
                        value={of('near')}
                        problem={list.isError ? messageOf(list.error) : undefined}
                        onChange={(near) => choose('near', near)}
                    />
                </div>
                <Choice
                    label="Range"
                    value={of('range')}
                    options={[
                        any,
                        ...data.ranges.map((range) => ({ id: range.code, name: `${range.code} ${range.name}` })),
                    ]}
                    onChange={(range) => choose('range', range)}
                />
                <Choice
                    label="Family"
                    value={of('family')}
                    options={[any, ...data.families.map((family) => ({ id: family, name: family }))]}
                    onChange={(family) => choose('family', family)}
                />
                <Choice
                    label="Leans"
                    value={of('lean')}
                    options={[any, ...HUES.map((hue) => ({ id: hue, name: hue }))]}
                    onChange={(lean) => choose('lean', lean)}
                />
                <Choice
                    label="Value"
                    value={of('value')}
                    options={[any, ...Array.from({ length: 9 }, (_, i) => ({ id: `${9 - i}`, name: `step ${9 - i}` }))]}
                    onChange={(value) => choose('value', value)}
                />
                <Choice
                    label="Binder"
                    value={of('binder')}
                    options={[any, { id: 'wax', name: 'wax' }, { id: 'oil', name: 'oil' }]}
                    onChange={(binder) => choose('binder', binder)}
                />
                <Choice
                    label="Laid out"
                    value={laidOut.id}
                    options={LAYOUTS}
                    onChange={(order) => choose('order', order)}
                />
                <Tick isSelected={of('box') !== ''} onChange={(only) => choose('box', only ? '1' : '')}>
                    Only my box
                </Tick>
            </Row>
            {data.pencils.length === 0 ? (
                <p>No pencil answers to that. Try its number, or part of its name.</p>
            ) : (
                <Virtualizer layout={GridLayout} layoutOptions={layout}>
                    <Grid
                        aria-label="Pencils"
                        layout="grid"
                        items={data.pencils}
                        dependencies={[data]}
                        onAction={(key) => void navigate(`/pencils/${key}`)}
                    >
                        {(pencil) => (
                            <Item id={pencil.id} textValue={described(pencil)}>
                                <Card>
                                    <span style={{ background: pencil.hex ?? undefined }} aria-hidden />
                                    <div>
                                        <b>{pencil.number}</b>
                                        <small title={pencil.name}>
                                            {pencil.favourite && (
                                                <span role="img" aria-label="favourite">
                                                    <Sign of="favourite" />{' '}
                                                </span>
                                            )}
                                            {(pencil.status === 'discontinued' || pencil.status === 'replaced') && (
                                                <>
                                                    <Sign of="gone" />{' '}
                                                </>
                                            )}
                                            {pencil.name || pencil.range}
                                        </small>
                                        <small title={pencil.misses ?? pencil.foundBy ?? pencil.family ?? undefined}>
                                            {pencil.distance === null
                                                ? (pencil.foundBy ?? pencil.family ?? 'no colour yet')
                                                : (pencil.misses ?? pencil.distance.toFixed(1))}
                                        </small>
                                        <Own
                                            aria-label={`${pencil.number} in my box`}
                                            aria-pressed={pencil.owned}
                                            onPress={() =>
                                                pencil.owned
                                                    ? change(
                                                          { remove: [pencil.id] },
                                                          `${pencil.number} taken out of the box`,
                                                      )
                                                    : change({ add: [pencil.id] }, `${pencil.number} put in the box`)
                                            }
                                        >
                                            {pencil.owned && <Sign of="done" />}
                                        </Own>
                                    </div>
                                </Card>
                            </Item>
                        )}
                    </Grid>
                </Virtualizer>
            )}
            {adding && <PencilSheet onClose={() => setAdding(false)} onWritten={() => setAdding(false)} />}
        </Page>
    );
}
