// What a place is held against: heard in its place by one key, in the same bar, as loud; or blind, as A, B and X.
import * as player from '../player/player.js';
import {ask, say} from '../page/requests.js';

/** So many opponents are kept at hand. */
const KEPT = 8;
const OPPONENTS = ['previous', 'nearest', 'approved', 'best'];

/** What every place of the round is held against; empty for nothing. */
let wanted = '';
/** The opponent of the place that is heard. @type {{name: string, differences: string[], playable: object}|null} */
let opponent = null;
let heardOther = false;
/** The series of blind trials that runs. @type {{id: number, trials: number, done: number, second: boolean, result: string}|null} */
let series = null;

/** Opponents that were asked for before they are needed, by place. @type {Map<string, Promise<object>>} */
const asked = new Map();

function opponentOf(page, place) {
  const key = `${page.round} ${place} ${wanted}`;
  if (!asked.has(key)) {
    const found = ask(`/rounds/${page.round}/places/${place}/against?what=${wanted}`).then(answered => answered.json());
    found.catch(() => asked.delete(key));
    asked.set(key, found);
    if (asked.size > KEPT) {
      asked.delete(asked.keys().next().value);
    }
  }
  return asked.get(key);
}

/** Asks for what a place will be held against. */
export function prepare(page, place) {
  if (wanted) {
    opponentOf(page, place).catch(() => {});
  }
}

/** The place with its sound comes; answers when its opponent is ready to be heard. @param {HTMLElement} box @param {object} page */
export async function meet(box, page) {
  opponent = null;
  heardOther = false;
  series = null;
  const what = box.dataset.rival ? 'rival' : wanted;
  if (box.dataset.rival) {
    opponent = {name: box.dataset.rivalName, differences: [], playable: JSON.parse(box.dataset.rival)};
  } else if (what) {
    try {
      opponent = await opponentOf(page, box.dataset.place);
    } catch (refusal) {
      say(refusal.message, {key: 'against', calm: true});
    }
  }
  if (box.isConnected) {
    await player.setRival(opponent?.playable ?? null, opponent?.playable.matchedDb ?? 0);
    show(box);
  }
}

/** Brings the comparison of a place to life. @param {() => void} restart begins the phrase again, with both */
export function wireCompare(box, page, restart) {
  box.querySelectorAll('[data-against]').forEach(button => button.addEventListener('click', async () => {
    wanted = wanted === button.dataset.against ? '' : button.dataset.against;
    await meet(box, page);
    restart();
  }));
  box.querySelectorAll('[data-hear]').forEach(button => button.addEventListener('click', () => hear(box, button.dataset.hear === 'other')));
  box.querySelector('[data-trials]')?.addEventListener('click', () => begin(box, page, restart));
  box.querySelectorAll('[data-blind]').forEach(button => button.addEventListener('click', () => listen(box, button.dataset.blind)));
  box.querySelectorAll('[data-is]').forEach(button => button.addEventListener('click', () => answer(box, button.dataset.is === 'b')));
  box.querySelector('[data-trials-end]')?.addEventListener('click', () => {
    series = null;
    hear(box, false);
  });
  show(box);
}

/** On to the next kind of opponent. */
export function nextOpponent(box) {
  const buttons = [...box.querySelectorAll('[data-against]')];
  buttons[(OPPONENTS.indexOf(wanted) + 1) % OPPONENTS.length]?.click();
}

/** From one to the other. */
export function flip(box) {
  if (opponent && !series) {
    hear(box, !heardOther);
  }
}

function hear(box, other) {
  if (!opponent) {
    return;
  }
  heardOther = other;
  player.hearRival(other);
  show(box);
}

function show(box) {
  box.querySelectorAll('[data-against]').forEach(b => b.setAttribute('aria-pressed', String(b.dataset.against === wanted)));
  box.querySelectorAll('[data-hear]').forEach(b => {
    b.disabled = !opponent || series !== null;
    b.setAttribute('aria-pressed', String((b.dataset.hear === 'other') === heardOther));
  });
  const name = box.querySelector('#against-name');
  if (name) {
    name.textContent = opponent ? opponent.name : '';
  }
  const list = box.querySelector('#against-differences');
  if (list) {
    const lines = opponent?.differences ?? [];
    list.textContent = lines.slice(0, 6).join('; ') + (lines.length > 6 ? `; and ${lines.length - 6} more` : '');
  }
  const trials = box.querySelector('[data-trials]');
  if (trials) {
    trials.disabled = !opponent;
  }
  const panel = box.querySelector('#trials');
  if (panel) {
    panel.hidden = series === null;
    if (series) {
      const ended = series.result !== '';
      panel.querySelector('#trials-state').textContent = ended ? series.result : `Trial ${series.done + 1} of ${series.trials}: is X the sound A or the sound B?`;
      panel.querySelectorAll('[data-blind], [data-is]').forEach(b => { b.disabled = ended; });
    }
  }
}

/** Begins a series of blind trials against the opponent. */
async function begin(box, page, restart) {
  try {
    series = await (await ask(`/rounds/${page.round}/places/${box.dataset.place}/trials`, {form: {reviewer: page.reviewer, what: box.dataset.rival ? 'rival' : wanted,
      trials: box.querySelector('#trials-count').value}})).json();
  } catch (refusal) {
    say(refusal.message);
    return;
  }
  restart(true);
  listen(box, 'x');
}

function listen(box, which) {
  if (!series) {
    return;
  }
  const other = which === 'b' || which === 'x' && series.second;
  player.hearRival(other);
  box.querySelectorAll('[data-blind]').forEach(b => b.setAttribute('aria-pressed', String(b.dataset.blind === which)));
  show(box);
}

async function answer(box, second) {
  if (!series || series.result) {
    return;
  }
  try {
    series = await (await ask(`/trials/${series.id}`, {form: {trial: series.done, second}})).json();
  } catch (refusal) {
    say(refusal.message);
    return;
  }
  if (!series.result) {
    listen(box, 'x');
  }
  show(box);
}

/** Keys of the blind trials. @returns {boolean} whether the key was taken */
export function trialKey(box, pressed) {
  if (!series) {
    return false;
  }
  const act = {a: () => listen(box, 'a'), b: () => listen(box, 'b'), x: () => listen(box, 'x'), 1: () => answer(box, false), 2: () => answer(box, true),
    Escape: () => box.querySelector('[data-trials-end]').click()}[pressed];
  act?.();
  return Boolean(act);
}
