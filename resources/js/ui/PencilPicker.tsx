import { memo, useState } from 'react';
import { Button, ComboBox, Input } from 'react-aria-components';
import styled from 'styled-components';
import type { Pencil } from '../api/client';
import { Option, Options, Panel } from './Choice';
import { findPencils, formerName } from './finder';
import { radius, target, type } from './theme';
import { Sign } from './Sign';

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

export type Pickable = Pick<Pencil, 'id' | 'range' | 'number' | 'name' | 'hex'> & { aliases?: string[] };

const textOf = ({ number, name }: Pickable) => `${number} ${name}`.trim();

interface Props {
    pencils: Pickable[];
    value: string;
    label: string;
    placeholder?: string;
    onChange: (id: string) => void;
}

/** A pencil by number or name, out of the box. */
export const PencilPicker = memo(function PencilPicker({ pencils, value, label, placeholder, onChange }: Props) {
    const chosen = pencils.find((pencil) => pencil.id === value);
    const [typed, setTyped] = useState<string | null>(null);
    const word = typed === null || (chosen && typed === textOf(chosen)) ? '' : typed;
    const found = findPencils(pencils, word);

    return (
        <Box
            aria-label={label}
            items={found}
            inputValue={typed ?? (chosen ? textOf(chosen) : '')}
            onInputChange={setTyped}
            selectedKey={value === '' ? null : value}
            onSelectionChange={(key) => {
                // Put down without a choice: what was chosen stays.
                setTyped(null);
                if (key !== null) onChange(String(key));
            }}
            menuTrigger="focus"
        >
            <i style={{ background: chosen?.hex ?? undefined }} aria-hidden />
            <Input placeholder={placeholder ?? ''} onFocus={(event) => event.target.select()} />
            <Button aria-label="Show the box">
                <Sign of="more" />
            </Button>
            <Panel style={{ width: 320 }}>
                <Options<Pickable> dependencies={[word]}>
                    {(pencil) => (
                        <Option id={pencil.id} textValue={textOf(pencil)}>
                            <Chip style={{ background: pencil.hex ?? undefined }} aria-hidden />
                            <b>{pencil.number}</b> {pencil.name}{' '}
                            <small>
                                {pencil.range}
                                {word !== '' && !textOf(pencil).toLowerCase().includes(word.trim().toLowerCase())
                                    ? `, formerly ${formerName(word, pencil) ?? ''}`
                                    : ''}
                            </small>
                        </Option>
                    )}
                </Options>
            </Panel>
        </Box>
    );
});
