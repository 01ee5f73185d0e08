import styled from 'styled-components';
import { type StackPrediction } from '../api/client';
import { type Selected } from '../desk/DeskContext';
import { RestsOnLine } from '../ui/RestsOnLine';
import { SwatchPair } from '../ui/Swatch';
import { ToothRings } from '../ui/ToothRings';
import { space } from '../ui/theme';

const Box = styled.div`
    display: grid;
    grid-template-columns: 150px minmax(0, 1fr);
    gap: ${space.m};
    align-items: start;
    & p {
        font-weight: 600;
    }
    & small {
        color: ${({ theme }) => theme.quiet};
    }
    & > div {
        display: grid;
        gap: 2px;
    }
`;

/** What a stack comes to, beside what is wanted. */
export function Outcome({ known, colour }: { known: StackPrediction; colour: Selected['colour'] }) {
    return (
        <Box>
            <SwatchPair target={colour} predicted={known.recipe.predicted} width="150px" height="84px" />
            <div aria-live="polite">
                <p data-testid="words">{known.recipe.difference.words}</p>
                <small>
                    dE00 <span data-testid="dE">{known.recipe.difference.dE00.toFixed(2)}</span> ±{' '}
                    {known.recipe.sigma.toFixed(1)}, predicted {known.recipe.predicted.appearance.sentence}
                </small>
                <RestsOnLine calibration={known.calibration} />
                <small data-testid="hand">
                    A hand 10 % off in each layer moves it by dE00 {known.recipe.sensitivity.toFixed(1)}
                </small>
                {known.recipe.underLamp && (
                    <small data-testid="under-lamp">
                        Under the {known.recipe.underLamp.name.toLowerCase()}: {known.recipe.underLamp.difference.words}{' '}
                        <SwatchPair
                            target={known.recipe.underLamp.target}
                            predicted={known.recipe.underLamp.predicted}
                            width="72px"
                            height="22px"
                        />
                    </small>
                )}
                <span style={{ display: 'flex', alignItems: 'center', gap: 4 }}>
                    <ToothRings left={known.recipe.toothLeft} />
                    <small>
                        {known.recipe.grain},{' '}
                        {known.room === 0
                            ? 'no room for a light layer'
                            : `room for ${known.room >= 12 ? '12 or more' : known.room} light layers`}
                    </small>
                </span>
                {known.recipe.warnings.map((warning) => (
                    <span key={warning.code}>
                        <b>!</b> {warning.sentence} {warning.cure}
                    </span>
                ))}
            </div>
        </Box>
    );
}
