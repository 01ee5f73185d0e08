import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { messageOf, type Brought } from '../api/client';
import { Button, StrongButton } from '../ui/Button';
import { Choice } from '../ui/Choice';
import { notify } from '../ui/Notices';
import { Row, Table } from '../ui/Page';
import { Problem } from '../ui/States';
import { Tick } from '../ui/Tick';
import { counted } from '../ui/words';
import { WorkProgress } from '../ui/WorkProgress';
import { useBringArchive, useLatestRestore, useTakeBack, useTakeIn, type Way } from './archiveQueries';

const WAYS: { id: Way; name: string }[] = [
    { id: 'leave', name: 'Leave the one here' },
    { id: 'beside', name: 'Lay it beside' },
    { id: 'replace', name: 'Put it in its place' },
];

const at = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', hour: '2-digit', minute: '2-digit' });

function summary({ isStudio, counts, pieces }: Brought) {
    const parts = [
        counted(pieces.length, 'piece'),
        counts.box > 0 && `${counted(counts.box, 'pencil')} in the box`,
        counts.swatches > 0 && counted(counts.swatches, 'swatch', 'swatches'),
        counts.calibrations > 0 && counted(counts.calibrations, 'calibration'),
        counts.recipes > 0 && counted(counts.recipes, 'recipe'),
        counts.charts > 0 && counted(counts.charts, 'chart'),
        counts.practice > 0 && `${counted(counts.practice, 'round')} of practice`,
    ].filter(Boolean);

    return `${isStudio ? 'A whole studio' : 'A piece'}: ${parts.join(', ')}.`;
}

/** Takes an archive in, once one has seen what it brings; and takes that back. */
export function TakeIn() {
    const [ways, setWays] = useState<Record<string, Way>>({});
    const [habits, setHabits] = useState(false);
    const bring = useBringArchive();
    const taking = useTakeIn((pieces) => {
        bring.reset();
        notify(pieces === 0 ? 'The archive is taken in' : `The archive is taken in: ${counted(pieces, 'piece')}`);
    });
    const latest = useLatestRestore();
    const takeBack = useTakeBack();
    const brought = bring.data;
    const overwrites =
        brought !== undefined && brought.pieces.some(({ folder, here }) => here && ways[folder] === 'replace');

    return (
        <>
            <Row>
                <FileTrigger
                    acceptedFileTypes={['.zip', 'application/zip']}
                    onSelect={(files) => {
                        const chosen = files?.[0];
                        if (!chosen) return;
                        setWays({});
                        bring.mutate(chosen, { onSuccess: ({ isFirst }) => setHabits(isFirst) });
                    }}
                >
                    <Button isDisabled={taking.open || bring.isPending}>
                        {brought ? 'Choose another archive' : 'Choose an archive'}
                    </Button>
                </FileTrigger>
                {bring.isPending && <span role="status">Looking the archive through</span>}
            </Row>
            {bring.isError && <Problem message={messageOf(bring.error)} />}
            {brought && (
                <section aria-label="What it brings" data-testid="brought">
                    <p style={{ marginTop: 12 }}>{summary(brought)}</p>
                    {brought.notes.map((note) => (
                        <p key={note}>{note}</p>
                    ))}
                    <Table style={{ marginBlock: 12 }}>
                        <thead>
                            <tr>
                                <th>Piece</th>
                                <th>Drawn</th>
                                <th>Here</th>
                                <th>What becomes of it</th>
                            </tr>
                        </thead>
                        <tbody>
                            {brought.pieces.map(({ folder, title, zones, done, photos, here }) => (
                                <tr key={folder}>
                                    <td>{title}</td>
                                    <td>
                                        {done === 0 ? counted(zones, 'zone') : counted(done, 'turn')}
                                        {photos > 0 && `, ${counted(photos, 'photo')}`}
                                    </td>
                                    <td>
                                        {here === null
                                            ? 'not here'
                                            : `${here.title === title ? 'is here' : `is here as ${here.title}`}, ${
                                                  here.done === 0 ? 'not drawn on' : counted(here.done, 'turn')
                                              }`}
                                    </td>
                                    <td>
                                        {here === null ? (
                                            'Comes in'
                                        ) : (
                                            <Choice
                                                label={`What becomes of ${title}`}
                                                hideLabel
                                                value={ways[folder] ?? 'leave'}
                                                options={WAYS}
                                                onChange={(way) => setWays((now) => ({ ...now, [folder]: way }))}
                                            />
                                        )}
                                    </td>
                                </tr>
                            ))}
                        </tbody>
                    </Table>
                    {brought.isStudio && (
                        <Tick isSelected={habits} onChange={setHabits}>
                            Its habits and the calibration it uses, in place of those here
                        </Tick>
                    )}
                    <p>What is here already stays{overwrites ? ', but for the pieces whose place is taken' : ''}.</p>
                    <Row style={{ marginTop: 12 }}>
                        <StrongButton
                            isDisabled={taking.open}
                            onPress={() =>
                                taking.start.mutate(
                                    { file: brought.file, ways, habits },
                                    { onError: (error) => notify(messageOf(error)) },
                                )
                            }
                        >
                            Take it in
                        </StrongButton>
                        <Button isDisabled={taking.open} onPress={() => bring.reset()}>
                            Cancel
                        </Button>
                    </Row>
                </section>
            )}
            {taking.work && taking.open && (
                <WorkProgress work={taking.work} onCancel={() => taking.work && taking.cancel.mutate(taking.work.id)} />
            )}
            {brought && taking.work?.state === 'failed' && <Problem message={taking.work.problem} />}
            {latest.data && (
                <Row style={{ marginTop: 12, alignItems: 'center' }} data-testid="taken-in">
                    <span>
                        Taken in on {at.format(new Date(latest.data.at))}: {latest.data.title},{' '}
                        {counted(latest.data.pieces, 'piece')}.
                    </span>
                    <Button
                        isDisabled={takeBack.isPending}
                        onPress={() =>
                            latest.data &&
                            takeBack.mutate(latest.data.id, {
                                onSuccess: ({ message }) => notify(message),
                                onError: (error) => notify(messageOf(error)),
                            })
                        }
                    >
                        Take it back out
                    </Button>
                </Row>
            )}
        </>
    );
}
