// Notes of a round: kept as they are typed, saved by Enter, pinned to a moment of the phrase and to a key.
import * as player from '../player/player.js';
import {keyName} from '../lib/key-names.js';
import {post, token} from './outbox.js';

const KEEP_AFTER_MS = 300;
const KEY_MS = 1500;

/** Where the phrase stands, in beats; null while none plays. */
let beat = null;
/** The key that was played last, while a place is heard. */
let key = null;
let timer = null;
let pin = {beat: null, key: null};

player.on('meters', m => {
  if (m.beat !== null) {
    beat = m.beat;
  }
});
player.on('played', p => { key = p.key; });

/** A new place is heard: what was played before has nothing to do with it. */
export function newPlace() {
  beat = null;
  key = null;
  pin = {beat: null, key: null};
}

/**
 * Brings the notes of a place to life.
 * @param {HTMLElement} box the place @param {{round: number, reviewer: number, drafts: Record<string, string>}} page
 */
export function wireNotes(box, page) {
  const field = box.querySelector('#note');
  const place = box.dataset.place;
  field.value = page.drafts[place] ?? '';
  field.addEventListener('focus', () => {
    if (field.value === '') {
      pin = {beat: player.phraseRuns() ? beat : null, key};
      showPin(box);
    }
  });
  field.addEventListener('input', () => {
    page.drafts[place] = field.value;
    box.querySelector('#note-state').textContent = '';
    clearTimeout(timer);
    timer = setTimeout(() => post(`/rounds/${page.round}/drafts`, {place, reviewer: page.reviewer, note: field.value}, `draft ${page.round} ${place}`), KEEP_AFTER_MS);
  });
  field.addEventListener('keydown', e => {
    if (e.key === 'Enter' && !e.shiftKey && !e.isComposing) {
      e.preventDefault();
      save(box, page);
    } else if (e.key === 'Escape') {
      e.stopPropagation();
      field.blur();
      document.getElementById('content').focus({preventScroll: true});
    }
  });
  box.querySelector('[data-save-note]').addEventListener('click', () => save(box, page));
  box.querySelectorAll('[data-pin]').forEach(chip => chip.addEventListener('click', () => {
    pin[chip.dataset.pin] = null;
    showPin(box);
    field.focus();
  }));
  box.querySelectorAll('[data-ready]').forEach(ready => ready.addEventListener('click', () => say(box, page, ready.dataset.ready)));
  wireList(box, page);
  showPin(box);
}

function showPin(box) {
  const [moment, played] = ['beat', 'key'].map(what => box.querySelector(`[data-pin=${what}]`));
  moment.hidden = pin.beat === null;
  played.hidden = pin.key === null;
  moment.firstElementChild.textContent = pin.beat === null ? '' : `beat ${(pin.beat + 1).toFixed(1)}`;
  played.firstElementChild.textContent = pin.key === null ? '' : keyName(pin.key);
}

/** Saves what stands in the field. */
function save(box, page) {
  const field = box.querySelector('#note');
  if (field.value.trim() === '') {
    return;
  }
  if (field.value.trim().length > 10000) {
    box.querySelector('#note-state').textContent = `A note has at most 10,000 characters; this one has ${field.value.trim().length}. It is still here, and not saved.`;
    return;
  }
  clearTimeout(timer);
  say(box, page, field.value);
  field.value = '';
  delete page.drafts[box.dataset.place];
  pin = {beat: null, key: null};
  showPin(box);
}

/** Adds a note. @param {string} note */
export function say(box, page, note) {
  const pinned = Object.fromEntries(Object.entries(pin).filter(([, value]) => value !== null));
  box.querySelector('#note-state').textContent = 'Saving …';
  post(`/rounds/${page.round}/notes`, {place: box.dataset.place, reviewer: page.reviewer, note, token: token(), ...pinned}, '', answer => show(box, page, answer, 'Note saved'));
}

async function show(box, page, answer, words) {
  const fresh = document.createElement('template');
  fresh.innerHTML = await answer.text();
  if (box.isConnected) {
    box.querySelector('#notes').replaceWith(fresh.content.querySelector('#notes'));
    box.querySelector('#note-state').textContent = words;
    wireList(box, page);
  }
}

function wireList(box, page) {
  box.querySelectorAll('#notes [data-from]').forEach(from => from.addEventListener('click', () => player.startPhrase(undefined, null, false, Number(from.dataset.from))));
  box.querySelectorAll('#notes [data-key]').forEach(button => button.addEventListener('click', () => {
    const played = Number(button.dataset.key);
    player.noteOn(played, 96);
    setTimeout(() => player.noteOff(played), KEY_MS);
  }));
  box.querySelectorAll('#notes [data-forget]').forEach(button => button.addEventListener('click', () =>
    post(button.dataset.forget, {place: box.dataset.place, reviewer: page.reviewer}, '', answer => show(box, page, answer, 'Note removed'))));
}
