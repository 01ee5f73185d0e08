import { NavLink } from 'react-router';
import styled from 'styled-components';
import { space } from './theme';

const Bar = styled.nav`
    display: flex;
    flex-wrap: wrap;
    gap: 0 ${space.l};
    padding: 0 ${space.xl};
    border-bottom: 1px solid ${({ theme }) => theme.line};
    background: ${({ theme }) => theme.panel};
    & a {
        text-decoration: none;
        line-height: 40px;
        border-bottom: 3px solid transparent;
    }
    & a[aria-current='page'] {
        font-weight: 700;
        border-bottom-color: currentcolor;
    }
`;

interface Props {
    label: string;
    links: { to: string; name: string; end?: boolean }[];
}

/** The pages of one place. */
export function SubNav({ label, links }: Props) {
    return (
        <Bar aria-label={label}>
            {links.map((link) => (
                <NavLink key={link.to} to={link.to} end={link.end}>
                    {link.name}
                </NavLink>
            ))}
        </Bar>
    );
}
