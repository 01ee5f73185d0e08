import { useState } from 'react';
import styled from 'styled-components';
import { messageOf, type Pencil } from '../api/client';
import { useChangeBox, usePencils } from '../api/queries';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { notify } from '../ui/Notices';
import { Loading, Problem } from '../ui/States';
import { spoken } from '../ui/Swatch';
import { Tick } from '../ui/Tick';
import { radius, space, type } from '../ui/theme';

const Page = styled.main`
    height: 100%;
    overflow-y: auto;
    padding: ${space.l} ${space.xl};
    & h1 {
        font-size: ${type.title};
    }
    & h2 {
        margin: ${space.l} 0 ${space.s};
        font-size: ${type.lead};
    }
    & h2 small {
        font-weight: 440;
        color: ${({ theme }) => theme.quiet};
    }
`;

const Bar = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: ${space.m};
    margin-top: ${space.m};
`;

const Grid = styled.ul`
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(124px, 1fr));
    gap: ${space.s};
`;

const Item = styled.button`
    display: grid;
    grid-template-rows: 64px auto;
    width: 100%;
    padding: 0;
    border: 0;
    border-radius: ${radius};
    background: ${({ theme }) => theme.panel};
    text-align: start;
    cursor: pointer;
    overflow: hidden;
    & > div {
        display: grid;
        grid-template-columns: 1fr auto;
        padding: ${space.s};
    }
    & b {
        font-size: 22px;
        line-height: 1.1;
    }
    & small {
        grid-column: 1 / -1;
        font-size: 11px;
        color: ${({ theme }) => theme.quiet};
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
    }
    & i {
        font-style: normal;
        font-weight: 800;
        width: 20px;
        height: 20px;
        border: 1.5px solid ${({ theme }) => theme.ink};
        display: grid;
        place-items: center;
        line-height: 1;
    }
`;

function PencilItem({ pencil, onToggle }: { pencil: Pencil; onToggle: () => void }) {
    return (
        <li>
            <Item
                type="button"
                aria-pressed={pencil.owned}
                aria-label={`${pencil.range} ${pencil.number} ${pencil.name}, ${spoken(pencil.colour)}`}
                onClick={onToggle}
            >
                <span style={{ background: pencil.colour.hex }} aria-hidden />
                <div>
                    <b>{pencil.number}</b>
                    <i aria-hidden>{pencil.owned ? '✓' : ''}</i>
                    <small title={pencil.name}>{pencil.name}</small>
                    <small title={pencil.colour.appearance.sentence}>{pencil.colour.appearance.family}</small>
                </div>
            </Item>
        </li>
    );
}

/** Every pencil by number; a tick for those in the box. */
export function PencilsPage() {
    const pencils = usePencils();
    const box = useChangeBox();
    const [query, setQuery] = useState('');
    const [ownedOnly, setOwnedOnly] = useState(false);

    if (pencils.isError) return <Problem message={messageOf(pencils.error)} retry={() => void pencils.refetch()} />;
    if (!pencils.data) return <Loading what="Fetching pencils" />;
    const all = pencils.data;
    const owned = all.filter((pencil) => pencil.owned);
    const wanted = query.trim().toLowerCase();
    const shown = all.filter(
        (pencil) =>
            (!ownedOnly || pencil.owned) &&
            [pencil.number, pencil.name, pencil.range, ...pencil.aliases, pencil.colour.appearance.family].some(
                (text) => text.toLowerCase().includes(wanted),
            ),
    );
    const ranges = [...new Set(all.map((pencil) => pencil.range))];
    const change = (body: { add?: string[]; remove?: string[] }, said: string) =>
        box.mutate(body, {
            onSuccess: () => notify(said, () => box.mutate({ add: body.remove ?? [], remove: body.add ?? [] })),
            onError: (error) => notify(messageOf(error)),
        });

    return (
        <Page>
            <title>Pencils – Knotty Prism</title>
            <h1>
                {owned.length === 0
                    ? 'Your box is empty'
                    : `${owned.length} ${owned.length === 1 ? 'pencil' : 'pencils'} in your box`}
            </h1>
            <Bar>
                <div style={{ width: 300 }}>
                    <Field label="Find by number, name, old name or family" value={query} onChange={setQuery} />
                </div>
                <Tick isSelected={ownedOnly} onChange={setOwnedOnly}>
                    Only my box
                </Tick>
            </Bar>
            {owned.length === 0 && (
                <p style={{ marginTop: 12 }}>Tick the pencils you own. Recipes are made from these.</p>
            )}
            {shown.length === 0 && (
                <p style={{ marginTop: 20 }}>No pencil answers to that. Try its number, or part of its name.</p>
            )}
            {ranges.map((range) => {
                const group = shown.filter((pencil) => pencil.range === range);
                const missing = group.filter((pencil) => !pencil.owned).map((pencil) => pencil.id);
                const first = group[0];
                if (!first) return null;

                return (
                    <section key={range} aria-label={first.rangeName}>
                        <Bar style={{ alignItems: 'center' }}>
                            <h2 style={{ flex: 1, margin: '12px 0' }}>
                                {range} {first.rangeName}{' '}
                                <small>
                                    {first.binder}, {group.length - missing.length} of {group.length} in your box
                                </small>
                            </h2>
                            <Button
                                isDisabled={missing.length === 0}
                                onPress={() => change({ add: missing }, `${missing.length} put in the box`)}
                            >
                                Put all in the box
                            </Button>
                        </Bar>
                        <Grid>
                            {group.map((pencil) => (
                                <PencilItem
                                    key={pencil.id}
                                    pencil={pencil}
                                    onToggle={() =>
                                        pencil.owned
                                            ? change({ remove: [pencil.id] }, `${pencil.number} taken out of the box`)
                                            : change({ add: [pencil.id] }, `${pencil.number} put in the box`)
                                    }
                                />
                            ))}
                        </Grid>
                    </section>
                );
            })}
        </Page>
    );
}
