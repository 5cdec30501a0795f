// Columns of the grid: which are shown, how wide they are, and by which the rows are sorted. Kept in this browser.
import {refreshOrder, sorting} from './rows.js';

/** Id, words, width in rem, whether it is shown at first, whether it has numbers. */
const COLUMNS = [['pick', '', 2.4, true], ['slot', 'Slot', 3.9, true, true], ['sound', 'Sound', 6.8, true], ['name', 'Name', 0, true], ['category', 'Category', 6.4, true], ['tags', 'Tags', 8, true],
  ['lufs', 'LUFS', 3.6, true, true], ['ladder', 'Loudness', 6.4, true], ['peak', 'dBTP', 3.7, true, true], ['bright', 'Brightness', 5.6, false, true], ['attack', 'Attack', 4.6, false, true],
  ['tail', 'Tail', 4.4, false, true], ['width', 'Width', 3.8, false, true], ['noise', 'Noise', 3.8, false, true], ['check', 'Soundcheck', 7, true], ['verdict', 'Verdict', 4, true],
  ['state', 'State', 5.4, true], ['author', 'Author', 7, false], ['actions', 'Actions', 5.4, true]];
const FIXED = new Set(['pick', 'slot', 'name', 'actions']);
const KEY = 'comet-bank-columns';
const LEAST_REM = 2.4;
const MOST_REM = 30;

let state = read();

function read() {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}');
    return {shown: kept.shown ?? {}, widths: kept.widths ?? {}};
  } catch {
    return {shown: {}, widths: {}};
  }
}

const shown = ([id, , , first]) => state.shown[id] ?? first;
const width = ([id, , rem]) => state.widths[id] ? `${state.widths[id]}rem` : rem === 0 ? 'minmax(9.5rem, 1fr)' : `${rem}rem`;

function keep() {
  localStorage.setItem(KEY, JSON.stringify(state));
}

/** Gives a fresh grid its head and its columns. @param {HTMLElement} grid */
export function restoreColumns(grid) {
  const head = grid.querySelector('.grid-head');
  head.replaceChildren(...COLUMNS.map(([id, words, , , numeric]) => {
    const cell = document.createElement('span');
    cell.setAttribute('role', 'columnheader');
    cell.className = `c-${id}${numeric ? ' num' : ''}`;
    if (['pick', 'sound', 'actions'].includes(id)) {
      cell.innerHTML = `<span class="visually-hidden">${id === 'pick' ? 'Chosen' : words}</span>`;
    } else {
      const button = document.createElement('button');
      button.type = 'button';
      button.className = 'sort';
      button.dataset.sortBy = id;
      button.textContent = words;
      const grip = document.createElement('span');
      grip.className = 'grip';
      grip.dataset.grip = id;
      grip.title = 'Pull to make the column wider; twice to give it back its width';
      cell.append(button, grip);
    }
    return cell;
  }));
  head.addEventListener('pointerdown', pull);
  head.addEventListener('dblclick', e => {
    if (e.target.dataset.grip) {
      delete state.widths[e.target.dataset.grip];
      keep();
      apply(grid);
    }
  });
  apply(grid);
  new ResizeObserver(() => apply(grid)).observe(grid);
  showSorting();
  fillChooser();
}

/** Columns that give way first where the window is narrow, unless somebody has asked for them. */
const GIVE_WAY = ['ladder', 'state', 'tags', 'peak', 'verdict'];
const LEAST_NAME_REM = 9.5;

function apply(grid) {
  const rem = parseFloat(getComputedStyle(document.documentElement).fontSize);
  const room = grid.clientWidth / rem;
  let visible = COLUMNS.filter(shown);
  const wide = () => visible.reduce((sum, [id, , own]) => sum + (state.widths[id] ?? (own === 0 ? LEAST_NAME_REM : own)), 0);
  for (const id of GIVE_WAY) {
    if (room > 0 && wide() > room && state.shown[id] === undefined) {
      visible = visible.filter(column => column[0] !== id);
    }
  }
  grid.style.setProperty('--columns', visible.map(width).join(' '));
  grid.dataset.columns = visible.map(([id]) => id).join(' ');
  COLUMNS.forEach(column => grid.classList.toggle(`without-${column[0]}`, !visible.includes(column)));
}

function fillChooser() {
  const box = document.getElementById('columns');
  box?.replaceChildren(...COLUMNS.filter(([id]) => !FIXED.has(id)).map(column => {
    const label = document.createElement('label');
    const check = document.createElement('input');
    check.type = 'checkbox';
    check.checked = shown(column);
    check.addEventListener('change', () => {
      state.shown[column[0]] = check.checked;
      keep();
      apply(document.getElementById('grid'));
    });
    label.append(check, ` ${column[1]}`);
    return label;
  }));
}

/** The pointer pulls the right edge of a head cell. */
function pull(e) {
  const id = e.target.dataset.grip;
  if (!id) {
    return;
  }
  e.preventDefault();
  const grid = document.getElementById('grid');
  const rem = parseFloat(getComputedStyle(document.documentElement).fontSize);
  const start = e.clientX;
  const before = e.target.parentElement.getBoundingClientRect().width / rem;
  const move = m => {
    state.widths[id] = Math.max(LEAST_REM, Math.min(MOST_REM, Math.round((before + (m.clientX - start) / rem) * 10) / 10));
    apply(grid);
  };
  const end = () => {
    document.removeEventListener('pointermove', move);
    keep();
  };
  document.addEventListener('pointermove', move);
  document.addEventListener('pointerup', end, {once: true});
}

/** Shows the rows by a column, and the other way round at the second time; the patches stay in their slots. */
export function sortBy(column) {
  const grid = document.getElementById('grid');
  const now = sorting();
  grid.dataset.sortDown = String(now.column === column && !now.down);
  grid.dataset.sortBy = column;
  refreshOrder();
  showSorting();
}

function showSorting() {
  const {column, down} = sorting();
  document.querySelectorAll('.grid-head [role=columnheader]').forEach(cell => {
    const own = cell.classList.contains(`c-${column}`);
    cell.setAttribute('aria-sort', own ? down ? 'descending' : 'ascending' : 'none');
  });
}
