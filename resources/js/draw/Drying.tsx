import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { Button } from '../ui/Button';
import { notify } from '../ui/Notices';
import { space, type } from '../ui/theme';
import { Toggle } from '../ui/Toggle';
import { useKeptState } from '../ui/useKeptState';
import { useNow } from './useNow';

export interface Wet {
    /** Of the press that wetted it. */
    mark: string;
    name: string;
    /** When it can be drawn on again, milliseconds. */
    until: number;
}

const Row = styled.div`
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.xs} ${space.m};
    font-variant-numeric: tabular-nums;
    & > span {
        font-size: ${type.lead};
    }
    & button {
        min-height: 48px;
    }
`;

const MINUTE = 60_000;

function leftOf(until: number, now: number): string {
    const seconds = Math.max(0, Math.ceil((until - now) / 1000));

    return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** A short low tone, made on the spot. */
function sound() {
    try {
        const context = new AudioContext();
        const tone = context.createOscillator();
        const volume = context.createGain();
        tone.frequency.value = 440;
        volume.gain.setValueAtTime(0.2, context.currentTime);
        volume.gain.exponentialRampToValueAtTime(0.001, context.currentTime + 0.6);
        tone.connect(volume).connect(context.destination);
        tone.start();
        tone.stop(context.currentTime + 0.6);
        tone.onended = () => void context.close();
    } catch {
        // Without sound the words say it.
    }
}

/** What is wet on a piece, kept while the page is away. */
export const useWet = (piece: string) => useKeptState<Wet[]>(`prism.wet.${piece}`, []);

export const wetUntil = (minutes: number) => Date.now() + minutes * MINUTE;

interface Props {
    wet: Wet[];
    onDry: (mark: string, name: string) => void;
}

/** What still dries, and for how long; a tone and a sentence when it is dry. */
export function Drying({ wet, onDry }: Props) {
    const now = useNow(wet.length > 0);
    const [loud, setLoud] = useKeptState('prism.sound', true);
    const dry = wet.filter(({ until }) => until <= now);
    const told = useRef(onDry);
    useEffect(() => {
        told.current = onDry;
    });
    useEffect(() => {
        for (const { mark, name } of dry) {
            notify(`${name} is dry`);
            told.current(mark, name);
        }
        if (dry.length > 0 && loud) sound();
    }, [dry, loud]);
    if (wet.length === 0) return null;

    return (
        <Row role="group" aria-label="What still dries" data-testid="drying">
            {wet.map(({ mark, name, until }) => (
                <span key={`${mark} ${name}`}>
                    {name}: dry in <b>{leftOf(until, now)}</b>{' '}
                    <Button aria-label={`${name} is dry already`} onPress={() => onDry(mark, name)}>
                        Dry already
                    </Button>
                </span>
            ))}
            <Toggle isSelected={loud} onChange={setLoud}>
                Sound
            </Toggle>
        </Row>
    );
}
