import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it } from 'vitest';
import { Field } from '../../resources/js/ui/Field';
import { SubNav } from '../../resources/js/ui/SubNav';
import { useFilters } from '../../resources/js/ui/useFilters';
import { show } from './fixtures';

function Filters() {
    const { of, choose } = useFilters();

    return (
        <>
            <output>{of('paper') || 'any'}</output>
            <button onClick={() => choose('paper', 'fog-toned')}>Fog</button>
            <button onClick={() => choose('paper', '')}>Any</button>
            <button onClick={() => choose('page', '3')}>Third</button>
        </>
    );
}

describe('filters', () => {
    it('live in the address, others beside them', async () => {
        show(<Filters />, '/swatches?source=typed');
        expect(screen.getByRole('status').textContent).toBe('any');
        await userEvent.click(screen.getByText('Fog'));
        expect(screen.getByRole('status').textContent).toBe('fog-toned');
        expect(window.location.search).toBe('?source=typed&paper=fog-toned');
        await userEvent.click(screen.getByText('Any'));
        expect(window.location.search).toBe('?source=typed');
    });

    it('lead back to the first page when they change', async () => {
        show(<Filters />, '/swatches');
        await userEvent.click(screen.getByText('Third'));
        expect(window.location.search).toBe('?page=3');
        await userEvent.click(screen.getByText('Fog'));
        expect(window.location.search).toBe('?paper=fog-toned');
    });
});

describe('parts of a page', () => {
    it('say a label that is not shown', () => {
        show(<Field label="Note to QW:404" hideLabel />);
        expect(screen.getByLabelText('Note to QW:404')).toBeTruthy();
        expect(screen.getByText('Note to QW:404').className).toContain('visually-hidden');
    });

    it('mark the page one is on, not the place it belongs to', () => {
        const links = [
            { to: '/swatches', name: 'The book', end: true },
            { to: '/swatches/charts', name: 'Charts' },
        ];
        show(<SubNav label="Swatches" links={links} />, '/swatches/charts');
        expect(screen.getByRole('link', { name: 'Charts' }).getAttribute('aria-current')).toBe('page');
        expect(screen.getByRole('link', { name: 'The book' }).getAttribute('aria-current')).toBeNull();
    });
});
