import { Outlet } from 'react-router';
import { Place } from '../ui/Page';
import { SubNav } from '../ui/SubNav';

const LINKS = [
    { to: '/swatches', name: 'The book', end: true },
    { to: '/swatches/charts', name: 'Charts' },
    { to: '/swatches/calibration', name: 'Calibration' },
];

/** All about swatches. */
export function SwatchesPlace() {
    return (
        <Place>
            <SubNav label="Swatches" links={LINKS} />
            <Outlet />
        </Place>
    );
}
