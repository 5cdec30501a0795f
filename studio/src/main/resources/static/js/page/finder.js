// The command finder: any patch, page, parameter or action by the beginnings of its words. Also the matching behind the route picker.
import {visit} from './visit.js';
import {ask, say} from './requests.js';

/** Other words for what the pages call by one name; each leads to any of the phrases at its right. */
const SYNONYMS = {brightness: ['cutoff'], tone: ['cutoff'], filter: ['cutoff'], vibrato: ['pitch shift'], tremolo: ['level'], volume: ['level'], loudness: ['level'], gain: ['level'],
  pitch: ['semitones', 'fine tune', 'octave'], tune: ['fine tune'], unison: ['detune'], copies: ['unison voices'], voices: ['unison'], spread: ['width'], stereo: ['width'], wet: ['mix'], echo: ['delay'],
  verb: ['reverb'], space: ['reverb'], fm: ['phase modulation'], q: ['resonance'], wavetable: ['position'], morph: ['position'], noise: ['noise level'], bend: ['pitch shift'], tempo: ['sync'], wobble: ['modulation', 'lfo'], stretch: ['inharmonicity'], crush: ['bitcrusher'],
  portamento: ['glide'], length: ['release'], distortion: ['drive'], saturation: ['drive'], pressure: ['aftertouch'], touch: ['aftertouch'], wheel: ['mod wheel'], gate: ['lfo'], steps: ['lfo'],
  adsr: ['envelope'], keyboard: ['key'], hand: ['velocity']};
const MOST = 14;
/** Letters from which other collections are searched, and how long typing rests before. */
const SHORTEST = 2;
const PAUSE_MS = 120;
const RECENT = 'comet-found';
let lists = 0;

/**
 * How well a text fits what was typed: every typed word begins a word of the text, or its synonym does.
 * @returns {number} 0 for no fit, more for a better one
 */
function fits(text, typed) {
  const parted = /[\s:,()/]+/;
  const words = text.toLowerCase().split(parted);
  if (text.toLowerCase() === typed.trim().toLowerCase()) {
    return 1000;
  }
  let score = 1;
  for (const word of typed.toLowerCase().split(parted).filter(Boolean)) {
    const begins = w => words.some(t => t.startsWith(w));
    if (words.includes(word)) {
      score += 3;
    } else if (begins(word)) {
      score += 2;
    } else {
      const other = Object.keys(SYNONYMS).find(s => s.startsWith(word) && SYNONYMS[s].some(phrase => phrase.split(' ').every(begins)));
      if (!other) {
        return 0;
      }
      score += 1;
    }
  }
  return score + 1 / (1 + text.length);
}

/** The entries that fit best. @param {Array<{text: string}>} entries */
export function best(entries, typed, most = MOST) {
  const recent = recently();
  return entries.map(entry => ({entry, score: typed.trim() === '' ? (recent.includes(entry.text) ? 2 + recent.length - recent.indexOf(entry.text) : 0.5)
    : fits(entry.also ? `${entry.text} ${entry.also}` : entry.text, typed) * (recent.includes(entry.text) ? 1.1 : 1)}))
    .filter(e => e.score > 0).sort((a, b) => b.score - a.score).slice(0, most).map(e => e.entry);
}

/** Remembers what was chosen last. */
function remember(text) {
  localStorage.setItem(RECENT, JSON.stringify([text, ...recently().filter(t => t !== text)].slice(0, 12)));
}

function recently() {
  return JSON.parse(localStorage.getItem(RECENT) ?? '[]');
}

/**
 * A list that is typed into: arrows choose, Enter takes.
 * @param {HTMLInputElement} input
 * @param {HTMLElement} list
 * @param {() => Array<{text: string, kind?: string, also?: string}>} entries by which they are shown, told apart and found
 * @param {(entry: object) => void} take
 * @returns {{open: () => void, close: () => void}} shows and hides the list
 */
export function typeToFind(input, list, entries, take) {
  let shown = [];
  let chosen = 0;
  list.id ||= `found-${++lists}`;
  list.setAttribute('role', 'listbox');
  list.setAttribute('aria-label', 'What fits');
  list.hidden = true;
  input.setAttribute('role', 'combobox');
  input.setAttribute('aria-autocomplete', 'list');
  input.setAttribute('aria-controls', list.id);
  const show = () => {
    list.hidden = shown.length === 0;
    input.setAttribute('aria-expanded', String(!list.hidden));
    if (list.hidden) {
      input.removeAttribute('aria-activedescendant');
    } else {
      input.setAttribute('aria-activedescendant', `${list.id}-${chosen}`);
    }
    list.replaceChildren(...shown.map((entry, i) => {
      const item = document.createElement('li');
      item.id = `${list.id}-${i}`;
      item.setAttribute('role', 'option');
      item.setAttribute('aria-selected', String(i === chosen));
      const name = document.createElement('span');
      name.textContent = entry.text;
      const kind = document.createElement('span');
      kind.className = 'soft';
      kind.textContent = entry.kind ?? '';
      item.append(name, kind);
      item.addEventListener('pointerdown', e => {
        e.preventDefault();
        finish(entry);
      });
      return item;
    }));
    list.querySelector('[aria-selected="true"]')?.scrollIntoView({block: 'nearest'});
  };
  const finish = entry => {
    if (entry) {
      remember(entry.text);
      take(entry);
    }
  };
  const find = () => {
    shown = best(entries(), input.value);
    chosen = 0;
    show();
  };
  const close = () => {
    shown = [];
    show();
  };
  close();
  input.addEventListener('input', find);
  input.addEventListener('keydown', e => {
    e.stopPropagation();
    const step = {ArrowDown: 1, ArrowUp: -1}[e.key];
    if (step && shown.length) {
      e.preventDefault();
      chosen = (chosen + step + shown.length) % shown.length;
      show();
    } else if (e.key === 'Enter' && shown.length) {
      e.preventDefault();
      finish(shown[chosen]);
    } else if (e.key === 'Escape' && shown.length && !list.closest('dialog')) {
      e.preventDefault();
      close();
    }
  });
  return {open: find, close};
}

/**
 * Opens the finder.
 * @param {{actions: Array<{text: string, act: () => void}>, openPlace: ((id: string) => void)|null, collection: string, patch: string|null}} page
 */
export async function openFinder(page) {
  const dialog = document.getElementById('finder');
  if (dialog.open) {
    return;
  }
  const input = document.createElement('input');
  input.placeholder = 'a patch, a page, a parameter, an action …';
  input.setAttribute('aria-label', 'Find and do');
  const list = document.createElement('ul');
  list.className = 'found';
  dialog.replaceChildren(input, list);
  let entries = page.actions.map(a => ({...a, kind: 'action'}));
  const {open} = typeToFind(input, list, () => entries, entry => {
    dialog.close();
    entry.act();
  });
  dialog.showModal();
  input.focus();
  open();
  try {
    const known = await (await ask(`/find?collection=${page.collection}${page.patch ? `&patch=${page.patch}` : ''}`)).json();
    entries = [...entries, ...known.places.map(p => ({text: p.text, kind: p.kind, act: () => visit(p.url)})),
      ...known.parameters.map(p => ({text: p.text, also: p.kind, kind: 'parameter', act: () => page.openPlace(p.url)}))];
    open();
    searchElsewhere(page.collection, input, found => {
      entries = [...entries.filter(e => !e.elsewhere), ...found];
      open();
    });
  } catch (refusal) {
    say(refusal.message);
  }
}

/** Asks for patches of other collections while something is typed. They come later, so a choice that was made meanwhile stays. */
function searchElsewhere(collection, input, show) {
  let timer = 0;
  input.addEventListener('input', () => {
    clearTimeout(timer);
    const words = input.value.trim();
    if (words.length < SHORTEST) {
      return;
    }
    timer = setTimeout(async () => {
      try {
        const found = await (await ask(`/find/elsewhere?${new URLSearchParams({collection, words})}`)).json();
        if (input.value.trim() === words && !(input.getAttribute('aria-activedescendant') ?? '-0').match(/-[1-9]\d*$/)) {
          show(found.map(p => ({text: p.text, also: p.kind, kind: p.kind, elsewhere: true, act: () => visit(p.url)})));
        }
      } catch {
        // What is found here stands; a search that fails is asked again with the next letter.
      }
    }, PAUSE_MS);
  });
}
