// A bank's page: wires the grid, the tools above it, and the history.
import {ask, say} from '../page/requests.js';
import {visit} from '../page/visit.js';
import {downloadRows, hand, perform, redo, saveRows, tell, turn, undo} from './desk.js';
import {wireFilter} from './filter-line.js';
import {wireGrid} from './grid.js';
import {openWork, wireWork} from './many.js';
import {wireToolMenu} from './row-menu.js';
import {rowsOf} from './rows.js';

/** Brings the rows and tools of a fresh piece of page to life. @param {HTMLElement} root */
export function wireBank(root) {
  if (root.querySelector('#desk')) {
    wireTools(root);
    wireFilter(root);
    wireWork(root);
  }
  wireGrid(root);
  root.querySelector('#save-bank')?.addEventListener('click', () => saveRows(rowsOf()).catch(tell));
}

function wireTools(root) {
  root.querySelector('#bank-choice')?.addEventListener('change', e => visit(`/banks/${e.target.value}`));
  root.querySelectorAll('[data-many]').forEach(button => button.addEventListener('click', () => openWork(button.dataset.many)));
  const direct = {duplicate: () => perform({what: 'copy', toBank: '0'}), delete: () => perform({what: 'delete'}), save: () => saveRows(hand()), zip: async () => downloadRows(hand())};
  root.querySelectorAll('[data-desk]').forEach(button => button.addEventListener('click', () => {
    if (hand().length === 0) {
      say('Choose patches first.', {key: 'desk', calm: true});
      return;
    }
    direct[button.dataset.desk]().catch(tell);
  }));
  root.querySelector('#desk-undo').addEventListener('click', undo);
  root.querySelector('#desk-redo').addEventListener('click', redo);
  root.querySelector('#desk-history').addEventListener('click', openHistory);
  root.querySelectorAll('#more-work, #columns').forEach(wireToolMenu);
  // The head of the grid stays below the tools, however many lines they take.
  const bar = root.querySelector('#desk');
  new ResizeObserver(() => bar.parentElement?.style.setProperty('--tools-height', `${bar.offsetHeight}px`)).observe(bar);
}

/** What was done at the desk, with a way back from each step. */
async function openHistory() {
  const box = document.getElementById('history');
  try {
    box.innerHTML = await (await ask(`/banks/${document.getElementById('desk').dataset.bank}/desk/history`)).text();
  } catch (refusal) {
    tell(refusal);
    return;
  }
  box.querySelectorAll('time').forEach(t => { t.textContent = new Date(t.dateTime).toLocaleString([], {dateStyle: 'short', timeStyle: 'short'}); });
  box.onclick = e => {
    if (e.target.matches('[data-close]')) {
      box.close();
    } else if (e.target.dataset.turn) {
      box.close();
      turn(e.target.dataset.turn).catch(tell);
    }
  };
  if (!box.open) {
    box.showModal();
  }
}
