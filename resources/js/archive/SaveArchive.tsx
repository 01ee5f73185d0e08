import { messageOf } from '../api/client';
import { useWork } from '../api/works';
import { Button, DownloadLink } from '../ui/Button';
import { notify } from '../ui/Notices';
import { Row } from '../ui/Page';
import { Problem } from '../ui/States';
import { WorkProgress } from '../ui/WorkProgress';

const megabytes = (bytes: number) => `${(bytes / 1e6).toFixed(1)} MB`;

interface Props {
    /** Alone; else the whole studio. */
    piece?: string;
    children: string;
}

/** Writes a piece, or the whole studio, into one file, and hands it over. */
export function SaveArchive({ piece, children }: Props) {
    const saving = useWork('archive', undefined, piece);
    const { work } = saving;
    const made =
        work?.state === 'done' && work.result && 'archive' in work.result && (work.result.of ?? undefined) === piece
            ? work.result
            : null;

    return (
        <Row>
            <Button
                isDisabled={saving.open}
                onPress={() =>
                    saving.start.mutate(piece === undefined ? {} : { piece }, {
                        onError: (error) => notify(messageOf(error)),
                    })
                }
            >
                {children}
            </Button>
            {work && saving.open && <WorkProgress work={work} onCancel={() => saving.cancel.mutate(work.id)} />}
            {made && (
                <DownloadLink href={`/api/archives/${made.archive}`} download={made.name}>
                    Fetch {made.name}, {megabytes(made.bytes)}
                </DownloadLink>
            )}
            {work?.state === 'failed' && <Problem message={work.problem} />}
        </Row>
    );
}
