// What pages other than the bench do: progress of background work, playing rows and clips.
import * as player from '../player/player.js';
import {ask, say} from './requests.js';
import {wireBank} from '../bank/bank.js';
import {wireSky} from '../bank/sky.js';
import {wireLadder} from '../collection/ladder.js';
import {wireRules} from '../collection/rules.js';
import {wireFills} from './fills.js';
import {followProgress} from './progress.js';
import {wirePatchFiles} from '../bank/patch-files.js';
import {playClip} from './clips.js';
import {wireRound} from '../listening/round.js';
import {wireRoundsPage} from '../listening/rounds-page.js';
import {wireWorkList} from '../soundcheck/work-list.js';

/** The collection whose patch the player holds, and the patch that it was told to hold. */
let shownCollection = null;

/** The player holds a patch of the collection that is shown. */
function holdPatch(focus) {
  const page = document.getElementById('page');
  const moved = shownCollection !== null && shownCollection !== page.dataset.collection;
  shownCollection = page.dataset.collection;
  document.cookie = `comet-collection=${shownCollection}; path=/; max-age=31536000; samesite=strict`;
  if (focus || document.getElementById('place') || player.playing() && !moved) {
    return;
  }
  if (page.dataset.first === '0') {
    player.unload();
    return;
  }
  ask(`/patches/${page.dataset.first}/playable`).then(answer => answer.json()).then(playable => {
    if (page.isConnected && (moved || !player.playing())) {
      player.load(playable, false);
    }
  }).catch(refusal => say(refusal.message));
}

/** A patch that was renamed on the page has its new name in the player too. */
function tellName(root) {
  const rows = root.matches?.('.slot') ? [root] : [...root.querySelectorAll('.slot')];
  const row = rows.find(r => Number(r.dataset.patch) === player.playing()?.id);
  if (row) {
    player.rename(row.querySelector('.c-name .cell-text').textContent);
  }
}

document.addEventListener('comet:rows', e => e.detail.fresh.forEach(tellName));

/** Brings what any fresh piece of a page may have to life. @param {HTMLElement|import('../bench/pieces.js').Fresh} root */
export function setUpPieces(root) {
  followProgress(root);
  root.querySelectorAll('[data-again]').forEach(button => button.addEventListener('click', () => {
    button.disabled = true;
    ask(button.dataset.again, {method: 'POST'}).then(() => location.reload(), refusal => say(refusal.message));
  }));
}

/** Brings a fresh part of a page to life. @param {HTMLElement} root */
export function setUpPage(root) {
  setUpPieces(root);
  const focus = root.querySelector('#focus');
  if (focus && !focus.closest('#bench')) {
    takeFocus(focus);
  }
  holdPatch(focus);
  tellName(root);
  wireBank(root);
  wirePatchFiles(root);
  wireRound(root);
  wireRoundsPage(root);
  wireWorkList(root);
  root.querySelector('[data-print]')?.addEventListener('click', () => print());
  wireFills(root);
  wireRules(root);
  wireLadder(root);
  wireSky(root);
  labelCells(root);
}

/** Cells carry the words of their column, which a narrow window shows in place of the head of the table. */
function labelCells(root) {
  root.querySelectorAll('table.slots').forEach(table => {
    const heads = [...table.querySelectorAll('thead th')].map(th => th.textContent.trim());
    table.querySelectorAll('tbody td.num, tbody td.mid, tbody td.labelled').forEach(cell => { cell.dataset.label = heads[cell.cellIndex] ?? ''; });
  });
}

function takeFocus(focus) {
  const playable = JSON.parse(focus.dataset.playable);
  player.load(playable, focus.dataset.matched !== undefined);
  if (focus.dataset.autoplay !== undefined && player.tap()) {
    player.startPhrase(playable.phrase.tempo);
  }
}

/** Plays rows and clips. @param {MouseEvent} event */
export function playClicked(event) {
  const row = event.target.closest('[data-play]');
  if (row) {
    player.playPatch(Number(row.dataset.play), row.dataset.matched !== undefined).then(() => {
      document.querySelectorAll('.playing').forEach(b => b.classList.remove('playing'));
      row.classList.add('playing');
    }).catch(refusal => say(refusal.message));
  }
  const button = event.target.closest('[data-clip]');
  if (button) {
    playClip(button.dataset.clip);
  }
}
