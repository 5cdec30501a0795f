// Pads of a MIDI controller as keys of a listening round: each is learnt once and known on this browser from then on.

const KEY = 'comet-pads';

/** The deed that waits for its pad. @type {string|null} */
let learning = null;

/** @returns {Record<string, string>} deeds by pad */
function pads() {
  return JSON.parse(localStorage.getItem(KEY) ?? '{}');
}

/** A pad by its message: a note or a controller, of whatever channel. @returns {string|null} null for what is no pad, or its release */
function padOf([status, first, second]) {
  const kind = status & 0xF0;
  return (kind === 0x90 || kind === 0xB0) && second > 0 ? `${kind === 0x90 ? 'note' : 'controller'} ${first}` : null;
}

/** The pad of a deed in words, empty for none. @param {string} key */
export const padFor = key => Object.entries(pads()).find(([, deed]) => deed === key)?.[0] ?? '';

/** The next pad that is hit does this from then on. @param {string|null} key null stops waiting */
export function learn(key) {
  learning = key;
}

/** Forgets the pad of a deed. @param {string} key */
export function forget(key) {
  localStorage.setItem(KEY, JSON.stringify(Object.fromEntries(Object.entries(pads()).filter(([, deed]) => deed !== key))));
}

/** @param {(key: string) => void} act what a pad does @param {() => void} learnt when a pad was learnt */
export function setUpPads(act, learnt) {
  document.addEventListener('comet:pad', e => {
    if (!document.getElementById('round')) {
      return;
    }
    const pad = padOf(e.detail);
    if (learning && pad) {
      localStorage.setItem(KEY, JSON.stringify({...Object.fromEntries(Object.entries(pads()).filter(([, deed]) => deed !== learning)), [pad]: learning}));
      learning = null;
      e.preventDefault();
      learnt();
    } else if (pad && pads()[pad]) {
      e.preventDefault();
      act(pads()[pad]);
    } else if ((e.detail[0] & 0xE0) === 0x80 && pads()[`note ${e.detail[1]}`]) {
      e.preventDefault();
    }
  });
}
