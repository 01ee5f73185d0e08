import { useEffect, useRef, useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import { messageOf, type DrillKind, type DrillRound } from '../api/client';
import { Button, StrongButton } from '../ui/Button';
import { singleKeysAreOn } from '../ui/keys';
import { Page } from '../ui/Page';
import { Loading, Problem } from '../ui/States';
import { radius, space, target, type } from '../ui/theme';
import { Tick } from '../ui/Tick';
import { useKeptState } from '../ui/useKeptState';
import { useKeys } from '../ui/useKeys';
import { PhotoAsked } from './PhotoAsked';
import { useAnswer, useRound } from './practiceQueries';

const Patches = styled.div`
    display: flex;
    margin-top: ${space.m};
    flex-wrap: wrap;
    gap: ${space.m};
    padding: ${space.l};
    background: ${({ theme }) => theme.surround};
    & figure {
        display: grid;
        gap: ${space.xs};
        margin: 0;
        font-size: ${type.small};
        color: ${({ theme }) => theme.ink};
    }
    & i {
        display: block;
        width: 150px;
        height: 150px;
        forced-color-adjust: none;
    }
    & i[data-ground] {
        padding: 60px;
        width: 300px;
        height: 270px;
    }
    & i > i {
        width: 100%;
        height: 100%;
    }
`;

const Shown = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: start;
    gap: ${space.m};
`;

const Options = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.s};
    margin: ${space.m} 0;
`;

const Choice = styled(AriaButton)`
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    align-items: center;
    gap: ${space.s};
    min-width: ${target.usual};
    min-height: 44px;
    padding: ${space.s} ${space.m};
    border: 1px solid ${({ theme }) => theme.quiet};
    border-radius: ${radius};
    background: ${({ theme }) => theme.raised};
    color: ${({ theme }) => theme.ink};
    font-size: ${type.body};
    text-align: start;
    cursor: pointer;
    & > i {
        grid-column: 1 / -1;
        width: 104px;
        height: 64px;
        forced-color-adjust: none;
    }
    & > small {
        font-variant-numeric: tabular-nums;
        color: ${({ theme }) => theme.quiet};
    }
    &[data-hovered] {
        border-color: ${({ theme }) => theme.ink};
    }
    &[data-focus-visible] {
        outline: 2px solid ${({ theme }) => theme.ink};
        outline-offset: 2px;
    }
    &[aria-pressed='true'] {
        border-width: 3px;
        border-color: ${({ theme }) => theme.ink};
        font-weight: 680;
    }
    &[data-disabled] {
        cursor: default;
    }
`;

const Foot = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.m};
    margin-top: ${space.m};
`;

const Told = styled.section`
    display: grid;
    gap: ${space.s};
    max-width: 68ch;
    & strong {
        font-size: ${type.lead};
    }
`;

type Question = DrillRound['questions'][number];

interface Props {
    id: string;
    onAgain: (kind: DrillKind) => void;
}

/** A round: one question after the other, answered by press or key, each told at once. */
export function Round({ id, onAgain }: Props) {
    const round = useRound(id);
    const answer = useAnswer(id);
    // Which question is looked at: the next one only when the answer was read.
    const [seen, setSeen] = useState<number | null>(null);
    const heading = useRef<HTMLHeadingElement>(null);
    const data = round.data;
    const open = data ? data.questions.findIndex(({ answered }) => answered === null) : 0;
    const at = seen ?? (open < 0 ? (data?.questions.length ?? 0) : open);
    useEffect(() => heading.current?.focus(), [at]);
    if (round.isError) return <Problem message={messageOf(round.error)} retry={() => void round.refetch()} />;
    if (!data) return <Loading what="Opening the round" />;
    const question = data.questions[at];
    if (!question) return <Done round={data} onAgain={onAgain} />;

    return (
        <Page>
            <title>{`${data.name} – Knotty Prism`}</title>
            <p>
                <Link to="/practice">Practice</Link> · {data.name}, level {data.level} · question {at + 1} of{' '}
                {data.questions.length}, {data.right} right
            </p>
            <h1 ref={heading} tabIndex={-1} style={{ outline: 'none' }}>
                {question.asks}
            </h1>
            <Asked
                key={at}
                question={question}
                isOrder={data.isOrder}
                isBusy={answer.isPending}
                onAnswer={(given) => {
                    setSeen(at);
                    answer.mutate({ question: at, answer: given });
                }}
                onNext={() => setSeen(at + 1)}
            />
            {answer.isError && <Problem message={messageOf(answer.error)} />}
        </Page>
    );
}

interface AskedProps {
    question: Question;
    isOrder: boolean;
    isBusy: boolean;
    onAnswer: (answer: string[]) => void;
    onNext: () => void;
}

/** Whether colours are told in words, too; kept for the next time. */
const WORDS = 'prism.practice-in-words';

function Asked({ question, isOrder, isBusy, onAnswer, onNext }: AskedProps) {
    const [chosen, setChosen] = useState<string[]>([]);
    const [inWords, setInWords] = useKeptState(WORDS, false);
    const { options, answered } = question;
    const choose = (id: string) => {
        if (answered || isBusy || chosen.includes(id)) return;
        const next = isOrder ? [...chosen, id] : [id];
        setChosen(next);
        if (next.length === question.picks) onAnswer(next);
    };
    useKeys({
        answer: (key) => {
            const option = options[Number(key) - 1];
            if (option) choose(option.id);
        },
    });
    // Who answers by keys goes on by them.
    const next = useRef<HTMLDivElement>(null);
    useEffect(() => {
        if (answered) next.current?.querySelector('button')?.focus();
    }, [answered]);
    const given = answered?.answer ?? chosen;
    const called = (id: string) => options.find((option) => option.id === id)?.label ?? id;

    return (
        <>
            <Shown>
                {question.picture && (
                    <PhotoAsked
                        url={question.picture.url}
                        spots={question.picture.spots}
                        names={question.picture.spots.length > 1 ? options.map(({ label }) => label) : []}
                    />
                )}
                {question.patches.length > 0 && (
                    <Patches>
                        {question.patches.map(({ label, hex, ground, words }) => (
                            <figure key={label}>
                                {ground === null ? (
                                    <i style={{ background: hex }} role="img" aria-label={`${label}: ${words}`} />
                                ) : (
                                    <i
                                        data-ground
                                        style={{ background: ground }}
                                        role="img"
                                        aria-label={`${label}: ${words}, on a ground`}
                                    >
                                        <i style={{ background: hex }} />
                                    </i>
                                )}
                                <figcaption>
                                    {label}
                                    {inWords && `: ${words}`}
                                </figcaption>
                            </figure>
                        ))}
                    </Patches>
                )}
            </Shown>
            <Options role="group" aria-label="Answers">
                {options.map(({ id, label, hex, words }, index) => (
                    <Choice
                        key={id}
                        aria-pressed={given.includes(id)}
                        isDisabled={answered !== null}
                        onPress={() => choose(id)}
                    >
                        {hex !== null && <i style={{ background: hex }} aria-hidden />}
                        {label !== String(index + 1) && <small aria-hidden>{index + 1}</small>}
                        <span>
                            {label}
                            {words !== null && (
                                <span className={inWords ? undefined : 'visually-hidden'}>: {words}</span>
                            )}
                            {isOrder && given.includes(id) && <b> · {given.indexOf(id) + 1}</b>}
                        </span>
                    </Choice>
                ))}
            </Options>
            {isOrder && !answered && chosen.length > 0 && (
                <Button onPress={() => setChosen(chosen.slice(0, -1))}>Take the last one back</Button>
            )}
            {answered && (
                <Told role="status" data-testid="told">
                    <strong>{answered.isRight ? 'Right.' : `No: ${answered.right.map(called).join(', ')}.`}</strong>
                    <p>{answered.because}</p>
                    <div ref={next}>
                        <StrongButton onPress={onNext}>Next</StrongButton>
                    </div>
                </Told>
            )}
            <Foot>
                <Tick isSelected={inWords} onChange={setInWords}>
                    Tell colours in words, too
                </Tick>
                {!answered && singleKeysAreOn() && <small>Keys 1 to {options.length} answer.</small>}
            </Foot>
        </>
    );
}

function Done({ round, onAgain }: { round: DrillRound; onAgain: (kind: DrillKind) => void }) {
    const again = useRef<HTMLParagraphElement>(null);
    useEffect(() => again.current?.querySelector('button')?.focus(), []);

    return (
        <Page>
            <title>{`${round.name} – Knotty Prism`}</title>
            <h1>
                {round.right} of {round.questions.length} right
            </h1>
            <p>
                {round.name}, level {round.level}.{' '}
                {round.right * 5 >= 4 * round.questions.length
                    ? 'It gets harder, and comes again later.'
                    : 'It comes again tomorrow.'}
            </p>
            <p ref={again} style={{ marginTop: 12 }}>
                <StrongButton onPress={() => onAgain(round.kind)}>Another round</StrongButton>{' '}
                <Link to="/practice">To all drills</Link>
            </p>
        </Page>
    );
}
