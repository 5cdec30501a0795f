// How hands ride the patch under its phrase: recorded while it plays, drawn as lanes, kept with the patch.
import * as player from '../../player/player.js';
import {chosenPhrase} from '../../player/audition.js';
import {playChosen, tempo} from '../../player/strip.js';
import {recorder} from '../../player/rides.js';
import {say} from '../../page/requests.js';
import {rideLane} from './ride-lane.js';

const OTHERS = [['wheel', 'Wheel', 0], ['pressure', 'Aftertouch', 0], ['bend', 'Bend', -100]];
const MOST_RECORDED = 900;
/** A hand that moves later than this had rested before. */
const STILL_BEATS = 0.05;

/** The recording that runs: when it began, and what has moved. */
let recording = null;
/** The bench that is there. */
let shown = null;

/** Hands of a patch: id, name, least value. */
function handsOf(playable) {
  const macros = playable.macros.map((m, i) => [`macro${i + 1}`, `${i + 1} ${m.name || '–'}`, 0, m.used]).filter(m => m[3]);
  return [...macros, ...OTHERS];
}

/** The phrase that Play plays. */
const phraseNow = () => chosenPhrase() ?? player.playing()?.phrase;

const beatNow = () => (performance.now() / 1000 - recording.began - player.latency()) * recording.tempo / 60;

player.on('moved', ({hand, value}) => {
  if (recording && hand && recording.moved.size < 12) {
    if (!recording.moved.has(hand)) {
      // Until it moves it rests where it stood.
      const rest = hand.startsWith('macro') ? player.heard()[player.indexOfHand(hand)] : 0;
      recording.moved.set(hand, beatNow() > STILL_BEATS ? [beatNow() - STILL_BEATS / 2, rest] : []);
      player.takeOver(hand);
    }
    const points = recording.moved.get(hand);
    if (points.length < 2 * MOST_RECORDED) {
      points.push(Math.max(0, beatNow()), Math.round(value * 10) / 10);
    }
  }
});

player.on('phrase', runs => {
  if (!runs && recording?.running) {
    finish();
  }
  shown?.showRuns(runs);
});

// A stage that stays is put back after the patch has been told.
player.on('patch', () => requestAnimationFrame(() => shown?.draw()));

document.addEventListener('change', e => e.target.id === 'player-choice' && shown?.draw());

player.on('meters', m => shown?.cursor(m.beat ?? null));

async function finish() {
  const {moved, phrase, done} = recording;
  recording = null;
  recorder.on = false;
  shown?.showRecording(false);
  const lines = [...moved].map(([hand, points]) => `${hand} ${points.map(v => Number(v.toFixed(3))).join(' ')}`);
  if (lines.length === 0) {
    say('No hand has moved while the phrase played: move a macro, the wheel, the pressure or the bend.', {key: 'ride', calm: true});
    return;
  }
  await done({kind: 'rides', phrase: phrase.id, rides: lines.join('\n'), as: 'recorded'});
}

/**
 * @param {HTMLElement} bench
 * @param {{edit: (fields: object, field?: HTMLElement) => Promise<void>, flush: () => Promise<void>}} hands
 */
export function wireRides(bench, {edit, flush}) {
  const panel = bench.querySelector('[data-rides]');
  if (!panel) {
    return;
  }
  const find = name => panel.querySelector(`[data-ride-${name}]`);
  let lanes = [];
  let drawn = '';

  const change = (phrase, hand, text, field) => edit({kind: 'rides', phrase: phrase.id, rides: `${hand} ${text}`, as: 'drawn'}, field);

  const draw = () => {
    const playable = player.playing();
    const phrase = phraseNow();
    if (!playable || !phrase || panel.closest('[hidden]') || panel.clientWidth === 0) {
      return;
    }
    const state = JSON.stringify([phrase, playable.rides, playable.macros]);
    if (state === drawn) {
      return;
    }
    drawn = state;
    const focused = panel.contains(document.activeElement) ? document.activeElement.getAttribute('aria-label') : null;
    const kept = Boolean(phrase.id) && phrase.moves !== undefined && phrase.id !== 'file';
    find('phrase').textContent = `${phrase.name}, ${phrase.beats} beats`;
    find('record').disabled = !kept;
    find('words').textContent = kept ? '' : 'Rides are kept for phrases of the program; choose one beside Play.';
    const own = (playable.rides ?? []).filter(r => r.phrase === phrase.id);
    const known = handsOf(playable);
    lanes = own.map(ride => {
      const [, name, least] = known.find(h => h[0] === ride.hand) ?? [ride.hand, ride.hand, 0];
      return rideLane({name, least, points: ride.points, phrase, change: (text, field) => change(phrase, ride.hand, text, field), remove: () => change(phrase, ride.hand, '')});
    });
    find('lanes').replaceChildren(...lanes.map(l => l.element));
    const free = known.filter(h => !own.some(r => r.hand === h[0]));
    const choice = find('add').elements.hand;
    choice.replaceChildren(...free.map(([hand, name]) => new Option(name, hand)));
    find('add').hidden = free.length === 0 || !kept;
    panel.querySelector('.ride-hands').replaceChildren(...known.map(([hand, name, least]) => handSlider(hand, name, least)));
    if (focused && !panel.contains(document.activeElement)) {
      ([...panel.querySelectorAll('[aria-label]')].find(e => e.getAttribute('aria-label') === focused) ?? choice).focus();
    }
  };

  const handSlider = (hand, name, least) => {
    const label = document.createElement('label');
    const words = document.createElement('span');
    words.textContent = name;
    const range = Object.assign(document.createElement('input'), {type: 'range', min: least, max: 100, step: 0.5, value: hand.startsWith('macro') ? player.heard()?.[player.indexOfHand(hand)] ?? 0 : 0});
    range.setAttribute('aria-label', `${name}, to try and to record`);
    range.addEventListener('input', () => {
      const value = Number(range.value);
      if (hand.startsWith('macro')) {
        player.rideMacro(Number(hand.slice(5)), value);
      } else {
        player.move({wheel: 'wheel', pressure: 'touch', bend: 'bend'}[hand], value / 100);
      }
    });
    if (hand === 'bend') {
      range.addEventListener('change', () => {
        range.value = 0;
        player.move('bend', 0);
      });
    }
    label.append(words, range);
    return label;
  };

  const showRecording = on => {
    find('record').setAttribute('aria-pressed', String(on));
    find('record').textContent = on ? 'Stop recording' : 'Record';
  };

  find('record').addEventListener('click', async () => {
    if (recording) {
      await player.togglePhrase();
      return;
    }
    await flush();
    const phrase = phraseNow();
    if (player.phraseRuns()) {
      await player.togglePhrase();
    }
    recorder.on = true;
    recording = {phrase, tempo: tempo(), began: performance.now() / 1000, moved: new Map(), running: false, done: edit};
    showRecording(true);
    await player.startPhrase(tempo(), chosenPhrase(), false);
    recording.began = performance.now() / 1000;
    recording.running = true;
  });
  find('play').addEventListener('click', playChosen);
  find('add').addEventListener('submit', e => {
    e.preventDefault();
    const hand = e.target.elements.hand.value;
    const phrase = phraseNow();
    const at = hand.startsWith('macro') ? Math.round(player.heard()[player.indexOfHand(hand)]) : 0;
    change(phrase, hand, `0 ${at}; ${phrase.beats} ${at}`);
  });
  bench.querySelector('#performance-rides').addEventListener('comet:shown', draw);
  new ResizeObserver(draw).observe(panel);
  shown = {
    draw,
    showRecording,
    showRuns: runs => find('play').setAttribute('aria-pressed', String(runs)),
    cursor: beat => lanes.forEach(l => l.at(beat === null ? null : Math.min(beat, phraseNow()?.beats ?? beat)))};
}
