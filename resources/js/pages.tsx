import { lazy, useState, type ComponentType, type ElementType } from 'react';

interface Page {
    (): React.JSX.Element;
    /** Fetches it before it is gone to. */
    ahead: () => Promise<unknown>;
}

/** A page that is fetched when it is gone to; one that was fetched before is there at once, without a moment of "Opening". */
function page<Name extends string>(fetch: () => Promise<Record<Name, ComponentType>>, name: Name): Page {
    let here: ElementType | null = null;
    const ahead = async () => {
        const module = await fetch();
        here = module[name];

        return { default: module[name] };
    };
    const Later = lazy(ahead);

    return Object.assign(
        () => {
            const [{ Now }] = useState<{ Now: ElementType }>(() => ({ Now: here ?? Later }));

            return <Now />;
        },
        { ahead },
    );
}

export const Desk = page(() => import('./desk/Desk'), 'Desk');
export const LookStage = page(() => import('./look/LookStage'), 'LookStage');
export const MatchStage = page(() => import('./match/MatchStage'), 'MatchStage');
export const PlanStage = page(() => import('./plan/PlanStage'), 'PlanStage');
export const DrawStage = page(() => import('./draw/DrawStage'), 'DrawStage');
export const CompareStage = page(() => import('./compare/CompareStage'), 'CompareStage');
export const AuditPage = page(() => import('./pencils/AuditPage'), 'AuditPage');
export const NumbersPage = page(() => import('./pencils/NumbersPage'), 'NumbersPage');
export const FilesPage = page(() => import('./pencils/FilesPage'), 'FilesPage');
export const InsteadPage = page(() => import('./pencils/InsteadPage'), 'InsteadPage');
export const PencilPage = page(() => import('./pencils/PencilPage'), 'PencilPage');
export const PencilsPage = page(() => import('./pencils/PencilsPage'), 'PencilsPage');
export const PencilsPlace = page(() => import('./pencils/PencilsPlace'), 'PencilsPlace');
export const BookPage = page(() => import('./swatches/BookPage'), 'BookPage');
export const CalibrationPage = page(() => import('./swatches/CalibrationPage'), 'CalibrationPage');
export const ChartPage = page(() => import('./swatches/ChartPage'), 'ChartPage');
export const ChartsPage = page(() => import('./swatches/ChartsPage'), 'ChartsPage');
export const SwatchesPlace = page(() => import('./swatches/SwatchesPlace'), 'SwatchesPlace');
export const RecipesPage = page(() => import('./recipes/RecipesPage'), 'RecipesPage');
export const PracticePage = page(() => import('./practice/PracticePage'), 'PracticePage');
export const WeekPage = page(() => import('./practice/WeekPage'), 'WeekPage');
export const FiguresPage = page(() => import('./record/FiguresPage'), 'FiguresPage');
export const RecordPage = page(() => import('./record/RecordPage'), 'RecordPage');
export const StudioPage = page(() => import('./studio/StudioPage'), 'StudioPage');
export const BeginPage = page(() => import('./begin/BeginPage'), 'BeginPage');
export const NewPiecePage = page(() => import('./pieces/NewPiecePage'), 'NewPiecePage');

/** By the beginning of the address, what is shown there. */
const AT: [RegExp, Page[]][] = [
    [/^\/pieces\/new/, [NewPiecePage]],
    [/^\/pieces\/\w+\/record/, [RecordPage]],
    [/^\/pieces\/\w/, [Desk, LookStage, MatchStage, PlanStage, DrawStage, CompareStage]],
    [/^\/pencils/, [PencilsPlace, PencilsPage, PencilPage, AuditPage, InsteadPage, FilesPage, NumbersPage]],
    [/^\/swatches/, [SwatchesPlace, BookPage, ChartsPage, ChartPage, CalibrationPage]],
    [/^\/recipes/, [RecipesPage]],
    [/^\/practice/, [PracticePage, WeekPage]],
    [/^\/figures/, [FiguresPage]],
    [/^\/studio/, [StudioPage]],
    [/^\/begin/, [BeginPage]],
];

/** Fetches what an address shows; what could not be fetched is asked for again when it is gone to. */
export const fetchPagesAt = (pathname: string) =>
    Promise.allSettled((AT.find(([at]) => at.test(pathname))?.[1] ?? []).map((shown) => shown.ahead()));
