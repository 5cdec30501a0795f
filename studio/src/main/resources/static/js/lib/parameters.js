// Parameters are named by their ids in pages and requests; their place in the registry is the engine's own affair.
import {LivePatch} from '../../engine/engine.js';

/** Place of the parameter that an element is for. @param {HTMLElement} element with data-parameter, or named by its id */
export const indexOf = element => LivePatch.indexOf(element.dataset.parameter ?? element.id);

/** Id of the parameter at a place. @param {number} index */
export const idOf = index => LivePatch.idOf(index);

/** The texts of a choice's values, in order. @param {number} index @returns {string[]} */
export const choicesOf = index => LivePatch.choices(index).split('|');

/**
 * A patch as the numbers that the engine takes.
 * @param {{values: Record<string, number>, tail: number[]}} playable what is not at its default, by id; and what comes after the parameters
 * @returns {Float64Array}
 */
export function imageOf({values, tail}) {
  const count = LivePatch.parameterCount();
  const image = new Float64Array(count + tail.length);
  image.set(LivePatch.defaults());
  for (const [id, value] of Object.entries(values)) {
    image[LivePatch.indexOf(id)] = value;
  }
  image.set(tail, count);
  return image;
}
