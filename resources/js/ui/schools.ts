import type { SchoolId } from '../api/client';

export const SCHOOLS: { id: SchoolId; name: string }[] = [
    { id: 'light-to-dark', name: 'Light to dark' },
    { id: 'dark-to-light', name: 'Dark to light' },
    { id: 'middle-first', name: 'Middle first' },
    { id: 'form-first', name: 'Form first' },
];
