import { Label, Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import { messageOf, type SchoolAnswers } from '../api/client';
import { useSchools } from '../api/schoolQueries';
import { Loading, Problem } from '../ui/States';
import { radius, space, type } from '../ui/theme';
import drawn from './schools.json';

/** By question and school, how two things look after each fifth of the turns: colours beside one another, time downwards. */
const PICTURES: Record<string, Record<string, string[][]>> = drawn;

const Question = styled(RadioGroup)`
    display: grid;
    gap: ${space.s};
    padding: ${space.m} 0;
    border-top: 1px solid ${({ theme }) => theme.line};
    & > .react-aria-Label {
        font-size: ${type.body};
        font-weight: 640;
    }
`;

const Cards = styled.div`
    display: flex;
    flex-wrap: wrap;
    gap: ${space.s};
`;

const Card = styled(Radio)`
    display: grid;
    gap: ${space.xs};
    width: 172px;
    padding: ${space.s};
    border: 1px solid ${({ theme }) => theme.line};
    border-radius: ${radius};
    background: ${({ theme }) => theme.panel};
    font-size: ${type.small};
    line-height: 1.3;
    cursor: pointer;
    &[data-selected] {
        border-color: ${({ theme }) => theme.ink};
        box-shadow: inset 0 0 0 2px ${({ theme }) => theme.ink};
        font-weight: 640;
    }
    &[data-focus-visible] {
        outline: 3px solid ${({ theme }) => theme.ink};
        outline-offset: 2px;
    }
`;

const Strip = styled.svg`
    display: block;
    width: 100%;
    height: 78px;
    padding: 6px;
    background: ${({ theme }) => theme.surround};
    forced-color-adjust: none;
`;

/** Of which two things the colours are: a little apart. */
const APART = 3;
const GAP = 0.35;

/** How a drawing comes on by one school, from paper to finished. */
export function SchoolPicture({ rows }: { rows: string[][] }) {
    const columns = rows[0]?.length ?? 0;

    return (
        <Strip
            viewBox={`0 0 ${columns + GAP} ${rows.length}`}
            preserveAspectRatio="none"
            shapeRendering="crispEdges"
            aria-hidden
        >
            {rows.flatMap((row, y) =>
                row.map((hex, x) => (
                    <rect key={`${x} ${y}`} x={x + (x >= APART ? GAP : 0)} y={y} width={1} height={1} fill={hex} />
                )),
            )}
        </Strip>
    );
}

interface Props {
    chosen: SchoolAnswers;
    onChoose: (answers: SchoolAnswers) => void;
}

/** The questions on which artists disagree, each school with a picture of what it does where it shows in the colours. */
export function SchoolPictures({ chosen, onChoose }: Props) {
    const schools = useSchools();
    if (schools.isError) return <Problem message={messageOf(schools.error)} retry={() => void schools.refetch()} />;
    if (!schools.data) return <Loading what="Fetching the schools" />;

    return schools.data.questions.map((question) => {
        const school = question.schools.find(({ id }) => id === chosen[question.id]);
        const pictures = PICTURES[question.id] ?? {};
        // Where all come to the same colours, the words say what there is to say.
        const differ = new Set(Object.values(pictures).map((rows) => JSON.stringify(rows))).size > 1;

        return (
            <Question
                key={question.id}
                data-testid={`school-${question.id}`}
                value={school?.id ?? null}
                onChange={(id) => onChoose({ [question.id]: id })}
            >
                <Label>{question.name}</Label>
                <Cards>
                    {question.schools.map(({ id, name }) => (
                        <Card key={id} value={id}>
                            {differ && pictures[id] && <SchoolPicture rows={pictures[id]} />}
                            {name}
                        </Card>
                    ))}
                </Cards>
                <p>{school?.sentence}</p>
            </Question>
        );
    });
}
