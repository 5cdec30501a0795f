// The rows of a bank's grid: which there are, which are chosen, where they stand.

/** All rows with patches, in their order on the page. @returns {HTMLElement[]} */
export const rowsOf = () => [...document.querySelectorAll('.grid-body > .slot')];

/** Rows that the filter shows. @returns {HTMLElement[]} */
export const shownRows = () => rowsOf().filter(row => !row.hidden);

/** @returns {HTMLElement[]} */
export const chosenRows = () => [...document.querySelectorAll('.grid-body > .slot[aria-selected="true"]:not([hidden])')];

/** @param {string|number} patch @returns {HTMLElement|null} */
export const byId = patch => document.getElementById(`slot-${patch}`);

/** Chooses a row or lets it go. @param {HTMLElement} row @param {boolean} on */
export function markChosen(row, on) {
  row.setAttribute('aria-selected', String(on));
  row.querySelector('.c-pick input').checked = on;
}

/** Chooses exactly these. @param {HTMLElement[]} rows */
export function chooseOnly(rows) {
  const wanted = new Set(rows);
  rowsOf().forEach(row => markChosen(row, wanted.has(row)));
}

/**
 * Brings the rows into the order of their slots, and shows the free slots between them.
 * @param {Array<[string, string]>} [order] patches with their slots, where they have changed
 */
export function refreshOrder(order) {
  const body = document.querySelector('.grid-body');
  if (order) {
    const stay = new Set(order.map(([patch]) => patch));
    rowsOf().filter(row => !stay.has(row.dataset.patch)).forEach(row => row.remove());
    order.forEach(([patch, slot]) => {
      const row = byId(patch);
      if (row && row.dataset.slot !== slot) {
        row.dataset.slot = slot;
        row.querySelector('.c-slot').textContent = slot.padStart(3, '0');
      }
    });
  }
  sortRows(body);
  showFree(body);
}

/** Columns that can be sorted: a number for each row, or a text. */
const KEYS = ['lufs', 'peak', 'bright', 'attack', 'tail', 'width', 'noise'];

function keyOf(row, column) {
  const at = KEYS.indexOf(column === 'ladder' ? 'lufs' : column);
  if (at >= 0) {
    return row.dataset.sort ? Number(row.dataset.sort.split(',')[at]) : Infinity;
  }
  return column === 'slot' ? Number(row.dataset.slot) : (row.querySelector(`.c-${column}`)?.textContent ?? '').trim().toLowerCase();
}

/** @returns {{column: string, down: boolean}} what the rows are shown by */
export function sorting() {
  const grid = document.getElementById('grid');
  return {column: grid.dataset.sortBy ?? 'slot', down: grid.dataset.sortDown === 'true'};
}

function sortRows(body) {
  const {column, down} = sorting();
  const rows = rowsOf();
  const keys = new Map(rows.map(row => [row, keyOf(row, column)]));
  const compare = (a, b) => {
    const [x, y] = [keys.get(a), keys.get(b)];
    const by = typeof x === 'number' ? x - y : x.localeCompare(y);
    return by === 0 || Number.isNaN(by) ? Number(a.dataset.slot) - Number(b.dataset.slot) : down ? -by : by;
  };
  const sorted = [...rows].sort(compare);
  // Only what is out of its place is moved, so that most of a long bank is left alone.
  let next = body.querySelector(':scope > .slot');
  sorted.forEach(row => {
    if (row === next) {
      next = next.nextElementSibling;
      while (next && !next.matches('.slot')) {
        next = next.nextElementSibling;
      }
    } else {
      body.insertBefore(row, next);
    }
  });
  sorted.forEach((row, i) => {
    if (row.ariaRowIndex !== String(i + 2)) {
      row.ariaRowIndex = String(i + 2);
    }
  });
}

/** A row for each run of free slots, where all rows are shown by their slots. */
function showFree(body) {
  const rows = rowsOf();
  const runs = `${sorting().column} ${sorting().down} ${rows.some(row => row.hidden)} ${rows.map(row => row.dataset.slot).join(' ')}`;
  if (body.dataset.runs === runs) {
    return;
  }
  body.dataset.runs = runs;
  body.querySelectorAll('.free-slots').forEach(row => row.remove());
  if (sorting().column !== 'slot' || sorting().down || rows.some(row => row.hidden)) {
    return;
  }
  let next = 1;
  const gap = (from, to, before) => {
    if (from > to) {
      return;
    }
    const row = document.createElement('div');
    row.className = 'free-slots';
    row.setAttribute('role', 'row');
    row.dataset.from = String(from);
    row.innerHTML = `<span role="gridcell" class="c-free" aria-colspan="12"><span class="num">${String(from).padStart(3, '0')}${to > from ? `–${String(to).padStart(3, '0')}` : ''}</span> free <button type="button" tabindex="-1" data-new-at="${from}">New patch in slot ${from}</button></span>`;
    body.insertBefore(row, before);
  };
  rows.forEach(row => {
    const slot = Number(row.dataset.slot);
    gap(next, slot - 1, row);
    next = slot + 1;
  });
  gap(next, 128, null);
}

/** Puts away the rows for free slots or shows them again. */
export const refreshFree = () => showFree(document.querySelector('.grid-body'));

/** Portraits that come near the window before their turn are drawn at once. */
const near = new IntersectionObserver(entries => entries.filter(e => e.isIntersecting).forEach(e => draw(e.target)), {rootMargin: '600px'});

function draw(button) {
  near.unobserve(button);
  if (button.dataset.portrait !== undefined) {
    button.innerHTML = button.dataset.portrait;
    delete button.dataset.portrait;
  }
}

const EACH_TIME = 6;

/** Draws the portraits of rows, a few whenever the page has nothing else to do: a bank has thousands of their shapes. @param {HTMLElement[]} rows */
export function drawPortraits(rows) {
  const buttons = rows.flatMap(row => [...row.querySelectorAll('[data-portrait]')]);
  buttons.forEach(button => near.observe(button));
  const some = () => {
    buttons.splice(0, EACH_TIME).filter(button => button.isConnected).forEach(draw);
    if (buttons.length > 0) {
      requestIdleCallback(some);
    }
  };
  requestIdleCallback(some);
}
