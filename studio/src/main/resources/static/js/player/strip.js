// The player strip at the bottom of every page: keyboard, wheels, macros, phrase and meter.
import {LivePatch} from '../../engine/engine.js';
import * as player from './player.js';
import {afterDrawing, colour, useFont} from '../lib/canvas.js';
import {chosenPhrase, phraseRepeats, setUpAudition} from './audition.js';
import {Keyboard} from './keyboard.js';
import {keyName, tellKeys} from '../lib/key-names.js';
import {setUpMidi} from './midi.js';
import {recorder} from './rides.js';
import {indexOf} from '../lib/parameters.js';

const WHITE_ROW = {KeyA: 0, KeyW: 1, KeyS: 2, KeyE: 3, KeyD: 4, KeyF: 5, KeyT: 6, KeyG: 7, KeyY: 8, KeyH: 9, KeyU: 10, KeyJ: 11, KeyK: 12,
  KeyO: 13, KeyL: 14, KeyP: 15, Semicolon: 16};
const FLOOR_DB = -60;
/** Pages on which one patch is in hand, and how high a window the strip begins full there: it leaves the stages of the bench whole. On pages of lists it begins slim. */
const FULL_FROM = {bench: 900, listening: 900};
let page = '';

let octave = 48;
let noteMode = false;
const down = new Map();
let shownPeak = FLOOR_DB;
let keyboard;
/** From the last key that was pressed into silence to its first sample, in the engine. */
let keyMs = null;

const id = name => document.getElementById(name);

/** Sets the strip up once; it stays when pages are exchanged. */
export function setUpStrip() {
  keyboard = new Keyboard(id('keyboard'));
  setUpAudition(tempo);
  setUpMidi();
  shift(0);
  tellKeys(id('player'));
  id('player-phrase').addEventListener('click', playChosen);
  id('player-notes').addEventListener('click', () => setNoteMode(!noteMode));
  id('player-hold').addEventListener('click', e => {
    const held = e.currentTarget.getAttribute('aria-pressed') !== 'true';
    e.currentTarget.setAttribute('aria-pressed', String(held));
    player.move('pedal', held ? 1 : 0);
    id('hands-pedal').value = held ? 1 : 0;
    id('hands-pedal').nextElementSibling.textContent = held ? '1.00' : '0.00';
  });
  id('player-panic').addEventListener('click', panic);
  id('player-size').addEventListener('click', () => showFull(id('player').classList.contains('slim')));
  document.querySelectorAll('[data-octave]').forEach(b => b.addEventListener('click', () => shift(Number(b.dataset.octave))));
  id('player-bend').addEventListener('input', e => player.move('bend', Number(e.target.value)));
  for (const event of ['change', 'pointerup']) {
    id('player-bend').addEventListener(event, e => {
      e.target.value = 0;
      player.move('bend', 0);
    });
  }
  id('player-wheel').addEventListener('input', e => player.move('wheel', Number(e.target.value)));
  id('player-touch').addEventListener('input', e => player.move('touch', Number(e.target.value)));
  document.addEventListener('keydown', keyDown);
  document.addEventListener('keyup', keyUp);
  window.addEventListener('blur', () => [...down.keys()].forEach(release));
  document.addEventListener('comet:keys', () => shift(0));
  player.on('patch', showPatch);
  player.on('phrase', playing => id('player-phrase').setAttribute('aria-pressed', String(playing)));
  player.on('meters', showMeters);
  player.on('started', running => {
    showState(running);
  });
  player.on('timed', seconds => {
    keyMs = seconds * 1000;
    showState(true);
  });
  player.on('parameter', showMacros);
  player.on('gone', () => {
    id('player-name').textContent = 'No patch';
    id('player-name').dataset.patch = '';
    id('player-macros').replaceChildren();
    keyboard.setZones([]);
  });
  player.on('rested', () => {
    // What stands on the strip counts again.
    player.move('wheel', Number(id('player-wheel').value));
    player.move('touch', Number(id('player-touch').value));
    player.move('pedal', id('player-hold').getAttribute('aria-pressed') === 'true' ? 1 : 0);
  });
  player.on('moved', ({hand, value}) => {
    const range = hand?.startsWith('macro') && id('player-macros').querySelectorAll('input')[Number(hand.slice(5)) - 1];
    if (range && !range.disabled && document.activeElement !== range) {
      range.value = value;
      range.nextElementSibling.textContent = LivePatch.format(indexOf(range), value).replace(' %', '');
    }
  });
  player.on('midi', ({status, first, second}) => {
    if ((status & 0xF0) === 0x90 && second > 0) {
      keyboard.press(first);
    } else if ((status & 0xE0) === 0x80) {
      keyboard.lift(first);
    }
  });
}

function showState(running) {
  const key = keyMs === null ? '' : `key ${keyMs.toFixed(0)} + `;
  id('player-state').textContent = running ? `Sound is on, ${key}${(player.latency() * 1000).toFixed(0)} ms to the output` : 'Sound is paused by the browser; click to go on';
}

/** Shows the keyboard, the wheels and the macros, or folds them away. */
function showFull(full, remember = true) {
  id('player').classList.toggle('slim', !full);
  id('player-size').setAttribute('aria-expanded', String(full));
  if (remember) {
    localStorage.setItem(`comet-player-${page}`, full ? 'full' : 'slim');
  }
}

/** Brings the height at which the strip was left on pages of this kind. @param {string} place entry of the rail that is lit */
export function sizeFor(place) {
  page = place;
  const left = localStorage.getItem(`comet-player-${place}`);
  showFull(left === null ? window.innerHeight >= (FULL_FROM[place] ?? Infinity) : left === 'full', false);
}

/** Tempo typed in the strip, in beats per minute. */
export function tempo() {
  return Math.min(300, Math.max(20, Number(id('player-tempo').value) || 120));
}

/** Plays what is chosen, or stops it. */
export function playChosen() {
  player.togglePhrase(tempo(), chosenPhrase(), phraseRepeats());
}

export function panic() {
  [...down.keys()].forEach(release);
  id('player-hold').setAttribute('aria-pressed', 'false');
  player.panic();
}

function setNoteMode(on) {
  noteMode = on;
  id('player-notes').setAttribute('aria-pressed', String(on));
  if (on) {
    player.wake();
  } else {
    [...down.keys()].forEach(release);
  }
}

function shift(by) {
  octave = Math.min(96, Math.max(12, octave + 12 * by));
  id('player-octave').textContent = keyName(octave);
}

/** Whether letters of the computer's keyboard play notes. */
export const playsNotes = () => noteMode;

function keyDown(e) {
  if (e.ctrlKey || e.metaKey || e.altKey || e.target.closest('input:not([type=range]), textarea, select, dialog')) {
    return;
  }
  if (e.code === 'Backquote') {
    e.preventDefault();
    setNoteMode(!noteMode);
    return;
  }
  if (!noteMode) {
    if (e.key === 'p') {
      id('player-size').click();
    }
    return;
  }
  if (e.code === 'KeyZ' || e.code === 'KeyX') {
    shift(e.code === 'KeyZ' ? -1 : 1);
    e.stopImmediatePropagation();
    return;
  }
  const step = WHITE_ROW[e.code];
  if (step === undefined) {
    return;
  }
  e.preventDefault();
  e.stopImmediatePropagation();
  if (!e.repeat && !down.has(e.code)) {
    const key = octave + step;
    down.set(e.code, key);
    keyboard.press(key);
    player.noteOn(key, e.shiftKey ? 120 : 96);
  }
}

function keyUp(e) {
  release(e.code);
}

function release(code) {
  const key = down.get(code);
  if (key !== undefined) {
    down.delete(code);
    keyboard.lift(key);
    player.noteOff(key);
  }
}

function showPatch(playable) {
  id('player-name').textContent = playable.name;
  if (id('player-name').dataset.patch !== String(playable.id)) {
    id('player-tempo').value = Math.round(chosenPhrase()?.tempo ?? playable.phrase.tempo);
    id('player-name').dataset.patch = playable.id;
    for (const wheel of ['player-wheel', 'player-touch', 'player-bend']) {
      id(wheel).value = 0;
    }
    id('player-hold').setAttribute('aria-pressed', 'false');
  }
  keyboard.setZones(playable.zones);
  const box = id('player-macros');
  box.replaceChildren(...playable.macros.map((macro, i) => {
    const label = document.createElement('label');
    label.className = macro.used ? '' : 'unused';
    const name = document.createElement('span');
    name.textContent = `${i + 1} ${macro.name || '–'}`;
    label.title = macro.used ? `${macro.lowEnd || 'low'} to ${macro.highEnd || 'high'}` : 'This macro is not used';
    const range = document.createElement('input');
    range.type = 'range';
    range.min = 0;
    range.max = 100;
    range.step = 0.5;
    range.disabled = !macro.used;
    range.dataset.parameter = macro.parameter;
    range.setAttribute('aria-label', `Macro ${i + 1} ${macro.name}`);
    const value = document.createElement('output');
    value.className = 'num';
    range.addEventListener('input', () => recorder.on ? player.rideMacro(i + 1, Number(range.value)) : document.dispatchEvent(new CustomEvent('comet:macro', {detail: {index: indexOf(range), value: Number(range.value)}})));
    label.append(name, range, value);
    return label;
  }));
  showMacros();
}

function showMacros() {
  const image = player.heard();
  id('player-macros').querySelectorAll('input').forEach(range => {
    const value = image[indexOf(range)];
    if (document.activeElement !== range || Math.abs(Number(range.value) - value) > 1) {
      range.value = value;
    }
    range.nextElementSibling.textContent = LivePatch.format(indexOf(range), value).replace(' %', '');
  });
}

function showMeters(m) {
  const db = m.peak > 0 ? Math.max(FLOOR_DB - 40, 20 * Math.log10(m.peak)) : FLOOR_DB - 40;
  const before = shownPeak;
  shownPeak = Math.max(db, shownPeak - 1.5);
  const text = shownPeak <= FLOOR_DB - 20 ? '−∞ dB' : `${shownPeak.toFixed(1).replace('-', '−')} dB`;
  afterDrawing(() => {
    if (m.figures && id('player-peak').textContent !== text) {
      id('player-peak').textContent = text;
    }
    const strip = id('player');
    strip.dataset.peak = db.toFixed(1);
    strip.dataset.voices = m.voices;
  });
  keyboard.light(m.layers);
  if (shownPeak === before && shownPeak === FLOOR_DB - 40) {
    return;
  }
  const canvas = id('player-meter');
  const g = canvas.getContext('2d');
  const width = canvas.width;
  g.clearRect(0, 0, width, canvas.height);
  g.fillStyle = colour('--wash');
  g.fillRect(0, 4, width, 10);
  const x = Math.max(0, (shownPeak - FLOOR_DB) / -FLOOR_DB) * width;
  g.fillStyle = m.limited > 0 ? colour('--rose') : shownPeak > -6 ? colour('--ochre') : colour('--moss');
  g.fillRect(0, 4, x, 10);
  g.fillStyle = colour('--soft');
  useFont(g, 9);
  for (const tick of [-48, -36, -24, -12, -6]) {
    const at = (tick - FLOOR_DB) / -FLOOR_DB * width;
    g.fillRect(at, 14, 1, 2);
    g.fillText(String(-tick), at - 5, 25);
  }
}
