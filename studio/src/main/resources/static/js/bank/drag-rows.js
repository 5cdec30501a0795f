// Rows pulled to another place by the pointer: a row by its slot number, together with all that are chosen.
import {perform, tell} from './desk.js';
import {say} from '../page/requests.js';
import {chosenRows, rowsOf, sorting} from './rows.js';

const LEAST_PX = 5;
const EDGE_PX = 40;

/** Lets rows of a grid be pulled. @param {HTMLElement} grid */
export function wireDrag(grid) {
  grid.addEventListener('pointerdown', e => {
    const handle = e.target.closest('.c-slot');
    const row = e.target.closest('.slot');
    if (!handle || !row || e.button !== 0) {
      return;
    }
    start(grid, row, e);
  });
}

function start(grid, row, down) {
  const scroller = document.getElementById('page');
  let line = null;
  let target = null;
  const move = e => {
    if (!line && Math.hypot(e.clientX - down.clientX, e.clientY - down.clientY) < LEAST_PX) {
      return;
    }
    if (!line) {
      if (sorting().column !== 'slot' || rowsOf().some(r => r.hidden)) {
        say('Patches are moved while all are shown by their slots.', {key: 'desk', calm: true});
        end();
        return;
      }
      line = document.createElement('div');
      line.className = 'drop-line';
      grid.append(line);
      document.body.classList.add('pulling');
    }
    const box = scroller.getBoundingClientRect();
    if (e.clientY < box.top + EDGE_PX) {
      scroller.scrollTop -= EDGE_PX / 3;
    } else if (e.clientY > box.bottom - EDGE_PX) {
      scroller.scrollTop += EDGE_PX / 3;
    }
    target = aim(grid, e.clientY);
    const at = grid.getBoundingClientRect();
    line.style.top = `${(target?.y ?? e.clientY) - at.top}px`;
    line.textContent = target?.words ?? '';
  };
  const end = () => {
    document.removeEventListener('pointermove', move);
    document.removeEventListener('pointerup', drop);
    document.removeEventListener('keydown', escape, true);
    line?.remove();
    document.body.classList.remove('pulling');
  };
  const escape = e => {
    if (e.key === 'Escape') {
      e.preventDefault();
      e.stopPropagation();
      target = null;
      end();
    }
  };
  const drop = () => {
    const to = line && target;
    end();
    if (to) {
      const rows = row.getAttribute('aria-selected') === 'true' ? chosenRows() : [row];
      perform(to.fields, rows).catch(tell);
    }
  };
  document.addEventListener('pointermove', move);
  document.addEventListener('pointerup', drop);
  document.addEventListener('keydown', escape, true);
}

/** Between which rows, or on which free slot, the pointer is. */
function aim(grid, y) {
  for (const row of grid.querySelectorAll('.grid-body > .slot, .grid-body > .free-slots')) {
    const box = row.getBoundingClientRect();
    if (y > box.bottom) {
      continue;
    }
    if (row.matches('.free-slots')) {
      return {fields: {what: 'at', toSlot: row.dataset.from}, y: box.top, words: `to slot ${row.dataset.from}`};
    }
    if (y < box.top + box.height / 2) {
      return {fields: {what: 'between', before: row.dataset.patch}, y: box.top, words: `before ${row.querySelector('.c-name .cell-text').textContent}`};
    }
    const next = nextSlot(row);
    return {fields: {what: 'between', before: next?.dataset.patch ?? '0'}, y: box.bottom, words: `after ${row.querySelector('.c-name .cell-text').textContent}`};
  }
  return {fields: {what: 'between', before: '0'}, y: grid.getBoundingClientRect().bottom, words: 'to the end'};
}

function nextSlot(row) {
  let next = row.nextElementSibling;
  while (next && !next.matches('.slot')) {
    next = next.nextElementSibling;
  }
  return next;
}
