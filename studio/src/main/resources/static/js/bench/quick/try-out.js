// An edit that is tried out: heard at once and not stored, until it is taken or left.
import * as player from '../../player/player.js';
import {ask} from '../../page/requests.js';

const REST_MS = 70;

let timer = null;
let asked = 0;

/**
 * Hears the patch as it would be after an edit.
 * @param {number} patch
 * @param {Record<string, string>} fields of the edit
 * @param {(fault: string) => void} [tell] why it cannot be made, or an empty text
 */
export function tryOut(patch, fields, tell = () => {}) {
  clearTimeout(timer);
  const mine = ++asked;
  timer = setTimeout(async () => {
    try {
      const playable = await (await ask(`/patches/${patch}/try`, {form: fields})).json();
      if (mine === asked) {
        player.hearInstead(playable);
        tell('');
      }
    } catch (refusal) {
      if (mine === asked) {
        tell(refusal.message);
      }
    }
  }, REST_MS);
}

/** Hears the patch as it is again. */
export function leaveTry() {
  clearTimeout(timer);
  asked++;
  player.hearInstead(null);
}
