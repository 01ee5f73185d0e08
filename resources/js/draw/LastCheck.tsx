import { Link } from 'react-router';
import styled from 'styled-components';
import { useReviews } from '../api/queries';
import { space } from '../ui/theme';

const Row = styled.section`
    display: flex;
    align-items: center;
    gap: ${space.m};
    & img {
        width: 132px;
        height: auto;
        padding: 4px;
        background: ${({ theme }) => theme.surround};
    }
    & a {
        display: inline-block;
        min-height: 48px;
        line-height: 48px;
    }
`;

/** The drawing as it was compared last: what one draws on from. */
export function LastCheck({ piece }: { piece: string }) {
    const last = useReviews(piece).data?.[0];
    if (!last) return null;

    return (
        <Row aria-label="Last check" data-testid="last-check">
            <img
                src={last.straight}
                width={last.width}
                height={last.height}
                alt="Your drawing when it was compared last"
            />
            <div>
                <p>Compared last: {last.onlyLines ? last.range : last.meanErrorWords}</p>
                <Link to={`/pieces/${piece}/compare`}>Compare again</Link>
            </div>
        </Row>
    );
}
