import { useState } from 'react';
import { NavLink, Outlet, useNavigate } from 'react-router';
import styled from 'styled-components';
import { useSignOut } from './account/accountQueries';
import { useSession } from './api/queries';
import { Boundary } from './ui/Boundary';
import { Button } from './ui/Button';
import { useDeskLight } from './ui/DeskLight';
import { KEYS, setSingleKeys, singleKeysAreOn, spokenKey } from './ui/keys';
import { Sheet } from './ui/Sheet';
import { UPRIGHT, space, target, type } from './ui/theme';
import { Tick } from './ui/Tick';
import { useKeys } from './ui/useKeys';

const Layout = styled.div`
    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    height: 100%;
`;

const Bar = styled.header`
    display: flex;
    align-items: center;
    gap: 0 ${space.l};
    min-height: 46px;
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
        min-height: ${target.usual};
        background: transparent;
        color: inherit;
        border-color: currentcolor;
    }
    & > span {
        max-width: 140px;
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
    }
    /* A window that is magnified: the places go below. */
    @media (max-width: 700px) {
        flex-wrap: wrap;
        & > strong {
            flex: 1;
        }
        & nav {
            order: 1;
            flex-basis: 100%;
            flex-wrap: wrap;
        }
    }
    @media ${UPRIGHT} {
        gap: 0 ${space.m};
        & nav {
            gap: 0 ${space.m};
        }
        & > strong {
            white-space: nowrap;
        }
        & > span {
            display: none;
        }
    }
    /* Upright the places need the room of the name. */
    @media ${UPRIGHT} and (min-width: 701px) {
        & > strong {
            display: none;
        }
    }
    & :focus-visible {
        outline-color: currentcolor;
    }
`;

/** Seen once it has the focus: past the bar with one press. */
const Skip = styled.a`
    position: absolute;
    z-index: 50;
    inset-block-start: -60px;
    padding: ${space.m};
    background: ${({ theme }) => theme.raised};
    color: ${({ theme }) => theme.ink};
    &:focus {
        inset-block-start: 0;
    }
`;

const Content = styled.div`
    min-height: 0;
    height: 100%;
    outline: none;
`;

const Keys = styled.dl`
    display: grid;
    grid-template-columns: auto 1fr;
    gap: ${space.s} ${space.l};
    & dt {
        white-space: nowrap;
    }
`;

/** What stands around every page of the studio. */
export function Shell() {
    const session = useSession();
    const signOut = useSignOut();
    const navigate = useNavigate();
    const { setting, toggle } = useDeskLight();
    const [keysShown, showKeys] = useState(false);
    const [single, setSingle] = useState(singleKeysAreOn);
    useKeys({ help: () => showKeys(true) });

    return (
        <Layout>
            <Skip href="#content">To the content</Skip>
            <Bar>
                <strong>Knotty Prism</strong>
                <nav aria-label="Places">
                    <NavLink to="/pieces">Pieces</NavLink>
                    <NavLink to="/pencils">Pencils</NavLink>
                    <NavLink to="/swatches">Swatches</NavLink>
                    <NavLink to="/recipes">Recipes</NavLink>
                    <NavLink to="/practice">Practice</NavLink>
                    <NavLink to="/studio">Studio</NavLink>
                </nav>
                <Button onPress={() => showKeys(true)} aria-label="Keys">
                    ?
                </Button>
                <Button onPress={toggle}>{setting === 'dim' ? 'Daylight desk' : 'Dim studio'}</Button>
                <span title={session.data?.user?.name}>{session.data?.user?.name}</span>
                <Button onPress={() => signOut.mutate(undefined, { onSuccess: () => void navigate('/') })}>
                    Sign out
                </Button>
            </Bar>
            <Content id="content" tabIndex={-1}>
                <Boundary>
                    <Outlet />
                </Boundary>
            </Content>
            <Sheet title="Keys" isOpen={keysShown} onClose={() => showKeys(false)}>
                <Tick
                    isSelected={single}
                    onChange={(on) => {
                        setSingleKeys(on);
                        setSingle(on);
                    }}
                >
                    Single keys work
                </Tick>
                <Keys>
                    {Object.values(KEYS).map(({ keys, does }) => (
                        <div key={does} style={{ display: 'contents' }}>
                            <dt>
                                {keys.map((key) => (
                                    <span key={key}>
                                        <kbd>{spokenKey(key)}</kbd>{' '}
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
