// The player of the page: one audio thread, whatever page is shown around it.
import * as engine from '../engine/engine.js';
import {ask, say} from './requests.js';

/**
 * @typedef {{id: number, name: string, image: number[], matchedDb: number,
 *   phrase: {name: string, tempo: number, beats: number, notes: number[][]},
 *   macros: Array<{index: number, name: string, lowEnd: string, highEnd: string, used: boolean}>,
 *   zones: Array<{layer: number, lowKey: number, highKey: number}>,
 *   recordings: Array<{key: number, url: string}>}} Playable
 */

let context = null;
let node = null;
let analyser = null;
let starting = null;
/** @type {Playable|null} */
let current = null;
let image = null;
let gainDb = 0;
let watched = [];
let watchedSlots = [];
let phrasePlaying = false;
let waiting = null;
const listeners = {patch: [], meters: [], phrase: [], parameter: [], started: []};

/** Calls back on "patch", "meters", "phrase", "parameter" or "started". */
export function on(what, callback) {
  listeners[what].push(callback);
}

function tell(what, value) {
  listeners[what].forEach(callback => callback(value));
}

/** Starts the audio thread; browsers allow that from a click or a key only. @returns {Promise<void>} */
export function wake() {
  if (context?.state === 'running' && node) {
    return Promise.resolve();
  }
  starting ??= start().catch(error => {
    say('Sound could not be started in this browser: ' + error.message);
    throw error;
  }).finally(() => { starting = null; });
  return starting;
}

async function start() {
  if (!context) {
    context = new AudioContext({sampleRate: 48000, latencyHint: 'interactive'});
    context.onstatechange = () => tell('started', context.state === 'running');
  }
  await context.resume();
  if (!node) {
    await context.audioWorklet.addModule('/js/worklet.js');
    node = new AudioWorkletNode(context, 'comet', {numberOfInputs: 0, outputChannelCount: [2]});
    node.onprocessorerror = () => say('The audio thread stopped. Load the page again to hear sound.');
    analyser = context.createAnalyser();
    analyser.fftSize = 4096;
    analyser.smoothingTimeConstant = 0.6;
    node.connect(analyser).connect(context.destination);
    node.port.onmessage = ({data}) => {
      if (data.ended) {
        phrasePlaying = false;
        tell('phrase', false);
      } else {
        tell('meters', data);
      }
    };
    fetched.forEach(recording => send({do: 'provide', ...recording}));
    if (image) {
      send({do: 'load', image, gain: gain()});
    }
    send({do: 'watch', indexes: watched, slots: watchedSlots});
  }
  tell('started', true);
}

function send(message) {
  node?.port.postMessage(message);
}

function gain() {
  return Math.pow(10, gainDb / 20);
}

/** The analyser behind scope and spectrum, null before sound has started. @returns {AnalyserNode|null} */
export function tap() {
  return analyser;
}

/** Seconds from the engine to the loudspeaker as the browser tells them. */
export function latency() {
  return context ? (context.baseLatency ?? 0) + (context.outputLatency ?? 0) : 0;
}

/** @returns {Playable|null} */
export function playing() {
  return current;
}

/** The image as it is heard now. @returns {Float64Array|null} */
export function heard() {
  return image;
}

/** Recordings fetched so far, by key, as the audio thread takes them. */
const fetched = new Map();

/** Fetches the recordings of a patch that are not there yet; the patch is told to the engine again when one has come. */
async function provide(playable) {
  const missing = (playable.recordings ?? []).filter(r => !fetched.has(r.key));
  for (const {key, url} of missing) {
    try {
      const numbers = new Float32Array(await (await ask(url)).arrayBuffer());
      const frames = (numbers.length - 2) / numbers[1];
      const left = numbers.slice(2, 2 + frames);
      const recording = {key, left, right: numbers[1] === 2 ? numbers.slice(2 + frames) : left, rate: numbers[0]};
      fetched.set(key, recording);
      engine.provide(-1, key, recording.left, recording.right, recording.rate);
      send({do: 'provide', ...recording});
    } catch (refusal) {
      say(`A recording of "${playable.name}" could not be fetched: ${refusal.message}`);
    }
  }
  if (missing.length > 0 && current?.id === playable.id) {
    send({do: 'change', image});
    tell('patch', current);
    tell('parameter', -1);
  }
}

/** Takes a patch into focus. @param {Playable} playable @param {boolean} matched whether to play it at the house loudness */
export function load(playable, matched) {
  current = playable;
  image = Float64Array.from(playable.image);
  gainDb = matched ? playable.matchedDb : 0;
  send({do: 'load', image, gain: gain()});
  phrasePlaying = false;
  tell('phrase', false);
  tell('patch', playable);
  provide(playable);
}

/** Takes over a changed state of the patch in focus while it sounds. */
export function change(playable) {
  current = playable;
  image = Float64Array.from(playable.image);
  send({do: 'change', image});
  tell('patch', playable);
  provide(playable);
}

/** Moves a parameter at once; `edited` is the image with the change. */
export function setParameter(index, value, edited) {
  image = edited;
  send({do: 'set', index, value});
  tell('parameter', index);
}

export function noteOn(key, velocity) {
  wake().then(() => send({do: 'on', key, velocity}));
}

export function noteOff(key) {
  send({do: 'off', key});
}

export function keyTouch(key, value) {
  send({do: 'keyTouch', key, value});
}

/** @param {'wheel'|'touch'|'bend'} what */
export function move(what, value) {
  send({do: what, value});
}

export function pedal(down) {
  send({do: 'pedal', down});
}

export function panic() {
  send({do: 'panic'});
}

/**
 * What the meters report beside the level.
 * @param {number[]} indexes parameters whose place under modulation is wanted
 * @param {number[][]} slots effect slots whose levels are wanted, as layer and slot
 */
export function watch(indexes, slots = []) {
  watched = indexes;
  watchedSlots = slots;
  send({do: 'watch', indexes, slots});
}

/** Plays the phrase of the patch in focus, or stops it. @param {number} tempo */
export async function togglePhrase(tempo) {
  if (phrasePlaying) {
    send({do: 'stop'});
    return;
  }
  await startPhrase(tempo);
}

export async function startPhrase(tempo) {
  if (!current) {
    return;
  }
  await wake();
  phrasePlaying = true;
  send({do: 'phrase', notes: current.phrase.notes, tempo: tempo || current.phrase.tempo});
  tell('phrase', true);
}

/** Loads a patch by id and plays its phrase; the same patch again stops it. */
export async function playPatch(id, matched) {
  if (current?.id === id && phrasePlaying) {
    send({do: 'stop'});
    return;
  }
  waiting = id;
  const playable = await (await ask(`/patches/${id}/playable`)).json();
  if (waiting === id) {
    load(playable, matched);
    await startPhrase(playable.phrase.tempo);
  }
}
