// Starts the page: the strip once, everything else whenever a piece of page arrives.
import {allowLevelling} from './bench/at-rest.js';
import {setUpPatchDrop} from './bank/patch-files.js';
import {redo, undo} from './bank/desk.js';
import {benchState, chooseStage, flipVersions, matchLevel, openPlace, save, setUpBench} from './bench/bench.js';
import {openQuickLine} from './bench/quick/quick-line.js';
import {roundKey, undoAnswer} from './listening/round.js';
import {playClicked, setUpPage} from './page/pages.js';
import {setUpAnswers} from './page/answers.js';
import {setUpTheme, turnTheme} from './page/theme.js';
import {rememberFocus} from './page/focus-kept.js';
import {followBench} from './soundcheck/live.js';
import {panic, playChosen, setUpStrip, sizeFor} from './player/strip.js';
import {openShortcuts} from './page/shortcuts.js';
import {openFinder} from './page/finder.js';
import {hearAll} from './player/mute-solo.js';
import {setMiddleOctave, tellKeys} from './lib/key-names.js';
import * as player from './player/player.js';

const STAGES = ['keymap', 'sources', 'filter', 'envelopes', 'modulation', 'effects', 'performance', 'level', 'versions'];
const ready = new WeakSet();

function fresh(root) {
  if (root instanceof HTMLElement && !ready.has(root)) {
    ready.add(root);
    if (root.id === 'content') {
      sizeFor(document.getElementById('page').dataset.place ?? '');
    }
    setUpPage(root.parentElement ?? root);
    setUpBench(root);
    allowLevelling();
    tellKeys(root);
  }
}

setUpTheme();
setUpAnswers();
setUpStrip();
setUpPatchDrop();
followBench();
fresh(document.getElementById('content'));
document.getElementById('content').focus({preventScroll: true});

document.body.addEventListener('htmx:afterSettle', e => fresh(e.detail.elt.id === 'page' ? document.getElementById('content') : document.getElementById(e.detail.elt.id) ?? e.detail.elt));
document.addEventListener('comet:fresh', e => fresh(e.detail));
/** Gives the focus back when htmx has exchanged what had it; after another page it goes to the content, never to nothing. */
let giveBack = () => {};
document.body.addEventListener('htmx:beforeSwap', e => {
  if (e.detail.boosted && document.getElementById('page') !== e.detail.target) {
    // A link leads to another page, also from within a part that exchanges itself and hands its target down.
    Object.assign(e.detail, {target: document.getElementById('page'), selectOverride: '#page', swapOverride: 'outerHTML'});
  }
  if (e.detail.shouldSwap) {
    giveBack = e.detail.target.id === 'page' ? () => {} : rememberFocus(e.detail.target);
  }
});
document.body.addEventListener('htmx:afterSettle', e => {
  const fresh = document.getElementById(e.detail.elt.id) ?? e.detail.elt;
  giveBack(fresh);
  giveBack = () => {};
  if (document.activeElement === document.body || !document.activeElement?.isConnected) {
    const anchor = location.hash ? document.getElementById(decodeURIComponent(location.hash.slice(1))) : null;
    anchor?.scrollIntoView({block: 'start'});
    document.getElementById('content')?.focus({preventScroll: true});
  }
});
window.addEventListener('beforeunload', e => {
  if (benchState()?.unsent) {
    e.preventDefault();
  }
});

document.addEventListener('click', e => {
  playClicked(e);
  const action = e.target.closest('[data-action]')?.dataset.action;
  if (action === 'theme') {
    turnTheme();
  } else if (action === 'shortcuts') {
    openShortcuts();
  } else if (action === 'find') {
    find();
  }
});
// Browsers let sound begin with a click or a key; the first of either wakes it.
for (const event of ['pointerdown', 'keydown']) {
  document.addEventListener(event, () => player.wake().catch(() => {}), {once: true, capture: true});
}

/** Opens the command finder with what can be done on this page. */
function find() {
  const click = id => () => document.getElementById(id)?.click();
  const bench = benchState() !== null;
  openFinder({collection: document.getElementById('page').dataset.collection, patch: bench ? document.getElementById('bench').dataset.patch : null,
    openPlace, actions: [
      {text: 'Play or stop', act: playChosen}, {text: 'All notes off', act: panic}, {text: 'Shortcuts of this page', act: openShortcuts},
      {text: 'Light or dark', act: () => turnTheme()},
      ...[3, 4, 5].map(octave => ({text: `Call middle C C${octave}`, act: () => setMiddleOctave(octave)})),
      {text: 'Computer keys play notes', act: click('player-notes')}, {text: 'Loop the phrase', act: click('player-repeat')},
      ...(bench ? [{text: 'Undo', act: click('undo')}, {text: 'Redo', act: click('redo')}, {text: 'Save revision', act: save}, {text: 'Hear everything: nothing muted or bypassed', act: hearAll},
        {text: 'Hear in mono', act: click('hear-mono')}, {text: 'Match the level around the part in hand', act: matchLevel},
        {text: 'Level to target', act: click('level-to-target')}, {text: 'Flip to the version heard before', act: flipVersions},
        {text: 'Quick line: type a whole setting', act: openQuickLine},
        {text: 'Add a route', act: () => {
          chooseStage('modulation');
          document.querySelector('#add-route [name=target]').focus();
        }}] : [])]});
}

const roundOpen = () => document.getElementById('round') !== null;
const deskOpen = () => document.getElementById('desk') !== null;

document.addEventListener('keydown', e => {
  if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'k') {
    e.preventDefault();
    find();
    return;
  }
  const typing = e.target.closest('input:not([type=range]), textarea, select, dialog');
  const command = e.ctrlKey || e.metaKey;
  if (command && e.key.toLowerCase() === 'z' && benchState() && (!typing || typing.matches('select'))) {
    e.preventDefault();
    document.getElementById(e.shiftKey ? 'redo' : 'undo').click();
  } else if (command && e.key.toLowerCase() === 'z' && deskOpen() && !typing) {
    e.preventDefault();
    (e.shiftKey ? redo : undo)();
  } else if (command && e.key.toLowerCase() === 'z' && !e.shiftKey && !typing && undoAnswer()) {
    e.preventDefault();
  } else if (command && e.key.toLowerCase() === 's' && benchState()) {
    e.preventDefault();
    save();
  } else if (typing || e.ctrlKey || e.metaKey || e.altKey) {
    return;
  } else if (e.key === '?') {
    openShortcuts();
  } else if (e.key === '/' && deskOpen()) {
    e.preventDefault();
    document.getElementById('filter').focus();
  } else if (e.key === 'Escape') {
    if (!roundOpen() || !roundKey(e)) {
      panic();
    }
  } else if (roundOpen() && !e.target.closest('button, a, summary') && roundKey(e)) {
    return;
  } else if (e.key === ' ' && !e.target.closest('button, a, summary, .slot')) {
    e.preventDefault();
    playChosen();
  } else if (benchState() && /^[1-9]$/.test(e.key) && !e.target.closest('.bar')) {
    chooseStage(STAGES[Number(e.key) - 1]);
  } else if (benchState() && e.key === 'f') {
    flipVersions();
  } else if (benchState() && e.key === 'g') {
    matchLevel();
  } else if (benchState() && e.key === 'q') {
    e.preventDefault();
    openQuickLine();
  } else if (roundOpen() && e.key !== ' ') {
    roundKey(e);
  }
});
