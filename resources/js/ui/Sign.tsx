import { Check, ChevronDown, Circle, Equal, Square, Star, X } from 'lucide-react';
import { memo } from 'react';
import styled from 'styled-components';

/** What the font that ships does not have, drawn: a machine's own font takes a tenth of a second to be found, and looks otherwise on each. */
const SIGNS = { done: Check, open: Circle, more: ChevronDown, favourite: Star, gone: X, drag: Equal, box: Square };

const Drawn = styled.span`
    display: inline-block;
    width: 1em;
    height: 1em;
    vertical-align: -0.125em;
    & > svg {
        display: block;
        width: 100%;
        height: 100%;
    }
`;

interface Props {
    of: keyof typeof SIGNS;
}

/** As high as the text that it stands in; says nothing to who listens. */
export const Sign = memo(function Sign({ of }: Props) {
    const Shape = SIGNS[of];

    return (
        <Drawn aria-hidden>
            <Shape strokeWidth={2.75} />
        </Drawn>
    );
});
