import { useState } from 'react';
import styled from 'styled-components';
import { messageOf, type SchoolAnswers } from '../api/client';
import { changePiece, changeZone, useChangePiece, useChangeZone } from '../api/kept';
import { useSchools } from '../api/schoolQueries';
import { useChosen, useDeskPiece } from '../desk/DeskContext';
import { Button } from '../ui/Button';
import { notify } from '../ui/Notices';
import { SchoolRows } from '../ui/SchoolRows';
import { space, type } from '../ui/theme';
import { useReplan } from './planQueries';
import { ScopeChoice, type Scope } from './ScopeChoice';

/** Those that the order rests on; the others are behind a button. */
const FIRST = ['value', 'background'];

const Box = styled.section`
    display: grid;
    gap: ${space.m};
    justify-items: stretch;
    & h2 {
        font-size: ${type.title};
    }
    & > div:first-child {
        display: flex;
        justify-content: space-between;
        align-items: center;
    }
`;

/**
 * Which schools are followed: over the picture, and in the chosen zone where it is an exception. A picture that was planned
 * before is planned anew where a school bears on recipes.
 */
export function SchoolsPanel({ planned }: { planned: boolean }) {
    const piece = useDeskPiece();
    const { selected } = useChosen();
    const order = useChangePiece(piece.id);
    const orderOfZone = useChangeZone(piece.id);
    const replan = useReplan(piece);
    const questions = useSchools().data?.questions ?? [];
    const [open, setOpen] = useState(false);
    const [scope, setScope] = useState<Scope>('piece');
    const zone = scope === 'zone' ? (selected?.zone ?? null) : null;
    const tell = { onError: (error: Error) => notify(messageOf(error)) };
    const bearsOnRecipes = (schools: SchoolAnswers) =>
        questions.some(({ id, ofRecipes }) => ofRecipes && schools[id] !== undefined);
    const choose = (schools: SchoolAnswers) => {
        const ofZone = zone && { id: zone.id, version: zone.version, schools };
        if (planned && bearsOnRecipes(schools)) {
            replan(async ({ zones }) => {
                if (!ofZone) return changePiece(piece.id, { schools });
                const version = zones.find(({ id }) => id === ofZone.id)?.version ?? ofZone.version;
                const changed = await changeZone({ ...ofZone, version });

                return { zones: zones.map((had) => (had.id === changed.id ? changed : had)) };
            });
        } else if (ofZone) {
            orderOfZone.mutate(ofZone, tell);
        } else {
            order.mutate({ schools }, tell);
        }
    };
    const exceptions = piece.zones.filter(({ schools }) => schools && Object.keys(schools).length > 0);

    return (
        <Box aria-labelledby="schools">
            <div>
                <h2 id="schools">Ways of working</h2>
                <Button aria-expanded={open} onPress={() => setOpen(!open)}>
                    {open ? 'Fewer questions' : 'All questions'}
                </Button>
            </div>
            <ScopeChoice label="Schools of" scope={scope} onChange={setScope} />
            <SchoolRows
                chosen={zone ? { ...piece.schools.chosen, ...zone.schools } : piece.schools.chosen}
                own={zone ? Object.keys(zone.schools ?? {}) : piece.schools.own}
                from={zone ? 'As the picture' : 'As the studio'}
                {...(open ? {} : { only: FIRST })}
                without={zone ? ['background'] : []}
                onChoose={choose}
            />
            {open && (
                <p>
                    {planned
                        ? 'The plan follows at once. Recipes of your own, and those begun on the paper, stay.'
                        : 'The order follows at once; recipes follow when the picture is planned.'}
                </p>
            )}
            {exceptions.length > 0 && (
                <p>
                    {exceptions.length === 1 ? 'An exception: ' : 'Exceptions: '}
                    {exceptions.map(({ name }) => name).join('; ')}.
                </p>
            )}
        </Box>
    );
}
