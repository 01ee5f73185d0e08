/** "1 field", "2 fields". */
export const counted = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`;

/** Where on the picture a place lies, by shares of its width and height: "upper left", "centre". */
export function placeName(x: number, y: number): string {
    const row = y < 1 / 3 ? 'upper' : y > 2 / 3 ? 'lower' : '';
    const column = x < 1 / 3 ? 'left' : x > 2 / 3 ? 'right' : '';

    return [row, column].filter(Boolean).join(' ') || 'centre';
}

/** 95 minutes as "1 h 35 min". */
export function spokenMinutes(minutes: number): string {
    const whole = Math.round(minutes);
    const hours = Math.floor(whole / 60);

    return hours === 0 ? `${whole} min` : whole % 60 === 0 ? `${hours} h` : `${hours} h ${whole % 60} min`;
}

/** A colour as it is typed: L* a* b*. */
export const numbersOf = ({ L, a, b }: { L: number; a: number; b: number }) =>
    [L, a, b].map((value) => value.toFixed(1)).join(' ');
