// The chosen finding: its repair is tried in the background and asked after, applied, or the finding is waived.
import {ask, say} from '../page/requests.js';
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
  box.querySelector('[data-mend]')?.addEventListener('click', () => told(() => send('mending', {})));
  box.querySelector('[data-apply-mend]')?.addEventListener('click', () => told(async () => { await send('mending/apply', {version}); back(); }));
  box.querySelector('[data-waive-back]')?.addEventListener('click', () => told(() => send('waivers/back', {})));
  box.querySelector('[data-waive]')?.addEventListener('submit', async e => {
    e.preventDefault();
    try {
      await send('waivers', {reason: e.target.elements.reason.value, person: e.target.elements.person.value});
      localStorage.setItem('comet-person', e.target.elements.person.value);
      back();
    } catch (refusal) {
      const line = box.querySelector('[data-waive-refusal]');
      line.hidden = false;
      line.textContent = refusal.message;
    }
  });
  const person = box.querySelector('[data-waive] [name=person]');
  if (person) {
    person.value = localStorage.getItem('comet-person') ?? '';
  }
  box.querySelector('[data-waive]')?.addEventListener('keydown', e => {
    if (e.key === 'Escape') {
      e.stopPropagation();
      back();
    }
  });
  if (box.dataset.trying === 'true') {
    setTimeout(() => askAfter(side, box, back), EVERY_MS);
  }
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
 * Shows the repairs of every finding of a rule.
 * @param {string} bank
 * @param {string} rule
 * @param {HTMLElement} side
 */
export async function showEvery(bank, rule, side) {
  try {
    take(bank, rule, side, await (await ask(`/banks/${bank}/mending?rule=${encodeURIComponent(rule)}`)).text());
  } catch (refusal) {
    say(refusal.message, {key: 'check'});
  }
}

function take(bank, rule, side, html) {
  side.innerHTML = html;
  const box = side.querySelector('.finding');
  const send = path => ask(`/banks/${bank}/${path}`, {form: {rule}}).then(r => r.text()).then(text => take(bank, rule, side, text)).catch(refusal => say(refusal.message, {key: 'check'}));
  box.querySelector('[data-mend-every]')?.addEventListener('click', () => send('mending'));
  box.querySelector('[data-apply-every]')?.addEventListener('click', () => send('mending/apply').then(() => side.dispatchEvent(new CustomEvent('comet:mended'))));
  if (box.dataset.waiting === 'true') {
    setTimeout(() => box.isConnected && showEvery(bank, rule, side), EVERY_MS);
  }
}
