// A listening round: its single keys, and notes that are kept as they are typed.
import {ask, csrfToken, say} from '../page/requests.js';

const SAVE_AFTER_MS = 300;

let timer = null;
/** What has been typed and not been kept yet. @type {{url: string, patch: string, note: string}|null} */
let draft = null;

/** Brings a round to life. @param {HTMLElement} root */
export function wireListening(root) {
  const form = root.querySelector('#verdicts');
  if (!form) {
    return;
  }
  const field = form.elements.note;
  const state = form.querySelector('#note-state');
  field.addEventListener('input', () => {
    draft = {url: form.dataset.note, patch: form.elements.patch.value, note: field.value};
    state.textContent = '';
    clearTimeout(timer);
    timer = setTimeout(() => keep(state), SAVE_AFTER_MS);
  });
  // Enter in the note keeps the note and gives no verdict.
  field.addEventListener('keydown', e => {
    if (e.key === 'Enter' && !e.isComposing) {
      e.preventDefault();
      keep(state, true);
    } else if (e.key === 'Escape') {
      e.stopPropagation();
      field.blur();
      document.getElementById('content').focus({preventScroll: true});
    }
  });
  form.querySelector('[data-save-note]').addEventListener('click', () => keep(state, true));
  // A verdict takes the note along.
  form.addEventListener('submit', () => {
    clearTimeout(timer);
    draft = null;
  });
  form.querySelectorAll('a').forEach(link => link.addEventListener('click', () => keep(state)));
}

async function keep(state, tell = false) {
  clearTimeout(timer);
  const kept = draft;
  if (kept) {
    draft = null;
    try {
      await ask(kept.url, {form: {patch: kept.patch, note: kept.note}});
    } catch (refusal) {
      draft ??= kept;
      say(refusal.passing ? `${refusal.message} The note is kept in this page and sent again.` : refusal.message, {key: 'note', calm: true});
      if (refusal.passing) {
        timer = setTimeout(() => keep(state), 2000);
      }
      return;
    }
  }
  if (kept || tell) {
    state.textContent = 'Note saved';
  }
}

window.addEventListener('pagehide', () => {
  if (draft) {
    fetch(draft.url, {method: 'POST', keepalive: true, headers: {'X-XSRF-TOKEN': csrfToken(), 'X-Requested-With': 'comet'},
      body: new URLSearchParams({patch: draft.patch, note: draft.note})});
  }
});

/** Single keys of a round. @returns {boolean} whether the key was taken */
export function listeningKey(e) {
  const form = document.getElementById('verdicts');
  if (!form) {
    return false;
  }
  const click = selector => form.querySelector(selector)?.click();
  const act = {
    k: () => click('[value=keep]'), f: () => click('[value=fix]'), c: () => click('[value=cut]'),
    n: () => document.getElementById('verdict-note').focus(),
    ArrowRight: () => click('[data-skip]'), ArrowLeft: () => click('[data-back]'),
  }[e.key];
  if (act) {
    e.preventDefault();
    act();
  }
  return Boolean(act);
}
