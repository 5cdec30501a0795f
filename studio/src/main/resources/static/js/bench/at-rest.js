// What a bench learns once the hand has come to rest: figures and words of the new state, the last save for the spectrum, what a voice costs.
import {LivePatch} from '../../engine/engine.js';
import {imageOf} from '../lib/parameters.js';
import * as player from '../player/player.js';
import {ask, say} from '../page/requests.js';
import {wireLooseEnds} from './bench-forms.js';
import {forget} from './pieces.js';
import {tellKeys} from '../lib/key-names.js';
import {letGo} from '../page/pointer-held.js';

const MEASURE_AFTER_MS = 900;
const BESIDE_AFTER_MS = 1500;
let measureTimer = null;
let besideTimer = null;
/** @type {{state: () => import('./patch-state.js').PatchState|null, edit: Function, openPlace: Function}} */
let hands = {state: () => null};

/** Says whose state is asked about, and what a loose end's links call. */
export function restWith(given) {
  hands = given;
}

/** The last save beside the patch, and what a voice costs. @param {HTMLElement} element the bench */
export function besideSoon(element) {
  const now = hands.state();
  const cost = element.querySelector('#live-cost');
  if (now && cost) {
    cost.textContent = `${LivePatch.cost(now.image).toFixed(1)} × a plain one`;
  }
  clearTimeout(besideTimer);
  besideTimer = setTimeout(async () => {
    const state = hands.state();
    if (!state) {
      return;
    }
    const changed = !document.getElementById('save').disabled && element.querySelector('#focus').dataset.saved === 'true';
    await passing(async () => player.setShadow(changed ? imageOf((await (await ask(`/patches/${state.id}/versions/saved`)).json()).playable) : null));
  }, BESIDE_AFTER_MS);
}

/** Figures of the new sound, once nothing has moved for a while. */
export function measureSoon() {
  clearTimeout(measureTimer);
  measureTimer = setTimeout(async () => {
    const state = hands.state();
    const old = document.getElementById('measured');
    if (old && state && !state.unsent && !await passing(async () => {
      await ask(`/patches/${state.id}/measure`, {method: 'POST'});
      const fresh = (await piece(`/patches/${state.id}/measured`)).querySelector('#measured');
      await letGo(old);
      old.replaceWith(fresh);
      document.dispatchEvent(new CustomEvent('comet:fresh', {detail: fresh}));
      await freshWords();
    })) {
      measureSoon();
    }
  }, MEASURE_AFTER_MS);
}

/** Loose ends and the key map's words of the state that is there now. */
export function freshWords() {
  const state = hands.state();
  return passing(async () => {
    const words = await piece(`/patches/${state.id}/words`);
    tellKeys(words);
    for (const id of ['loose-ends', 'keymap-words']) {
      const fresh = words.querySelector(`#${id}`);
      const shown = document.getElementById(id);
      await letGo(shown);
      shown?.replaceWith(fresh);
      wireLooseEnds(fresh, hands);
    }
  });
}

async function piece(url) {
  const box = document.createElement('template');
  box.innerHTML = await (await ask(url)).text();
  return box.content;
}

/** Does it and says what was refused; answers false where the same may go through later. */
async function passing(work) {
  try {
    await work();
  } catch (refusal) {
    if (refusal.passing) {
      return false;
    }
    say(refusal.message);
  }
  return true;
}

/** Levelling needs figures; they may arrive after the rest of the page. */
export function allowLevelling() {
  const button = document.getElementById('level-to-target');
  const known = document.querySelector('#measured .figures') !== null;
  if (button && button.disabled === known) {
    button.disabled = !known;
    forget(button);
  }
}
