import { css } from 'styled-components';

/** A line and a thumb that a finger can hold, in every slider. */
export const sliderLook = css`
    & .track {
        position: relative;
        height: 26px;
    }
    & .track::before {
        content: '';
        position: absolute;
        inset: 12px 0;
        height: 2px;
        background: ${({ theme }) => theme.quiet};
    }
    & .thumb {
        top: 50%;
        /* Held by more than is seen of it. */
        width: 24px;
        height: 24px;
        padding: 0 4px;
        background: ${({ theme }) => theme.ink} content-box;
        border-radius: 2px;
    }
    & .thumb[data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
        outline-offset: 2px;
    }
`;
