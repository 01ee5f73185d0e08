import { Outlet } from 'react-router';
import { Place } from '../ui/Page';
import { SubNav } from '../ui/SubNav';

const LINKS = [
    { to: '/pencils', name: 'The roll', end: true },
    { to: '/pencils/numbers', name: 'By number' },
    { to: '/pencils/audit', name: 'What the box lacks' },
    { to: '/pencils/instead', name: 'Substitutes' },
    { to: '/pencils/files', name: 'Import and export' },
];

/** All about pencils. */
export function PencilsPlace() {
    return (
        <Place>
            <SubNav label="Pencils" links={LINKS} />
            <Outlet />
        </Place>
    );
}
