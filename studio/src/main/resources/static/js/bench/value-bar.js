// Value bars: drag, wheel, arrow keys, typed text, and a menu for macros and routes.
import {LivePatch} from '../../engine/engine.js';
import {format, parse} from '../lib/key-names.js';
import {accept, refuse} from '../page/refused.js';
import {say} from '../page/requests.js';
import {indexOf} from '../lib/parameters.js';

const DRAG_PIXELS = 260;
/** A note division, typed where a time or a rate stands. */
const DIVISION = /^\d+\/\d+[dt.]?$/i;

/** The track of a bar, which every bar has between its label and its value. */
function addTrack(bar) {
  const track = document.createElement('span');
  track.className = 'bar-track';
  for (const part of ['bar-neutral', 'bar-fill', 'bar-brackets', 'bar-now']) {
    const span = document.createElement('span');
    span.className = part;
    track.append(span);
  }
  bar.querySelector('.bar-label').after(track);
}

/** What each bar shows. */
const shown = new WeakMap();

/** Whether a bar shows a value already; a choice may have been turned by hand and refused. @param {HTMLElement} bar @param {number} value */
export function isShown(bar, value) {
  return shown.get(bar) === value && !bar.matches('select');
}

/** Draws a bar at a value. @param {HTMLElement} bar @param {number} value */
export function showBar(bar, value) {
  const index = indexOf(bar);
  if (bar.matches('select')) {
    bar.value = String(Math.round(value));
    return;
  }
  shown.set(bar, value);
  const text = format(index, value);
  const at = LivePatch.position(index, value) * 100;
  const neutral = LivePatch.position(index, LivePatch.defaultOf(index)) * 100;
  const fill = bar.querySelector('.bar-fill');
  fill.style.left = `${Math.min(at, neutral)}%`;
  fill.style.width = `${Math.max(1, Math.abs(at - neutral))}%`;
  bar.querySelector('.bar-neutral').style.left = `${neutral}%`;
  if (!bar.querySelector('input')) {
    bar.querySelector('.bar-value').textContent = text;
  }
  bar.classList.toggle('at-zero', at === neutral);
  bar.setAttribute('aria-valuenow', value.toFixed(6).replace(/\.?0+$/, ''));
  bar.setAttribute('aria-valuetext', text);
}

/** Shows that a bar is locked; a choice can then not be opened. @param {boolean} on */
export function showLock(bar, on) {
  const row = bar.closest('.bar');
  row.classList.toggle('locked', on);
  bar.toggleAttribute('disabled', on && bar.matches('select'));
  bar.setAttribute('aria-readonly', String(on));
  row.querySelector('.lock')?.remove();
  if (on) {
    const mark = document.createElement('span');
    mark.className = 'lock';
    mark.textContent = 'locked';
    mark.title = 'Edits and variations leave it alone; L or the menu unlocks it';
    row.querySelector('.bar-label').append(mark);
  }
}

/** Shows where a modulated parameter stands now, or hides the mark. @param {number|null} value */
export function showNow(bar, value) {
  const mark = bar.querySelector('.bar-now');
  if (mark) {
    mark.style.display = value === null ? 'none' : 'block';
    if (value !== null) {
      // The mark is as wide as its track: moving it lays nothing out.
      mark.style.transform = `translateX(${LivePatch.position(indexOf(bar), value) * 100}%)`;
    }
  }
}

/**
 * Brings a bar to life.
 * @param {HTMLElement} bar
 * @param {{sounding(index: number): number, set(index: number, value: number): void, beginGesture(): void}} state
 * @param {(bar: HTMLElement) => void} openMenu
 */
export function wireBar(bar, state, openMenu) {
  const index = indexOf(bar);
  if (bar.matches('select')) {
    bar.addEventListener('change', () => {
      state.beginGesture();
      state.set(index, Number(bar.value));
    });
    return;
  }
  addTrack(bar);
  bar.setAttribute('aria-valuemin', LivePatch.least(index).toFixed(6).replace(/\.?0+$/, ''));
  bar.setAttribute('aria-valuemax', LivePatch.most(index).toFixed(6).replace(/\.?0+$/, ''));
  drawBrackets(bar);
  typing.set(bar, text => type(bar, index, state, put, text));
  const put = value => {
    state.set(index, Math.min(LivePatch.most(index), Math.max(LivePatch.least(index), value)));
    showBar(bar, state.sounding(index));
  };
  const stepped = LivePatch.stepped(index);
  const nudge = (steps, fine) => {
    const value = state.sounding(index);
    put(stepped ? value + Math.sign(steps) * Math.max(1, Math.round(Math.abs(steps) / 8))
      : LivePatch.valueAt(index, LivePatch.position(index, value) + steps * (fine ? 0.001 : 0.01)));
  };
  for (const event of ['pointerenter', 'focus']) {
    bar.addEventListener(event, () => { bar.title = LivePatch.also(index, state.sounding(index)); });
  }
  bar.addEventListener('pointerdown', e => startDrag(e, bar, index, state, put, stepped));
  bar.addEventListener('dblclick', () => type(bar, index, state, put));
  bar.addEventListener('wheel', e => {
    if (document.activeElement === bar || e.target.closest('.bar-track')) {
      e.preventDefault();
      clearTimeout(bar.wheelTimer);
      if (!bar.wheeling) {
        state.beginGesture();
        bar.wheeling = true;
      }
      bar.wheelTimer = setTimeout(() => { bar.wheeling = false; }, 600);
      nudge(e.deltaY < 0 || e.deltaX > 0 ? 1 : -1, e.shiftKey);
    }
  }, {passive: false});
  bar.addEventListener('contextmenu', e => {
    e.preventDefault();
    openMenu(bar);
  });
  bar.addEventListener('keydown', e => {
    if (e.target !== bar || e.ctrlKey || e.metaKey || e.altKey) {
      return;
    }
    const steps = {ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10}[e.key];
    const act = steps ? () => nudge(steps, e.shiftKey)
      : {
        Home: () => put(LivePatch.least(index)),
        End: () => put(LivePatch.most(index)),
        Delete: () => put(LivePatch.defaultOf(index)),
        Backspace: () => put(LivePatch.defaultOf(index)),
        Enter: () => type(bar, index, state, put),
        m: () => openMenu(bar),
        M: () => openMenu(bar),
        l: () => state.toggleLock(bar),
        L: () => state.toggleLock(bar),
      }[e.key] ?? (/^[0-9.+-]$/.test(e.key) ? () => type(bar, index, state, put, e.key) : null);
    if (act) {
      e.preventDefault();
      if (!e.repeat) {
        state.beginGesture();
      }
      act();
    }
  });
}

/** A choice has the same menu; its row takes the right click, so that a locked one can be unlocked. */
export function wireChoice(choice, openMenu) {
  choice.closest('.bar').addEventListener('contextmenu', e => {
    e.preventDefault();
    openMenu(choice);
  });
}

function startDrag(e, bar, index, state, put, stepped) {
  if (e.button !== 0 || e.target.closest('input')) {
    return;
  }
  bar.focus();
  bar.setPointerCapture(e.pointerId);
  const width = Math.max(DRAG_PIXELS, bar.querySelector('.bar-track').clientWidth);
  let from = {x: e.clientX, position: LivePatch.position(index, state.sounding(index))};
  let moved = false;
  const move = event => {
    if (!moved && Math.abs(event.clientX - from.x) < 3) {
      return;
    }
    if (!moved) {
      state.beginGesture();
      moved = true;
    }
    const position = Math.min(1, Math.max(0, from.position + (event.clientX - from.x) / width * (event.shiftKey ? 0.1 : 1)));
    put(stepped ? Math.round(LivePatch.valueAt(index, position)) : LivePatch.valueAt(index, position));
    if (event.shiftKey !== from.fine) {
      from = {x: event.clientX, position, fine: event.shiftKey};
    }
  };
  const end = () => {
    bar.removeEventListener('pointermove', move);
    bar.removeEventListener('pointerup', end);
    bar.removeEventListener('pointercancel', end);
  };
  bar.addEventListener('pointermove', move);
  bar.addEventListener('pointerup', end);
  bar.addEventListener('pointercancel', end);
}

/** Bars by which text is typed, for a bench that is exchanged in the middle of it. */
const typing = new WeakMap();

/** Goes on typing into a fresh bar. @returns {HTMLInputElement|undefined} */
export function retype(bar, text) {
  return bar && typing.get(bar)?.(text);
}

/** Any sensible text: "1.2k", "-6 dB", "1/8D", "C#4", "off". What means nothing or lies outside the range is refused, and can be typed again. */
function type(bar, index, state, put, first) {
  const box = bar.querySelector('.bar-value');
  if (box.querySelector('input')) {
    return undefined;
  }
  const input = document.createElement('input');
  input.value = first ?? format(index, state.sounding(index));
  input.setAttribute('aria-label', `${bar.ariaLabel}, type a value`);
  box.replaceChildren(input);
  input.focus();
  if (!first) {
    input.select();
  }
  const begun = first ? null : input.value;
  let done = false;
  const finish = (take, leaving = false) => {
    if (done) {
      return;
    }
    const text = input.value;
    const value = parse(index, text);
    const [least, most] = [LivePatch.least(index), LivePatch.most(index)];
    // A value that was shown rounded may lie a hair beyond the end that it stands for.
    const meant = text === format(index, least) ? least : text === format(index, most) ? most : value;
    if (take && Number.isNaN(value) && DIVISION.test(text.trim())) {
      done = true;
      input.remove();
      showBar(bar, state.sounding(index));
      state.chooseDivision(bar, text.trim());
      return;
    }
    if (take && !(meant >= least && meant <= most)) {
      if (!leaving) {
        refuse(input, `${Number.isNaN(value) ? `"${text}" is not a value of` : `${format(index, value)} is outside of`} ${bar.ariaLabel}; it goes from ${format(index, least)} to ${format(index, most)}.`);
        return;
      }
      say(`${bar.ariaLabel} was left as it was: "${text}" is not between ${format(index, least)} and ${format(index, most)}.`, {key: 'typed', calm: true});
    }
    done = true;
    accept(input);
    input.remove();
    if (take && meant >= least && meant <= most && text !== begun) {
      state.beginGesture();
      put(meant);
    }
    showBar(bar, state.sounding(index));
    if (!leaving) {
      bar.focus();
    }
  };
  input.addEventListener('keydown', e => {
    e.stopPropagation();
    if (e.key === 'Enter' || e.key === 'Escape') {
      finish(e.key === 'Enter');
    }
  });
  // A bench that is exchanged takes its fields away: what was typed goes on in the fresh one.
  input.addEventListener('blur', () => setTimeout(() => input.isConnected && document.activeElement !== input && finish(true, true)));
  return input;
}

/** Routes and the macro that move the parameter, as brackets over its range. */
function drawBrackets(bar) {
  const box = bar.querySelector('.bar-brackets');
  box.replaceChildren(...(bar.dataset.brackets ?? '').split(';').filter(Boolean).map(entry => {
    const [name, low, high] = entry.split(',');
    const mark = document.createElement('span');
    mark.className = 'bar-bracket';
    const [a, b] = [Number(low), Number(high)].sort((x, y) => x - y);
    mark.style.left = `${a * 100}%`;
    mark.style.width = `${Math.max(0.8, (b - a) * 100)}%`;
    const index = indexOf(bar);
    mark.title = `${name}: ${format(index, LivePatch.valueAt(index, Number(low)))} to ${format(index, LivePatch.valueAt(index, Number(high)))}`;
    return mark;
  }));
}
