import { useChosen } from '../desk/DeskContext';
import { notify } from '../ui/Notices';
import { Segments } from '../ui/Segments';

export type Scope = 'piece' | 'zone';

/** Whether a choice is for the whole picture or for the chosen zone of it. */
export function ScopeChoice({
    label,
    scope,
    onChange,
}: {
    label: string;
    scope: Scope;
    onChange: (scope: Scope) => void;
}) {
    const { selected } = useChosen();

    return (
        <Segments
            label={label}
            value={scope === 'zone' && selected?.zone ? 'zone' : 'piece'}
            options={[
                { id: 'piece', name: 'The picture' },
                { id: 'zone', name: selected?.zone ? selected.zone.name : 'The chosen zone' },
            ]}
            onChange={(to) => {
                if (to === 'zone' && !selected?.zone) notify('Choose a zone below the picture first.');
                onChange(to);
            }}
        />
    );
}
