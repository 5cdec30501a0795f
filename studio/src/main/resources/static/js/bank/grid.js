// Hands on the grid of a bank: focus by cells, choosing, playing, typing ahead, and work by keys.
import {visit} from '../page/visit.js';
import {say} from '../page/requests.js';
import {playsNotes} from '../player/strip.js';
import {editCell, editing} from './cell-editor.js';
import {hand, perform, redo, saveRows, showTools, tell, undo} from './desk.js';
import {openWork} from './many.js';
import {openRowMenu} from './row-menu.js';
import {byId, chooseOnly, chosenRows, drawPortraits, markChosen, refreshOrder, rowsOf, shownRows} from './rows.js';
import {restoreColumns, sortBy} from './columns.js';
import {wireDrag} from './drag-rows.js';

const PAGE_ROWS = 12;
const TYPE_AHEAD_MS = 900;

/** Where a stretch of chosen rows began. */
let anchor = null;
let typed = {text: '', at: 0};

/** Brings a fresh grid to life. @param {HTMLElement} root */
export function wireGrid(root) {
  const grid = root.querySelector('#grid') ?? (root.matches?.('#grid') ? root : null);
  if (!grid) {
    return;
  }
  restoreColumns(grid);
  refreshOrder();
  drawPortraits(rowsOf());
  const first = shownRows()[0];
  if (first) {
    cellOf(first, 'c-name').tabIndex = 0;
  }
  grid.addEventListener('keydown', keys);
  grid.addEventListener('click', clicked);
  grid.addEventListener('dblclick', e => {
    const cell = e.target.closest('[data-edit]');
    if (cell && !editing()) {
      editCell(cell);
    }
  });
  grid.addEventListener('focusin', e => {
    const cell = e.target.closest('[role=gridcell]');
    if (cell && e.target === cell) {
      grid.querySelectorAll('.grid-body [tabindex="0"]').forEach(other => { other.tabIndex = -1; });
      cell.tabIndex = 0;
    }
  });
  grid.addEventListener('copy', copyCells);
  grid.addEventListener('paste', pasteCells);
  grid.addEventListener('contextmenu', e => {
    const row = e.target.closest('.slot');
    if (row && !editing()) {
      e.preventDefault();
      focusCell(row, 'c-name');
      openRowMenu(row, e.clientX, e.clientY);
    }
  });
  wireDrag(grid);
  chooseBrought();
  showTools();
}

/** What was chosen in the sky is chosen here. */
function chooseBrought() {
  const brought = JSON.parse(sessionStorage.getItem('comet-chosen') ?? '[]');
  sessionStorage.removeItem('comet-chosen');
  const rows = brought.map(byId).filter(Boolean);
  if (rows.length > 0) {
    chooseOnly(rows);
    rows[0].scrollIntoView({block: 'center'});
  }
}

const cellOf = (row, column) => row.querySelector(`:scope > .${column}`);

/** Puts the focus on a cell of a row; the row comes into view. */
export function focusCell(row, column) {
  const cell = cellOf(row, column) ?? cellOf(row, 'c-name') ?? row.querySelector('[role=gridcell]');
  if (!cell) {
    return;
  }
  document.querySelectorAll('.grid-body [tabindex="0"]').forEach(other => { other.tabIndex = -1; });
  cell.tabIndex = 0;
  cell.focus({preventScroll: true});
  row.scrollIntoView({block: 'nearest'});
}

document.addEventListener('comet:rows', e => {
  const {fresh, place} = e.detail;
  drawPortraits(fresh);
  showTools();
  if (editing()) {
    return;
  }
  const row = (place?.patch && byId(place.patch)) || shownRows()[0];
  if (row && (document.activeElement === document.body || !document.activeElement?.isConnected || document.activeElement.closest('#grid'))) {
    focusCell(row, place?.column ?? 'c-name');
  } else if (row && !document.querySelector('.grid-body [tabindex="0"]')) {
    cellOf(row, 'c-name').tabIndex = 0;
  }
});

const shownCells = row => [...row.querySelectorAll(':scope > [role=gridcell]')].filter(cell => cell.offsetWidth > 0);

function keys(e) {
  const cell = e.target.closest('[role=gridcell]');
  const row = e.target.closest('.slot');
  if (editing() || !row || e.target.closest('.row-menu')) {
    return;
  }
  const column = cell.className.split(' ')[0];
  const command = e.ctrlKey || e.metaKey;
  const act = command ? commandKey(e, row) : e.altKey ? altKey(e) : plainKey(e, row, cell, column);
  if (act) {
    e.preventDefault();
    e.stopPropagation();
    act();
  }
}

function commandKey(e, row) {
  return {
    a: () => { chooseOnly(shownRows()); showTools(); },
    d: () => perform({what: 'copy', toBank: '0'}).catch(tell),
    s: () => saveRows(hand()).catch(tell),
    ' ': () => { markChosen(row, row.getAttribute('aria-selected') !== 'true'); anchor = row; showTools(); },
    Home: () => focusCell(shownRows()[0], 'c-name'),
    End: () => focusCell(shownRows().at(-1), 'c-name'),
    z: () => e.shiftKey ? redo() : undo(),
  }[e.key.length === 1 ? e.key.toLowerCase() : e.key];
}

function altKey(e) {
  const way = {ArrowUp: 'up', ArrowDown: 'down'}[e.key];
  return way && (() => {
    if (document.getElementById('grid').dataset.sortBy && document.getElementById('grid').dataset.sortBy !== 'slot') {
      say('The rows are sorted by another column. Sort them by slot to move patches.', {key: 'desk', calm: true});
      return;
    }
    perform({what: 'shift', way}, hand(), {quiet: true}).catch(tell);
  });
}

function plainKey(e, row, cell, column) {
  const rows = shownRows();
  const at = rows.indexOf(row);
  const go = to => {
    const next = rows[Math.max(0, Math.min(rows.length - 1, to))];
    if (e.shiftKey) {
      anchor = anchor && !anchor.hidden && anchor.isConnected && chosenRows().length > 0 ? anchor : row;
      const [from, until] = [rows.indexOf(anchor), rows.indexOf(next)].sort((a, b) => a - b);
      chooseOnly(rows.slice(from, until + 1));
      showTools();
    }
    focusCell(next, column);
  };
  const aside = step => () => {
    const cells = shownCells(row);
    cells[Math.max(0, Math.min(cells.length - 1, cells.indexOf(cell) + step))].focus();
  };
  const act = {
    ArrowDown: () => go(at + 1),
    ArrowUp: () => go(at - 1),
    PageDown: () => go(at + PAGE_ROWS),
    PageUp: () => go(at - PAGE_ROWS),
    ArrowRight: aside(1),
    ArrowLeft: aside(-1),
    Home: aside(-99),
    End: aside(99),
    ' ': () => cellOf(row, 'c-sound').querySelector('button').click(),
    Enter: () => cell.dataset.edit ? editCell(cell) : enter(row, cell),
    F2: () => chosenRows().length > 1 ? openWork('rename') : editCell(cellOf(row, 'c-name')),
    Delete: () => perform({what: 'delete'}).catch(tell),
    ContextMenu: () => openRowMenu(row),
    F10: () => e.shiftKey && openRowMenu(row),
    Escape: chosenRows().length > 0 ? () => { chooseOnly([]); showTools(); } : null,
  }[e.key];
  if (act !== undefined) {
    return act;
  }
  // A question mark opens the shortcuts, a backquote the keys of the keyboard: they belong to the page.
  return !playsNotes() && e.key.length === 1 && /[\p{L}\p{N}]/u.test(e.key) ? () => typeAhead(e.key, rows, at) : null;
}

function enter(row, cell) {
  const own = cell.querySelector('a, button, input');
  if (own && !cell.matches('.c-slot, .c-sound')) {
    own.click();
  } else {
    visit(`/patches/${row.dataset.patch}`);
  }
}

/** Goes to the next patch whose name begins with what was just typed. */
function typeAhead(key, rows, at) {
  const now = performance.now();
  typed = {text: now - typed.at < TYPE_AHEAD_MS ? typed.text + key.toLowerCase() : key.toLowerCase(), at: now};
  const from = typed.text.length > 1 ? at : at + 1;
  const order = [...rows.slice(from), ...rows.slice(0, from)];
  const found = order.find(row => cellOf(row, 'c-name').textContent.toLowerCase().startsWith(typed.text));
  if (found) {
    focusCell(found, 'c-name');
  }
}

function clicked(e) {
  const sort = e.target.closest('[data-sort-by]');
  if (sort) {
    sortBy(sort.dataset.sortBy);
    showTools();
    return;
  }
  const fresh = e.target.closest('[data-new-at]');
  if (fresh) {
    newAt(fresh.dataset.newAt);
    return;
  }
  const row = e.target.closest('.slot');
  if (!row || editing()) {
    return;
  }
  const menu = e.target.closest('[data-row-menu]');
  if (menu) {
    openRowMenu(row);
    return;
  }
  if (e.target.matches('.c-pick input')) {
    choose(row, e.shiftKey ? 'stretch' : 'toggle');
    cellOf(row, 'c-pick').focus({preventScroll: true});
    return;
  }
  if (e.target.closest('a, button')) {
    return;
  }
  choose(row, e.shiftKey ? 'stretch' : e.ctrlKey || e.metaKey ? 'toggle' : 'none');
  focusCell(row, e.target.closest('[role=gridcell]')?.className.split(' ')[0] ?? 'c-name');
}

function choose(row, how) {
  if (how === 'stretch') {
    const rows = shownRows();
    const [from, until] = [rows.indexOf(anchor?.isConnected ? anchor : row), rows.indexOf(row)].sort((a, b) => a - b);
    chooseOnly(rows.slice(Math.max(0, from), until + 1));
  } else {
    if (how === 'toggle') {
      markChosen(row, row.getAttribute('aria-selected') !== 'true');
    }
    anchor = row;
  }
  showTools();
}

function newAt(slot) {
  const form = document.querySelector('.page-head form');
  const hidden = document.createElement('input');
  Object.assign(hidden, {type: 'hidden', name: 'slot', value: slot});
  form.append(hidden);
  form.requestSubmit();
}

const COPIED = ['name', 'category', 'tags', 'author'];

function copyCells(e) {
  const rows = hand();
  if (editing() || rows.length === 0 || String(getSelection()) !== '') {
    return;
  }
  e.preventDefault();
  e.clipboardData.setData('text/plain', rows.map(row => COPIED.map(c => row.querySelector(`.c-${c} .cell-text`).textContent).join('\t')).join('\n'));
  say(`Copied ${rows.length === 1 ? 'one row' : `${rows.length} rows`}: name, category, tags and author.`, {key: 'desk', calm: true});
}

function pasteCells(e) {
  if (editing() || rowsOf().length === 0) {
    return;
  }
  e.preventDefault();
  const column = document.activeElement?.closest('[data-edit]')?.dataset.edit ?? 'name';
  openWork('paste', {text: e.clipboardData.getData('text/plain'), column});
}
