// Starts the page: the strip once, everything else whenever a piece of page arrives.
import {allowLevelling, beforeRequest, benchState, chooseStage, requestOfBench, save, setUpBench} from './bench.js';
import {listeningKey, playClicked, setUpPage} from './pages.js';
import {csrfToken, say} from './requests.js';
import {panic, setUpStrip, tempo} from './strip.js';
import {openShortcuts} from './shortcuts.js';
import * as player from './player.js';

const STAGES = ['keymap', 'sources', 'filter', 'envelopes', 'motion', 'effects', 'touch', 'level'];
const ready = new WeakSet();

function fresh(root) {
  if (root instanceof HTMLElement && !ready.has(root)) {
    ready.add(root);
    setUpPage(root.parentElement ?? root);
    setUpBench(root);
    allowLevelling();
  }
}

function setTheme(theme) {
  document.documentElement.dataset.bsTheme = theme;
  localStorage.setItem('comet-theme', theme);
  document.dispatchEvent(new CustomEvent('comet:theme'));
}

setTheme(localStorage.getItem('comet-theme') ?? 'light');
setUpStrip();
fresh(document.getElementById('content'));

document.body.addEventListener('htmx:afterSettle', e => fresh(e.detail.elt.id === 'page' ? document.getElementById('content') : document.getElementById(e.detail.elt.id) ?? e.detail.elt));
document.addEventListener('comet:fresh', e => fresh(e.detail));
document.body.addEventListener('htmx:configRequest', e => { e.detail.headers['X-XSRF-TOKEN'] = csrfToken(); });
document.body.addEventListener('htmx:confirm', e => {
  if (!e.detail.question) {
    beforeRequest(e);
  }
});
document.body.addEventListener('htmx:beforeRequest', e => requestOfBench(e.detail.elt, true));
for (const event of ['htmx:responseError', 'htmx:sendError', 'htmx:sendAbort', 'htmx:timeout']) {
  document.body.addEventListener(event, e => requestOfBench(e.detail.elt, false));
}
document.body.addEventListener('htmx:responseError', e => {
  const xhr = e.detail.xhr;
  const plain = (xhr.getResponseHeader('Content-Type') ?? '').startsWith('text/plain');
  const text = plain ? xhr.responseText
    : new DOMParser().parseFromString(xhr.responseText, 'text/html').querySelector('main p')?.textContent ?? 'That did not work.';
  say(text);
});
document.body.addEventListener('htmx:sendError', () => say('The server cannot be reached just now. Nothing was changed; try again in a moment.', {calm: true}));
window.addEventListener('beforeunload', e => {
  if (benchState()?.unsent) {
    e.preventDefault();
  }
});

document.addEventListener('click', e => {
  playClicked(e);
  const action = e.target.closest('[data-action]')?.dataset.action;
  if (action === 'theme') {
    setTheme(document.documentElement.dataset.bsTheme === 'dark' ? 'light' : 'dark');
  } else if (action === 'shortcuts') {
    openShortcuts();
  }
});
// Browsers let sound begin with a click or a key; the first of either wakes it.
for (const event of ['pointerdown', 'keydown']) {
  document.addEventListener(event, () => player.wake().catch(() => {}), {once: true, capture: true});
}

document.addEventListener('keydown', e => {
  const typing = e.target.closest('input:not([type=range]), textarea, select, dialog');
  if (e.ctrlKey && e.key.toLowerCase() === 'z' && benchState() && !typing) {
    e.preventDefault();
    document.getElementById(e.shiftKey ? 'redo' : 'undo').click();
  } else if (e.ctrlKey && e.key.toLowerCase() === 's' && benchState()) {
    e.preventDefault();
    save();
  } else if (typing || e.ctrlKey || e.metaKey || e.altKey) {
    return;
  } else if (e.key === '?') {
    openShortcuts();
  } else if (e.key === 'Escape') {
    panic();
  } else if (e.key === ' ' && !e.target.closest('button, a, summary, .slot')) {
    e.preventDefault();
    player.togglePhrase(tempo());
  } else if (benchState() && /^[1-8]$/.test(e.key) && !e.target.closest('.bar')) {
    chooseStage(STAGES[Number(e.key) - 1]);
  } else {
    listeningKey(e);
  }
});
