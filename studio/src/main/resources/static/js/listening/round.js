// A listening round: one place after another, answered by single keys. What is to be heard next is there before it is asked for.
import * as player from '../player/player.js';
import {chooseBacking, firstBacking, trial} from '../player/audition.js';
import {ask, say} from '../page/requests.js';
import {flip, meet, nextOpponent, prepare, trialKey, wireCompare} from './compare.js';
import {newPlace, say as note, wireNotes} from './notes.js';
import {flush, post, token} from './outbox.js';
import {forget, learn, padFor, setUpPads} from './pads.js';

/** So long a place waits for what it is held against. */
const JOINS_LATER_MS = 100;

/** @type {{round: number, reviewer: number, question: string, allowed: string[], places: number, blind: boolean, byHand: boolean, pause: number, backing: string, answers: Record<string, string>, drafts: Record<string, string>}|null} */
let page = null;
/** Places as the server sent them, by their number. @type {Map<number, Promise<string>>} */
let fetched = new Map();
/** The trial that is played in place of the phrase, for all places; empty for the phrase. */
let trying = '';
let pausing = null;
/** Whether anything of this page has been played. */
let begun = false;
/** When the last answer was given, in the page's milliseconds; null once the next sound has begun. */
let answeredAt = null;

const round = () => document.getElementById('round');
const box = () => document.getElementById('place');
const here = () => Number(box()?.dataset.place ?? 0);

setUpPads(key => act(key), showPads);
player.on('meters', m => {
  const time = document.getElementById('phrase-time');
  if (time && player.playing()) {
    time.style.setProperty('--done', m.beat === null ? 0 : Math.max(0, Math.min(1, m.beat / phrase().beats)));
  }
});
player.on('switched', ({switchSeconds}) => {
  if (round()) {
    round().dataset.switchMs = (1000 * switchSeconds).toFixed(1);
  }
});
// Sound begins with the first click or key; the place that waits for it is heard then.
player.on('started', running => {
  if (running && page && box()?.dataset.playable && !begun) {
    begin();
  }
});
// From the key that answered to the first sample of the next sound, with the message about it: a little more than what is heard.
player.on('timed', () => {
  if (round() && answeredAt !== null) {
    round().dataset.startMs = (performance.now() - answeredAt).toFixed(1);
    answeredAt = null;
  }
});

/** Brings the page of a round to life. @param {HTMLElement} root */
export function wireRound(root) {
  const found = root.querySelector('#round[data-page]');
  if (!found) {
    if (root.querySelector('#content') || root.id === 'page') {
      page = null;
    }
    return;
  }
  page = JSON.parse(found.dataset.page);
  fetched = new Map();
  begun = false;
  flush();
  found.querySelectorAll('[data-go]').forEach(go => go.addEventListener('click', () => show(Number(go.dataset.go))));
  found.querySelectorAll('[data-learn]').forEach(button => button.addEventListener('click', () => {
    learn(button.dataset.learn);
    button.textContent = 'Hit a pad …';
  }));
  found.querySelectorAll('[data-unlearn]').forEach(button => button.addEventListener('click', () => {
    forget(button.dataset.unlearn);
    showPads();
  }));
  showPads();
  if (box()) {
    arrive();
    fetchAround();
  }
}

function showPads() {
  document.querySelectorAll('[data-learn]').forEach(button => { button.textContent = padFor(button.dataset.learn) || 'Learn'; });
  document.querySelectorAll('[data-unlearn]').forEach(button => { button.hidden = !padFor(button.dataset.unlearn); });
}

/** A place has come onto the page. */
async function arrive() {
  const place = box();
  newPlace();
  if (!place.dataset.playable) {
    return;
  }
  place.querySelectorAll('[data-answer]').forEach(b => b.addEventListener('click', () => answer(b.dataset.answer)));
  place.querySelectorAll('[data-step]').forEach(b => b.addEventListener('click', () => step(Number(b.dataset.step))));
  place.querySelector('[data-take-back]')?.addEventListener('click', takeBack);
  place.querySelectorAll('[data-trial]').forEach(b => b.addEventListener('click', () => tryOut(b.dataset.trial)));
  wireNotes(place, page);
  wireCompare(place, page, begin);
  showState();
  const playable = JSON.parse(place.dataset.playable);
  player.load(playable, true);
  // What it is held against is at hand as a rule; otherwise it joins with a later note.
  await Promise.race([meet(place, page), new Promise(late => setTimeout(late, JOINS_LATER_MS))]);
  clearTimeout(pausing);
  pausing = setTimeout(() => box() === place && begin(), 1000 * page.pause);
}

/** Begins what is played at this place. @param {boolean} [repeats] */
function begin(repeats = false) {
  chooseBacking(page.backing);
  if (player.tap() && (!page.byHand || trying || repeats)) {
    begun = true;
    player.startPhrase(undefined, phrase(), repeats);
  }
}

const phrase = () => trying ? trial(trying) : player.playing()?.phrase;

function showState() {
  const place = box();
  const given = page.answers[here()] ?? '';
  place.querySelectorAll('[data-answer]').forEach(b => b.setAttribute('aria-pressed', String(b.dataset.answer === given)));
  place.querySelectorAll('[data-trial]').forEach(b => b.setAttribute('aria-pressed', String(on(b.dataset.trial))));
  const count = Object.keys(page.answers).length;
  const words = document.getElementById('round-progress');
  if (words && page.question !== 'order') {
    words.textContent = `${here()} of ${page.places} · ${count} answered`;
  }
  document.querySelectorAll('[data-go]').forEach(go => {
    const said = page.answers[go.dataset.go] ?? '';
    go.querySelector('.said').textContent = said;
    go.querySelector('.said').className = `said verdict-${said}`;
    go.toggleAttribute('aria-current', Number(go.dataset.go) === here());
  });
  document.getElementById('round-live').textContent = `Place ${here()} of ${page.places}, ${place.dataset.name}${given ? `, ${given}` : ''}`;
  document.getElementById('round-done').hidden = count < page.places || page.question === 'order';
}

const on = name => name === 'mono' ? player.hearsMono() : name === 'small' ? player.hearsSmall() : name === 'drums' ? page.backing !== '' : name === trying;

function load(number) {
  if (!fetched.has(number)) {
    const text = ask(`/rounds/${page.round}/places/${number}?reviewer=${page.reviewer}`).then(answered => answered.text());
    text.then(provide).catch(() => {});
    text.catch(() => fetched.delete(number));
    fetched.set(number, text);
  }
  return fetched.get(number);
}

/** Recordings of a place are there before it is heard. */
async function provide(html) {
  const place = document.createElement('template');
  place.innerHTML = html;
  const playable = place.content.querySelector('#place').dataset.playable;
  if (playable && player.tap()) {
    await player.provideFor(JSON.parse(playable));
  }
}

function fetchAround() {
  if (page.question === 'order') {
    return;
  }
  const near = new Set([nextOpen(here()), here() + 1, here() - 1, nextOpen(nextOpen(here()))].filter(n => n >= 1 && n <= page.places));
  for (const number of fetched.keys()) {
    if (!near.has(number)) {
      fetched.delete(number);
    }
  }
  near.forEach(number => load(number).catch(() => {}));
  prepare(page, nextOpen(here()));
}

/** The next place without an answer after one, or the place after it where all have one. */
function nextOpen(after) {
  for (let n = 1; n <= page.places; n++) {
    const number = (after - 1 + n) % page.places + 1;
    if (!(number in page.answers)) {
      return number;
    }
  }
  return Math.min(page.places, after + 1);
}

function put(html) {
  const fresh = document.createElement('template');
  fresh.innerHTML = html;
  const within = box().contains(document.activeElement);
  box().replaceWith(fresh.content.querySelector('#place'));
  if (within || document.activeElement === document.body) {
    document.getElementById('content').focus({preventScroll: true});
  }
  arrive();
}

/** Goes to a place. @param {number} number */
async function show(number) {
  if (number < 1 || number > page.places || number === here()) {
    return;
  }
  const asked = page;
  try {
    const html = await load(number);
    if (page === asked && box()) {
      fetched.delete(number);
      put(html);
      history.replaceState(history.state, '', `/rounds/${page.round}?at=${number}`);
      fetchAround();
    }
  } catch (refusal) {
    say(refusal.message, {key: 'place', calm: refusal.passing});
  }
}

function step(by) {
  show(here() + by);
}

function answer(said) {
  if (!page.allowed.includes(said) || !box()?.dataset.playable) {
    return;
  }
  answeredAt = performance.now();
  const place = here();
  const rival = Number(box().dataset.rivalPlace);
  const sent = post(`/rounds/${page.round}/answers`, {place, rival, reviewer: page.reviewer, answer: said, token: token()});
  if (page.question === 'order') {
    sent.then(nextPair);
    return;
  }
  page.answers[place] = said;
  const next = nextOpen(place);
  if (Object.keys(page.answers).length >= page.places || next === place) {
    showState();
    announceDone();
  } else {
    show(next);
  }
}

function announceDone() {
  if (Object.keys(page.answers).length >= page.places) {
    document.getElementById('round-live').textContent = 'Every place of this round has its answer.';
  }
}

/** The next two, once the server knows what was said. */
async function nextPair() {
  try {
    put(await (await ask(`/rounds/${page.round}/pair?reviewer=${page.reviewer}`)).text());
  } catch (refusal) {
    say(refusal.message, {key: 'place', calm: refusal.passing});
  }
}

/** The newest answer counts no longer. */
async function takeBack() {
  try {
    await flush();
    const taken = await (await ask(`/rounds/${page.round}/answers/back`, {form: {reviewer: page.reviewer}})).json();
    if (taken.place === 0) {
      say('There is no answer to take back.', {key: 'back', calm: true});
    } else if (page.question === 'order') {
      await nextPair();
    } else {
      delete page.answers[taken.place];
      if (taken.before) {
        page.answers[taken.place] = taken.before;
      }
      await show(taken.place);
      showState();
    }
  } catch (refusal) {
    say(refusal.message, {key: 'back', calm: refusal.passing});
  }
}

/** Tests of the trade: each stays on for the places that follow, until it is pressed again. */
function tryOut(name) {
  if (name === 'mono') {
    player.hearMono(!player.hearsMono());
  } else if (name === 'small') {
    player.hearSmall(!player.hearsSmall());
  } else if (name === 'drums') {
    page.backing = page.backing === '' ? firstBacking() : '';
    chooseBacking(page.backing);
  } else {
    trying = trying === name ? '' : name;
    begin();
  }
  showState();
}

const TRIAL_KEYS = {o: 'octaves', d: 'velocities', h: 'held', j: 'chord', m: 'mono', s: 'small', b: 'drums'};

function act(key) {
  const place = box();
  if (!page || !place || !place.dataset.playable && key !== 'u') {
    return false;
  }
  if (trialKey(place, key)) {
    return true;
  }
  const said = {verdict: {k: 'keep', f: 'fix', c: 'cut'}, rating: {1: '1', 2: '2', 3: '3', 4: '4', 5: '5'}, pair: {1: 'first', 2: 'second', 0: 'equal'}, order: {1: 'first', 2: 'second'}}[page.question][key];
  const deed = said ? () => answer(said) : TRIAL_KEYS[key] ? () => tryOut(TRIAL_KEYS[key]) : {
    n: () => document.getElementById('note').focus(), u: takeBack, v: () => flip(place), r: () => nextOpponent(place), t: () => place.querySelector('[data-trials]')?.click(),
    ArrowRight: () => step(1), ArrowLeft: () => step(-1), ' ': () => player.phraseRuns() ? player.togglePhrase() : begin()}[key];
  deed?.();
  return Boolean(deed);
}

/** Single keys of a round. @returns {boolean} whether the key was taken */
export function roundKey(e) {
  if (!page || !round()) {
    return false;
  }
  const ready = /^Digit[1-9]$/.test(e.code) && e.shiftKey ? box()?.querySelectorAll('[data-ready]')[Number(e.code.slice(5)) - 1] : null;
  if (ready) {
    e.preventDefault();
    note(box(), page, ready.dataset.ready);
    return true;
  }
  const taken = act(e.key);
  if (taken) {
    e.preventDefault();
  }
  return taken;
}

/** Takes the newest answer back, for the key that undoes everywhere. @returns {boolean} whether a round is open */
export function undoAnswer() {
  if (page && round()) {
    takeBack();
    return true;
  }
  return false;
}

