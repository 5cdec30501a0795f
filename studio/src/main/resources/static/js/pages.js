// What pages other than the bench do: progress of background work, playing rows and clips, keys of bank and listening.
import * as player from './player.js';
import {ask, say} from './requests.js';

let clip = null;
const streams = new Map();

/** Brings a fresh piece of a page to life. @param {HTMLElement} root */
export function setUpPage(root) {
  root.querySelectorAll('[data-progress]').forEach(follow);
  const focus = root.querySelector('#focus');
  if (focus && !focus.closest('#bench')) {
    takeFocus(focus);
  }
  const first = document.getElementById('page').dataset.first;
  if (!player.playing() && first !== '0' && !focus) {
    ask(`/patches/${first}/playable`).then(answer => answer.json()).then(playable => {
      if (!player.playing()) {
        player.load(playable, false);
      }
    }).catch(refusal => say(refusal.message));
  }
  root.querySelectorAll('.slot').forEach(row => row.addEventListener('keydown', rowKeys));
}

/** Follows server-sent progress and exchanges a part of the page when the work is done. */
function follow(line) {
  const url = line.dataset.progress;
  streams.get(url)?.close();
  const source = new EventSource(url);
  streams.set(url, source);
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
    const {done, total} = JSON.parse(event.data);
    if (!line.isConnected) {
      source.close();
      return;
    }
    first ??= done;
    const seconds = (performance.now() - started) / 1000;
    const left = done > first ? Math.ceil(seconds / (done - first) * (total - done)) : null;
    line.querySelector('span:last-child').textContent = `${done} of ${total}${left === null ? '' : `, about ${left} s left`}`;
    if (done >= total) {
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
    const same = clip?.dataset?.url === button.dataset.clip && !clip.paused;
    clip?.pause();
    if (!same) {
      clip = new Audio(button.dataset.clip);
      clip.dataset.url = button.dataset.clip;
      clip.play().catch(() => say('The clip cannot be played just now.'));
    }
  }
}

/** Keys of a row of the bank: arrows walk, Alt and arrows move, Space plays, Enter opens, D duplicates, S saves. */
function rowKeys(e) {
  const row = e.currentTarget;
  if (e.target !== row || e.ctrlKey || e.metaKey) {
    return;
  }
  const rows = [...document.querySelectorAll('.slot')];
  const at = rows.indexOf(row);
  const press = what => row.querySelector(`[data-do="${what}"]`)?.click();
  const act = {
    ArrowDown: () => e.altKey ? press('down') : rows[at + 1]?.focus(),
    ArrowUp: () => e.altKey ? press('up') : rows[at - 1]?.focus(),
    ' ': () => row.querySelector('[data-play]').click(),
    Enter: () => row.querySelector('.actions a').click(),
    F2: () => row.querySelector('input[name=name]').focus(),
    d: () => press('duplicate'),
    s: () => press('save'),
  }[e.key];
  if (act) {
    e.preventDefault();
    e.stopPropagation();
    act();
  }
}

/** Single keys of a listening round. @returns {boolean} whether the key was taken */
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
