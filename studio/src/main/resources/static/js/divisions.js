// Note divisions as the pictures need them.
import * as engine from '../engine/engine.js';

/** Length in seconds of the division that a choice stands at, or null when it is free. */
export function divisionSeconds(index, image, tempo) {
  if (image[index] === 0) {
    return null;
  }
  const [, over, kind] = engine.format(index, image[index]).match(/^1\/(\d+)([TD]?)$/);
  return 60 / tempo * 4 / Number(over) * (kind === 'T' ? 2 / 3 : kind === 'D' ? 1.5 : 1);
}
