import { Button as AriaButton } from 'react-aria-components';
import { Link } from 'react-router';
import styled, { css } from 'styled-components';
import { radius, space, target, type } from './theme';

export const buttonLook = css`
    display: inline-flex;
    align-items: center;
    justify-content: center;
    gap: ${space.s};
    min-height: ${target.usual};
    padding: 0 ${space.m};
    border: 1px solid ${({ theme }) => theme.quiet};
    border-radius: ${radius};
    background: ${({ theme }) => theme.raised};
    color: ${({ theme }) => theme.ink};
    font-size: ${type.body};
    font-weight: 520;
    text-decoration: none;
    white-space: nowrap;
    cursor: pointer;
    /* Links that look like it too. */
    @media (pointer: coarse) {
        min-height: ${target.touch};
        min-width: ${target.touch};
    }
    &[data-hovered],
    &:hover {
        border-color: ${({ theme }) => theme.ink};
    }
    &[data-pressed] {
        background: ${({ theme }) => theme.line};
    }
    &[data-disabled] {
        opacity: 0.5;
        cursor: default;
    }
`;

export const Button = styled(AriaButton)`
    ${buttonLook}
`;

/** The one thing to do next. */
export const StrongButton = styled(Button)`
    background: ${({ theme }) => theme.strong};
    border-color: ${({ theme }) => theme.strong};
    color: ${({ theme }) => theme.onStrong};
    font-weight: 620;
    &[data-pressed] {
        background: ${({ theme }) => theme.ink};
    }
`;

/** A page that is gone to at a press. */
export const LinkButton = styled(Link)`
    ${buttonLook}
`;

/** A file that is fetched at a press. */
export const DownloadLink = styled.a`
    ${buttonLook}
`;

/** A button that is only a sign; it needs an aria-label. */
export const SignButton = styled(Button)`
    width: ${target.usual};
    padding: 0;
    border-color: transparent;
    background: transparent;
`;
