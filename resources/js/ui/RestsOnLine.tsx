import { memo } from 'react';
import { Link } from 'react-router';
import type { RestsOn } from '../api/client';

/** Which calibration a prediction rests on; said wherever something is predicted. */
export const RestsOnLine = memo(function RestsOnLine({ calibration }: { calibration: RestsOn | null }) {
    return (
        <p data-testid="rests-on">
            <small>
                {calibration ? (
                    <>
                        Predicted by <Link to="/swatches/calibration">calibration {calibration.number}</Link>, from{' '}
                        {calibration.swatches} swatches, {calibration.madeAt.slice(0, 10)}.
                    </>
                ) : (
                    <>
                        Predicted from the pencils&rsquo; own colours; nothing is{' '}
                        <Link to="/swatches/calibration">calibrated</Link> yet.
                    </>
                )}
            </small>
        </p>
    );
});
