import { useLayoutEffect, useRef } from 'react';
import { SliderThumb } from 'react-aria-components';

/** The thumb of a slider that says what its place means ("80 % firm"), not only the number. */
export function SaidThumb({ said }: { said: string }) {
    const input = useRef<HTMLInputElement>(null);
    // React Aria formats numbers only; its own text changes with the value, and this stands in for it right after.
    useLayoutEffect(() => input.current?.setAttribute('aria-valuetext', said));

    return <SliderThumb className="thumb" inputRef={input} />;
}
