import { TabPanel } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf } from '../api/client';
import { useLook } from '../api/lookQueries';
import { useDesk } from '../desk/DeskContext';
import { Reading } from '../desk/Reading';
import { TargetChoice } from '../desk/TargetChoice';
import type { LookPart } from '../desk/useSelection';
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

/** Read the reference as a trained eye would: zones and their colours, values, light, other photos, the sheet. */
export function LookStage() {
    const { piece, selected, selection } = useDesk();
    const look = useLook(piece.id);

    return (
        <Page>
            <h1 className="visually-hidden">Look</h1>
            <Chosen>
                {selected ? (
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
                        Click the photo. What is chosen appears here by itself, on neutral grey, with its value step,
                        hue family and lean.
                    </Hint>
                )}
            </Chosen>
            <Parts label="Parts of Look" parts={PARTS} open={selection.lookPart} onOpen={selection.openPart}>
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
