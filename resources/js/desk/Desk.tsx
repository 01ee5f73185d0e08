import { useEffect, useRef, useState } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { messageOf, Refusal } from '../api/client';
import { usePiece } from '../api/queries';
import { fetchPagesAt } from '../pages';
import { Boundary } from '../ui/Boundary';
import { Button } from '../ui/Button';
import { Loading, Missing } from '../ui/States';
import { space, type, UPRIGHT } from '../ui/theme';
import { useKeys } from '../ui/useKeys';
import { useAddressNow } from './address';
import { useChosen, useDeskAbout, useDeskPiece, useHands, useOverlay } from './DeskContext';
import { DeskState } from './DeskState';
import { Picture } from './Picture';
import { PictureTools } from './PictureTools';
import { Saved } from './Saved';
import { useResize } from './useResize';
import { useZoom, Zoom, ZoomContext } from './zoom';
import { ZoneStrip } from './ZoneStrip';

export const STAGES = [
    { path: 'look', name: 'Look' },
    { path: 'match', name: 'Match' },
    { path: 'plan', name: 'Plan' },
    { path: 'draw', name: 'Draw' },
    { path: 'compare', name: 'Compare' },
] as const;

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

const Left = styled.section`
    display: grid;
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: auto auto auto minmax(0, 1fr);
    gap: ${space.s};
    padding: ${space.s} ${space.m};
    min-height: 0;
    position: relative;
    /* As large as the window leaves it, whatever stands in it: a change on one side lays out that side alone. */
    contain: size layout;
    @media ${UPRIGHT} {
        contain: none;
        grid-template-rows: repeat(4, max-content);
        --beside: 0px;
        /* In Draw the number and the pressure belong on the same screen. */
        &[data-draws] {
            --beside: 69vh;
        }
    }
`;

const Head = styled.div`
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
    contain: size layout;
    /* It has the focus when another stage was gone to, so that one reads on from there; it is no control. */
    &:focus-visible {
        outline: none;
    }
    @media ${UPRIGHT} {
        contain: none;
        overflow-y: visible;
    }
`;

const isDrawing = (pathname: string) => pathname.endsWith('/draw');

/** The keys of the desk, whatever stage is open. */
function DeskKeys({ zoom }: { zoom: Zoom }) {
    const { id, zones } = useDeskPiece();
    const { step } = useHands();
    const address = useAddressNow();
    const resize = useResize();
    const navigate = useNavigate();
    const { pathname } = useLocation();
    const go = (stage: number) => {
        const path = STAGES[stage]?.path;
        if (path) void navigate({ pathname: `/pieces/${id}/${path}`, search: address.current.written() });
    };
    const now = () => address.current.view;
    useKeys({
        look: () => go(0),
        match: () => go(1),
        plan: () => go(2),
        draw: () => go(3),
        compare: () => go(4),
        next: () => step(zones, 1),
        previous: () => step(zones, -1),
        greys: () => now().setView(now().view === 'value' ? 'photo' : 'value'),
        steps: () => now().setView(now().view === 'steps' ? 'photo' : 'steps'),
        mirror: () => now().toggle('mirror', !now().mirror),
        borders: () => now().toggle('borders', !now().borders),
        click: () => now().pickSpots(now().pick !== 'spots'),
        alone: () => now().toggle('isolate', !now().isolate),
        yours: () => pathname.endsWith('/compare') && now().toggle('own', !now().own),
        nearer: () => zoom.by(1.5),
        farther: () => zoom.by(1 / 1.5),
        whole: () => zoom.fit(),
        picture: () => document.querySelector<HTMLElement>('[data-testid="picture"]')?.focus(),
        smaller: () => resize(1 / 1.4),
        larger: () => resize(1.4),
    });

    return null;
}

/** The zones of the piece, the chosen one among them; in Draw the one that is drawn. */
function Zones() {
    const { zones } = useDeskPiece();
    const { selected } = useChosen();
    const { lit } = useOverlay();
    const { selectZone } = useHands();
    const draws = isDrawing(useLocation().pathname);
    if (zones.length === 0) return <p>Click the photo to sample a colour.</p>;

    return (
        <ZoneStrip
            zones={zones}
            chosen={(draws ? lit?.zones[0] : undefined) ?? selected?.zone?.id ?? null}
            onChoose={selectZone}
        />
    );
}

/** The reference, how it is shown, and its zones. */
function LeftColumn() {
    const { title } = useDeskAbout();
    const draws = isDrawing(useLocation().pathname);
    const zoom = useZoom();

    return (
        <>
            <DeskKeys zoom={zoom} />
            <Left aria-label="Reference" data-draws={draws || undefined}>
                <Head>
                    <b>{title}</b>
                    <Saved />
                </Head>
                <Picture />
                <PictureTools />
                <Zones />
            </Left>
        </>
    );
}

/** The stages in the order of work. What is chosen comes along: it is looked up when one reaches for the link. */
function StageLinks() {
    const { id } = useDeskAbout();
    const address = useAddressNow();
    const [search, setSearch] = useState('');
    const reach = () => setSearch(address.current.written());

    return (
        <Stages aria-label="Stages" onPointerDown={reach} onPointerEnter={reach} onFocus={reach}>
            {STAGES.map((stage, index) => (
                <NavLink key={stage.path} to={{ pathname: `/pieces/${id}/${stage.path}`, search }}>
                    <small>{index + 1}</small> {stage.name}
                </NavLink>
            ))}
        </Stages>
    );
}

/** The stage at hand. Another stage is told by its name, and one reads on from there. */
function RightColumn() {
    const { title } = useDeskAbout();
    const { pathname } = useLocation();
    const stage = STAGES.find(({ path }) => pathname.endsWith(`/${path}`));
    const body = useRef<HTMLDivElement>(null);
    const opened = useRef(pathname);
    useEffect(() => {
        if (opened.current === pathname) return;
        opened.current = pathname;
        if (!body.current) return;
        body.current.focus({ preventScroll: true });
        body.current.scrollTop = 0;
    }, [pathname]);

    return (
        <Right>
            <title>{`${stage ? `${stage.name}: ` : ''}${title} – Knotty Prism`}</title>
            <StageLinks />
            <Stage tabIndex={-1} ref={body} role="group" aria-label={stage?.name}>
                <Boundary>
                    <Outlet />
                </Boundary>
            </Stage>
        </Right>
    );
}

/** The same from one drawing of the desk to the next: what stands in them is drawn anew by what it listens to. */
const LEFT = <LeftColumn />;
const RIGHT = <RightColumn />;

/** One piece: the reference on the left and never away, the stage at hand on the right, one selection between them. */
export function Desk() {
    const { piece: id = '' } = useParams();
    const piece = usePiece(id);
    const [zoom] = useState(() => new Zoom());
    // The other stages come along: they open at once, and without a network too.
    useEffect(() => {
        void fetchPagesAt(`/pieces/${id}`);
    }, [id]);

    const gone = piece.error instanceof Refusal && piece.error.status === 404;
    if (piece.isError && (gone || !piece.data)) {
        return (
            <Missing title={gone ? 'No such piece' : 'The piece could not be opened'}>
                <p>{messageOf(piece.error)}</p>
                {!gone && <Button onPress={() => void piece.refetch()}>Try again</Button>}
                <Link to="/pieces">To your pieces</Link>
            </Missing>
        );
    }
    if (!piece.data) return <Loading what="Opening the piece" />;

    return (
        <ZoomContext value={zoom}>
            <Layout>
                <DeskState key={id} piece={piece.data} picture={LEFT} stage={RIGHT} />
            </Layout>
        </ZoomContext>
    );
}
