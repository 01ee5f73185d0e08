import { Link } from 'react-router';
import styled from 'styled-components';
import { usePlan } from '../api/queries';
import { useDeskPiece, useHands } from '../desk/DeskContext';
import { RestsOnLine } from '../ui/RestsOnLine';
import { Empty } from '../ui/States';
import { SwatchPair } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { DrawingChecks } from './DrawingChecks';

const Page = styled.div`
    display: grid;
    gap: ${space.m};
    padding: ${space.m} ${space.l} ${space.l};
    & h2 {
        font-size: ${type.title};
    }
`;

const Rows = styled.ul`
    & li {
        display: grid;
        grid-template-columns: 150px minmax(0, 1fr) max-content;
        gap: ${space.m};
        align-items: center;
        padding: ${space.xs} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & button {
        display: block;
        padding: 0;
        border: 0;
        background: none;
        font-weight: 600;
        cursor: pointer;
        text-align: start;
    }
    & small {
        color: ${({ theme }) => theme.quiet};
        text-align: end;
    }
`;

/** The drawing beside the photo; and where the recipes will miss it anyway, the largest error of value first. */
export function CompareStage() {
    const piece = useDeskPiece();
    const { selectZone } = useHands();
    const plan = usePlan(piece.id);
    const rows = piece.zones
        .flatMap((zone) => zone.targets.map((target) => ({ zone, target })))
        .flatMap(({ zone, target }) => (target.recipe ? [{ zone, target, recipe: target.recipe }] : []))
        .sort((a, b) => Math.abs(b.recipe.difference.dL) - Math.abs(a.recipe.difference.dL));

    if (piece.zones.length === 0) {
        return (
            <Empty title="Nothing to compare yet" level={1}>
                <p>
                    Once the photo is parted into zones, the drawing can be compared with it, from its first lines on.
                </p>
                <Link to={`/pieces/${piece.id}/look`}>Find zones in Look</Link>
            </Empty>
        );
    }

    return (
        <Page>
            <h1 className="visually-hidden">Compare</h1>
            <DrawingChecks />
            {rows.length > 0 && (
                <>
                    <h2>Where the plan misses</h2>
                    <p>What the recipes give, zone by zone, the largest error of value first.</p>
                    <Rows>
                        {rows.map(({ zone, target, recipe }) => (
                            <li key={target.id}>
                                <SwatchPair
                                    target={target.colour}
                                    predicted={recipe.predicted}
                                    width="150px"
                                    height="88px"
                                    judged
                                />
                                <div>
                                    <button type="button" onClick={() => selectZone(zone.id, target.id)}>
                                        {target.name}
                                    </button>
                                    {recipe.difference.words}
                                </div>
                                <small>
                                    dE00 {recipe.difference.dE00.toFixed(1)} ± {recipe.sigma.toFixed(1)}
                                </small>
                            </li>
                        ))}
                    </Rows>
                </>
            )}
            {plan.data && <RestsOnLine calibration={plan.data.calibration} />}
        </Page>
    );
}
