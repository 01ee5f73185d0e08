import { Button, ComboBox, Input } from 'react-aria-components';
import styled from 'styled-components';
import type { Pencil } from '../api/client';
import { Option, Options, Panel } from './Choice';
import { radius, target, type } from './theme';

const Box = styled(ComboBox)`
    display: flex;
    min-width: 0;
    border: 1px solid ${({ theme }) => theme.quiet};
    border-radius: ${radius};
    background: ${({ theme }) => theme.raised};
    & > i {
        flex: none;
        width: 10px;
    }
    & input {
        flex: 1;
        width: 100%;
        min-width: 0;
        min-height: ${target.usual};
        padding: 0 0 0 6px;
        border: 0;
        background: none;
        font-weight: 640;
        letter-spacing: -0.01em;
        text-overflow: ellipsis;
        font-size: ${type.small};
    }
    & > button {
        width: 22px;
        padding: 0;
        border: 0;
        background: none;
        cursor: pointer;
    }
`;

const Chip = styled.i`
    flex: none;
    width: 28px;
    height: 24px;
`;

export type Pickable = Pick<Pencil, 'id' | 'range' | 'number' | 'name' | 'hex'>;

interface Props {
    pencils: Pickable[];
    value: string;
    label: string;
    placeholder?: string;
    onChange: (id: string) => void;
}

/** A pencil by number or name, out of the box. */
export function PencilPicker({ pencils, value, label, placeholder, onChange }: Props) {
    const hex = pencils.find((pencil) => pencil.id === value)?.hex;

    return (
        <Box
            aria-label={label}
            defaultItems={pencils}
            selectedKey={value === '' ? null : value}
            onSelectionChange={(key) => key !== null && onChange(String(key))}
            menuTrigger="focus"
        >
            <i style={{ background: hex ?? undefined }} aria-hidden />
            <Input placeholder={placeholder ?? ''} onFocus={(event) => event.target.select()} />
            <Button aria-label="Show the box">▾</Button>
            <Panel style={{ width: 320 }}>
                <Options<Pickable>>
                    {(pencil) => (
                        <Option id={pencil.id} textValue={`${pencil.number} ${pencil.name}`}>
                            <Chip style={{ background: pencil.hex ?? undefined }} aria-hidden />
                            <b>{pencil.number}</b> {pencil.name} <small>{pencil.range}</small>
                        </Option>
                    )}
                </Options>
            </Panel>
        </Box>
    );
}
