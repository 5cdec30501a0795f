// What keys are called on the screen: key 60 is C4 unless somebody wants C3 or C5. What is kept always says C4.
import {LivePatch} from '../../engine/engine.js';

const KEPT = 'comet-middle-octave';
/** What texts, titles and labels said at first, and fields that have been told. @type {WeakMap<Node, Record<string, {first: string, told: string}>>} */
const originals = new WeakMap();
let middle = [3, 4, 5].find(octave => String(octave) === localStorage.getItem(KEPT)) ?? 4;

/** @param {number} key 0 to 127 @returns {string} for example "F#3" */
export const keyName = key => toldKeys(LivePatch.keyName(key));

/** A sentence of the server or the engine with its key names as they are called here. @param {string} text */
export const toldKeys = text => (middle === 4 ? text : LivePatch.retoldKeys(text, middle));

/** A typed key name as it is kept; other text stays as it is. @param {string} text */
export const standardKey = text => (middle === 4 ? text : LivePatch.standardKey(text, middle));

/** A value with its unit. @param {number} index of the parameter @param {number} value */
export const format = (index, value) => toldKeys(LivePatch.format(index, value));

/** The value of a typed text, or NaN. @param {number} index @param {string} text */
export const parse = (index, text) => LivePatch.parse(index, standardKey(text));

/** The fields of a form, those that take a key as it is kept. @param {HTMLFormElement} form @returns {Record<string, string>} */
export const standardFields = form => Object.fromEntries([...new FormData(form)].map(([name, value]) =>
  [name, form.elements[name]?.matches?.('[data-keys]') ? standardKey(value) : value]));

/** Octave of key 60. */
export const middleOctave = () => middle;

/** Tells the keys of everything marked with `data-keys` inside: texts, titles, labels, fields. @param {Element|Document} root */
export function tellKeys(root) {
  root.querySelectorAll('[data-keys]').forEach(marked => {
    if (marked.matches('input')) {
      if (!originals.has(marked)) {
        originals.set(marked, {});
        marked.value = toldKeys(marked.value);
      }
      return;
    }
    ['title', 'aria-label'].filter(name => marked.hasAttribute(name)).forEach(name => marked.setAttribute(name, tell(marked, name, marked.getAttribute(name))));
    const texts = document.createTreeWalker(marked, NodeFilter.SHOW_TEXT);
    while (texts.nextNode()) {
      texts.currentNode.textContent = tell(texts.currentNode, 'text', texts.currentNode.textContent);
    }
  });
}

/** The text as it is called now, told from what it was at first; a text that was changed since is a first one again. */
function tell(node, part, now) {
  const parts = originals.get(node) ?? {};
  const first = parts[part]?.told === now ? parts[part].first : now;
  const told = toldKeys(first);
  originals.set(node, {...parts, [part]: {first, told}});
  return told;
}

/** Calls key 60 C of another octave, here and from now on. @param {number} octave 3, 4 or 5 */
export function setMiddleOctave(octave) {
  const fields = [...document.querySelectorAll('input[data-keys]')].map(field => [field, standardKey(field.value)]);
  middle = octave;
  localStorage.setItem(KEPT, String(octave));
  fields.forEach(([field, key]) => { field.value = toldKeys(key); });
  tellKeys(document);
  document.dispatchEvent(new CustomEvent('comet:keys'));
}
