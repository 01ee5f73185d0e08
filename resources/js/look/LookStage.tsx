import { TabPanel } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { useLook } from '../api/lookQueries';
import { useChosen, useDeskPiece } from '../desk/DeskContext';
import { Reading } from '../desk/Reading';
import { TargetChoice } from '../desk/TargetChoice';
import { type LookPart, useParts } from '../desk/address';
import { Parts } from '../ui/Parts';
import { Loading, Problem } from '../ui/States';
import { space } from '../ui/theme';
import { Beside } from './Beside';
import { FormatPanel } from './FormatPanel';
import { LightPanel } from './LightPanel';
import { ReferencesPanel } from './ReferencesPanel';
import { ValuesPanel } from './ValuesPanel';
import { ZonesPanel } from './ZonesPanel';

const Page = styled.div`
    display: grid;
    gap: ${space.m};
    padding: ${space.m} ${space.l} ${space.l};
`;

/** Stays where it is, chosen or not: nothing below it jumps. */
const Chosen = styled.div`
    display: grid;
    align-content: start;
    gap: ${space.s};
    min-height: 214px;
`;

const Hint = styled.p`
    align-self: center;
    max-width: 44ch;
    color: ${({ theme }) => theme.quiet};
`;

const PARTS: { id: LookPart; name: string }[] = [
    { id: 'zones', name: 'Zones' },
    { id: 'values', name: 'Values' },
    { id: 'light', name: 'Light' },
    { id: 'references', name: 'References' },
    { id: 'format', name: 'Format' },
];

/** The chosen colour, read. */
function ChosenReading() {
    const { selected, problem } = useChosen();
    const of = useDeskPiece().lines ? 'picture' : 'photo';

    return (
        <Chosen>
            {problem !== null ? (
                <Problem message={problem} />
            ) : selected ? (
                <>
                    <Reading
                        name={selected.target?.name ?? 'Sample'}
                        colour={selected.colour}
                        spread={selected.spread}
                    />
                    {selected.zone ? <TargetChoice zone={selected.zone} /> : <Beside spot={selected.spot} />}
                </>
            ) : (
                <Hint>
                    Click the {of}. What is chosen appears here by itself, on neutral grey, with its value step, hue
                    family and lean.
                </Hint>
            )}
        </Chosen>
    );
}

/** Read the reference as a trained eye would: zones and their colours, values, light, other photos, the sheet. */
export function LookStage() {
    const piece = useDeskPiece();
    const parts = useParts();
    const look = useLook(piece.id);

    return (
        <Page>
            <h1 className="visually-hidden">Look</h1>
            <ChosenReading />
            <Parts label="Parts of Look" parts={PARTS} open={parts.look} onOpen={parts.openLook}>
                {look.isError && <Problem message={messageOf(look.error)} retry={() => void look.refetch()} />}
                {look.isPending && <Loading what="Reading the photo" />}
                {look.data && (
                    <>
                        <TabPanel id="zones">
                            <ZonesPanel look={look.data} />
                        </TabPanel>
                        <TabPanel id="values">
                            <ValuesPanel look={look.data} />
                        </TabPanel>
                        <TabPanel id="light">
                            <LightPanel look={look.data} />
                        </TabPanel>
                        <TabPanel id="references">
                            <ReferencesPanel />
                        </TabPanel>
                        <TabPanel id="format">
                            <FormatPanel />
                        </TabPanel>
                    </>
                )}
            </Parts>
        </Page>
    );
}
