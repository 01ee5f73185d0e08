import styled from 'styled-components';
import { SaveArchive } from '../archive/SaveArchive';
import { TakeIn } from '../archive/TakeIn';
import { messageOf } from '../api/client';
import { useChooseSchools, useSchools } from '../api/schoolQueries';
import { notify } from '../ui/Notices';
import { Page, Row } from '../ui/Page';
import { DownloadLink } from '../ui/Button';
import { space, type, UPRIGHT } from '../ui/theme';
import { Account } from './Account';
import { Habits } from './Habits';
import { Papers } from './Papers';
import { Room } from './Room';
import { SchoolPictures } from './SchoolPictures';

const Sections = styled.div`
    display: grid;
    grid-template-columns: 160px minmax(0, 1fr);
    gap: ${space.l} ${space.xl};
    & > nav {
        position: sticky;
        top: 0;
        align-self: start;
        display: grid;
        gap: ${space.s};
        padding-top: ${space.m};
    }
    & section {
        scroll-margin-top: ${space.l};
        padding-bottom: ${space.l};
        border-bottom: 1px solid ${({ theme }) => theme.line};
    }
    & h3 {
        margin: ${space.m} 0 ${space.s};
        font-size: ${type.body};
    }
    @media ${UPRIGHT} {
        grid-template-columns: minmax(0, 1fr);
        & > nav {
            display: none;
        }
    }
`;

const PARTS = [
    ['papers', 'Papers'],
    ['habits', 'At the desk'],
    ['schools', 'Ways of working'],
    ['copies', 'Backup'],
    ['you', 'You'],
] as const;

/** What holds in this studio unless a piece says otherwise, and whose it is. */
export function StudioPage() {
    const schools = useSchools();
    const choose = useChooseSchools();

    return (
        <Page>
            <title>Studio – Knotty Prism</title>
            <h1>Studio</h1>
            <Sections>
                <nav aria-label="Parts of the studio">
                    {PARTS.map(([id, name]) => (
                        <a key={id} href={`#${id}`}>
                            {name}
                        </a>
                    ))}
                </nav>
                <div>
                    <section aria-labelledby="papers">
                        <h2 id="papers">Papers</h2>
                        <Papers />
                    </section>
                    <section aria-labelledby="habits">
                        <h2 id="habits">At the desk</h2>
                        <Habits />
                    </section>
                    <section aria-labelledby="schools">
                        <h2 id="schools">Ways of working</h2>
                        <p>
                            Pieces follow these, but for what a piece or a zone answers itself in Plan. Each picture is
                            a red jug and a blue wall, light, middle and dark, from bare paper above to the finished
                            drawing below.
                        </p>
                        <SchoolPictures
                            chosen={schools.data?.chosen ?? {}}
                            onChoose={(answers) =>
                                choose.mutate(answers, { onError: (error) => notify(messageOf(error)) })
                            }
                        />
                    </section>
                    <section aria-labelledby="copies">
                        <h2 id="copies">Backup</h2>
                        <p>
                            All of it in one zip file: pieces with their photos and drawings, box, papers, swatches,
                            calibrations, recipes, practice. Keep it elsewhere; this studio, or another, takes it in
                            again.
                        </p>
                        <Room />
                        <div style={{ marginTop: 12 }}>
                            <SaveArchive>Save the whole studio</SaveArchive>
                        </div>
                        <h3>Take an archive in</h3>
                        <p>One of a studio, or of a piece. What it brings is shown first.</p>
                        <div style={{ marginTop: 12 }}>
                            <TakeIn />
                        </div>
                        <h3>Tables</h3>
                        <p>Open tables that other programs read, and that this studio takes back in.</p>
                        <Row style={{ marginTop: 12 }}>
                            <DownloadLink href="/api/pencils.csv?scope=box" download>
                                My box (CSV)
                            </DownloadLink>
                            <DownloadLink href="/api/swatches.csv" download>
                                My swatches (CSV)
                            </DownloadLink>
                            <DownloadLink href="/api/pencils.gpl?scope=box" download>
                                My box as a palette (GPL)
                            </DownloadLink>
                        </Row>
                    </section>
                    <section aria-labelledby="you">
                        <h2 id="you">You</h2>
                        <Account />
                    </section>
                </div>
            </Sections>
        </Page>
    );
}
