// The sheet for work on many patches: what it would do with each is shown while it is typed, and done in one step.
import {hand, lookAtTable, perform, preview, takeTable, tell} from './desk.js';
import {rowsOf} from './rows.js';

const PAUSE_MS = 180;
const TITLES = {rename: 'Rename', categorise: 'Category of', tag: 'Tags of', sign: 'Author of', order: 'Order', at: 'Move to a slot:', move: 'Move to a bank:', copy: 'Copy to a bank:', paste: 'Paste cells into', level: 'Bring to the target:', suggest: 'By sound:', table: 'Take a table', close: 'Close the gaps of the bank'};

let work = null;
let rows = [];
let asked = 0;
let timer = 0;

const dialog = () => document.getElementById('many');

/**
 * Opens the sheet.
 * @param {string} what
 * @param {Record<string, string>} [filled] fields that are filled already
 */
export function openWork(what, filled = {}) {
  rows = what === 'close' ? rowsOf() : what === 'table' ? [] : hand();
  if (rows.length === 0 && what !== 'table') {
    tell({message: 'Choose patches first: click their boxes, or hold Shift and walk with the arrows.'});
    return;
  }
  work = what;
  const box = dialog();
  box.querySelectorAll('[data-work]').forEach(part => { part.hidden = part.dataset.work !== what; });
  box.querySelector('#many-title').textContent = rows.length === 0 || what === 'close' ? TITLES[what] : `${TITLES[what]} ${rows.length === 1 ? `“${rows[0].querySelector('.c-name .cell-text').textContent}”` : `${rows.length} patches`}`;
  const part = box.querySelector(`[data-work="${what}"]`);
  Object.entries(filled).forEach(([name, value]) => { part.querySelector(`[name="${name}"]`).value = value; });
  showWay();
  box.showModal();
  part.querySelector('input:not([type=radio], [hidden]), select, textarea')?.focus();
  look();
}

/** Fields of the chosen way alone are shown and sent. */
function showWay() {
  const part = dialog().querySelector(`[data-work="${work}"]`);
  const way = part.querySelector('[name=way]:checked')?.value;
  part.querySelectorAll('[data-way]').forEach(fields => { fields.hidden = fields.dataset.way !== way; });
}

function fields() {
  const part = dialog().querySelector(`[data-work="${work}"]`);
  const sent = {what: work};
  part.querySelectorAll('input, select, textarea').forEach(field => {
    if (field.closest('[hidden]') || (field.type === 'radio' || field.type === 'checkbox') && !field.checked) {
      return;
    }
    sent[field.name] = field.value;
  });
  return sent;
}

/** Asks what would be done, a moment after the last key; an answer that is overtaken is left. */
function look() {
  clearTimeout(timer);
  if (work === 'table' && !tableFile()) {
    document.getElementById('many-preview').replaceChildren();
    document.getElementById('many-apply').disabled = true;
    refuse('');
    return;
  }
  timer = setTimeout(async () => {
    const own = ++asked;
    try {
      const html = work === 'table' ? await lookAtTable(tableFile()) : await preview(fields(), rows);
      if (own === asked) {
        refuse('');
        const shown = document.getElementById('many-preview');
        shown.innerHTML = html;
        document.getElementById('many-apply').disabled = shown.querySelector('[data-lacking]') !== null;
      }
    } catch (refusal) {
      if (own === asked) {
        document.getElementById('many-preview').replaceChildren();
        document.getElementById('many-apply').disabled = true;
        refuse(refusal.message);
      }
    }
  }, PAUSE_MS);
}

const tableFile = () => dialog().querySelector('[data-work="table"] [type=file]').files[0];

function refuse(words) {
  const line = document.getElementById('many-refusal');
  line.hidden = words === '';
  line.textContent = words;
}

/** Brings the sheet of a fresh page to life. @param {HTMLElement} root */
export function wireWork(root) {
  const box = root.querySelector('#many');
  if (!box) {
    return;
  }
  box.addEventListener('input', () => { showWay(); look(); });
  box.addEventListener('click', e => {
    const insert = e.target.dataset.insert;
    if (insert) {
      const field = box.querySelector('[data-way="pattern"] [name=text]');
      field.setRangeText(insert, field.selectionStart, field.selectionEnd, 'end');
      field.focus();
      look();
    }
  });
  box.querySelector('#many-cancel').addEventListener('click', () => box.close());
  box.querySelector('#many-form').addEventListener('submit', async e => {
    e.preventDefault();
    const apply = document.getElementById('many-apply');
    apply.disabled = true;
    clearTimeout(timer);
    asked++;
    try {
      await (work === 'table' ? takeTable(tableFile()) : perform(fields(), rows));
      box.close();
    } catch (refusal) {
      refuse(refusal.message);
    } finally {
      apply.disabled = false;
    }
  });
}
