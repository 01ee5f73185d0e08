import styled from 'styled-components';
import { messageOf, type SchoolAnswers } from '../api/client';
import { useSchools } from '../api/schoolQueries';
import { Button } from './Button';
import { Choice } from './Choice';
import { Loading, Problem } from './States';
import { space, target, type } from './theme';

const Rows = styled.div`
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(440px, 100%), 1fr));
    gap: ${space.m} ${space.l};
`;

const Row = styled.div`
    display: grid;
    grid-template-columns: 220px minmax(0, 1fr);
    gap: 0 ${space.m};
    align-items: end;
    & > p {
        font-size: ${type.small};
        line-height: 1.35;
        padding-bottom: 2px;
    }
    & > p button {
        min-height: ${target.usual};
        padding: 0 8px;
        font-size: ${type.small};
    }
`;

interface Props {
    /** What holds now, by question. */
    chosen: SchoolAnswers;
    /** Questions answered here, not further up. */
    own: string[];
    /** Where an answer comes from that is not given here, as in "as in the studio". */
    from: string | null;
    /** Only these questions. */
    only?: string[];
    without?: string[];
    onChoose: (answers: SchoolAnswers) => void;
}

/** The questions on which artists disagree: one school of each, explained in one sentence. */
export function SchoolRows({ chosen, own, from, only, without = [], onChoose }: Props) {
    const schools = useSchools();
    if (schools.isError) return <Problem message={messageOf(schools.error)} retry={() => void schools.refetch()} />;
    if (!schools.data) return <Loading what="Fetching the schools" />;
    const questions = schools.data.questions.filter(({ id }) => (only?.includes(id) ?? true) && !without.includes(id));

    return (
        <Rows>
            {questions.map((question) => {
                const school = question.schools.find(({ id }) => id === chosen[question.id]);

                return (
                    <Row key={question.id} data-testid={`school-${question.id}`}>
                        <Choice
                            label={question.name}
                            value={school?.id ?? ''}
                            options={question.schools}
                            onChange={(id) => onChoose({ [question.id]: id })}
                        />
                        <p>
                            {school?.sentence}{' '}
                            {from !== null && own.includes(question.id) && (
                                <Button
                                    aria-label={`${question.name}: ${from}`}
                                    onPress={() => onChoose({ [question.id]: null })}
                                >
                                    {from}
                                </Button>
                            )}
                        </p>
                    </Row>
                );
            })}
        </Rows>
    );
}
