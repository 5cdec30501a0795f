// The soundcheck of what is on the bench: asked for a moment after the last move, told in the head of the bench.
import {ask} from '../page/requests.js';
import {tellKeys} from '../lib/key-names.js';

const LOOK_MS = 500;
/** A hand that has rested for so long has made its move. */
const REST_MS = 1200;
const KEY = 'comet-live-check';

let seen = '';
let since = 0;
let asked = '';

const wanted = () => localStorage.getItem(KEY) !== 'off';

/** Follows the bench for as long as the page is open. */
export function followBench() {
  setInterval(look, LOOK_MS);
  document.addEventListener('change', e => {
    if (e.target.id === 'live-check-on') {
      localStorage.setItem(KEY, e.target.checked ? 'on' : 'off');
      asked = '';
      tell(e.target.checked ? '…' : 'off', 'soft');
    }
  });
}

function look() {
  const bench = document.getElementById('bench');
  const box = document.getElementById('live-check');
  if (!bench || !box || document.hidden) {
    return;
  }
  const now = `${bench.dataset.patch}.${bench.dataset.version}`;
  if (now !== seen) {
    seen = now;
    since = performance.now();
  }
  if (!box.dataset.wired) {
    box.dataset.wired = 'yes';
    document.getElementById('live-check-on').checked = wanted();
    tell(wanted() ? '…' : 'off', 'soft');
    asked = '';
  }
  if (wanted() && now !== asked && performance.now() - since > REST_MS) {
    asked = now;
    fetchUntil(bench.dataset.patch, now, 'POST');
  }
}

async function fetchUntil(patch, state, method) {
  try {
    const html = await (await ask(`/patches/${patch}/check`, {method})).text();
    if (state !== asked || !document.getElementById('live-check')) {
      return;
    }
    const box = document.getElementById('live-check-found');
    box.innerHTML = html;
    tellKeys(box);
    const found = box.firstElementChild.dataset;
    tell(found.words, found.tone);
    if (found.checked !== 'true' && found.failed !== 'true') {
      setTimeout(() => state === asked && fetchUntil(patch, state, 'GET'), LOOK_MS);
    }
  } catch {
    // The next move asks again.
    tell('not reached', 'soft');
  }
}

function tell(words, tone) {
  const line = document.getElementById('live-check-words');
  if (line) {
    line.textContent = words;
    line.className = tone;
  }
}
