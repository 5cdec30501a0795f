// Cells that are typed in place: an editor comes when it is wanted and goes with Enter, Tab or Escape. What the server refuses stays to be put right.
import {perform, tell} from './desk.js';
import {focusCell} from './grid.js';
import {byId, shownRows} from './rows.js';

let open = null;

/** @returns {boolean} whether a cell is being typed in */
export const editing = () => open !== null && open.field.isConnected;

const FORMS = {
  name: value => ({what: 'rename', way: 'one', text: value}),
  category: value => ({what: 'categorise', category: value}),
  tags: value => ({what: 'tag', way: 'replace', text: value}),
  author: value => ({what: 'sign', text: value}),
};

/** Lets a cell be typed in. @param {HTMLElement} cell */
export function editCell(cell) {
  const row = cell.closest('.slot');
  const kind = cell.dataset.edit;
  const text = cell.querySelector('.cell-text');
  const field = kind === 'category' ? categories(cell.dataset.value ?? '') : document.createElement('input');
  if (kind !== 'category') {
    field.value = text.textContent;
    field.maxLength = kind === 'tags' ? 400 : 120;
    field.setAttribute('spellcheck', String(kind === 'name'));
  }
  field.className = 'cell-field';
  field.name = kind;
  field.setAttribute('aria-label', `${kind[0].toUpperCase()}${kind.slice(1)} of slot ${Number(row.dataset.slot)}`);
  const before = field.value;
  open = {field, cell, before, patch: row.dataset.patch, kind, done: false};
  text.hidden = true;
  cell.prepend(field);
  field.focus();
  field.select?.();
  field.addEventListener('keydown', editorKeys);
  field.addEventListener('blur', () => finish(0));
  if (kind === 'category') {
    field.addEventListener('change', () => finish(0));
  }
}

function categories(chosen) {
  const field = document.querySelector('#many-form [name=category]').cloneNode(true);
  field.value = chosen;
  return field;
}

function editorKeys(e) {
  e.stopPropagation();
  if (e.key === 'Escape') {
    e.preventDefault();
    cancel();
  } else if (e.key === 'Enter' || e.key === 'Tab') {
    e.preventDefault();
    finish(e.key === 'Tab' ? e.shiftKey ? -1 : 1 : 0);
  }
}

function cancel() {
  const {field, cell} = open;
  open.done = true;
  open = null;
  field.remove();
  cell.querySelector('.cell-text').hidden = false;
  focusCell(cell.closest('.slot'), cell.className.split(' ')[0]);
}

/** Sends what was typed. @param {number} step rows to go on to and type in: 1 down, -1 up, 0 to stay */
function finish(step) {
  const was = open;
  if (!was || was.done) {
    return;
  }
  const {field, cell, before, patch, kind} = was;
  const column = cell.className.split(' ')[0];
  const goOn = () => {
    const rows = shownRows();
    const next = step === 0 ? null : rows[rows.indexOf(byId(patch)) + step];
    const row = next ?? byId(patch);
    if (next) {
      editCell(next.querySelector(`.${column}`));
    } else if (row && (document.activeElement === document.body || !document.activeElement?.isConnected || document.activeElement.closest('#grid'))) {
      focusCell(row, column);
    }
  };
  was.done = true;
  if (field.value === before) {
    open = null;
    field.remove();
    cell.querySelector('.cell-text').hidden = false;
    goOn();
    return;
  }
  const value = field.value;
  open = null;
  const text = cell.querySelector('.cell-text');
  text.textContent = kind === 'category' ? field.selectedOptions[0].textContent : value;
  text.hidden = false;
  field.remove();
  // The next cell is there at once; the server's answer comes into this row while it is typed in.
  goOn();
  perform(FORMS[kind](value), [byId(patch)], {quiet: true}).catch(refusal => {
    const row = byId(patch);
    if (row) {
      const again = row.querySelector(`.${column}`);
      if (editing()) {
        cancel();
      }
      again.querySelector('.cell-text').textContent = kind === 'category' ? again.querySelector('.cell-text').textContent : before;
      editCell(again);
      if (open) {
        open.field.value = value;
        open.field.setAttribute('aria-invalid', 'true');
      }
    }
    tell(refusal);
  });
}
