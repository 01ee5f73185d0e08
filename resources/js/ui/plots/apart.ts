const PASSES = 120;

/** Marks moved as little as it takes so that none lies on another: no two are nearer than this, where that can be had. */
export function apart<T extends { x: number; y: number }>(marks: T[], distance: number): T[] {
    const moved = marks.map((mark) => ({ ...mark }));
    for (let pass = 0; pass < PASSES; pass++) {
        let settled = true;
        moved.forEach((one, i) => {
            for (const other of moved.slice(i + 1)) {
                const dx = other.x - one.x;
                const dy = other.y - one.y;
                const far = Math.hypot(dx, dy);
                if (far >= distance) continue;
                settled = false;
                // Marks at one and the same place part to the sides.
                const push = (distance - far) / 2 + 0.05;
                const [ux, uy] = far > 0 ? [dx / far, dy / far] : [1, 0];
                one.x -= ux * push;
                one.y -= uy * push;
                other.x += ux * push;
                other.y += uy * push;
            }
        });
        if (settled) break;
    }

    return moved;
}
