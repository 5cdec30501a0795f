// The chosen finding: its repair is tried in the background and asked after, applied, or the finding is waived.
import {ask, say} from '../page/requests.js';
import {drawClips} from './clip-picture.js';
import {tellKeys} from '../lib/key-names.js';

const EVERY_MS = 700;

/**
 * Brings a finding to life.
 * @param {HTMLElement} side that it stands in
 * @param {() => void} back gives the focus to the list
 */
export function wireFinding(side, back) {
  const box = side.querySelector('.finding');
  const {patch, version, key} = box.dataset;
  const send = async (path, form) => show(side, await (await ask(`/patches/${patch}/${path}`, {form: {key, ...form}})).text(), back);
  const told = run => run().catch(refusal => say(refusal.message, {key: 'check'}));
  drawClips(box);
  box.querySelector('[data-mend]')?.addEventListener('click', () => told(() => send('mending', {})));
  box.querySelector('[data-apply-mend]')?.addEventListener('click', () => told(async () => { await send('mending/apply', {version}); back(); }));
  box.querySelector('[data-waive-back]')?.addEventListener('click', () => told(() => send('waivers/back', {})));
  wireWaiving(box, form => send('waivers', form), back);
  if (box.dataset.trying === 'true') {
    setTimeout(() => askAfter(side, box, back), EVERY_MS);
  }
}

/**
 * The form in which findings are left to stand; who says so is remembered.
 * @param {HTMLElement} box @param {(form: {reason: string, person: string}) => Promise<void>} send @param {() => void} back gives the focus to the list
 */
function wireWaiving(box, send, back) {
  const form = box.querySelector('[data-waive]');
  if (!form) {
    return;
  }
  const {reason, person} = form.elements;
  person.value = localStorage.getItem('comet-person') ?? '';
  form.addEventListener('submit', async e => {
    e.preventDefault();
    try {
      await send({reason: reason.value, person: person.value});
      localStorage.setItem('comet-person', person.value);
      back();
    } catch (refusal) {
      const line = box.querySelector('[data-waive-refusal]');
      line.hidden = false;
      line.textContent = refusal.message;
    }
  });
  form.addEventListener('keydown', e => {
    if (e.key === 'Escape') {
      e.stopPropagation();
      back();
    }
  });
}

function show(side, html, back) {
  side.innerHTML = html;
  tellKeys(side);
  const box = side.querySelector('.finding');
  side.dispatchEvent(new CustomEvent('comet:finding', {detail: {patch: box.dataset.patch, key: box.dataset.key, gone: box.dataset.gone === 'true', waived: box.dataset.waived === 'true'}}));
  wireFinding(side, back);
}

/** Looks whether the repair has been tried; while it has not, what is shown stays. */
async function askAfter(side, box, back) {
  if (!box.isConnected) {
    return;
  }
  try {
    const html = await (await ask(`/patches/${box.dataset.patch}/finding?key=${encodeURIComponent(box.dataset.key)}`)).text();
    const fresh = document.createElement('template');
    fresh.innerHTML = html;
    if (fresh.content.querySelector('[data-mend]')) {
      setTimeout(() => askAfter(side, box, back), EVERY_MS);
    } else if (box.isConnected) {
      show(side, html, back);
    }
  } catch (refusal) {
    say(refusal.message, {key: 'check'});
  }
}

/**
 * Shows many findings together: all of a rule, or chosen ones, and their repairs.
 * @param {string} bank
 * @param {{rule?: string, findings?: string}} which findings as lines of the patch's id and the key
 * @param {HTMLElement} side
 * @param {() => void} back gives the focus to the list
 * @param {() => boolean} [wanted] whether the answer still is, once it comes
 */
export async function showMany(bank, which, side, back, wanted = () => true) {
  try {
    const html = await (await ask(`/banks/${bank}/mending/look`, {form: which})).text();
    if (wanted()) {
      takeMany(bank, which, side, back, html);
    }
  } catch (refusal) {
    say(refusal.message, {key: 'check'});
  }
}

function takeMany(bank, which, side, back, html) {
  side.innerHTML = html;
  tellKeys(side);
  const box = side.querySelector('.finding');
  const send = async (path, form = {}) => {
    const answer = await (await ask(`/banks/${bank}/${path}`, {form: {...which, ...form}})).text();
    if (box.isConnected) {
      takeMany(bank, which, side, back, answer);
    }
  };
  const told = run => run.catch(refusal => say(refusal.message, {key: 'check'}));
  const changed = () => side.dispatchEvent(new CustomEvent('comet:mended'));
  box.querySelector('[data-mend-every]')?.addEventListener('click', () => told(send('mending')));
  box.querySelector('[data-apply-every]')?.addEventListener('click', () => told(send('mending/apply').then(changed)));
  wireWaiving(box, form => send('waivers', form).then(changed), back);
  if (box.dataset.waiting === 'true') {
    setTimeout(() => box.isConnected && told(send('mending/look')), EVERY_MS);
  }
}
