// Recordings that patches play, fetched once each.
import * as engine from '../../engine/engine.js';
import {ask, say} from '../page/requests.js';

/** By key, as the audio thread takes them. */
const fetched = new Map();

/** A recording that has been fetched, or undefined. @param {number} key */
export function recording(key) {
  return fetched.get(key);
}

/** All that have been fetched. */
export function recordings() {
  return [...fetched.values()];
}

/**
 * Fetches the recordings of a patch that are not there yet.
 * @param {import('./player.js').Playable} playable
 * @param {(recording: object) => void} arrived told of each one
 * @returns {Promise<boolean>} whether any were missing
 */
export async function fetchMissing(playable, arrived) {
  const missing = (playable.recordings ?? []).filter(r => !fetched.has(r.key));
  for (const {key, url} of missing) {
    try {
      const numbers = new Float32Array(await (await ask(url)).arrayBuffer());
      const frames = (numbers.length - 2) / numbers[1];
      const left = numbers.slice(2, 2 + frames);
      const recording = {key, left, right: numbers[1] === 2 ? numbers.slice(2 + frames) : left, rate: numbers[0]};
      fetched.set(key, recording);
      engine.provide(-1, key, recording.left, recording.right, recording.rate);
      arrived(recording);
    } catch (refusal) {
      say(`A recording of "${playable.name}" could not be fetched: ${refusal.message}`);
    }
  }
  return missing.length > 0;
}
