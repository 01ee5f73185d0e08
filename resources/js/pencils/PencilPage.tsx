import { useState } from 'react';
import { useQueryState } from 'nuqs';
import { Link, useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { messageOf, type PencilPage as PageData } from '../api/client';
import { useChangeBox, usePaperName, usePapers } from '../api/queries';
import { SOURCES } from '../swatches/swatchQueries';
import { Button } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { Choice } from '../ui/Choice';
import { GrainSwatch } from '../ui/GrainSwatch';
import { HueRing } from '../ui/HueRing';
import { Ladder } from '../ui/Ladder';
import { calledOut } from '../ui/notation';
import { notify } from '../ui/Notices';
import { Columns, Facts, Page, Row, Table } from '../ui/Page';
import { PencilTag } from '../ui/PencilTag';
import { pressureText } from '../ui/Pressure';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Loading, Problem } from '../ui/States';
import { spoken, Swatch } from '../ui/Swatch';
import { Tick } from '../ui/Tick';
import { Quantity } from '../ui/Quantity';
import { ToothRings } from '../ui/ToothRings';
import { space, type } from '../ui/theme';
import { PencilSheet } from './PencilSheet';
import { useAddPencil, useNoteInBox, usePencilPage, useRemovePencil } from './pencilQueries';

const Head = styled.header`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.m};
    margin-bottom: ${space.m};
    & h1 {
        flex: 1;
        font-size: ${type.title};
    }
    & h1 b {
        font-size: ${type.far};
        line-height: 1;
        margin-right: 10px;
        font-variant-numeric: tabular-nums;
    }
`;

const Strengths = styled.div`
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    & figcaption {
        padding: ${space.s} ${space.s} 0 0;
    }
`;

const laidAs = (stack: string) => {
    const [, percent = '', passes = '1'] = /@(\d+)(?:x(\d))?/.exec(stack) ?? [];

    return pressureText(Number(percent), Number(passes));
};

function PaperStrengths({ page }: { page: PageData }) {
    if (page.strengths.length === 0) {
        return <p>No colour is known of it yet. Give it one, or swatch it and calibrate.</p>;
    }

    return (
        <Strengths>
            {page.strengths.map((strength) => (
                <figure key={strength.strength}>
                    <GrainSwatch
                        section={strength.section}
                        label={`${strength.strength}: ${spoken(strength.colour)}`}
                        height="150px"
                    />
                    <figcaption>
                        <strong>{laidAs(strength.stack)}</strong>
                        <br />
                        <small>
                            step {strength.colour.appearance.valuePosition.toFixed(1)}, L {strength.colour.L.toFixed(0)}{' '}
                            ± {strength.sigma.toFixed(1)} dE00
                        </small>
                        <br />
                        <small style={{ display: 'inline-flex', alignItems: 'center', gap: 4 }}>
                            <ToothRings left={strength.toothLeft} />
                        </small>
                    </figcaption>
                </figure>
            ))}
        </Strengths>
    );
}

/** One pencil: how it looks, what it is, where it is used, what goes with it, how well it is known. */
export function PencilPage() {
    const { pencil: id = '' } = useParams();
    const [onPaper, choosePaper] = useQueryState('paper');
    const [editing, setEditing] = useState(false);
    const navigate = useNavigate();
    const found = usePencilPage(id, onPaper ?? undefined);
    const papers = usePapers();
    const box = useChangeBox();
    const note = useNoteInBox(id);
    const paperName = usePaperName();
    const remove = useRemovePencil();
    const add = useAddPencil();
    if (found.isError) return <Problem message={messageOf(found.error)} retry={() => void found.refetch()} />;
    if (!found.data) return <Loading what="Fetching the pencil" />;
    const page = found.data;
    const { pencil } = page;
    const takeAway = () =>
        remove.mutate(id, {
            onError: (error) => notify(messageOf(error)),
            onSuccess: () => {
                void navigate('/pencils');
                notify(`${pencil.number} taken out of the range`, () =>
                    add.mutate({
                        range: pencil.range,
                        number: pencil.number,
                        name: pencil.name,
                        aliases: pencil.aliases,
                        binder: pencil.binder,
                        opacity: page.opacity,
                        core: page.core,
                        stains: page.stains,
                        lightfastness: page.lightfastness,
                        status: pencil.status,
                        replacedBy: pencil.replacedBy,
                        colour: page.colour && [page.colour.L, page.colour.a, page.colour.b].join(' '),
                    }),
                );
            },
        });

    return (
        <Page>
            <title>{`${pencil.number} ${pencil.name} – Knotty Prism`}</title>
            <Head>
                <h1>
                    <b>{pencil.number}</b>
                    {pencil.name}{' '}
                    <small>
                        {page.maker} {page.rangeName} ({pencil.range})
                    </small>
                </h1>
                <Tick
                    isSelected={pencil.owned}
                    onChange={(own) =>
                        box.mutate(own ? { add: [id] } : { remove: [id] }, {
                            onError: (error) => notify(messageOf(error)),
                        })
                    }
                >
                    In my box
                </Tick>
                {page.own && <Button onPress={() => setEditing(true)}>Change</Button>}
                {page.own && <Button onPress={takeAway}>Take away</Button>}
                <Choice
                    label="Paper"
                    value={page.paper.id}
                    options={(papers.data ?? [page.paper]).map(({ id: paper, name }) => ({ id: paper, name }))}
                    onChange={(paper) => void choosePaper(paper)}
                />
            </Head>
            <Columns>
                <section aria-label="On paper">
                    <PaperStrengths page={page} />
                    <RestsOnLine calibration={page.calibration} />
                </section>
                <section
                    aria-label="What it is"
                    style={{ display: 'grid', gridTemplateColumns: '1fr auto auto', gap: 16 }}
                >
                    <Facts>
                        <dt>Colour</dt>
                        <dd>{page.colour ? page.colour.appearance.sentence : 'not known'}</dd>
                        <dt>Warm or cool</dt>
                        <dd>{page.colour?.appearance.temperature ?? '–'}</dd>
                        <dt>L a b</dt>
                        <dd>
                            {page.colour
                                ? `${page.colour.L.toFixed(1)}  ${page.colour.a.toFixed(1)}  ${page.colour.b.toFixed(1)}`
                                : '–'}{' '}
                            <small>{page.measured === 'spectrum' ? 'from a spectrum' : ''}</small>
                        </dd>
                        <dt>Binder</dt>
                        <dd>{pencil.binder}</dd>
                        <dt>Opacity</dt>
                        <dd>{page.opacity}</dd>
                        <dt>Core</dt>
                        <dd>
                            {page.core ?? 'not known'}
                            {page.stains && ', stains when erased'}
                        </dd>
                        <dt>Lightfastness</dt>
                        <dd>{page.lightfastness ?? 'not known'}</dd>
                        <dt>Former names</dt>
                        <dd>{pencil.aliases.length > 0 ? pencil.aliases.join(', ') : 'none'}</dd>
                        <dt>Status</dt>
                        <dd>
                            {pencil.status}
                            {pencil.replacedBy && (
                                <>
                                    {', replaced by '}
                                    <Link to={`/pencils/${pencil.replacedBy}`}>{pencil.replacedBy}</Link>
                                </>
                            )}
                            {(pencil.status === 'discontinued' || pencil.status === 'replaced' || !pencil.owned) && (
                                <>
                                    {' · '}
                                    <Link to={`/pencils/instead?text=${pencil.id}`}>What to take instead</Link>
                                </>
                            )}
                        </dd>
                    </Facts>
                    {page.colour && (
                        <div style={{ width: 130 }}>
                            <HueRing colour={page.colour} size={130} />
                        </div>
                    )}
                    {page.colour && (
                        <Ladder
                            height={130}
                            marks={[{ position: page.colour.appearance.valuePosition, label: 'Heavy coat' }]}
                        />
                    )}
                </section>
            </Columns>
            {pencil.owned && (
                <Row
                    key={`${page.lengthMm}-${page.spare}`}
                    role="group"
                    aria-label="In my box"
                    style={{ marginTop: 16 }}
                >
                    <Tick isSelected={pencil.favourite} onChange={(favourite) => note.mutate({ favourite })}>
                        Favourite
                    </Tick>
                    <div style={{ width: 130 }}>
                        <Quantity
                            label="Stub"
                            unit="millimeter"
                            value={page.lengthMm}
                            onChange={(lengthMm) => note.mutate({ lengthMm })}
                        />
                    </div>
                    <div style={{ width: 130 }}>
                        <Quantity
                            label="Spare ones"
                            value={page.spare}
                            onChange={(spare) => note.mutate({ spare: spare ?? 0 })}
                        />
                    </div>
                    {page.usedMm >= 1 && (
                        <p>
                            By the log about {Math.round(page.usedMm)} mm of it are drawn and sharpened away
                            {page.leftMm !== null && `; about ${page.leftMm} mm are left`}.
                        </p>
                    )}
                    {note.isError && <p role="alert">! {messageOf(note.error)}</p>}
                </Row>
            )}
            <Columns>
                <section>
                    <h2>
                        Mixes well with <small>pencils of your box, by new colours</small>
                    </h2>
                    {page.partners.length === 0 && <p>Put pencils in your box to see.</p>}
                    <Table>
                        <tbody>
                            {page.partners.map((partner) => (
                                <tr key={partner.stack}>
                                    <td>
                                        <PencilTag pencil={partner.pencil} />
                                    </td>
                                    <td className="number">{partner.gained}</td>
                                    <td>
                                        <Swatch
                                            colour={partner.colour}
                                            label={calledOut(partner.stack)}
                                            width="52px"
                                            height="28px"
                                        />
                                    </td>
                                    <td>
                                        <CalledOut stack={partner.stack} />
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </Table>
                </section>
                <section>
                    <h2>Used in</h2>
                    {page.usedIn.length === 0 && <p>No recipe of yours has it.</p>}
                    <ul>
                        {page.usedIn.map((use) => (
                            <li key={use.target}>
                                <Link to={`/pieces/${use.piece}/match?zone=${use.zone}&target=${use.target}`}>
                                    {use.title}: {use.name}
                                </Link>{' '}
                                <CalledOut stack={use.stack} />
                            </li>
                        ))}
                    </ul>
                    <h2>
                        How well it is known{' '}
                        <small>
                            {page.swatchCount} {page.swatchCount === 1 ? 'swatch' : 'swatches'} in your book
                        </small>
                    </h2>
                    {page.error ? (
                        <p>
                            Its {page.error.swatches} swatches miss by dE00{' '}
                            <strong>{page.error.after.toFixed(2)}</strong> on average; before calibration by{' '}
                            {page.error.before.toFixed(2)}.
                        </p>
                    ) : (
                        <p>It has not been calibrated: its colour is taken from its table.</p>
                    )}
                    <Table>
                        <tbody>
                            {page.swatches.map((swatch) => (
                                <tr key={swatch.id}>
                                    <td>
                                        <Swatch
                                            colour={swatch.colour}
                                            label={calledOut(swatch.stack)}
                                            width="44px"
                                            height="24px"
                                        />
                                    </td>
                                    <td>
                                        <CalledOut stack={swatch.stack} />
                                    </td>
                                    <td>
                                        <small>
                                            {paperName(swatch.paper)}, {SOURCES[swatch.source]}
                                        </small>
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </Table>
                    {page.swatchCount > 0 && (
                        <Link to={`/swatches?pencil=${pencil.id}`}>All swatches with {pencil.number}</Link>
                    )}
                </section>
            </Columns>
            {editing && (
                <PencilSheet page={page} onClose={() => setEditing(false)} onWritten={() => setEditing(false)} />
            )}
        </Page>
    );
}
