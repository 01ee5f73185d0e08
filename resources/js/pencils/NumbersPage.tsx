import { Page } from '../ui/Page';
import { ByNumber } from './ByNumber';

/** The pencils one owns, by the numbers on their barrels. */
export function NumbersPage() {
    return (
        <Page>
            <title>By number – Knotty Prism</title>
            <h1>Your pencils, by number</h1>
            <ByNumber />
        </Page>
    );
}
