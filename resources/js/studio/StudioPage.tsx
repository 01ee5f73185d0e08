import { messageOf } from '../api/client';
import { useChooseSchools, useSchools } from '../api/schoolQueries';
import { notify } from '../ui/Notices';
import { Page } from '../ui/Page';
import { SchoolRows } from '../ui/SchoolRows';

/** What holds in this studio unless a piece says otherwise. */
export function StudioPage() {
    const schools = useSchools();
    const choose = useChooseSchools();

    return (
        <Page>
            <title>Studio – Knotty Prism</title>
            <h1>Studio</h1>
            <section aria-labelledby="schools">
                <h2 id="schools">Your schools</h2>
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
