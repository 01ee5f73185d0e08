import { useNavigate } from 'react-router';
import { Page } from '../ui/Page';
import { PhotoForm } from '../begin/PhotoForm';

/** A new piece: photo, title, paper. */
export function NewPiecePage() {
    const navigate = useNavigate();

    return (
        <Page>
            <title>New piece – Knotty Prism</title>
            <h1 style={{ marginBottom: 20 }}>New piece</h1>
            <PhotoForm onBegun={(piece) => void navigate(`/pieces/${piece}/look`)} />
        </Page>
    );
}
