// What has been said and not reached the server yet: kept in the browser, sent in order, and sent again until it has arrived.
import {ask, csrfToken, say} from '../page/requests.js';

const KEY = 'comet-outbox';
const AGAIN_MS = 1000;

let sending = null;
let timer = null;

/** @typedef {{url: string, form: Record<string, string>, slot: string}} Letter */

/** @returns {Letter[]} */
function letters() {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]');
  } catch {
    return [];
  }
}

function keep(all) {
  localStorage.setItem(KEY, JSON.stringify(all));
}

/** A mark by which the server knows a thing that is sent twice. */
export const token = () => crypto.randomUUID();

/**
 * Sends something, now or as soon as it can be.
 * @param {string} url @param {Record<string, string>} form
 * @param {string} [slot] a later letter with the same slot takes the place of one that has not left
 * @param {(answer: Response) => void} [then] what to do with the answer, while this page is there
 */
export function post(url, form, slot = '', then = null) {
  const all = letters().filter((l, i) => !slot || l.slot !== slot || i === 0 && sending);
  const letter = {url, form, slot, id: token()};
  all.push(letter);
  keep(all);
  if (then) {
    answers.set(letter.id, then);
  }
  return flush();
}

const answers = new Map();

/** Sends what waits. @returns {Promise<void>} when nothing waits any more, or when the server cannot be reached */
export function flush() {
  clearTimeout(timer);
  sending ??= send().finally(() => { sending = null; });
  return sending;
}

async function send() {
  for (let all = letters(); all.length > 0; all = letters()) {
    const letter = all[0];
    try {
      const answer = await ask(letter.url, {form: letter.form});
      answers.get(letter.id)?.(answer);
    } catch (refusal) {
      if (refusal.passing) {
        say(`${refusal.message} What was said is kept in this browser and sent again.`, {key: 'outbox', calm: true});
        timer = setTimeout(flush, AGAIN_MS);
        return;
      }
      say(refusal.message, {key: 'outbox'});
    }
    answers.delete(letter.id);
    keep(letters().filter(l => l.id !== letter.id));
  }
  document.querySelectorAll('#messages [data-key="outbox"].calm').forEach(box => box.remove());
}

// A page that is left hands over what it still holds; the next one sends it otherwise.
window.addEventListener('pagehide', () => letters().forEach(({url, form}) => fetch(url, {method: 'POST', keepalive: true,
  headers: {'X-XSRF-TOKEN': csrfToken(), 'X-Requested-With': 'comet'}, body: new URLSearchParams(form)}).catch(() => {})));
