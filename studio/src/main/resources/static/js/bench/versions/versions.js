// Versions of the patch on the bench: heard in its place at matched loudness, compared, brought back; variations.
import * as player from '../../player/player.js';
import {tellKeys} from '../../lib/key-names.js';
import {wireTabPanels} from '../../lib/tab-panels.js';
import {ask, say} from '../../page/requests.js';
import {forget} from '../pieces.js';
import {wireMorph} from './morph.js';
import {wireVary} from './vary.js';

/** What is heard: '' is the state on the bench. */
let hearing = '';
let heardBefore = 'padA';
/** What the version that is heard is, and how it differs from the state on the bench. */
let heardWords = '';

/**
 * What can be undone and redone, and whether the state is saved.
 * @param {{undo: string, redo: string, saved: boolean}} answer the server's, after an edit
 */
export function showHistory(answer) {
  const undo = document.getElementById('undo');
  forget(undo);
  const redo = document.getElementById('redo');
  undo.disabled = !answer.undo;
  undo.title = answer.undo ? `Undo: ${answer.undo}` : 'Nothing to undo';
  redo.disabled = !answer.redo;
  redo.title = answer.redo ? `Redo: ${answer.redo}` : 'Nothing to redo';
  tellKeys(undo.parentElement);
  document.getElementById('save').disabled = answer.saved;
  document.getElementById('save-state').textContent = answer.saved ? 'saved' : 'unsaved edits';
  document.getElementById('save-state').className = answer.saved ? 'soft' : 'ember';
}

/** Goes back to the state on the bench, as every edit does. */
export function hearNow() {
  if (hearing !== '') {
    heardBefore = hearing;
    hearing = '';
    player.hearInstead(null);
    show();
  }
}

/** Flips between what is heard and what was heard before. @param {number} patch */
export function flip(patch) {
  hear(patch, hearing === '' ? heardBefore : '');
}

async function hear(patch, reference) {
  if (reference === '') {
    hearNow();
    return null;
  }
  try {
    const version = await (await ask(`/patches/${patch}/versions/${reference}`)).json();
    heardBefore = hearing === '' ? heardBefore : hearing;
    hearing = reference;
    heardWords = `Heard in place of the bench: ${version.words}. ${version.difference === null ? version.matchedDb === null ? 'How it differs is being measured.' : 'At matched loudness.' : `At matched loudness; by itself: ${version.difference}.`}`;
    player.hearInstead(version.playable, version.matchedDb);
    if (version.matchedDb === null) {
      ask(`/patches/${patch}/versions/${reference}/measure`, {method: 'POST'}).catch(() => {});
      say('This version is still being measured, so it is heard as loud as it is.', {key: 'matched', calm: true});
    }
    show();
    return version;
  } catch (refusal) {
    say(refusal.message);
    return null;
  }
}

function show() {
  document.querySelectorAll('[data-hear]').forEach(b => b.setAttribute('aria-pressed', String(b.dataset.hear === hearing)));
  document.getElementById('bench')?.classList.toggle('elsewhere', hearing !== '');
  // Beside the tabs of the versions it moves nothing beneath a pointer that rests.
  for (const line of document.querySelectorAll('#hearing, [data-hearing-here]')) {
    line.hidden = hearing === '';
    line.textContent = hearing === '' ? '' : `${heardWords} F flips back.`;
  }
}

/** The patches of the collection to compare with, fetched when somebody turns to the list. @param {HTMLSelectElement} list @param {number} own */
async function listOthers(list, own) {
  if (list.options.length > 1 || list.dataset.asked) {
    return;
  }
  list.dataset.asked = 'true';
  const known = await (await ask(`/find?collection=${document.getElementById('page').dataset.collection}`)).json();
  list.append(...known.places.filter(p => p.kind.startsWith('patch ') && p.url !== `/patches/${own}`)
    .map(p => new Option(`${p.kind.slice(6).padStart(3, '0')} ${p.text}`, p.url.slice('/patches/'.length))));
}

/**
 * @param {import('../pieces.js').Fresh} bench
 * @param {() => number} patch id of the patch on the bench
 * @param {(path: string, fields: object) => Promise<void>} post sends to an address of the patch that answers with a new bench
 * @param {() => Promise<void>} flush
 */
export function wireVersions(bench, patch, post, flush) {
  if (!bench.querySelector('[data-stage-panel="versions"]')) {
    // What was told of another version was told of the state before.
    document.getElementById('differences').replaceChildren();
    return;
  }
  bench.querySelectorAll('[data-hear]').forEach(b => b.addEventListener('click', () => hear(patch(), b.dataset.hear)));
  bench.querySelectorAll('[data-put-pad]').forEach(b => b.addEventListener('click', () => post(`pads/${b.dataset.putPad}`, {})));
  const compare = async reference => {
    try {
      await flush();
      const box = document.createElement('template');
      box.innerHTML = await (await ask(`/patches/${patch()}/differences?with=${reference}`)).text();
      tellKeys(box.content);
      const fresh = box.content.querySelector('#differences');
      document.getElementById('differences').replaceWith(fresh);
      fresh.querySelectorAll('[data-take-back]').forEach(b => b.addEventListener('click', async () => {
        await post('take-back', {with: b.dataset.with, line: b.dataset.takeBack});
        compare(reference);
      }));
    } catch (refusal) {
      say(refusal.message);
    }
  };
  bench.querySelectorAll('[data-differences]').forEach(b => b.addEventListener('click', () => compare(b.dataset.differences)));
  bench.querySelectorAll('[data-bring-back]').forEach(b => b.addEventListener('click', () => {
    hearNow();
    post('bring-back', {with: b.dataset.bringBack});
  }));
  const other = bench.querySelector('[data-other-patch]');
  for (const event of ['pointerenter', 'focus']) {
    other.elements.other.addEventListener(event, () => listOthers(other.elements.other, patch()));
  }
  other.querySelectorAll('[data-other]').forEach(b => b.addEventListener('click', () => {
    const id = other.elements.other.value;
    if (id) {
      ({hear: r => hear(patch(), r), differences: compare}[b.dataset.other] ?? (r => post(`pads/${b.dataset.other}`, {from: r})))('patch' + id);
    }
  }));
  bench.querySelector('#save-note').addEventListener('submit', e => {
    e.preventDefault();
    post('save', {note: e.target.elements.note.value});
  });
  wireMorph(bench.querySelector('[data-morph]'), {patch, post, flush, hear: reference => hear(patch(), reference), isHeard: reference => hearing === reference});
  wireVary(bench, {patch, post, flush, hear: reference => hear(patch(), reference), hearNow, shown: show});
  wireTabPanels(bench, 'versions');
  show();
}
