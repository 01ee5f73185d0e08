import { useState } from 'react';
import styled from 'styled-components';
import { useDebounce } from 'use-debounce';
import { messageOf, Refusal } from '../api/client';
import { Button, DownloadLink, LinkButton, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { FilterField } from '../ui/FilterField';
import { Page, Row } from '../ui/Page';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Segments } from '../ui/Segments';
import { Empty, Loading, Problem } from '../ui/States';
import { useFilters } from '../ui/useFilters';
import { counted } from '../ui/words';
import { FamilyLadders } from './FamilyLadders';
import { LadderSheet } from './LadderSheet';
import { RecipeEntry } from './RecipeEntry';
import { RecipeFilesSheet } from './RecipeFilesSheet';
import { useKeptRecipes } from './recipeQueries';

const List = styled.ul`
    margin-top: 12px;
`;

/** What is typed settles so long, milliseconds. */
const SETTLED = 250;

const PAGE = 60;

/** So many of those that are shown go on a chart: an address holds no more. */
const ON_A_CHART = 60;

const ANY = 'any';

const STEPS = [
    { id: ANY, name: 'any value' },
    ...Array.from({ length: 9 }, (_, i) => ({ id: String(9 - i), name: `step ${9 - i}` })),
];

const VIEWS = [
    { id: 'list', name: 'List' },
    { id: 'families', name: 'By family' },
] as const;

/** The artist's own book of recipes. */
export function RecipesPage() {
    const { of, choose } = useFilters();
    const [open, setOpen] = useState<'ladder' | 'file' | null>(null);
    const [most, setMost] = useState(PAGE);
    const [words] = useDebounce(of('words'), SETTLED);
    const [near] = useDebounce(of('near'), SETTLED);
    const view = of('view') === 'families' ? 'families' : 'list';
    const found = useKeptRecipes({
        ...(words !== '' && { words }),
        ...(near !== '' && { near }),
        ...(of('tag') !== '' && { tag: of('tag') }),
        ...(of('step') !== '' && { step: Number(of('step')) }),
        most: view === 'families' ? 500 : most,
    });
    const refused = found.error instanceof Refusal ? found.error.fields.near : undefined;
    const filtered = ['words', 'tag', 'step', 'near'].some((name) => of(name) !== '');
    const query = of('tag') === '' ? '' : `?tag=${encodeURIComponent(of('tag'))}`;
    const { recipes = [], count = 0, tags = [] } = found.data ?? {};
    const chart = [...new Set(recipes.map(({ stack }) => stack))].slice(0, ON_A_CHART).join('\n');

    return (
        <Page>
            <title>Recipes – Knotty Prism</title>
            <Row style={{ justifyContent: 'space-between' }}>
                <h1>{found.data && !filtered && count > 0 ? counted(count, 'recipe') : 'Recipes'}</h1>
                <Row>
                    <Button onPress={() => setOpen('ladder')}>Find a ladder</Button>
                    <Button onPress={() => setOpen('file')}>Take in a file</Button>
                    {count > 0 && (
                        <>
                            <DownloadLink href={`/api/recipes.csv${query}`} download>
                                Table (CSV)
                            </DownloadLink>
                            <DownloadLink href={`/api/recipes.gpl${query}`} download>
                                Palette (GPL)
                            </DownloadLink>
                            <DownloadLink href={`/api/recipes/cards.pdf${query}`} target="_blank" rel="noopener">
                                Cards (PDF)
                            </DownloadLink>
                            <LinkButton to={`/swatches/charts?text=${encodeURIComponent(chart)}`}>
                                Chart to draw
                            </LinkButton>
                        </>
                    )}
                </Row>
            </Row>
            <Row>
                <FilterField
                    label="Name, purpose, note, pencil"
                    value={of('words')}
                    onChange={(text) => choose('words', text)}
                    maxLength={100}
                />
                <FilterField
                    label="Nearest to: pencil, #hex, L a b"
                    value={of('near')}
                    onChange={(text) => choose('near', text)}
                    problem={refused}
                    maxLength={60}
                />
                <Choice
                    label="Tag"
                    value={of('tag') || ANY}
                    options={[
                        { id: ANY, name: 'any' },
                        ...tags.map(({ tag, count: times }) => ({ id: tag, name: `${tag} (${times})` })),
                    ]}
                    onChange={(tag) => choose('tag', tag === ANY ? '' : tag)}
                />
                <Choice
                    label="Value"
                    value={of('step') || ANY}
                    options={STEPS}
                    onChange={(step) => choose('step', step === ANY ? '' : step)}
                />
                <Segments
                    label="Shown as"
                    options={VIEWS}
                    value={view}
                    onChange={(shown) => choose('view', shown === 'list' ? '' : shown)}
                />
            </Row>
            {found.isPending && <Loading what="Opening your recipes" />}
            {found.isError && refused === undefined && (
                <Problem message={messageOf(found.error)} retry={() => void found.refetch()} />
            )}
            {found.data && count === 0 && !filtered && (
                <Empty title="No recipes yet">
                    <p>
                        What you choose in Match can be kept here by a name, found again, and laid in any other piece.
                        Or find a colour from pale to dark in your box.
                    </p>
                    <StrongButton onPress={() => setOpen('ladder')}>Find a ladder</StrongButton>
                </Empty>
            )}
            {found.data && count === 0 && filtered && <p role="status">No recipe is like that.</p>}
            {filtered && count > 0 && <p role="status">{counted(count, 'recipe')}</p>}
            {view === 'families' ? (
                <FamilyLadders
                    recipes={recipes}
                    onOpen={(kept) => {
                        choose('view', '');
                        choose('words', kept.name);
                    }}
                />
            ) : (
                <List aria-label="Recipes">
                    {recipes.map((kept) => (
                        <RecipeEntry key={kept.id} kept={kept} />
                    ))}
                </List>
            )}
            {recipes.length < count && view === 'list' && (
                <Button onPress={() => setMost(most + PAGE)}>Show more</Button>
            )}
            {count > 0 && found.data && <RestsOnLine calibration={found.data.calibration} />}
            {open === 'ladder' && <LadderSheet onClose={() => setOpen(null)} />}
            {open === 'file' && <RecipeFilesSheet onClose={() => setOpen(null)} />}
        </Page>
    );
}
