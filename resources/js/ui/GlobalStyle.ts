import { createGlobalStyle } from 'styled-components';
import { space, target, type } from './theme';

export const GlobalStyle = createGlobalStyle`
    *, *::before, *::after { box-sizing: border-box; }
    html, body, #root { height: 100%; }
    body {
        margin: 0;
        background: ${({ theme }) => theme.desk};
        color: ${({ theme }) => theme.ink};
        font: 400 ${type.body}/1.45 'Inter Variable', system-ui, sans-serif;
        font-feature-settings: 'cv05' 1;
        /* Figures of one width stand in tables and counters alone: in a sentence they pull signs apart. */
        -webkit-font-smoothing: antialiased;
    }
    h1, h2, h3, p, ul, ol, figure, dl, dd { margin: 0; padding: 0; }
    h1, h2, h3 { font-weight: 620; line-height: 1.2; }
    /* Of the scale where nothing else is said: what browsers have for these lies outside it, small below its floor. */
    h1, h2 { font-size: ${type.title}; }
    h3 { font-size: ${type.lead}; }
    small { font-size: ${type.small}; }
    ul, ol { list-style: none; }
    ::placeholder {
        color: ${({ theme }) => theme.quiet};
        font-style: italic;
        opacity: 1;
    }
    button, input, select, textarea { font: inherit; color: inherit; }
    a { color: inherit; text-underline-offset: 3px; }
    :focus-visible { outline: 2px solid ${({ theme }) => theme.ink}; outline-offset: 2px; }
    kbd {
        font: inherit;
        font-weight: 600;
        padding: 1px ${space.xs};
        border: 1px solid ${({ theme }) => theme.quiet};
        border-radius: 3px;
    }
    .visually-hidden {
        position: absolute; width: 1px; height: 1px; overflow: hidden; clip-path: inset(50%); white-space: nowrap;
    }
    /* Under a finger everything that is pressed is larger, whatever its own rule says. */
    @media (pointer: coarse) {
        button:not([data-slim]), select, input:not([type='range'], [type='checkbox'], [type='radio']),
        [role='tab'], [role='option'], [role='menuitem'], nav a {
            min-height: max(var(--least, 0px), ${target.touch}) !important;
            min-width: ${target.touch} !important;
        }
        label[data-rac] { min-height: max(var(--least, 0px), ${target.touch}); }
    }
    @media (prefers-reduced-motion: reduce) { * { transition: none !important; animation: none !important; } }
`;
