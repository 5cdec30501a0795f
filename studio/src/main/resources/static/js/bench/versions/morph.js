// What stands between two versions: heard while the slider moves, used here or kept.
import {say} from '../../page/requests.js';

/** What was chosen last, so that an exchange of the stage loses nothing. */
let chosen = null;

/**
 * @param {HTMLFormElement} form
 * @param {{post: (path: string, fields: object) => Promise<void>, flush: () => Promise<void>, hear: (reference: string) => Promise<object|null>, isHeard: (reference: string) => boolean}} bench
 */
export function wireMorph(form, {post, flush, hear, isHeard}) {
  const {from, to, place} = form.elements;
  if (chosen) {
    for (const field of [from, to, place]) {
      field.value = chosen[field.name];
    }
    // A version may have gone.
    from.value ||= 'now';
    to.value ||= 'now';
  }
  const reference = () => `between.${from.value}.${to.value}.${place.value}`;
  let asking = false;
  let next = null;
  const hearPlace = async () => {
    next = reference();
    if (asking) {
      return;
    }
    asking = true;
    while (next !== null) {
      const wanted = next;
      next = null;
      const version = await hear(wanted);
      if (version) {
        form.querySelector('[data-jumps]').textContent = version.jumps.length === 0 ? 'All of it goes smoothly.' : `Changes half way: ${version.jumps.join('; ')}.`;
      }
    }
    asking = false;
  };
  const show = () => { form.elements.percent.value = `${place.value} %`; };
  const ready = () => {
    if (from.value === to.value) {
      say('Choose two different versions: put one onto a pad first.', {key: 'morph', calm: true});
      return false;
    }
    return true;
  };
  for (const field of [from, to, place]) {
    field.addEventListener('input', async () => {
      chosen = {from: from.value, to: to.value, place: place.value};
      show();
      if (ready()) {
        await flush();
        hearPlace();
      }
    });
  }
  const acts = {
    hear: async () => {
      await flush();
      return isHeard(reference()) ? hear('') : hearPlace();
    },
    use: () => post('bring-back', {with: reference()}),
    keep: () => post(`versions/${reference()}/keep`, {})};
  form.querySelectorAll('[data-morph-act]').forEach(b => b.addEventListener('click', () => ready() && acts[b.dataset.morphAct]()));
  form.addEventListener('submit', e => e.preventDefault());
  show();
}
