// Rows of the bank: their keys, names typed one after the other, and the menu of a row.

/** Brings the rows of a fresh piece of page to life. @param {HTMLElement} root */
export function wireBank(root) {
  root.querySelectorAll('.slot').forEach(row => row.addEventListener('keydown', rowKeys));
  root.querySelectorAll('.slot input[name=name]').forEach(field => field.addEventListener('keydown', nameKeys));
  root.querySelectorAll('.row-menu').forEach(wireMenu);
}

/** Arrows walk, Alt and arrows move, Space plays, Enter opens, D duplicates, S saves. */
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
    F2: () => row.querySelector('input[name=name]').select(),
    d: () => press('duplicate'),
    s: () => press('save'),
  }[e.key];
  if (act) {
    e.preventDefault();
    e.stopPropagation();
    act();
  }
}

/** Enter and Tab go to the next name, Shift+Tab to the one before; Escape brings the name back as it was. */
function nameKeys(e) {
  const field = e.currentTarget;
  if (e.key === 'Escape') {
    e.preventDefault();
    e.stopPropagation();
    field.value = field.defaultValue;
    field.closest('.slot').focus();
    return;
  }
  if (e.key !== 'Enter' && e.key !== 'Tab') {
    return;
  }
  const fields = [...document.querySelectorAll('.slot input[name=name]')];
  const next = fields[fields.indexOf(field) + (e.shiftKey ? -1 : 1)];
  if (next) {
    e.preventDefault();
    next.select();
  } else if (e.key === 'Enter') {
    e.preventDefault();
    field.blur();
    field.focus();
  }
}

/** A menu opens beside its button, upward where there is no room below. */
function wireMenu(menu) {
  menu.addEventListener('toggle', e => {
    if (e.newState !== 'open') {
      return;
    }
    const button = document.querySelector(`[popovertarget="${menu.id}"]`).getBoundingClientRect();
    const room = document.getElementById('page').getBoundingClientRect().bottom;
    const below = button.bottom + menu.offsetHeight + 4 < room;
    menu.style.left = `${Math.max(4, button.right - menu.offsetWidth)}px`;
    menu.style.top = `${below ? button.bottom + 2 : Math.max(4, button.top - menu.offsetHeight - 2)}px`;
    menu.querySelector('a, button:not(:disabled)')?.focus();
  });
  menu.addEventListener('keydown', e => {
    const step = {ArrowDown: 1, ArrowUp: -1}[e.key];
    const items = [...menu.querySelectorAll('a, button:not(:disabled)')];
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
