// What pages other than the bench do: progress of background work, playing rows and clips.
import * as player from '../player/player.js';
import {ask, say} from './requests.js';
import {wireBank} from '../bank/bank.js';
import {wireSky} from '../bank/sky.js';
import {wireLadder} from '../collection/ladder.js';
import {wireRules} from '../collection/rules.js';
import {wireFills} from './fills.js';
import {wirePatchFiles} from '../bank/patch-files.js';
import {playClip} from './clips.js';
import {wireRound} from '../listening/round.js';
import {wireRoundsPage} from '../listening/rounds-page.js';
import {wireWorkList} from '../soundcheck/work-list.js';

const streams = new Map();

/** Streams of pages that are gone are closed, so that a browser's few connections are there for the page that is shown. */
function closeLost() {
  for (const [url, {source, line}] of streams) {
    if (!line.isConnected) {
      source.close();
      streams.delete(url);
    }
  }
}

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

/** Brings a fresh piece of a page to life. @param {HTMLElement} root */
export function setUpPage(root) {
  closeLost();
  root.querySelectorAll('[data-progress]').forEach(follow);
  const focus = root.querySelector('#focus');
  if (focus && !focus.closest('#bench')) {
    takeFocus(focus);
  }
  holdPatch(focus);
  tellName(root);
  root.querySelectorAll('[data-again]').forEach(button => button.addEventListener('click', () => {
    button.disabled = true;
    ask(button.dataset.again, {method: 'POST'}).then(() => location.reload(), refusal => say(refusal.message));
  }));
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

/** Follows server-sent progress and exchanges a part of the page when the work is done. */
function follow(line) {
  const url = line.dataset.progress;
  streams.get(url)?.source.close();
  if (line.dataset.ask) {
    ask(line.dataset.ask, {method: 'POST'}).catch(refusal => say(refusal.message, {key: 'measure', calm: refusal.passing}));
  }
  const source = new EventSource(url);
  streams.set(url, {source, line});
  const started = performance.now();
  let first = null;
  const finish = async () => {
    source.close();
    streams.delete(url);
    const target = document.querySelector(line.dataset.swap);
    if (!line.isConnected || !target) {
      return;
    }
    const box = document.createElement('template');
    box.innerHTML = await (await ask(line.dataset.then)).text();
    const fresh = box.content.querySelector(line.dataset.swap);
    target.replaceWith(fresh);
    line.remove();
    window.htmx.process(fresh);
    document.dispatchEvent(new CustomEvent('comet:fresh', {detail: fresh}));
  };
  source.addEventListener('progress', event => {
    const {done, total, failed} = JSON.parse(event.data);
    if (!line.isConnected) {
      source.close();
      return;
    }
    first ??= done;
    const seconds = (performance.now() - started) / 1000;
    const left = done > first ? Math.ceil(seconds / (done - first) * (total - done)) : null;
    line.querySelector('span:last-of-type').textContent = `${done} of ${total}${left === null ? '' : `, about ${left} s left`}`;
    if (done + failed >= total) {
      finish().catch(refusal => say(refusal.message));
    }
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
