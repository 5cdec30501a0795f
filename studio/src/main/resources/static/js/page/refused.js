// A refused field is marked and gets the focus, and the reason stands beside it.
import {toldKeys} from '../lib/key-names.js';
import {say} from './requests.js';

let count = 0;

/**
 * Marks a field. The mark goes with the next change of the field.
 * @param {HTMLElement|null} field where there is none, the reason is told as a message
 * @param {string} text
 */
export function refuse(field, text) {
  if (!field?.isConnected || !field.checkVisibility()) {
    say(text, {key: 'refused'});
    return;
  }
  accept(field);
  const words = document.createElement('span');
  words.className = 'refusal';
  words.id = `refusal-${++count}`;
  words.setAttribute('role', 'alert');
  words.textContent = toldKeys(text);
  (field.closest('label, .type-to-find') ?? field).after(words);
  field.setAttribute('aria-invalid', 'true');
  field.setAttribute('aria-describedby', words.id);
  field.focus();
  field.select?.();
  // Enter commits a text as a change after it has been refused; what takes the mark away is typing.
  field.addEventListener(field.matches('select') ? 'change' : 'input', () => accept(field), {once: true});
}

/** Takes the mark away. @param {HTMLElement} field */
export function accept(field) {
  const id = field.getAttribute('aria-describedby');
  if (id?.startsWith('refusal-')) {
    document.getElementById(id)?.remove();
    field.removeAttribute('aria-describedby');
    field.removeAttribute('aria-invalid');
  }
}

/** The field that an answer is about: the one that the server names, or the one that was sent alone. */
export function fieldOf(element, named) {
  if (element.matches('input, select, textarea')) {
    return element;
  }
  const within = named ? element.closest('form')?.querySelector(`[name="${CSS.escape(named)}"]`) : null;
  const typed = [...(element.closest('form')?.querySelectorAll('input:not([type=hidden]):not([type=checkbox]), textarea') ?? [])];
  return within ?? (typed.length === 1 ? typed[0] : null);
}
