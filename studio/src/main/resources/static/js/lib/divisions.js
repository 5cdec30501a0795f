// Note divisions as the pictures need them, from the engine's own table.
import {LivePatch} from '../../engine/engine.js';

/** Length in seconds of the division that a choice stands at, or null when it is free. */
export function divisionSeconds(index, image, tempo) {
  return image[index] === 0 ? null : LivePatch.divisionSeconds(image[index], tempo);
}

/** The choice whose length is nearest to so many seconds. */
export function nearestDivision(seconds, tempo) {
  let nearest = 1;
  for (let choice = 1; choice < LivePatch.divisionCount(); choice++) {
    const off = c => Math.abs(Math.log(LivePatch.divisionSeconds(c, tempo) / seconds));
    nearest = off(choice) < off(nearest) ? choice : nearest;
  }
  return nearest;
}
