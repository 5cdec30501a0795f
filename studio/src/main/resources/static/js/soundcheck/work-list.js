// The soundcheck as a list of work: one line a finding, grouped, filtered and walked by keys; the chosen one stands beside it.
import {ask, say} from '../page/requests.js';
import {playClip} from '../page/clips.js';
import {showMany, wireFinding} from './finding.js';
import {tellKeys} from '../lib/key-names.js';

const list = () => document.getElementById('check-list');
const side = () => document.getElementById('check-side');
const rows = () => [...list().querySelectorAll('.check-row')];
const shown = () => rows().filter(row => !row.hidden);
const WEIGHTS = ['fault', 'look', 'waived'];

let asked = 0;

/** Brings the list of a fresh page to life. @param {HTMLElement} root */
export function wireWorkList(root) {
  const page = root.querySelector('#findings');
  if (!page || !list()) {
    return;
  }
  const tools = page.querySelector('.check-tools');
  tools.addEventListener('input', arrange);
  tools.querySelector('#check-mend-all').addEventListener('click', () => showMany(page.dataset.bank, {rule: tools.querySelector('#check-rule').value}, side(), toList));
  list().addEventListener('click', e => {
    const row = e.target.closest('.check-row');
    if (row) {
      pick(row, e.shiftKey ? between(anchor(), row) : e.ctrlKey || e.metaKey ? turned(row) : [row]);
    }
  });
  list().addEventListener('mousedown', e => {
    if (e.shiftKey) {
      // A stretch of rows is meant, not of text.
      e.preventDefault();
      list().focus();
    }
  });
  list().addEventListener('dblclick', e => e.target.closest('.check-row') && open(chosen()));
  list().addEventListener('keydown', keys);
  page.querySelector('#check-bank').addEventListener('toggle', loadBank, {once: true});
  side().addEventListener('comet:finding', e => settle(e.detail));
  side().addEventListener('comet:mended', () => renew(page));
  arrange();
}

/** The row that keys go on from. */
const chosen = () => document.getElementById(list().getAttribute('aria-activedescendant') ?? '');
const selected = () => shown().filter(row => row.getAttribute('aria-selected') === 'true');
const toList = () => list().focus();

/** Where a selection began that Shift extends. */
let begun = '';
const anchor = () => document.getElementById(begun) ?? chosen() ?? shown()[0];

function between(from, to) {
  const all = shown();
  const [low, high] = [all.indexOf(from), all.indexOf(to)].sort((a, b) => a - b);
  return all.slice(Math.max(0, low), high + 1);
}

/** What is selected with one row turned on or off; one stays. */
function turned(row) {
  const now = selected();
  const rest = now.includes(row) ? now.filter(other => other !== row) : [...now, row];
  return rest.length > 0 ? rest : [row];
}

function keys(e) {
  if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'a' && !e.altKey && shown().length > 0) {
    e.preventDefault();
    pick(chosen() ?? shown()[0], shown());
    return;
  }
  if (e.ctrlKey || e.metaKey || e.altKey) {
    return;
  }
  const all = shown();
  const at = all.indexOf(chosen());
  const steps = {ArrowDown: at + 1, ArrowUp: Math.max(0, at - 1), Home: 0, End: all.length - 1, PageDown: Math.min(all.length - 1, at + 10), PageUp: Math.max(0, at - 10)};
  if (e.key in steps) {
    e.preventDefault();
    const row = all[steps[e.key]];
    if (row) {
      pick(row, e.shiftKey && at >= 0 ? between(anchor(), row) : [row]);
    }
  } else if (e.key === 'Escape' && selected().length > 1) {
    e.preventDefault();
    e.stopPropagation();
    pick(chosen(), [chosen()]);
  } else if (at >= 0) {
    const acts = {p: () => play(chosen()), r: () => press('[data-mend], [data-apply-mend], [data-mend-every], [data-apply-every]'), w: () => side().querySelector('[data-waive] [name=reason]')?.focus(), Enter: () => open(chosen())};
    const act = acts[e.key] ?? acts[e.key.toLowerCase()];
    if (act) {
      e.preventDefault();
      e.stopPropagation();
      act();
    }
  }
}

const press = selector => side().querySelector(selector)?.click();

function open(row) {
  if (row) {
    location.href = `/patches/${row.dataset.patch}${row.dataset.place ? '#' + row.dataset.place : ''}`;
  }
}

function play(row) {
  if (row.dataset.notes) {
    playClip(`/patches/${row.dataset.patch}/clip.wav?notes=${encodeURIComponent(row.dataset.notes)}`);
  } else {
    say('There is nothing to hear of this finding.', {key: 'check', calm: true});
  }
}

function goOnFrom(row) {
  rows().forEach(other => other.classList.toggle('current', other === row));
  list().setAttribute('aria-activedescendant', row.id);
}

const choose = row => pick(row, [row]);

/** Selects rows and shows the finding, or all of them together, beside the list. @param {HTMLElement} row that keys go on from @param {HTMLElement[]} all */
async function pick(row, all) {
  if (all.length === 1) {
    begun = all[0].id;
  }
  const now = new Set(all);
  rows().forEach(other => other.setAttribute('aria-selected', String(now.has(other))));
  goOnFrom(row);
  row.scrollIntoView({block: 'nearest'});
  const own = ++asked;
  if (all.length > 1) {
    await showMany(document.getElementById('findings').dataset.bank, {findings: all.map(one => `${one.dataset.patch} ${one.dataset.key}`).join('\n')}, side(), toList, () => own === asked);
    return;
  }
  try {
    const html = await (await ask(`/patches/${all[0].dataset.patch}/finding?key=${encodeURIComponent(all[0].dataset.key)}`)).text();
    if (own === asked) {
      side().innerHTML = html;
      tellKeys(side());
      wireFinding(side(), toList);
    }
  } catch (refusal) {
    say(refusal.message, {key: 'check'});
  }
}

/** What became of a finding: one that is gone leaves the list, and the next takes its place. */
function settle({patch, key, gone, waived}) {
  const row = rows().find(r => r.dataset.patch === patch && r.dataset.key === key);
  if (!row) {
    return;
  }
  const all = shown();
  const next = all[all.indexOf(row) + 1] ?? all[all.indexOf(row) - 1];
  if (gone) {
    row.remove();
  } else if (waived !== (row.dataset.weight === 'waived')) {
    row.dataset.weight = waived ? 'waived' : row.dataset.own;
    const tag = row.querySelector('.tag');
    tag.className = {waived: 'tag soft', fault: 'tag fault-tag', look: 'tag warn-tag'}[row.dataset.weight];
    tag.textContent = row.dataset.weight;
  }
  arrange();
  if ((gone || row.hidden) && next) {
    choose(next);
  }
}

/** Reads the list anew, after many patches have changed; what stands beside it stays. */
async function renew(page) {
  try {
    const box = document.createElement('template');
    box.innerHTML = await (await ask(`/banks/${page.dataset.bank}/soundcheck/rows`)).text();
    const {patch, key} = chosen()?.dataset ?? {};
    const at = shown().indexOf(chosen());
    list().replaceChildren(...box.content.getElementById('check-list').children);
    list().removeAttribute('aria-activedescendant');
    begun = '';
    tellKeys(list());
    arrange();
    const next = shown().find(row => row.dataset.patch === patch && row.dataset.key === key) ?? shown()[Math.min(at, shown().length - 1)];
    if (next && at >= 0) {
      goOnFrom(next);
    }
  } catch (refusal) {
    say(refusal.message, {key: 'check'});
  }
}

/** Filters and groups what is there. */
function arrange() {
  const tools = document.querySelector('.check-tools');
  const weights = new Set([...tools.querySelectorAll('[data-weight]:checked')].map(box => box.dataset.weight));
  const rule = tools.querySelector('#check-rule').value;
  const text = tools.querySelector('#check-text').value.trim().toLowerCase();
  const fresh = tools.querySelector('#check-fresh').checked;
  for (const row of rows()) {
    row.hidden = !weights.has(row.dataset.weight) || rule !== '' && row.dataset.rule !== rule || fresh && row.dataset.fresh !== 'true'
      || text !== '' && !row.textContent.toLowerCase().includes(text);
  }
  const by = tools.querySelector('#check-group').value;
  const weight = row => WEIGHTS.indexOf(row.dataset.weight);
  const orders = {
    weight: (a, b) => weight(a) - weight(b) || a.dataset.rule.localeCompare(b.dataset.rule) || a.dataset.slot - b.dataset.slot,
    rule: (a, b) => a.dataset.rule.localeCompare(b.dataset.rule) || weight(a) - weight(b) || a.dataset.slot - b.dataset.slot,
    patch: (a, b) => a.dataset.slot - b.dataset.slot || weight(a) - weight(b),
  };
  list().querySelectorAll('.check-group-head').forEach(head => head.remove());
  let last = null;
  const since = by === 'patch' ? sinceTheLastRun() : new Map();
  const names = {weight: row => ({fault: 'Faults', look: 'To look at', waived: 'Waived'})[row.dataset.weight], rule: row => row.dataset.rule, patch: row => `${row.dataset.slot.padStart(3, '0')} ${row.dataset.name}${since.get(row.dataset.patch) ?? ''}`};
  for (const row of rows().sort(orders[by])) {
    const name = names[by](row);
    if (!row.hidden && name !== last) {
      const head = document.createElement('div');
      head.className = 'check-group-head';
      head.setAttribute('role', 'presentation');
      head.textContent = name;
      list().append(head);
      last = name;
    }
    list().append(row);
  }
  WEIGHTS.forEach(w => { document.querySelector(`[data-count="${w}"]`).textContent = rows().filter(row => row.dataset.weight === w).length; });
  document.getElementById('check-count').textContent = `${shown().length} shown`;
  const all = document.getElementById('check-mend-all');
  all.disabled = rule === '' || !shown().some(row => row.querySelector('.check-mends'));
}

/** What has changed about patches since the last run, in words, by patch. @returns {Map<string, string>} */
function sinceTheLastRun() {
  const fresh = new Map();
  const gone = new Map([...document.querySelectorAll('[data-gone]')].map(g => [g.dataset.patch, g.dataset.count]));
  rows().filter(row => row.dataset.fresh === 'true').forEach(row => fresh.set(row.dataset.patch, (fresh.get(row.dataset.patch) ?? 0) + 1));
  return new Map([...new Set([...fresh.keys(), ...gone.keys()])].map(patch => [patch, `: ${fresh.get(patch) ?? 0} new, ${gone.get(patch) ?? 0} gone`]));
}

async function loadBank(e) {
  try {
    document.getElementById('check-bank-findings').outerHTML = await (await ask(e.target.dataset.load)).text();
  } catch (refusal) {
    say(refusal.message, {key: 'check'});
  }
}

