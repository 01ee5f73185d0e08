import { memo } from 'react';
import styled from 'styled-components';
import { type StackPrediction } from '../api/client';
import { type Selected } from '../desk/DeskContext';
import { RestsOnLine } from '../ui/RestsOnLine';
import { SwatchPair } from '../ui/Swatch';
import { ToothRings } from '../ui/ToothRings';
import { space, type } from '../ui/theme';

/** More light layers than that are not counted. */
const MOST_ROOM = 12;

const Box = styled.div`
    display: grid;
    grid-template-columns: 160px minmax(0, 1fr);
    gap: ${space.m};
    align-items: start;
    /* Of one height, whatever is said: nothing below it moves under the hand. */
    height: 108px;
    overflow: hidden;
    & p {
        font-size: ${type.lead};
        font-weight: 600;
        line-height: 1.25;
    }
    & small {
        font-size: ${type.small};
        line-height: 1.35;
        color: ${({ theme }) => theme.quiet};
    }
    & > div {
        display: grid;
        gap: 2px;
    }
`;

const Notes = styled.div`
    display: grid;
    gap: ${space.xs};
    & small {
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
`;

interface Props {
    known: StackPrediction;
    colour: Selected['colour'];
}

const NAMES: [string, string] = ['Photo', 'Recipe'];

/** From this share of the tooth on, what is left of it is told to lie where a light layer does not reach. */
const DEEP = 0.1;

const room = ({ room, recipe }: StackPrediction) =>
    room === 0
        ? recipe.toothLeft >= DEEP
            ? 'too deep for a light layer'
            : 'no room for a light layer'
        : `room for ${room >= MOST_ROOM ? `${MOST_ROOM} or more` : room} light ${room === 1 ? 'layer' : 'layers'}`;

/** What a stack comes to, beside what is wanted. */
export const Outcome = memo(function Outcome({ known, colour }: Props) {
    return (
        <Box>
            <SwatchPair
                target={colour}
                predicted={known.recipe.predicted}
                names={NAMES}
                width="160px"
                height="88px"
                judged
                captioned
            />
            <div aria-live="polite">
                <p data-testid="words">{known.recipe.difference.words}</p>
                <small>
                    dE00 <span data-testid="dE">{known.recipe.difference.dE00.toFixed(2)}</span> ±{' '}
                    {known.recipe.sigma.toFixed(1)}, predicted {known.recipe.predicted.appearance.sentence}
                </small>
                <span style={{ display: 'flex', alignItems: 'center', gap: 6 }}>
                    <ToothRings left={known.recipe.toothLeft} />
                    <small>
                        {known.recipe.grain}, {room(known)}
                    </small>
                </span>
            </div>
        </Box>
    );
});

/** What else is to be known of a stack: what may go wrong, how a lamp shows it, what the numbers rest on. */
export const OutcomeNotes = memo(function OutcomeNotes({ known }: Pick<Props, 'known'>) {
    const { warnings, underLamp, sensitivity } = known.recipe;

    return (
        <Notes>
            {warnings.map((warning) => (
                <span key={warning.code}>
                    <b>!</b> {warning.sentence} {warning.cure}
                </span>
            ))}
            {underLamp && (
                <small data-testid="under-lamp">
                    Under the {underLamp.name.toLowerCase()}: {underLamp.difference.words}{' '}
                    <SwatchPair target={underLamp.target} predicted={underLamp.predicted} width="72px" height="22px" />
                </small>
            )}
            <small data-testid="hand">A hand 10 % off in each layer moves it by dE00 {sensitivity.toFixed(1)}</small>
            <RestsOnLine calibration={known.calibration} />
        </Notes>
    );
});
