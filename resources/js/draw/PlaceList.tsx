import styled from 'styled-components';
import type { ReactNode } from 'react';
import { Checkbox } from 'react-aria-components';
import type { Turn } from '../api/client';
import { Button } from '../ui/Button';
import { Sign } from '../ui/Sign';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { placeWords } from '../ui/turns';

type Place = Turn['places'][number];

const List = styled.ul`
    display: grid;
    & > li {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 132px 60px;
        gap: ${space.s};
        align-items: center;
        padding: ${space.xs} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & small {
        display: block;
        font-size: ${type.small};
        color: ${({ theme }) => theme.quiet};
    }
    & > li > button {
        min-height: 48px;
        padding: 0;
    }
`;

/** A box as large as a little finger, and all of its words. */
const Tick = styled(Checkbox)`
    display: grid;
    grid-template-columns: 48px minmax(0, 1fr);
    gap: ${space.s};
    align-items: center;
    min-height: 48px;
    cursor: pointer;
    & > i {
        display: grid;
        place-items: center;
        width: 44px;
        height: 44px;
        border: 2px solid ${({ theme }) => theme.ink};
        font-size: ${type.title};
        font-style: normal;
        line-height: 1;
    }
    &[data-selected] > i {
        background: ${({ theme }) => theme.strong};
        color: ${({ theme }) => theme.onStrong};
    }
    &[data-focus-visible] > i {
        outline: 2px solid ${({ theme }) => theme.ink};
        outline-offset: 2px;
    }
    & b {
        font-size: ${type.lead};
        line-height: 1.25;
    }
`;

const Looks = styled.span`
    display: flex;
    & > * {
        flex: 1;
    }
`;

/** Stands over the colours of all places. */
const Captions = styled.p`
    display: grid;
    grid-template-columns: minmax(0, 1fr) 132px 60px;
    gap: ${space.s};
    font-size: ${type.small};
    color: ${({ theme }) => theme.quiet};
    & > span {
        display: flex;
    }
    & > span > span {
        flex: 1;
    }
`;

interface Props {
    places: Place[];
    /** Of zones, as in the rail. */
    numbers: Map<string, number>;
    /** Coats are said here, since they are not the same everywhere. */
    saysCoats: boolean;
    onMark: (place: Place, done: boolean) => void;
    onLook: (place: Place) => void;
}

const SIGNS: Record<Place['state'], ReactNode> = { open: '', done: <Sign of="done" />, skipped: '–' };

/** Where the turn goes to, ticked place by place: before, after, and what it is to become. */
export function PlaceList({ places, numbers, saysCoats, onMark, onLook }: Props) {
    return (
        <div>
            <Captions aria-hidden>
                <b>Where it goes</b>
                <span>
                    <span>now</span>
                    <span>then</span>
                    <span>end</span>
                </span>
            </Captions>
            <List aria-label="Where it goes" data-testid="turn-places">
                {places.map((place) => (
                    <li key={place.keys.join()} data-state={place.state}>
                        <Tick isSelected={place.state !== 'open'} onChange={(done) => onMark(place, done)}>
                            <i aria-hidden>{SIGNS[place.state]}</i>
                            <span>
                                <b>
                                    {numbers.get(place.zone)} {place.name}
                                </b>
                                {place.state === 'skipped' && ' (skipped)'}
                                <small>
                                    {[
                                        placeWords(place),
                                        saysCoats && place.coats > 1 ? `${place.coats} coats` : '',
                                        place.direction === null
                                            ? place.stroke
                                            : `${place.stroke}, ${Math.round(place.direction)}° from level`,
                                        place.feather === null
                                            ? ''
                                            : `feather ${place.feather} mm into what lies beside`,
                                    ]
                                        .filter(Boolean)
                                        .join('; ')}
                                </small>
                                {place.onlyIf && (
                                    <small>
                                        <strong>Look first.</strong> Lay it only if, beside the photo, it is still off:{' '}
                                        {place.onlyIf}. Else leave it.
                                    </small>
                                )}
                            </span>
                        </Tick>
                        <Looks>
                            {(['before', 'after', 'wanted'] as const).map((which) => (
                                <Swatch
                                    key={which}
                                    colour={place[which]}
                                    label={`${place.name}, ${which}`}
                                    width="44px"
                                    height="48px"
                                />
                            ))}
                        </Looks>
                        <Button aria-label={`Show ${place.name} large`} onPress={() => onLook(place)}>
                            Show
                        </Button>
                    </li>
                ))}
            </List>
        </div>
    );
}
