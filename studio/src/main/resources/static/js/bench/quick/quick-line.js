// The quick line: a whole setting typed, heard and told while it is typed, and set as one step.
import * as player from '../../player/player.js';
import {ask, say} from '../../page/requests.js';
import {imageOf} from '../../lib/parameters.js';
import {playChosen} from '../../player/strip.js';

const REST_MS = 110;

/** What stands in the line; a bench that is exchanged goes on with it. */
let open = false;
let text = '';
/** Lines that were set, the last one at the end. */
let lines = [];
/** Reads the line again, after the patch beneath it has changed. */
let readAgain = () => {};
let asked = 0;

const field = () => document.getElementById('quick-line-text');

/** Shows the line, ready to type. */
export function openQuickLine() {
  open = true;
  document.getElementById('quick-line').hidden = false;
  field().focus();
  field().dispatchEvent(new Event('input'));
}

/** The last word, or what a suggestion takes the place of. */
function begun(line) {
  return line.match(/[^\s;]*$/)[0];
}

/**
 * The line with a suggestion in place of the word that is being typed.
 * @param {string} line
 * @param {string} suggestion which may have several words, of which some may stand there already
 */
export function completed(line, suggestion) {
  const words = suggestion.split(' ');
  for (let count = words.length; count > 0; count--) {
    const tail = line.match(new RegExp(`(?:^|[\\s;])((?:[^\\s;]+\\s+){${count - 1}}[^\\s;]*)$`))?.[1];
    if (tail !== undefined && tail.trim() !== '' && suggestion.startsWith(tail.toLowerCase().replace(/\s+/g, ' '))) {
      return line.slice(0, line.length - tail.length) + suggestion + ' ';
    }
  }
  return line.slice(0, line.length - begun(line).length) + suggestion + ' ';
}

/**
 * @param {HTMLElement} bench
 * @param hands id() of the patch, layer() shown, edit(fields, field), flush(), preview(image or null) draws the pictures of another state
 */
export function wireQuickLine(bench, {id, layer, edit, flush, preview}) {
  const form = bench.querySelector('#quick-line');
  const input = form.querySelector('#quick-line-text');
  const list = form.querySelector('#quick-line-suggestions');
  const read = form.querySelector('#quick-line-read');
  let suggestions = [];
  let chosen = -1;
  let timer = null;
  let past = lines.length;
  form.hidden = !open;
  input.value = text;
  list.setAttribute('role', 'listbox');
  list.setAttribute('aria-label', 'What could come next');
  list.hidden = true;
  input.setAttribute('role', 'combobox');
  input.setAttribute('aria-autocomplete', 'list');
  input.setAttribute('aria-controls', list.id);
  input.setAttribute('aria-expanded', 'false');

  const rest = () => {
    clearTimeout(timer);
    asked++;
    player.hearInstead(null);
    preview(null);
    list.hidden = true;
    input.setAttribute('aria-expanded', 'false');
  };
  const close = () => {
    open = false;
    text = '';
    input.value = '';
    read.replaceChildren();
    rest();
    form.hidden = true;
    bench.querySelector('[role=tab][aria-selected=true]')?.focus();
  };
  const take = suggestion => {
    input.value = completed(input.value, suggestion.text);
    chosen = -1;
    typed();
  };
  const show = () => {
    list.hidden = suggestions.length === 0;
    input.setAttribute('aria-expanded', String(!list.hidden));
    if (chosen >= 0) {
      input.setAttribute('aria-activedescendant', `quick-suggestion-${chosen}`);
    } else {
      input.removeAttribute('aria-activedescendant');
    }
    list.replaceChildren(...suggestions.map((suggestion, i) => {
      const item = document.createElement('li');
      item.id = `quick-suggestion-${i}`;
      item.setAttribute('role', 'option');
      item.setAttribute('aria-selected', String(i === chosen));
      const name = document.createElement('span');
      name.textContent = suggestion.text;
      const note = document.createElement('span');
      note.className = 'soft';
      note.textContent = suggestion.note;
      item.append(name, note);
      item.addEventListener('pointerdown', e => {
        e.preventDefault();
        take(suggestion);
      });
      return item;
    }));
  };
  const tell = answer => {
    read.replaceChildren(...answer.understood.map(step => {
      const words = document.createElement('span');
      words.textContent = step;
      return words;
    }));
    if (answer.fault && input.value.trim() !== '') {
      const fault = document.createElement('span');
      fault.className = 'refusal';
      fault.textContent = answer.fault;
      read.append(fault);
    }
  };
  const look = async () => {
    const mine = ++asked;
    try {
      await flush();
      const answer = await (await ask(`/patches/${id()}/quick-line?${new URLSearchParams({layer: String(layer()), line: input.value})}`)).json();
      if (mine !== asked || !form.isConnected || form.hidden) {
        return;
      }
      tell(answer);
      suggestions = answer.suggestions;
      chosen = -1;
      show();
      player.hearInstead(answer.playable);
      preview(answer.playable ? imageOf(answer.playable) : null);
    } catch (refusal) {
      say(refusal.message, {key: 'quick', calm: true});
    }
  };
  const typed = () => {
    text = input.value;
    clearTimeout(timer);
    timer = setTimeout(look, REST_MS);
  };

  readAgain = () => form.isConnected && text.trim() !== '' && typed();
  input.addEventListener('input', typed);
  input.addEventListener('blur', () => { list.hidden = true; });
  input.addEventListener('keydown', e => {
    e.stopPropagation();
    const step = {ArrowDown: 1, ArrowUp: -1}[e.key];
    if (e.key === ' ' && e.ctrlKey) {
      e.preventDefault();
      playChosen();
    } else if (step && e.altKey && lines.length > 0) {
      e.preventDefault();
      past = Math.min(lines.length, Math.max(0, past + step));
      input.value = lines[past] ?? '';
      typed();
    } else if (step && suggestions.length > 0 && !list.hidden) {
      e.preventDefault();
      chosen = (chosen + step + suggestions.length + (chosen < 0 && step < 0 ? 1 : 0)) % suggestions.length;
      show();
    } else if (e.key === 'Tab' && !e.shiftKey && suggestions.length > 0 && !list.hidden && (chosen >= 0 || begun(input.value) !== '')) {
      e.preventDefault();
      take(suggestions[Math.max(0, chosen)]);
    } else if (e.key === 'Enter' && chosen >= 0 && !list.hidden) {
      e.preventDefault();
      take(suggestions[chosen]);
    } else if (e.key === 'Escape') {
      e.preventDefault();
      close();
    }
  });
  form.addEventListener('submit', async e => {
    e.preventDefault();
    const line = input.value.trim();
    if (line === '') {
      return;
    }
    rest();
    const version = bench.dataset.version;
    await edit({kind: 'quickLine', layer: String(layer()), line}, input);
    if (document.getElementById('bench')?.dataset.version !== version && document.getElementById('bench')) {
      lines = [...lines.filter(past => past !== line), line].slice(-30);
      text = '';
      field().value = '';
      document.getElementById('quick-line-read').replaceChildren();
      field().focus();
    }
  });
  form.querySelector('[data-quick-close]').addEventListener('click', close);
  bench.querySelector('[data-quick-open]').addEventListener('click', openQuickLine);
}

player.on('parameter', () => open && readAgain());
