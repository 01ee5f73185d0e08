import { useEffect, useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { messageOf, type Colour } from '../api/client';
import { useColourBesideWhite } from '../api/queries';
import { Button } from './Button';
import { Row } from './Page';
import { PointPicture, type Place } from './PointPicture';
import { Problem } from './States';

interface Props {
    /** What is read: "your paper", "the coat". */
    what: string;
    of: 'paper' | 'coat';
    /** How the photo is to be taken. */
    hint: string;
    onRead: (colour: Colour) => void;
}

/** The colour of something from a photo in which it lies beside plain white printing paper: one points at both. */
export function BesideWhite({ what, of, hint, onRead }: Props) {
    const reading = useColourBesideWhite();
    const [photo, setPhoto] = useState<{ file: File; address: string } | null>(null);
    const [places, setPlaces] = useState<Place[]>([]);
    useEffect(() => () => (photo ? URL.revokeObjectURL(photo.address) : undefined), [photo]);
    const point = (place: Place) => {
        const next = places.length >= 2 ? [place] : [...places, place];
        setPlaces(next);
        const [white, asked] = next;
        if (!photo || !white || !asked) return;
        reading.mutate({ picture: photo.file, white, asked, of }, { onSuccess: onRead });
    };

    return (
        <>
            <Row>
                <FileTrigger
                    acceptedFileTypes={['image/jpeg', 'image/png', 'image/webp']}
                    onSelect={(files) => {
                        const file = files?.[0];
                        if (!file) return;
                        setPhoto({ file, address: URL.createObjectURL(file) });
                        setPlaces([]);
                        reading.reset();
                    }}
                >
                    <Button>Read it from a photo</Button>
                </FileTrigger>
                <small style={{ flex: 1 }}>{hint}</small>
            </Row>
            {photo && (
                <>
                    <p role="status">
                        {reading.isPending
                            ? 'Reading the colour'
                            : reading.isSuccess
                              ? `Read: ${reading.data.appearance.sentence}. Click again to point anew.`
                              : places.length === 0
                                ? 'Click on the white sheet.'
                                : `Click on ${what}.`}
                    </p>
                    {reading.isError && <Problem message={messageOf(reading.error)} />}
                    <PointPicture
                        src={photo.address}
                        alt={`Photo of ${what} beside a white sheet`}
                        asks={places.length === 1 ? what : 'the white sheet'}
                        marks={places.map((at, index) => ({ label: index === 0 ? 'white' : of, at }))}
                        onPoint={point}
                    />
                </>
            )}
        </>
    );
}
