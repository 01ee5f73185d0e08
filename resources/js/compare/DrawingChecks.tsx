import { useState } from 'react';
import { Disclosure, DisclosurePanel, FileTrigger, Button as AriaButton } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type Review } from '../api/client';
import { useDrawingLog } from '../api/kept';
import { useReviews } from '../api/queries';
import { useView } from '../desk/address';
import { useChosen, useDeskPiece, useHands } from '../desk/DeskContext';
import { Measure } from '../desk/Measure';
import { Button, buttonLook, StrongButton } from '../ui/Button';
import { Problem } from '../ui/States';
import { space, type } from '../ui/theme';
import { Tick } from '../ui/Tick';
import { Toggle } from '../ui/Toggle';
import { WorkProgress } from '../ui/WorkProgress';
import { counted } from '../ui/words';
import { BothTools } from './BothTools';
import { CornersFrame } from './CornersFrame';
import { HandLearnt } from './HandLearnt';
import { History } from './History';
import { NextTurns } from './NextTurns';
import { ReviewedPicture } from './ReviewedPicture';
import { useReviewing, type Corner } from './reviewQueries';
import { Simulated } from './Simulated';
import { SpotInBoth } from './SpotInBoth';
import { Sign } from '../ui/Sign';

/** Mean value error, steps, from which a drill is offered. */
const WORTH_PRACTICE = 0.6;

const Section = styled.section`
    display: grid;
    gap: ${space.m};
    & h3 {
        font-size: ${type.lead};
    }
`;

const Tools = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: ${space.s};
`;

const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s};
`;

const Places = styled.ol`
    display: grid;
    gap: ${space.s};
    & button {
        padding: 0;
        border: 0;
        background: none;
        font-weight: 600;
        cursor: pointer;
        text-align: start;
        min-height: 24px;
    }
`;

const Opener = styled(AriaButton)`
    ${buttonLook}
`;

/** Places that are said at once; the rest is folded. */
const FIRST = 3;
/** Where corners are looked for first, before anything is known. */
const ABOUT: Corner[] = [
    [0.1, 0.1],
    [0.9, 0.1],
    [0.9, 0.9],
    [0.1, 0.9],
];
const PICTURES = ['image/jpeg', 'image/png', 'image/webp'];

type Zone = Review['zones'][number];

function ZoneWords({ zones }: { zones: Zone[] }) {
    const piece = useDeskPiece();
    const { selectZone } = useHands();

    return (
        <Places>
            {zones.map(({ id, name, words }) => (
                <li key={id}>
                    {piece.zones.some((zone) => zone.id === id) ? (
                        <button type="button" onClick={() => selectZone(id)}>
                            {name}
                        </button>
                    ) : (
                        <b>{name}</b>
                    )}
                    : {words}
                </li>
            ))}
        </Places>
    );
}

/** Photos of the drawing beside the reference: where it is off, value first. */
export function DrawingChecks() {
    const piece = useDeskPiece();
    const reviews = useReviews(piece.id);
    const log = useDrawingLog(piece.id);
    const [told, setTold] = useState<boolean | null>(null);
    // As it was the last time, until told otherwise.
    const taped = told ?? reviews.data?.[0]?.taped ?? false;
    const { take, again, simulate, problem, work, open, cancel } = useReviewing(piece.id, taped);
    const { check: chosen, chooseCheck } = useView();
    const { selected } = useChosen();
    const [hatches, setHatches] = useState(true);
    const review = reviews.data?.find(({ photo }) => photo === chosen) ?? reviews.data?.[0];
    const photo = log.data?.find(({ mark }) => mark === review?.photo)?.photo;
    // What could not be found can be shown.
    const latest = log.data?.find((entry) => entry.photo !== null);
    const refused =
        work?.state === 'failed' && !reviews.data?.some(({ photo: of }) => of === latest?.mark) ? latest : undefined;
    const ofChosen = review?.zones.find(({ id }) => id === selected?.zone?.id);
    const off = review?.zones.filter(({ state, isToCome }) => state !== 'near' && !isToCome) ?? [];
    const toCome = review?.zones.filter(({ isToCome }) => isToCome).length ?? 0;
    const choose = (files: FileList | null) => {
        const file = files?.[0];
        if (!file) return;
        chooseCheck(null);
        take(file);
    };

    return (
        <Section aria-labelledby="drawing-checks" data-testid="checks">
            <h2 id="drawing-checks">Your drawing beside the photo</h2>
            {!review && !open && (
                <p>
                    Photograph the drawing from above, with white paper all round it, in even light. It is set straight,
                    freed of the lamp’s colour and compared zone by zone.
                </p>
            )}
            <Tools>
                <FileTrigger acceptedFileTypes={['image/*']} defaultCamera="environment" onSelect={choose}>
                    <StrongButton isDisabled={open}>Take a photo of the drawing</StrongButton>
                </FileTrigger>
                <FileTrigger acceptedFileTypes={PICTURES} onSelect={choose}>
                    <Button isDisabled={open}>Choose a photo</Button>
                </FileTrigger>
                <Tick isSelected={taped} onChange={setTold}>
                    Tape lies round it
                </Tick>
            </Tools>
            {!review && <Simulated isDisabled={open} onSimulate={simulate} />}
            {work && open && <WorkProgress work={work} onCancel={() => cancel.mutate(work.id)} />}
            {problem && <Problem message={messageOf(problem)} />}
            {work?.state === 'failed' && (
                <p role="alert">
                    <b>!</b> {work.problem}
                </p>
            )}
            {refused?.photo && (
                <Disclosure key={refused.mark}>
                    <Opener slot="trigger">
                        Set its corners by hand <Sign of="more" />
                    </Opener>
                    <DisclosurePanel>
                        <CornersFrame
                            photo={refused.photo}
                            corners={ABOUT}
                            isDisabled={open}
                            onSet={(corners) => again(refused.mark, corners)}
                        />
                    </DisclosurePanel>
                </Disclosure>
            )}
            {review && (
                <>
                    <p>{[review.range, review.meanErrorWords, review.course].filter(Boolean).join(' ')}</p>
                    {review.meanSteps >= WORTH_PRACTICE && (
                        <p>
                            Values are missed by more than half a step:{' '}
                            <Link to="/practice?drill=value">practise value</Link>, five questions.
                        </p>
                    )}
                    <ReviewedPicture review={review} hatches={hatches && !review.onlyLines} />
                    {!review.onlyLines && (
                        <Row>
                            <Toggle isSelected={hatches} onChange={setHatches}>
                                Where values are off
                            </Toggle>
                            {hatches && (
                                <span>
                                    Rising lines: too light. Falling lines: too dark.
                                    {review.hidden > 0 && ' Dots: not judged.'}
                                </span>
                            )}
                        </Row>
                    )}
                    <BothTools />
                    <SpotInBoth photo={review.photo} />
                    <Measure hasDrawing />
                    {ofChosen && (
                        <p aria-live="polite">
                            <b>{ofChosen.name}</b>: {ofChosen.words}
                        </p>
                    )}
                    {review.warnings.map((warning) => (
                        <p key={warning}>
                            <b>!</b> {warning}
                        </p>
                    ))}
                    {off.length === 0 && !review.onlyLines && (
                        <p>Leave it: nothing is off by more than the eye sees.</p>
                    )}
                    {off.length > 0 && !review.onlyLines && (
                        <>
                            <h3>{off.length > FIRST ? 'Three places that need the hand' : 'What needs the hand'}</h3>
                            <ZoneWords zones={off.slice(0, FIRST)} />
                        </>
                    )}
                    {[...review.outlines, ...review.merged, ...review.lost].map((words) => (
                        <p key={words}>{words}</p>
                    ))}
                    {toCome > 0 && <p>Still to come by the plan: {counted(toCome, 'zone')}.</p>}
                    <NextTurns review={review} />
                    {review.hand && <HandLearnt photo={review.photo} hand={review.hand} />}
                    {reviews.data && reviews.data.length > 1 && (
                        <History reviews={reviews.data} chosen={review.photo} onChoose={chooseCheck} />
                    )}
                    <Disclosure key={review.photo}>
                        <Opener slot="trigger">
                            All zones <Sign of="more" />
                        </Opener>
                        <DisclosurePanel>
                            <ZoneWords zones={review.zones} />
                        </DisclosurePanel>
                    </Disclosure>
                    {photo && (
                        <Disclosure key={`corners ${review.photo} ${review.straight}`}>
                            <Opener slot="trigger">
                                Corners of the drawing <Sign of="more" />
                            </Opener>
                            <DisclosurePanel>
                                <CornersFrame
                                    photo={photo}
                                    corners={review.corners as Corner[]}
                                    isDisabled={open}
                                    onSet={(corners) => again(review.photo, corners)}
                                />
                            </DisclosurePanel>
                        </Disclosure>
                    )}
                    <Simulated isDisabled={open} onSimulate={simulate} />
                </>
            )}
        </Section>
    );
}
