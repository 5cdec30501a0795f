// Parameters are named by their ids in pages and requests; their place in the registry is the engine's own affair.
import {LivePatch} from '../../engine/engine.js';

/** Place of the parameter that an element is for. @param {HTMLElement} element with data-parameter */
export const indexOf = element => LivePatch.indexOf(element.dataset.parameter);

/** Id of the parameter at a place. @param {number} index */
export const idOf = index => LivePatch.idOf(index);
