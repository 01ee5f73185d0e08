import { Outlet } from 'react-router';
import { Place } from '../ui/Page';
import { SubNav } from '../ui/SubNav';

const LINKS = [
    { to: '/pencils', name: 'The roll', end: true },
    { to: '/pencils/audit', name: 'Audit of the box' },
    { to: '/pencils/instead', name: 'Instead of' },
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
