import { messageOf } from '../api/client';
import { useChangeAccount, useSession } from '../api/queries';
import { useChooseSchools, useSchools } from '../api/schoolQueries';
import { notify } from '../ui/Notices';
import { Page } from '../ui/Page';
import { Segments } from '../ui/Segments';
import { SchoolRows } from '../ui/SchoolRows';

/** What holds in this studio unless a piece says otherwise. */
export function StudioPage() {
    const schools = useSchools();
    const choose = useChooseSchools();
    const session = useSession();
    const change = useChangeAccount();

    return (
        <Page>
            <title>Studio – Knotty Prism</title>
            <h1>Studio</h1>
            <section aria-labelledby="hand">
                <h2 id="hand">Your hand</h2>
                <p>Plans go to the places of a turn so that it rests on what is not drawn yet.</p>
                <Segments
                    label="The hand you draw with"
                    value={session.data?.user?.hand ?? 'right'}
                    options={[
                        { id: 'right', name: 'Right' },
                        { id: 'left', name: 'Left' },
                    ]}
                    onChange={(hand) => change.mutate({ hand }, { onError: (error) => notify(messageOf(error)) })}
                />
            </section>
            <section aria-labelledby="schools">
                <h2 id="schools">Ways of working</h2>
                <p>Pieces follow these, but for what a piece or a zone answers itself in Plan.</p>
                <SchoolRows
                    chosen={schools.data?.chosen ?? {}}
                    own={[]}
                    from={null}
                    onChoose={(answers) => choose.mutate(answers, { onError: (error) => notify(messageOf(error)) })}
                />
            </section>
        </Page>
    );
}
