// The menu of a value bar: macros, routes, copy, paste, neutral.
import {placeNear} from '../lib/place-near.js';
import {LivePatch} from '../../engine/engine.js';
import {format} from '../lib/key-names.js';
import {indexOf} from '../lib/parameters.js';
import {askReach, NUMBERED} from './quick/assign.js';

let copied = null;

/** Leads to the macro or the route by which a parameter is moved. */
function openMover(name, target) {
  const macro = name.match(/^Macro (\d)$/);
  if (macro && document.querySelector(`[data-macro-card="${macro[1]}"] [data-target]`)) {
    document.querySelector('[data-stage="performance"]').click();
    document.querySelector(`[data-macro-card="${macro[1]}"]`).scrollIntoView({block: 'center'});
    return;
  }
  document.querySelector('[data-stage="modulation"]').click();
  const row = [...document.querySelectorAll('#routes tbody tr')].find(r => r.cells[0].textContent === name && r.cells[1].textContent === target);
  row?.scrollIntoView({block: 'center'});
  row?.querySelector('input')?.focus();
}

/**
 * Opens the menu beside a bar.
 * @param {HTMLElement} bar
 * @param {import('./patch-state.js').PatchState} state
 * @param {(fields: Record<string, string>) => void} edit
 */
export function openBarMenu(bar, state, edit) {
  document.querySelector('.bar-menu')?.remove();
  const index = indexOf(bar);
  const menu = document.createElement('div');
  menu.className = 'bar-menu';
  menu.setAttribute('role', 'menu');
  menu.setAttribute('aria-label', bar.ariaLabel);
  const close = () => {
    menu.remove();
    bar.focus();
  };
  const item = (text, act) => {
    const button = document.createElement('button');
    button.type = 'button';
    button.setAttribute('role', 'menuitem');
    button.textContent = text;
    button.addEventListener('click', () => {
      close();
      act();
    });
    return button;
  };
  const locked = state.locked.has(index);
  const lock = item(locked ? 'Unlock' : 'Lock', () => state.toggleLock(bar));
  lock.title = 'Edits and variations leave a locked value alone';
  if (bar.matches('select')) {
    menu.append(lock);
    place(menu, bar, close);
    return;
  }
  const hands = {id: () => state.id, edit, sounding: i => state.sounding(i)};
  const row = (title, entries) => {
    const box = document.createElement('div');
    box.className = 'row';
    box.append(title, ...entries);
    return box;
  };
  const macros = row('Macro ', [1, 2, 3, 4, 5, 6, 7, 8].map(m => {
    const button = item(String(m), () => askReach(bar, `macro${m}`, hands));
    button.setAttribute('aria-label', `Let macro ${m} hold it`);
    return button;
  }));
  const routes = NUMBERED.map((modulator, digit) => [digit, item(`${digit} ${document.querySelector(`[data-pull="${modulator}"]`).ariaLabel}`, () => askReach(bar, modulator, hands))]);
  const numbered = document.createElement('div');
  numbered.className = 'numbered';
  numbered.append(...[...routes.slice(1), routes[0]].map(([, button]) => button));
  menu.addEventListener('keydown', e => {
    if (/^[0-9]$/.test(e.key)) {
      e.preventDefault();
      routes[Number(e.key)][1].click();
    }
  });
  const value = state.sounding(index);
  const movers = (bar.dataset.brackets ?? '').split(';').filter(Boolean).map(entry => entry.split(','));
  if (movers.length > 0) {
    const title = document.createElement('div');
    title.className = 'soft';
    title.textContent = 'What moves this';
    menu.append(title, ...movers.map(([name, low, high]) => item(`${name}: ${format(index, LivePatch.valueAt(index, Number(low)))} to ${format(index, LivePatch.valueAt(index, Number(high)))}`,
      () => openMover(name, bar.ariaLabel))));
  }
  const from = document.createElement('div');
  from.className = 'soft';
  from.textContent = 'Route from: press its number';
  menu.append(from, numbered, macros,
    item('Another modulator …', () => {
      document.querySelector('[data-stage="modulation"]').click();
      const form = document.getElementById('add-route');
      form.elements.target.value = bar.ariaLabel;
      form.elements.source.focus();
    }),
    item(`Copy ${format(index, value)}`, () => { copied = value; }));
  const put = (text, to) => menu.append(item(text, () => {
    state.beginGesture();
    state.set(index, to);
  }));
  if (copied !== null) {
    put(`Paste ${format(index, copied)}`, copied);
  }
  menu.append(lock);
  put(`Default (${format(index, LivePatch.defaultOf(index))})`, LivePatch.defaultOf(index));
  place(menu, bar, close);
}

/** Shows the menu at its bar and lets arrows go through it. */
function place(menu, bar, close) {
  menu.addEventListener('keydown', e => {
    e.stopPropagation();
    const items = [...menu.querySelectorAll('button')];
    const step = {ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1}[e.key];
    if (step) {
      e.preventDefault();
      items[(items.indexOf(document.activeElement) + step + items.length) % items.length].focus();
    } else if (e.key === 'Escape') {
      close();
    }
  });
  document.body.append(menu);
  placeNear(menu, bar.getBoundingClientRect());
  menu.querySelector('button').focus();
  setTimeout(() => document.addEventListener('pointerdown', e => {
    if (!menu.contains(e.target)) {
      menu.remove();
    }
  }, {once: true}));
}
