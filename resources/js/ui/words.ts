/** "1 field", "2 fields". */
export const counted = (count: number, one: string, many = `${one}s`) => `${count} ${count === 1 ? one : many}`;

/** Where on the picture a place lies, by shares of its width and height: "upper left", "centre". */
export function placeName(x: number, y: number): string {
    const row = y < 1 / 3 ? 'upper' : y > 2 / 3 ? 'lower' : '';
    const column = x < 1 / 3 ? 'left' : x > 2 / 3 ? 'right' : '';

    return [row, column].filter(Boolean).join(' ') || 'centre';
}
