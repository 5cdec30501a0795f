// The line that says which rows are shown, with the terms it knows.
import {ask} from '../page/requests.js';
import {showTools, tell} from './desk.js';
import {chosenRows, markChosen, refreshFree, rowsOf} from './rows.js';

const PAUSE_MS = 160;
const TERMS = [['category:', 'of a category'], ['tag:', 'with a tag, or none'], ['verdict:keep', 'heard: keep, fix, cut or none'], ['check:fault', 'soundcheck: passed, look, fault or none'], ['finding:', 'with a finding, as level.ceiling'],
  ['state:edited', 'saved, edited or new'], ['author:', 'made by'], ['name:', 'in the name alone'], ['notes:', 'in the notes alone'],
  ['darker', 'than the patch in focus'], ['brighter', 'than the patch in focus'], ['shorter', 'than the patch in focus'], ['longer', 'than the patch in focus'], ['louder', 'than the patch in focus'],
  ['quieter', 'than the patch in focus'], ['wider', 'than the patch in focus'], ['narrower', 'than the patch in focus'], ['like', 'the patch in focus, the nearest first'], ['between', 'two chosen patches, in brightness and length'],
  ['brightness>2k', 'spectral centroid'], ['tail<0.5s', 'after the key is let go'], ['attack<10ms', 'to nine tenths'], ['loudness>-17', 'by the measure of the category'], ['peak>-1', 'true peak'], ['width>20', 'in %'], ['noise>30', 'in %']];

let timer = 0;
let asked = 0;
/** The patch that comparisons go by: where the grid was last. */
let than = [];

/** Brings the filter of a fresh page to life. @param {HTMLElement} root */
export function wireFilter(root) {
  const field = root.querySelector('#filter');
  if (!field) {
    return;
  }
  asked++;
  field.addEventListener('input', () => { suggest(field); later(field); });
  field.addEventListener('focus', () => { remember(); suggest(field); });
  field.addEventListener('blur', () => { hide(field); });
  field.addEventListener('keydown', e => keys(e, field));
  root.querySelector('#keep-filter').addEventListener('click', () => keepFilter(field));
}

/** What was in hand when the filter was gone to is what comparisons go by. */
function remember() {
  const chosen = chosenRows();
  const at = document.querySelector('.slot:has([tabindex="0"])');
  than = (chosen.length > 0 ? chosen : at ? [at] : []).map(row => row.dataset.patch);
}

function keys(e, field) {
  const list = document.getElementById('filter-terms');
  const items = [...list.querySelectorAll('[role=option]')];
  const now = items.findIndex(item => item.getAttribute('aria-selected') === 'true');
  if (e.key === 'ArrowDown' || e.key === 'ArrowUp') {
    e.preventDefault();
    if (list.hidden) {
      suggest(field);
      return;
    }
    select(field, items, now === -1 ? e.key === 'ArrowDown' ? 0 : items.length - 1 : (now + (e.key === 'ArrowDown' ? 1 : -1) + items.length) % items.length);
  } else if ((e.key === 'Enter' || e.key === 'Tab') && now >= 0 && !list.hidden) {
    e.preventDefault();
    use(field, items[now].dataset.term);
  } else if (e.key === 'Delete' && now >= 0 && items[now].dataset.kept) {
    e.preventDefault();
    forget(field, items[now].dataset.kept);
  } else if (e.key === 'Enter') {
    e.preventDefault();
    apply(field);
    document.querySelector('.slot:not([hidden]) .c-name')?.focus();
  } else if (e.key === 'Escape') {
    e.preventDefault();
    if (!list.hidden) {
      hide(field);
    } else {
      field.value = '';
      apply(field);
    }
  }
  e.stopPropagation();
}

function select(field, items, at) {
  items.forEach((item, i) => item.setAttribute('aria-selected', String(i === at)));
  items[at]?.scrollIntoView({block: 'nearest'});
  field.setAttribute('aria-activedescendant', items[at]?.id ?? '');
}

/** The terms that go on from the word at the caret; categories, tags and kept filters of this bank among them. */
function suggest(field) {
  const word = lastWord(field.value);
  const bank = new Set();
  if (word.startsWith('category:')) {
    document.querySelectorAll('#many-form [name=category] option').forEach(o => bank.add(`category:${o.value === '' ? 'none' : o.value}`));
  } else if (word.startsWith('tag:')) {
    rowsOf().forEach(row => row.querySelector('.c-tags').textContent.split(',').map(t => t.trim()).filter(Boolean).forEach(t => bank.add(`tag:${t.includes(' ') ? `"${t}"` : t}`)));
  }
  const kept = JSON.parse(document.getElementById('desk').dataset.filters ?? '[]').map(f => [f.line, `kept as “${f.name}”`, f.name]);
  const all = [...[...bank].sort().map(t => [t, '']), ...(field.value === '' ? kept : []), ...TERMS];
  const bare = word.replace(/^-/, '');
  const fits = all.filter(([term]) => term.startsWith(bare) && term !== bare).slice(0, 14);
  const list = document.getElementById('filter-terms');
  list.replaceChildren(...fits.map(([term, words, name], i) => {
    const item = document.createElement('li');
    item.id = `filter-term-${i}`;
    item.setAttribute('role', 'option');
    item.setAttribute('aria-selected', 'false');
    item.dataset.term = (word.startsWith('-') ? '-' : '') + term;
    item.append(Object.assign(document.createElement('span'), {textContent: term}), Object.assign(document.createElement('span'), {className: 'soft', textContent: words}));
    item.addEventListener('pointerdown', e => { e.preventDefault(); use(field, item.dataset.term); });
    if (name) {
      item.dataset.kept = name;
      const cross = Object.assign(document.createElement('span'), {className: 'forget-filter', textContent: 'Forget', title: `Forget the filter “${name}” (Delete)`});
      cross.addEventListener('pointerdown', e => { e.preventDefault(); e.stopPropagation(); forget(field, name); });
      item.append(cross);
    }
    return item;
  }));
  list.hidden = fits.length === 0;
  field.setAttribute('aria-expanded', String(!list.hidden));
}

/** Takes a kept filter off the list. */
async function forget(field, name) {
  const desk = document.getElementById('desk');
  try {
    desk.dataset.filters = JSON.stringify(await (await ask(`/banks/${desk.dataset.bank}/filters/forget`, {form: {name}})).json());
    document.getElementById('filter-count').textContent = `“${name}” is forgotten`;
    suggest(field);
  } catch (refusal) {
    tell(refusal);
  }
}

function hide(field) {
  document.getElementById('filter-terms').hidden = true;
  field.setAttribute('aria-expanded', 'false');
  field.removeAttribute('aria-activedescendant');
}

const lastWord = text => text.slice(text.lastIndexOf(' ') + 1);

function use(field, term) {
  field.value = field.value.slice(0, field.value.length - lastWord(field.value).length) + term + (/[:<>]$/.test(term) ? '' : ' ');
  field.focus();
  suggest(field);
  if (!/[:<>]$/.test(term)) {
    hide(field);
  }
  later(field);
}

function later(field) {
  clearTimeout(timer);
  timer = setTimeout(() => apply(field), PAUSE_MS);
}

/** Asks which patches fit, and shows these rows alone; the order of a search for likeness is kept. */
async function apply(field) {
  clearTimeout(timer);
  const line = field.value.trim();
  const own = ++asked;
  const count = document.getElementById('filter-count');
  document.getElementById('keep-filter').hidden = line === '';
  if (line === '') {
    show(null);
    count.textContent = '';
    field.removeAttribute('aria-invalid');
    return;
  }
  const query = new URLSearchParams({line});
  than.forEach(id => query.append('than', id));
  try {
    const found = await (await ask(`/banks/${document.getElementById('desk').dataset.bank}/filter?${query}`)).json();
    if (own === asked) {
      show(found, /(^| )like( |$)/.test(line));
      count.textContent = `${found.length} of ${rowsOf().length}`;
      field.removeAttribute('aria-invalid');
    }
  } catch (refusal) {
    if (own === asked) {
      field.setAttribute('aria-invalid', 'true');
      count.textContent = refusal.message;
    }
  }
}

function show(found, ordered) {
  const wanted = found && new Set(found.map(String));
  const rows = rowsOf();
  rows.forEach(row => {
    row.hidden = wanted !== null && !wanted.has(row.dataset.patch);
    row.style.order = '';
    if (row.hidden) {
      markChosen(row, false);
    }
  });
  document.querySelector('.grid-body').classList.toggle('ordered', Boolean(ordered));
  if (ordered) {
    found.forEach((id, i) => { document.getElementById(`slot-${id}`).style.order = String(i); });
  }
  refreshFree();
  showTools();
}

async function keepFilter(field) {
  const box = document.getElementById('filter-count');
  const name = document.createElement('input');
  name.maxLength = 60;
  name.setAttribute('aria-label', 'Name of this filter');
  name.placeholder = 'Name, then Enter';
  box.replaceChildren(name);
  name.focus();
  name.addEventListener('keydown', async e => {
    e.stopPropagation();
    if (e.key === 'Escape') {
      apply(field);
      field.focus();
    } else if (e.key === 'Enter') {
      e.preventDefault();
      try {
        const desk = document.getElementById('desk');
        const kept = await (await ask(`/banks/${desk.dataset.bank}/filters`, {form: {name: name.value, line: field.value}})).json();
        desk.dataset.filters = JSON.stringify(kept);
        box.textContent = 'kept';
        field.focus();
      } catch (refusal) {
        tell(refusal);
      }
    }
  });
}
