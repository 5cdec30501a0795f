// Routes and macro targets in one motion: a modulator is pulled onto a bar and let go where it is to reach, or chosen by M and its number.
import {placeNear} from '../../lib/place-near.js';
import {LivePatch} from '../../../engine/engine.js';
import {format, parse} from '../../lib/key-names.js';
import {indexOf} from '../../lib/parameters.js';
import {hush, say} from '../../page/requests.js';
import {refuse} from '../../page/refused.js';
import {leaveTry, tryOut} from './try-out.js';

const FIRST_REACH = 0.15;
const CLICK_PIXELS = 4;
const STEP = 0.01;

/** What a digit stands for after M. */
export const NUMBERED = ['modWheel', 'lfo1', 'lfo2', 'lfo3', 'lfo4', 'envelope2', 'envelope3', 'envelope4', 'velocity', 'aftertouch'];

/** The modulator that was pressed and waits for a bar. @type {HTMLElement|null} */
let armed = null;

const isMacro = modulator => /^macro\d$/.test(modulator);
const nameOf = modulator => document.querySelector(`[data-pull="${modulator}"]`)?.ariaLabel ?? modulator;

/** Whether a route or a macro can move what a bar shows. */
function movable(bar) {
  return bar && !bar.classList.contains('locked') && !/^macro\d$|^levelTrim$|tuning$|tempo$/.test(bar.id) && !LivePatch.stepped(indexOf(bar));
}

/** The edit by which a modulator takes a bar from where it stands as far as a value. */
export function fieldsOf(modulator, target, value) {
  return isMacro(modulator) ? {kind: 'addTarget', macro: modulator.slice(5), target, value: value.toFixed(9)} : {kind: 'reach', source: modulator, target, value: value.toFixed(9)};
}

/** The bracket that a route would draw. @param {number} from @param {number} to positions 0 to 1 */
function bracket(bar, from, to) {
  const box = bar.querySelector('.bar-brackets');
  box.querySelector('.trying')?.remove();
  if (from !== null) {
    const mark = document.createElement('span');
    mark.className = 'bar-bracket trying';
    mark.style.left = `${Math.min(from, to) * 100}%`;
    mark.style.width = `${Math.max(0.8, Math.abs(to - from) * 100)}%`;
    box.append(mark);
  }
}

/**
 * @param {HTMLElement} bench
 * @param hands id() of the patch, edit(fields), sounding(index) value of a parameter before routes
 */
export function wirePulls(bench, {id, edit, sounding}) {
  bench.querySelectorAll('.pull').forEach(button => {
    button.addEventListener('pointerdown', e => e.button === 0 && pull(e, button, {id, edit, sounding}));
    button.addEventListener('keydown', e => {
      if (e.key === 'Enter' || e.key === ' ') {
        e.preventDefault();
        arm(button);
      }
    });
  });
}

/** A modulator that is armed goes to the bar that is clicked, or entered. @param {HTMLElement} bench @param hands as above */
export function wirePullTargets(bench, {id, edit, sounding}) {
  bench.addEventListener('click', e => {
    const bar = e.target.closest('.bar[role=slider]');
    if (armed && bar) {
      e.preventDefault();
      const modulator = armed.dataset.pull;
      disarm();
      askReach(bar, modulator, {id, edit, sounding});
    }
  }, true);
  bench.addEventListener('keydown', e => {
    const bar = e.target.closest?.('.bar[role=slider]');
    if (armed && e.key === 'Escape') {
      e.stopPropagation();
      disarm();
    } else if (armed && bar && e.key === 'Enter') {
      e.preventDefault();
      e.stopPropagation();
      const modulator = armed.dataset.pull;
      disarm();
      askReach(bar, modulator, {id, edit, sounding});
    }
  }, true);
}

function arm(button) {
  const again = armed === button;
  disarm();
  if (!again) {
    armed = button;
    button.setAttribute('aria-pressed', 'true');
    document.body.classList.add('pulling');
    say(`${button.ariaLabel} waits for a bar: click one, or go to one and press Enter. Escape leaves.`, {key: 'pull', calm: true});
  }
}

function disarm() {
  armed?.setAttribute('aria-pressed', 'false');
  armed = null;
  document.body.classList.remove('pulling');
  hush('pull');
}

/** From a modulator to a bar with the mouse: where it is let go is how far it reaches. */
function pull(e, button, {id, edit, sounding}) {
  e.preventDefault();
  button.focus();
  button.setPointerCapture(e.pointerId);
  const modulator = button.dataset.pull;
  const ghost = document.createElement('div');
  ghost.className = 'pull-ghost';
  let over = null;
  let value = NaN;
  let moved = false;
  const leave = () => {
    if (over) {
      over.classList.remove('pulled');
      bracket(over, null);
    }
  };
  const move = event => {
    if (!moved && Math.hypot(event.clientX - e.clientX, event.clientY - e.clientY) < CLICK_PIXELS) {
      return;
    }
    if (!moved) {
      moved = true;
      document.body.append(ghost);
      disarm();
    }
    const under = document.elementFromPoint(event.clientX, event.clientY);
    const tab = under?.closest('[data-stage], [data-layer]');
    if (tab && tab.getAttribute('aria-selected') !== 'true' && tab.getAttribute('aria-pressed') !== 'true') {
      tab.click();
    }
    const bar = under?.closest('.bar[role=slider]');
    if (bar !== over) {
      leave();
      over = movable(bar) ? bar : null;
      over?.classList.add('pulled');
    }
    ghost.style.left = `${Math.min(window.innerWidth - 260, event.clientX + 14)}px`;
    ghost.style.top = `${event.clientY + 16}px`;
    if (!over) {
      ghost.textContent = bar ? `${nameOf(modulator)} cannot move this` : nameOf(modulator);
      return;
    }
    const index = indexOf(over);
    const track = over.querySelector('.bar-track').getBoundingClientRect();
    const from = LivePatch.position(index, sounding(index));
    const to = Math.min(1, Math.max(0, (event.clientX - track.left) / track.width));
    value = LivePatch.valueAt(index, to);
    bracket(over, from, to);
    ghost.textContent = `${nameOf(modulator)}: ${format(index, sounding(index))} to ${format(index, value)}`;
    tryOut(id(), fieldsOf(modulator, over.id, value));
  };
  const end = event => {
    for (const [name, act] of [['pointermove', move], ['pointerup', end], ['pointercancel', end]]) {
      button.removeEventListener(name, act);
    }
    ghost.remove();
    leave();
    if (!moved) {
      arm(button);
      return;
    }
    leaveTry();
    if (over && event.type === 'pointerup') {
      edit(fieldsOf(modulator, over.id, value));
    }
  };
  button.addEventListener('pointermove', move);
  button.addEventListener('pointerup', end);
  button.addEventListener('pointercancel', end);
}

/** Asks how far a modulator is to reach on a bar: typed, or by arrows; heard meanwhile. */
export function askReach(bar, modulator, {id, edit, sounding}) {
  if (!movable(bar)) {
    say(`${nameOf(modulator)} cannot move ${bar.ariaLabel}.`, {key: 'pull', calm: true});
    return;
  }
  document.querySelector('.pull-form')?.remove();
  const index = indexOf(bar);
  const from = LivePatch.position(index, sounding(index));
  let at = from + (from + FIRST_REACH <= 1 ? FIRST_REACH : -FIRST_REACH);
  let value = LivePatch.valueAt(index, at);
  const form = document.createElement('form');
  form.className = 'pull-form';
  const label = document.createElement('label');
  const input = document.createElement('input');
  input.className = 'num';
  input.value = format(index, value);
  label.append(`${nameOf(modulator)}: ${format(index, sounding(index))} to `, input);
  const button = document.createElement('button');
  button.textContent = isMacro(modulator) ? 'Hold' : 'Route';
  form.append(label, button);
  document.body.append(form);
  placeNear(form, bar.getBoundingClientRect());
  input.focus();
  input.select();
  const hear = () => {
    bracket(bar, from, LivePatch.position(index, value));
    tryOut(id(), fieldsOf(modulator, bar.id, value));
  };
  const close = () => {
    form.remove();
    bracket(bar, null);
    leaveTry();
    bar.focus();
  };
  hear();
  input.addEventListener('input', () => {
    const typed = parse(index, input.value);
    if (typed >= LivePatch.least(index) && typed <= LivePatch.most(index)) {
      value = typed;
      at = LivePatch.position(index, value);
      hear();
    }
  });
  form.addEventListener('keydown', e => {
    e.stopPropagation();
    const step = {ArrowUp: STEP, ArrowDown: -STEP, PageUp: 10 * STEP, PageDown: -10 * STEP}[e.key];
    if (e.key === 'Escape') {
      close();
    } else if (step) {
      e.preventDefault();
      at = Math.min(1, Math.max(0, at + step));
      value = LivePatch.valueAt(index, at);
      input.value = format(index, value);
      hear();
    }
  });
  form.addEventListener('submit', e => {
    e.preventDefault();
    const typed = parse(index, input.value);
    const shown = input.value === format(index, value) ? value : typed;
    if (!(shown >= LivePatch.least(index) && shown <= LivePatch.most(index))) {
      refuse(input, `${bar.ariaLabel} goes from ${format(index, LivePatch.least(index))} to ${format(index, LivePatch.most(index))}.`);
      return;
    }
    close();
    edit(fieldsOf(modulator, bar.id, shown));
  });
}
