// The menu of a row: one for all of them, filled for the row that it opens at.
import {ask, say} from '../page/requests.js';
import {visit} from '../page/visit.js';
import {perform, saveRows, tell} from './desk.js';
import {editCell} from './cell-editor.js';
import {focusCell} from './grid.js';

/** Opens the menu at a row, or at a point. @param {HTMLElement} row @param {number} [x] @param {number} [y] */
export function openRowMenu(row, x, y) {
  let menu = document.getElementById('row-menu');
  if (!menu) {
    menu = document.createElement('div');
    menu.id = 'row-menu';
    menu.className = 'row-menu';
    menu.popover = 'auto';
    menu.setAttribute('role', 'group');
    document.querySelector('main').append(menu);
    wireMenu(menu);
  }
  const name = row.querySelector('.c-name .cell-text').textContent;
  menu.setAttribute('aria-label', `More for ${name}`);
  const button = (words, act, more = {}) => Object.assign(document.createElement('button'), {type: 'button', textContent: words, onclick: act, ...more});
  const file = Object.assign(document.createElement('a'), {className: 'button', textContent: 'Download as a file', href: `/patches/${row.dataset.patch}/file`, download: ''});
  menu.replaceChildren(
    button('Open on the bench', () => visit(`/patches/${row.dataset.patch}`)),
    button('Rename', () => editCell(row.querySelector('.c-name'))),
    button('Duplicate', () => perform({what: 'copy', toBank: '0'}, [row]).catch(tell)),
    button('Move up', () => perform({what: 'shift', way: 'up'}, [row], {quiet: true}).catch(tell)),
    button('Move down', () => perform({what: 'shift', way: 'down'}, [row], {quiet: true}).catch(tell)),
    button('Save revision', () => saveRows([row]).catch(tell), {disabled: row.dataset.unsaved === undefined}),
    button('Start new ones from this', () => makeStart(row.dataset.patch)),
    file,
    button('Delete', () => perform({what: 'delete'}, [row]).catch(tell), {className: 'danger'}));
  menu.querySelectorAll('button').forEach(b => { b.dataset.do = b.textContent.toLowerCase().split(' ')[0]; });
  menu.showPopover();
  const at = row.querySelector('[data-row-menu]').getBoundingClientRect();
  place(menu, x ?? at.right - menu.offsetWidth, y ?? at.bottom + 2, y ?? at.top);
  menu.querySelector('a, button:not(:disabled)').focus();
  menu.ontoggle = e => {
    if (e.newState === 'closed' && (document.activeElement === document.body || menu.contains(document.activeElement)) && row.isConnected) {
      focusCell(row, 'c-name');
    }
  };
}

/** New patches of its category begin as a patch is, or as the program has them where they did already. @param {string} patch id */
async function makeStart(patch) {
  try {
    const {said, names} = await (await ask(`/patches/${patch}/start`, {method: 'POST'})).json();
    document.querySelectorAll('#start option[data-name]').forEach(option => {
      option.textContent = `start for ${option.dataset.name}${names[option.value] ? `: ${names[option.value]}` : ''}`;
    });
    say(said, {key: 'desk', calm: true});
  } catch (refusal) {
    tell(refusal);
  }
}

/** Below a point, or above it where there is no room; within the page at any rate. */
function place(menu, x, below, above) {
  const room = document.getElementById('page').getBoundingClientRect();
  menu.style.left = `${Math.max(4, Math.min(x, room.right - menu.offsetWidth - 4))}px`;
  menu.style.top = `${below + menu.offsetHeight < room.bottom ? below : Math.max(4, above - menu.offsetHeight - 2)}px`;
}

/** Arrows walk in a menu, and whatever is done closes it. @param {HTMLElement} menu */
export function wireMenu(menu) {
  menu.addEventListener('keydown', e => {
    const step = {ArrowDown: 1, ArrowUp: -1}[e.key];
    const items = [...menu.querySelectorAll('a, button:not(:disabled), input')];
    if (step && items.length > 0) {
      e.preventDefault();
      items[(items.indexOf(document.activeElement) + step + items.length) % items.length].focus();
    }
    e.stopPropagation();
  });
  menu.addEventListener('click', e => {
    if (e.target.closest('a, button')) {
      menu.hidePopover();
    }
  });
}

/** Opens a popover below the button that it belongs to. @param {HTMLElement} menu */
export function wireToolMenu(menu) {
  wireMenu(menu);
  menu.addEventListener('toggle', e => {
    if (e.newState === 'open') {
      const at = document.querySelector(`[popovertarget="${menu.id}"]`).getBoundingClientRect();
      place(menu, at.left, at.bottom + 2, at.top);
      menu.querySelector('a, button:not(:disabled), input')?.focus();
    }
  });
}
