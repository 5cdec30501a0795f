// The soundcheck as a list of work: one line a finding, grouped, filtered and walked by keys; the chosen one stands beside it.
import {ask, say} from '../page/requests.js';
import {playClip} from '../page/clips.js';
import {showEvery, wireFinding} from './finding.js';
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
  tools.querySelector('#check-mend-all').addEventListener('click', () => showEvery(page.dataset.bank, tools.querySelector('#check-rule').value, side()));
  list().addEventListener('click', e => {
    const row = e.target.closest('.check-row');
    if (row) {
      choose(row);
    }
  });
  list().addEventListener('dblclick', e => e.target.closest('.check-row') && open(chosen()));
  list().addEventListener('keydown', keys);
  page.querySelector('#check-bank').addEventListener('toggle', loadBank, {once: true});
  side().addEventListener('comet:finding', e => settle(e.detail));
  side().addEventListener('comet:mended', () => renew(page));
  arrange();
}

const chosen = () => list().querySelector('.check-row[aria-selected="true"]');

function keys(e) {
  if (e.ctrlKey || e.metaKey || e.altKey) {
    return;
  }
  const all = shown();
  const at = all.indexOf(chosen());
  const steps = {ArrowDown: at + 1, ArrowUp: Math.max(0, at - 1), Home: 0, End: all.length - 1, PageDown: Math.min(all.length - 1, at + 10), PageUp: Math.max(0, at - 10)};
  if (e.key in steps) {
    e.preventDefault();
    if (all[steps[e.key]]) {
      choose(all[steps[e.key]]);
    }
  } else if (at >= 0) {
    const acts = {p: () => play(chosen()), r: () => press('[data-mend], [data-apply-mend]'), w: () => side().querySelector('[data-waive] [name=reason]')?.focus(), Enter: () => open(chosen())};
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

/** Shows a finding beside the list. @param {HTMLElement} row */
async function choose(row) {
  rows().forEach(other => other.setAttribute('aria-selected', String(other === row)));
  list().setAttribute('aria-activedescendant', row.id);
  row.scrollIntoView({block: 'nearest'});
  const own = ++asked;
  try {
    const html = await (await ask(`/patches/${row.dataset.patch}/finding?key=${encodeURIComponent(row.dataset.key)}`)).text();
    if (own === asked) {
      side().innerHTML = html;
      tellKeys(side());
      wireFinding(side(), () => list().focus());
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
    list().replaceChildren(...box.content.getElementById('check-list').children);
    tellKeys(list());
    arrange();
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

