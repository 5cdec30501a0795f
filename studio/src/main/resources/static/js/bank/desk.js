// The desk of a bank: what is chosen, and work on it. Answers of the server are brought into the page row by row; nothing is loaded anew.
import {ask, hush, say} from '../page/requests.js';
import {whenDone} from './running-step.js';
import {byId, chosenRows, markChosen, refreshOrder, rowsOf} from './rows.js';

const tools = () => document.getElementById('desk');

/** The rows that work goes by: the chosen ones, or the one in focus. @returns {HTMLElement[]} */
export function hand() {
  const chosen = chosenRows();
  if (chosen.length > 0) {
    return chosen;
  }
  const focused = document.activeElement?.closest?.('.slot') ?? document.querySelector('.slot:has([tabindex="0"])');
  return focused ? [focused] : [];
}

/** @param {HTMLElement[]} rows @returns {string[]} patches with the versions that are shown */
export const versions = rows => rows.map(row => `${row.dataset.patch}.${row.dataset.version}`);

/**
 * What a form of the desk sends.
 * @param {Record<string, string>} fields
 * @param {HTMLElement[]} rows
 */
export function deskForm(fields, rows) {
  const form = new URLSearchParams({...fields, arrangement: tools().dataset.arrangement});
  versions(rows).forEach(v => form.append('patch', v));
  return form;
}

const address = path => `/banks/${tools().dataset.bank}/${path}`;

/** Asks what a form would do. @returns {Promise<string>} HTML */
export const preview = async (fields, rows) => (await ask(address('desk/preview'), {form: deskForm(fields, rows)})).text();

/**
 * Does what a form asks for, and brings the answer into the page.
 * @param {Record<string, string>} fields
 * @param {HTMLElement[]} [rows]
 * @param {{quiet?: boolean}} [options] quiet work says nothing where all went well
 */
export async function perform(fields, rows = hand(), options = {}) {
  await step(address('desk'), {form: deskForm(fields, rows)}, options);
}

const tableForm = file => {
  const data = new FormData();
  data.append('file', file);
  return data;
};

/** Asks what a table would change. @param {File} file @returns {Promise<string>} HTML */
export const lookAtTable = async file => (await ask(address('table/preview'), {data: tableForm(file)})).text();

/** Takes a table as one step. @param {File} file */
export const takeTable = file => step(address('table'), {data: tableForm(file)});

/** Downloads rows as one ZIP. @param {HTMLElement[]} rows */
export function downloadRows(rows) {
  const link = document.createElement('a');
  link.href = `${address('chosen.zip')}?patch=${rows.map(row => row.dataset.patch).join(',')}`;
  link.download = '';
  document.body.append(link);
  link.click();
  link.remove();
}

/** Saves revisions of rows. @param {HTMLElement[]} rows */
export async function saveRows(rows) {
  const changed = rows.filter(row => row.dataset.unsaved !== undefined);
  if (changed.length === 0) {
    say('Everything is saved already.', {key: 'desk', calm: true});
    return;
  }
  await step(address('save'), {form: deskForm({what: 'save'}, changed)});
}

/** Goes back or forth in the history. @param {string} path */
export async function turn(path) {
  await step(path.startsWith('/') ? path : address(`desk/${path}`), {method: 'POST'});
}

/** Asks for a step, follows it while it runs, and brings what it has changed into the page. */
async function step(url, asked, options) {
  take(await whenDone(await (await ask(url, asked)).text()), options);
}

/** Brings an answer of the desk into the page. */
function take(html, options = {}) {
  const box = document.createElement('template');
  box.innerHTML = html;
  const answer = box.content.getElementById('desk-answer');
  const focus = document.activeElement?.closest?.('#grid [role=gridcell]');
  const place = focus && {patch: focus.closest('.slot')?.dataset.patch, column: focus.className.split(' ')[0]};
  const order = answer.dataset.order.split(',').filter(Boolean).map(entry => entry.split(':'));
  const chosen = new Set(chosenRows().map(row => row.dataset.patch));
  const body = document.querySelector('.grid-body');
  const fresh = [...answer.querySelectorAll('.slot')];
  fresh.forEach(row => {
    const old = byId(row.dataset.patch);
    if (old) {
      row.hidden = old.hidden;
      old.replaceWith(row);
    } else {
      body.append(row);
    }
    markChosen(row, chosen.has(row.dataset.patch));
  });
  refreshOrder(order);
  Object.assign(tools().dataset, {arrangement: answer.dataset.arrangement, undo: answer.dataset.undo, redo: answer.dataset.redo});
  document.querySelector('.bank .empty')?.remove();
  document.dispatchEvent(new CustomEvent('comet:rows', {detail: {fresh, place}}));
  const left = [...answer.querySelectorAll('[data-left]')].map(p => p.textContent);
  if (left.length > 0) {
    say(`${answer.dataset.said} ${left.slice(0, 5).join(' ')}${left.length > 5 ? ` And ${left.length - 5} more.` : ''}`, {key: 'desk'});
  } else if (!options.quiet) {
    say(answer.dataset.said, {key: 'desk', calm: true, buttons: answer.dataset.step !== '0' && answer.dataset.said && !answer.dataset.said.startsWith('Taken') ? [['Undo', () => undo()]] : []});
  } else {
    hush('desk');
  }
}

/** Takes back the newest step. */
export const undo = () => turn('undo').catch(tell);

/** Does again what was taken back last. */
export const redo = () => turn('redo').catch(tell);

/** Says what the server refused. */
export const tell = refusal => say(refusal.message, {key: 'desk'});

/** Shows what is chosen and what can be undone. */
export function showTools() {
  const bar = tools();
  if (!bar) {
    return;
  }
  const chosen = chosenRows().length;
  const shown = rowsOf().filter(row => !row.hidden).length;
  document.getElementById('chosen-count').textContent = chosen === 0 ? 'none chosen' : `${chosen} of ${shown} chosen`;
  for (const [id, label] of [['desk-undo', bar.dataset.undo], ['desk-redo', bar.dataset.redo]]) {
    const button = document.getElementById(id);
    button.disabled = !label;
    button.title = label ? `${button.textContent}: ${label}` : '';
  }
  const free = 128 - rowsOf().length;
  document.getElementById('free-count').textContent = `${free} free ${free === 1 ? 'slot' : 'slots'}`;
  const unsaved = rowsOf().filter(row => row.dataset.unsaved !== undefined).length;
  const save = document.getElementById('save-bank');
  save.disabled = unsaved === 0;
  save.textContent = unsaved === 0 ? 'Everything is saved' : `Save revisions of ${unsaved} changed`;
}
