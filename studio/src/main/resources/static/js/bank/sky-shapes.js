// Shapes of the sky: whether a point is inside a line, where points crowd, where there is room.

const COLUMNS = 22;
const ROWS = 13;
const CROWD = 3;
const HOLES = 3;
const STEP_PX = 14;
const LEAST_HOLE_PX = 34;

/** Whether a point lies inside a closed line (even-odd rule). @param {{x: number, y: number}} p @param {Array<{x: number, y: number}>} line */
export function inside(p, line) {
  let within = false;
  for (let i = 0, k = line.length - 1; i < line.length; k = i++) {
    const a = line[i];
    const b = line[k];
    if ((a.y > p.y) !== (b.y > p.y) && p.x < (b.x - a.x) * (p.y - a.y) / (b.y - a.y) + a.x) {
      within = !within;
    }
  }
  return within;
}

/** Cells of a grid that hold more points than others. @returns {Array<{x: number, y: number, w: number, h: number, count: number}>} */
export function crowds(points, box) {
  const counts = new Map();
  for (const p of points) {
    const column = Math.min(COLUMNS - 1, Math.max(0, Math.floor((p.x - box.x) / box.w * COLUMNS)));
    const row = Math.min(ROWS - 1, Math.max(0, Math.floor((p.y - box.y) / box.h * ROWS)));
    counts.set(row * COLUMNS + column, (counts.get(row * COLUMNS + column) ?? 0) + 1);
  }
  return [...counts].filter(([, count]) => count >= CROWD).map(([cell, count]) => ({
    x: box.x + (cell % COLUMNS) * box.w / COLUMNS, y: box.y + Math.floor(cell / COLUMNS) * box.h / ROWS, w: box.w / COLUMNS, h: box.h / ROWS, count}));
}

/** The widest rings without a point, where points lie around: within the middle nine tenths of them. @returns {Array<{x: number, y: number, r: number}>} */
export function holes(points, box) {
  if (points.length < 4) {
    return [];
  }
  const within = pick => {
    const sorted = points.map(pick).sort((a, b) => a - b);
    return [sorted[Math.floor(0.05 * sorted.length)], sorted[Math.ceil(0.95 * sorted.length) - 1]];
  };
  const [left, right] = within(p => p.x);
  const [top, bottom] = within(p => p.y);
  const found = [];
  for (let x = left; x <= right; x += STEP_PX) {
    for (let y = top; y <= bottom; y += STEP_PX) {
      let r = Math.min(x - box.x, box.x + box.w - x, y - box.y, box.y + box.h - y);
      for (const p of points) {
        r = Math.min(r, Math.hypot(p.x - x, p.y - y));
        if (r < LEAST_HOLE_PX) {
          break;
        }
      }
      if (r >= LEAST_HOLE_PX) {
        found.push({x, y, r: r - 10});
      }
    }
  }
  found.sort((a, b) => b.r - a.r);
  const kept = [];
  for (const hole of found) {
    if (kept.length < HOLES && kept.every(k => Math.hypot(k.x - hole.x, k.y - hole.y) > k.r + hole.r)) {
      kept.push(hole);
    }
  }
  return kept;
}
