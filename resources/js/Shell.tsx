import { useState } from 'react';
import { NavLink, Outlet, useNavigate } from 'react-router';
import styled from 'styled-components';
import { useSignOut } from './account/accountQueries';
import { useSession } from './api/queries';
import { Button } from './ui/Button';
import { useDeskLight } from './ui/DeskLight';
import { Sheet } from './ui/Sheet';
import { space, type } from './ui/theme';
import { useShortcuts } from './ui/useShortcuts';

const Layout = styled.div`
    display: grid;
    grid-template-rows: 46px minmax(0, 1fr);
    height: 100%;
`;

const Bar = styled.header`
    display: flex;
    align-items: center;
    gap: ${space.l};
    padding: 0 ${space.m};
    background: ${({ theme }) => theme.bar};
    color: ${({ theme }) => theme.onBar};
    & > strong {
        font-size: ${type.lead};
        letter-spacing: -0.01em;
    }
    & nav {
        display: flex;
        gap: ${space.l};
        flex: 1;
    }
    & nav a {
        text-decoration: none;
        line-height: 46px;
        border-bottom: 3px solid transparent;
    }
    & nav a[aria-current='page'] {
        font-weight: 700;
        border-bottom-color: currentcolor;
    }
    & button {
        min-height: 32px;
        background: transparent;
        color: inherit;
        border-color: currentcolor;
    }
    & button span {
        max-width: 180px;
        overflow: hidden;
        text-overflow: ellipsis;
    }
    & :focus-visible {
        outline-color: currentcolor;
    }
`;

const Keys = styled.dl`
    display: grid;
    grid-template-columns: auto 1fr;
    gap: ${space.s} ${space.l};
    & dt {
        white-space: nowrap;
    }
`;

const SHORTCUTS: [string[], string][] = [
    [['1', '…', '5'], 'Look, Match, Plan, Draw, Compare'],
    [['C'], 'Go to the picture; arrows move the sampled spot'],
    [['[', ']'], 'Smaller or larger sample'],
    [['N', 'P'], 'Next or previous zone'],
    [['G'], 'Greyscale'],
    [['V'], 'Value steps'],
    [['M'], 'Mirror'],
    [['B'], 'Borders of the zones'],
    [['E'], 'A click samples a spot, or chooses a zone'],
    [['+', '−', '0'], 'Nearer, farther, the whole picture'],
    [['Shift', '↑ ↓ ← →'], 'Move the picture, when nearer'],
    [['I'], 'Isolate the sample on neutral'],
    [['U', 'Ctrl Z'], 'Undo, in the stack editor and in Draw'],
    [['Esc'], 'Close the stack editor'],
    [['D', 'S'], 'Done, skip, in Draw'],
    [['?'], 'This list'],
];

/** What stands around every page of the studio. */
export function Shell() {
    const session = useSession();
    const signOut = useSignOut();
    const navigate = useNavigate();
    const { setting, toggle } = useDeskLight();
    const [keysShown, showKeys] = useState(false);
    useShortcuts({ '?': () => showKeys(true) });

    return (
        <Layout>
            <Bar>
                <strong>Knotty Prism</strong>
                <nav aria-label="Places">
                    <NavLink to="/pieces">Pieces</NavLink>
                    <NavLink to="/pencils">Pencils</NavLink>
                    <NavLink to="/swatches">Swatches</NavLink>
                    <NavLink to="/studio">Studio</NavLink>
                </nav>
                <Button onPress={() => showKeys(true)} aria-label="Keys">
                    ?
                </Button>
                <Button onPress={toggle}>{setting === 'dim' ? 'Daylight desk' : 'Dim studio'}</Button>
                <Button onPress={() => signOut.mutate(undefined, { onSuccess: () => void navigate('/') })}>
                    Sign out <span>{session.data?.user?.name}</span>
                </Button>
            </Bar>
            <Outlet />
            <Sheet title="Keys" isOpen={keysShown} onClose={() => showKeys(false)}>
                <Keys>
                    {SHORTCUTS.map(([keys, does]) => (
                        <div key={does} style={{ display: 'contents' }}>
                            <dt>
                                {keys.map((key) => (
                                    <span key={key}>
                                        <kbd>{key}</kbd>{' '}
                                    </span>
                                ))}
                            </dt>
                            <dd>{does}</dd>
                        </div>
                    ))}
                </Keys>
            </Sheet>
        </Layout>
    );
}
