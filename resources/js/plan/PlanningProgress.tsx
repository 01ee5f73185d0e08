import { useDeskPiece } from '../desk/DeskContext';
import { WorkProgress } from '../ui/WorkProgress';
import { usePlanning } from './planQueries';

/** How far the planning is, whichever part of the stage is open: it alone is rendered while the picture is planned. */
export function PlanningProgress() {
    const piece = useDeskPiece();
    const { work, open, cancel } = usePlanning(piece.id);

    return (
        <>
            {work && open && <WorkProgress work={work} onCancel={() => cancel.mutate(work.id)} />}
            {work?.state === 'failed' && (
                <p role="alert">
                    <b>!</b> {work.problem}
                </p>
            )}
        </>
    );
}
