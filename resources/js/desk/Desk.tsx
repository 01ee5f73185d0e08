import { useEffect, useMemo, useState } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { messageOf, Refusal } from '../api/client';
import { usePiece, usePlan, useSample } from '../api/queries';
import { useKeptReserves, useLook } from '../api/lookQueries';
import { Boundary } from '../ui/Boundary';
import { Loading, Problem } from '../ui/States';
import { space, type, UPRIGHT } from '../ui/theme';
import { useKeys } from '../ui/useKeys';
import { DeskContext, mainTarget, type DeskState, type Selected, type Tool } from './DeskContext';
import { Picture } from './Picture';
import { PictureTools } from './PictureTools';
import { DEFAULT_RADIUS, LEAST_RADIUS, MOST_RADIUS, useSelection } from './useSelection';
import { drawingUrl, veilUrl } from './drawing';
import { useZoom, WHOLE } from './useZoom';
import { Saved } from './Saved';
import { ZoneStrip } from './ZoneStrip';

export const STAGES = [
    { path: 'look', name: 'Look' },
    { path: 'match', name: 'Match' },
    { path: 'plan', name: 'Plan' },
    { path: 'draw', name: 'Draw' },
    { path: 'compare', name: 'Compare' },
] as const;

const fetchStages = () =>
    Promise.allSettled([
        import('../look/LookStage'),
        import('../match/MatchStage'),
        import('../plan/PlanStage'),
        import('../draw/DrawStage'),
        import('../compare/CompareStage'),
    ]);

const Layout = styled.div`
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(500px, 44%);
    height: 100%;
    min-height: 0;
    /* A tablet held upright: the photo above, the stage below, and all of it scrolls as one sheet. */
    @media ${UPRIGHT} {
        grid-template-columns: minmax(0, 1fr);
        grid-template-rows: max-content max-content;
        overflow-y: auto;
    }
`;

const Left = styled.div`
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto auto auto minmax(0, 1fr);
    gap: ${space.s};
    padding: ${space.s} ${space.m};
    min-height: 0;
    position: relative;
    @media ${UPRIGHT} {
        grid-template-rows: repeat(4, max-content);
        /* In Draw the number and the pressure belong on the same screen. */
        &[data-draws] {
            --beside: 62vh;
        }
    }
`;

const Head = styled.header`
    display: flex;
    align-items: baseline;
    gap: ${space.m};
    & b {
        flex: 1;
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
        font-size: ${type.lead};
        line-height: 1.4;
    }
    & small {
        color: ${({ theme }) => theme.quiet};
    }
`;

const Right = styled.main`
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    min-height: 0;
    background: ${({ theme }) => theme.panel};
`;

const Stages = styled.nav`
    display: flex;
    border-bottom: 1px solid ${({ theme }) => theme.line};
    & a {
        flex: 1;
        display: flex;
        align-items: center;
        justify-content: center;
        gap: 6px;
        min-height: 44px;
        text-decoration: none;
        border-bottom: 3px solid transparent;
    }
    & a small {
        color: ${({ theme }) => theme.quiet};
    }
    & a[aria-current='page'] {
        font-weight: 700;
        border-bottom-color: ${({ theme }) => theme.ink};
    }
`;

const Stage = styled.div`
    min-height: 0;
    position: relative;
    overflow-y: auto;
    @media ${UPRIGHT} {
        overflow-y: visible;
    }
`;

/** One piece: the reference on the left and never away, the stage at hand on the right, one selection between them. */
export function Desk() {
    const { piece: id = '' } = useParams();
    const piece = usePiece(id);
    const selection = useSelection();
    const navigate = useNavigate();
    const { search, pathname } = useLocation();
    const [lit, light] = useState<{ zone: string; target: string } | null>(null);
    const [tool, take] = useState<Tool | null>(null);
    const [preview, setPreview] = useState<string | null>(null);
    const look = useLook(id);
    const plan = usePlan(id, selection.view === 'drawing' || selection.places !== null || lit !== null);
    const zoom = useZoom(tool?.kind === 'crop' ? WHOLE : (piece.data?.format.crop ?? WHOLE));
    const reserves = useKeptReserves(piece.data, selection.reservesShown);

    const zone = piece.data?.zones.find((candidate) => candidate.id === selection.zoneId) ?? null;
    const target = zone && (zone.targets.find((candidate) => candidate.id === selection.targetId) ?? mainTarget(zone));
    const sample = useSample(id, piece.data?.photo.url ?? '', zone ? null : selection.spot);
    const selected = useMemo<Selected | null>(() => {
        if (zone && target)
            return {
                colour: target.colour,
                spread: target.spread,
                spot: { x: target.x, y: target.y, radius: zone.radius },
                zone,
                target,
            };
        if (!zone && selection.spot && sample.data)
            return { ...sample.data, spot: selection.spot, zone: null, target: null };

        return null;
    }, [zone, target, selection.spot, sample.data]);
    // The other stages come along: they open at once, and without a network too.
    useEffect(() => {
        void fetchStages();
    }, []);
    const drawing = pathname.endsWith('/draw');
    const shown = pathname.endsWith('/plan')
        ? plan.data?.turns.find(({ number }) => number === selection.places)
        : undefined;
    const goesTo = drawing && lit ? [lit.target] : (shown?.places.flatMap(({ targets }) => targets) ?? []);
    const veil = plan.data && goesTo.length > 0 ? veilUrl(id, plan.data, goesTo) : null;

    const go = (stage: number) => {
        const path = STAGES[stage]?.path;
        if (path) void navigate({ pathname: `/pieces/${id}/${path}`, search: window.location.search });
    };
    const nextZone = (by: number) => {
        const zones = piece.data?.zones ?? [];
        if (zones.length === 0) return;
        // From the address itself: two keys in quick succession may come before the next render.
        const chosen = new URLSearchParams(window.location.search).get('zone');
        const at = zones.findIndex((candidate) => candidate.id === chosen);
        const next = zones[(at + by + zones.length) % zones.length] ?? zones[0];
        if (next) selection.selectZone(next.id);
    };
    const resize = (factor: number) => {
        const from = selected?.spot ?? { x: 0.5, y: 0.5, radius: DEFAULT_RADIUS };
        selection.selectSpot({ ...from, radius: Math.min(MOST_RADIUS, Math.max(LEAST_RADIUS, from.radius * factor)) });
    };
    useKeys({
        look: () => go(0),
        match: () => go(1),
        plan: () => go(2),
        draw: () => go(3),
        compare: () => go(4),
        next: () => nextZone(1),
        previous: () => nextZone(-1),
        greys: () => selection.setView(selection.view === 'value' ? 'photo' : 'value'),
        steps: () => selection.setView(selection.view === 'steps' ? 'photo' : 'steps'),
        mirror: () => selection.toggle('mirror', !selection.mirrored),
        borders: () => selection.showBorders(!selection.bordersShown),
        click: () => selection.pickSpots(!selection.picksSpots),
        alone: () => selection.toggle('isolate', !selection.isolated),
        nearer: () => zoom.by(1.5),
        farther: () => zoom.by(1 / 1.5),
        whole: () => zoom.fit(),
        picture: () => document.querySelector<HTMLElement>('[data-testid="picture"]')?.focus(),
        smaller: () => resize(1 / 1.4),
        larger: () => resize(1.4),
    });

    const desk = useMemo<DeskState | null>(
        () => (piece.data ? { piece: piece.data, selection, selected, light, tool, take, preview: setPreview } : null),
        // The selection is read anew from the address on every render.
        [piece.data, selection, selected, tool],
    );

    if (piece.isError) {
        const gone = piece.error instanceof Refusal && piece.error.status === 404;

        return (
            <>
                <Problem message={messageOf(piece.error)} {...(gone ? {} : { retry: () => void piece.refetch() })} />
                <Link to="/pieces" style={{ marginInlineStart: 20 }}>
                    To your pieces
                </Link>
            </>
        );
    }
    if (!desk) return <Loading what="Opening the piece" />;

    return (
        <DeskContext value={desk}>
            <title>{`${desk.piece.title} – Knotty Prism`}</title>
            <Layout>
                <Left data-draws={drawing || undefined}>
                    <Head>
                        <b>{desk.piece.title}</b>
                        <Saved />
                    </Head>
                    <Picture
                        piece={desk.piece}
                        selection={selection}
                        selected={selected}
                        look={look.data}
                        reserves={reserves.data ?? undefined}
                        zoom={zoom}
                        tool={tool}
                        preview={preview}
                        drawing={plan.data ? drawingUrl(id, plan.data, selection.stage ?? plan.data.total) : null}
                        litZone={(drawing && desk.piece.zones.find((candidate) => candidate.id === lit?.zone)) || null}
                        veil={veil}
                        onTool={take}
                    />
                    <PictureTools zoom={zoom} onResize={resize} />
                    {desk.piece.zones.length > 0 ? (
                        <ZoneStrip
                            zones={desk.piece.zones}
                            chosen={(drawing ? lit?.zone : undefined) ?? zone?.id ?? null}
                            onChoose={selection.selectZone}
                        />
                    ) : (
                        <p>Click the photo to sample a colour.</p>
                    )}
                </Left>
                <Right>
                    <Stages aria-label="Stages">
                        {STAGES.map((stage, index) => (
                            <NavLink key={stage.path} to={{ pathname: `/pieces/${id}/${stage.path}`, search }}>
                                <small>{index + 1}</small> {stage.name}
                            </NavLink>
                        ))}
                    </Stages>
                    <Stage tabIndex={-1}>
                        <Boundary>
                            <Outlet />
                        </Boundary>
                    </Stage>
                </Right>
            </Layout>
        </DeskContext>
    );
}
