// Vectors as arrays of three, and noise that is the same on every machine.
export const hash = (x, y, z) => {
    let h = Math.imul(x | 0, 374761393) + Math.imul(y | 0, 668265263) + Math.imul(z | 0, 2147483647);
    h = Math.imul(h ^ (h >>> 13), 1274126177);
    return ((h ^ (h >>> 16)) >>> 0) / 4294967296;
};
export const smooth = (t) => t * t * (3 - 2 * t);
export const noise = (x, y, z) => {
    const ix = Math.floor(x), iy = Math.floor(y), iz = Math.floor(z);
    const fx = smooth(x - ix), fy = smooth(y - iy), fz = smooth(z - iz);
    const mix = (a, b, t) => a + (b - a) * t;
    const row = (dy, dz) => mix(hash(ix, iy + dy, iz + dz), hash(ix + 1, iy + dy, iz + dz), fx);
    return mix(mix(row(0, 0), row(1, 0), fy), mix(row(0, 1), row(1, 1), fy), fz);
};
export const fbm = (x, y, z) => noise(x, y, z) * 0.5 + noise(x * 2.1, y * 2.1, z * 2.1) * 0.27 + noise(x * 4.3, y * 4.3, z * 4.3) * 0.15 + noise(x * 8.7, y * 8.7, z * 8.7) * 0.08;

export const add = (a, b) => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub = (a, b) => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const mul = (a, k) => [a[0] * k, a[1] * k, a[2] * k];
export const had = (a, b) => [a[0] * b[0], a[1] * b[1], a[2] * b[2]];
export const dot = (a, b) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a, b) => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
export const norm = (a) => mul(a, 1 / Math.sqrt(dot(a, a)));
export const lerp = (a, b, t) => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t];
