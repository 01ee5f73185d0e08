import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Button as AriaButton, Disclosure, DisclosurePanel } from 'react-aria-components';
import styled from 'styled-components';
import { answered, api, messageOf, type Review } from '../api/client';
import { usePutInForce } from '../api/queries';
import { useDeskPiece } from '../desk/DeskContext';
import { Button, buttonLook } from '../ui/Button';
import { CalledOut } from '../ui/CalledOut';
import { notify } from '../ui/Notices';
import { Swatch } from '../ui/Swatch';
import { space, type } from '../ui/theme';
import { counted } from '../ui/words';
import { Sign } from '../ui/Sign';

const Card = styled.section`
    display: grid;
    gap: ${space.s};
    justify-items: start;
`;

const Opener = styled(AriaButton)`
    ${buttonLook}
`;

const Readings = styled.ul`
    margin-top: ${space.s};
    & li {
        display: grid;
        grid-template-columns: auto minmax(0, 1fr);
        gap: ${space.s} ${space.m};
        align-items: center;
        padding: ${space.xs} 0;
        border-top: 1px solid ${({ theme }) => theme.line};
    }
    & li > span:first-child {
        display: flex;
    }
    & small {
        font-size: ${type.small};
    }
`;

const WHICH = { seen: 'seen', expected: 'expected until now', learnt: 'expected with it' } as const;

type Hand = NonNullable<Review['hand']>;

function useTakeHand(piece: string, photo: string) {
    const client = useQueryClient();

    return useMutation({
        mutationFn: () =>
            answered(api.POST('/api/pieces/{piece}/reviews/{photo}/hand', { params: { path: { piece, photo } } })),
        onSettled: () => client.invalidateQueries(),
    });
}

/** How hard the hand presses against its swatches, by what is seen where the log tells what was laid: shown, offered, and taken back. */
export function HandLearnt({ photo, hand }: { photo: string; hand: Hand }) {
    const piece = useDeskPiece();
    const take = useTakeHand(piece.id, photo);
    const put = usePutInForce();

    return (
        <Card aria-labelledby="hand-learnt" data-testid="hand">
            <h3 id="hand-learnt">Your hand</h3>
            <p>
                It is {hand.words} in this drawing than your swatches say, by {counted(hand.readings.length, 'place')}{' '}
                of which the log tells what lies there. {hand.shifted} of {counted(hand.recipes, 'recipe')} here shift
                with it by more than one notices.
            </p>
            {hand.isInForce ? (
                <Button
                    isDisabled={take.isPending}
                    onPress={() =>
                        take.mutate(undefined, {
                            onSuccess: ({ number, was }) =>
                                notify(`Calibration ${number} reckons with it`, () => put.mutate(was)),
                            onError: (error) => notify(messageOf(error)),
                        })
                    }
                >
                    Reckon with it
                </Button>
            ) : (
                <p>Another calibration is in use since this photo was compared.</p>
            )}
            <Disclosure>
                <Opener slot="trigger">
                    What it was read from <Sign of="more" />
                </Opener>
                <DisclosurePanel>
                    <p>
                        <small>From the left: as it is seen, as expected until now, as expected with this hand.</small>
                    </p>
                    <Readings aria-label="Seen, expected until now, expected with this hand">
                        {hand.readings.map((reading) => (
                            <li key={`${reading.name} ${reading.stack}`}>
                                <span>
                                    {(['seen', 'expected', 'learnt'] as const).map((which) => (
                                        <Swatch
                                            key={which}
                                            colour={reading[which]}
                                            label={`${reading.name}, ${WHICH[which]}`}
                                            width="40px"
                                            height="30px"
                                        />
                                    ))}
                                </span>
                                <span>
                                    {reading.name} <CalledOut stack={reading.stack} />
                                </span>
                            </li>
                        ))}
                    </Readings>
                </DisclosurePanel>
            </Disclosure>
        </Card>
    );
}
