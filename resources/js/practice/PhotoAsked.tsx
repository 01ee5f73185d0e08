import styled from 'styled-components';
import { space, type } from '../ui/theme';

const Seen = styled.div`
    position: relative;
    width: fit-content;
    max-width: 100%;
    margin-top: ${space.m};
    & > img {
        display: block;
        max-width: 100%;
        max-height: 380px;
    }
    & > b {
        position: absolute;
        width: 22px;
        height: 22px;
        translate: -50% -50%;
        border: 2px solid #fff;
        border-radius: 50%;
        outline: 2px solid #000;
        font-size: ${type.body};
    }
    /* Beside the place, which stays free. */
    & span {
        position: absolute;
        left: 22px;
        top: -4px;
        padding: 0 5px;
        background: #000;
        color: #fff;
        line-height: 1.5;
    }
`;

interface Props {
    url: string;
    /** Shares of its width and height. */
    spots: number[][];
    /** What the places are called, where there are several. */
    names?: string[];
}

/** A photo of one's own, with the places in it that are asked of: a ring each. */
export function PhotoAsked({ url, spots, names = [] }: Props) {
    return (
        <Seen>
            <img src={url} alt="What it is asked of, with its places" />
            {spots.map(([x = 0, y = 0], index) => (
                <b key={index} style={{ left: `${100 * x}%`, top: `${100 * y}%` }}>
                    {names[index] !== undefined && <span>{names[index]}</span>}
                </b>
            ))}
        </Seen>
    );
}
