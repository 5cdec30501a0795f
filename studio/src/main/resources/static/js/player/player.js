// The player of the page: one audio thread, whatever page is shown around it.
import * as engine from '../../engine/engine.js';
import {masked, onEars} from './mute-solo.js';
import {MeasuringChain} from './measuring-chain.js';
import {MonoFold} from './mono-fold.js';
import {GapWatch, latencyHint, nextBuffer, rememberBuffer} from './output-buffer.js';
import {ask, say} from '../page/requests.js';
import {fetchMissing, recordings} from './recordings.js';
import {movedBy, ridesOf} from './rides.js';
import {imageOf} from '../lib/parameters.js';

/**
 * @typedef {{id: number, name: string, image: number[], matchedDb: number,
 *   phrase: {name: string, tempo: number, beats: number, notes: number[][]},
 *   macros: Array<{index: number, name: string, lowEnd: string, highEnd: string, used: boolean}>,
 *   zones: Array<{layer: number, lowKey: number, highKey: number}>,
 *   recordings: Array<{key: number, url: string}>}} Playable
 */

let context = null;
let node = null;
/** @type {MeasuringChain|null} */
let chain = null;
const fold = new MonoFold();
let gaps = new GapWatch();
let starting = null;
/** @type {Playable|null} */
let current = null;
let image = null;
let releaseVelocity = 64;
let gainDb = 0;
/** Gain of the patch itself, without that of a version that is heard in its place. */
let ownGainDb = 0;
/** What holds until it is said otherwise, by what it does: a new output is told it again. */
const standing = new Map();
let phrasePlaying = false;
/** The phrase that was started last, as it was told to the audio thread. */
let lastPhrase = null;
/** Velocities of the keys of the page that are down. */
const held = new Map();
let waiting = null;
const tempoIndex = engine.LivePatch.indexOf('performance.tempo');
const listeners = {moved: [], patch: [], meters: [], phrase: [], parameter: [], started: [], ears: [], played: [], midi: [], timed: [], rested: [], gone: []};

/** Calls back on "moved" (a hand of this page or of a MIDI input), "patch", "meters", "phrase", "parameter", "started", "ears", "played" (a key went down), "midi" (a message came in), "rested" (a phrase has let go of the wheels) or "timed" (seconds from a key to its first sample). */
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
    context = new AudioContext({sampleRate: 48000, latencyHint: latencyHint()});
    const device = context;
    device.onstatechange = () => device === context && tell('started', device.state === 'running');
    device.onerror = () => {
      say('The audio device has gone. Connect one and press a key: sound begins again, and nothing of the patch is lost.', {key: 'device'});
      context = null;
      node = null;
      phrasePlaying = false;
      tell('phrase', false);
      tell('started', false);
    };
  }
  await context.resume();
  if (!node) {
    await context.audioWorklet.addModule(new URL('./worklet.js', import.meta.url));
    node = new AudioWorkletNode(context, 'comet', {numberOfInputs: 0, numberOfOutputs: 2, outputChannelCount: [2, 2]});
    node.onprocessorerror = () => say('The audio thread stopped. Load the page again to hear sound.');
    chain = new MeasuringChain(context, node);
    fold.connect(context, node);
    node.port.onmessage = ({data}) => {
      if (!context) {
        return;
      }
      if (data.ended) {
        phrasePlaying = false;
        tell('phrase', false);
        if (data.moved) {
          tell('rested', null);
        }
      } else if (data.keySeconds !== undefined) {
        tell('timed', data.keySeconds);
      } else {
        tell('meters', data);
        lookForGaps(data.voices > 0);
      }
    };
    recordings().forEach(recording => send({do: 'provide', ...recording}));
    if (image) {
      send({do: 'load', image: toHear(), gain: gain()});
    }
    standing.forEach(message => send(message));
  }
  tell('started', true);
}

/** Longer buffers when the sound has gaps that one hears: said once, and remembered. */
function lookForGaps(sounding) {
  const longer = nextBuffer();
  if (!sounding) {
    gaps.pause();
  } else if (longer && gaps.look(performance.now() / 1000, context.currentTime, playbackStats()?.underrunEvents)) {
    setBuffer(longer[0]).then(() => say(`The sound had gaps, so its buffer is longer from now on: ${longer[0]}, ${longer[1] * 1000} ms. The sheet "Hands" has the choice.`,
      {key: 'buffer', calm: true})).catch(() => {});
  }
}

function send(message) {
  node?.port.postMessage(message);
}

/** Says what holds from now on, also to an output that comes later. */
function stand(message) {
  standing.set(message.do, message);
  send(message);
}

function gain() {
  return Math.pow(10, gainDb / 20);
}

/** What is heard in place of the image for now, or null. */
let instead = null;

/** The image as the audio thread is to have it. */
function toHear() {
  return masked(instead ?? image);
}

/** Whether the audio thread hears the image as it is. */
function plain() {
  return instead === null && toHear() === image;
}

onEars(() => {
  if (image) {
    send({do: 'change', image: toHear()});
    tell('ears', null);
  }
});

/**
 * Hears another version in place of the patch, without a gap and as loud as the patch itself.
 * @param {Playable|null} version null for the patch itself
 * @param {number|null} [matchedDb] gain that brings the version to the house loudness; null while it is not known
 */
export function hearInstead(version, matchedDb = null) {
  instead = version === null ? null : imageOf(version);
  if (version) {
    provide(version);
  }
  send({do: 'change', image: toHear()});
  gainDb = version === null || matchedDb === null ? ownGainDb : ownGainDb + matchedDb - current.matchedDb;
  send({do: 'gain', gain: gain()});
}

/** What measures the output, null before sound has started. @returns {MeasuringChain|null} */
export function tap() {
  return chain;
}

/** Folds the output down to one channel, for listening only. @param {boolean} on */
export const hearMono = on => fold.set(on);

/** Whether the output is folded down to one channel. */
export const hearsMono = () => fold.on;

/** The patch in hand has another name now. */
export function rename(name) {
  if (current && current.name !== name) {
    current.name = name;
    tell('patch', current);
  }
}

/** Nothing is in hand any more. */
export function unload() {
  if (current) {
    send({do: 'panic'});
    current = null;
    image = null;
    tell('gone', null);
  }
}

/** Plays the last save beside the patch, unheard, for the spectrum behind. @param {number[]|null} saved */
export function setShadow(saved) {
  stand({do: 'shadow', image: saved === null ? null : Float64Array.from(saved)});
}

/** Whether the last save is played beside the patch. */
export function shadowed() {
  return Boolean(standing.get('shadow')?.image);
}

/** Takes an output with other buffers; the phrase and the keys that are down begin again with it. @param {string} name one of the buffers of output-buffer.js */
export async function setBuffer(name) {
  rememberBuffer(name);
  const old = context;
  const phrase = phrasePlaying ? lastPhrase : null;
  context = null;
  node = null;
  starting = null;
  gaps = new GapWatch();
  await old?.close();
  await wake();
  held.forEach((velocity, key) => send({do: 'on', key, velocity, at: context.currentTime}));
  if (phrase) {
    send(phrase);
  }
}

/** What the browser counts of its own output: underruns since the start, or undefined where it does not. */
export function playbackStats() {
  return context?.playbackStats;
}

/** Seconds from the engine to the loudspeaker as the browser tells them. */
export const latency = () => context ? (context.baseLatency ?? 0) + (context.outputLatency ?? 0) : 0;

/** Whether a phrase runs. */
export const phraseRuns = () => phrasePlaying;

/** @returns {Playable|null} */
export function playing() {
  return current;
}

/** The image as it is heard now. @returns {Float64Array|null} */
export function heard() {
  return image;
}

/** Fetches the recordings of a patch that are not there yet; the patch is told to the engine again when one has come. */
async function provide(playable) {
  const came = await provideFor(playable);
  if (came && current?.id === playable.id) {
    send({do: 'change', image: toHear()});
    tell('patch', current);
    tell('parameter', -1);
  }
}

/** Takes a patch into focus. @param {Playable} playable @param {boolean} matched whether to play it at the house loudness */
export function load(playable, matched) {
  current = playable;
  image = imageOf(playable);
  instead = null;
  gainDb = matched ? playable.matchedDb : 0;
  ownGainDb = gainDb;
  send({do: 'load', image: toHear(), gain: gain()});
  phrasePlaying = false;
  tell('phrase', false);
  tell('patch', playable);
  provide(playable);
}

/** Takes over a changed state of the patch in focus while it sounds. */
export function change(playable) {
  current = playable;
  image = imageOf(playable);
  send({do: 'change', image: toHear()});
  tell('patch', playable);
  provide(playable);
}

/** Moves a parameter at once; `edited` is the image with the change. */
export function setParameter(index, value, edited) {
  image = edited;
  if (plain()) {
    send({do: 'set', index, value});
  } else {
    send({do: 'change', image: toHear()});
  }
  tell('parameter', index);
}

export function noteOn(key, velocity) {
  tell('played', {key, velocity});
  held.set(key, velocity);
  wake().then(() => send({do: 'on', key, velocity, at: context.currentTime}));
}

export function noteOff(key) {
  held.delete(key);
  send({do: 'off', key, velocity: releaseVelocity});
}

export function keyTouch(key, value) {
  send({do: 'keyTouch', key, value});
}

/** With what velocity keys of the page go up from now on. @param {number} velocity 0 to 127 */
export function setReleaseVelocity(velocity) {
  releaseVelocity = velocity;
}

/** @param {'wheel'|'touch'|'bend'|'breath'|'expression'|'pedal'} what */
export function move(what, value) {
  send({do: what, value});
  tell('moved', {hand: {wheel: 'wheel', touch: 'pressure', bend: 'bend'}[what], value: 100 * value});
}

/** Moves a macro for now, without a change of the patch. @param {number} macro from 1 @param {number} value in per cent */
export function rideMacro(macro, value) {
  send({do: 'set', index: engine.LivePatch.indexOf(`macro${macro}`), value});
  tell('moved', {hand: `macro${macro}`, value});
}

/** Place of a macro's position among the parameters. @param {string} hand for example "macro1" */
export const indexOfHand = hand => engine.LivePatch.indexOf(hand);

/** A hand of the page takes over from the ride until the phrase ends. @param {string} hand */
export function takeOver(hand) {
  send({do: 'takeOver', hand});
}

/** One MIDI message, as it came in. */
export function midi(status, first, second) {
  wake().then(() => send({do: 'midi', status, first, second}));
  if ((status & 0xF0) === 0x90 && second > 0) {
    tell('played', {key: first, velocity: second});
  }
  const moved = movedBy(status & 0xF0, first, second);
  if (moved) {
    tell('moved', moved);
  }
  tell('midi', {status, first, second});
}

/** @param {number} only channel to listen to, -1 for all @param {number} zone channels for notes of their own, 0 for none */
export function midiChannels(only, zone) {
  stand({do: 'midiChannels', only, zone});
}

/** The controller has gone: its notes are let go. */
export function midiGone() {
  send({do: 'midiGone'});
}

export function panic() {
  held.clear();
  send({do: 'panic'});
}

/**
 * What the meters report beside the level.
 * @param {number[]} indexes parameters whose place under modulation is wanted
 * @param {number[][]} slots effect slots whose levels are wanted, as layer and slot
 * @param {number} layer whose newest note is followed by the pictures
 */
export function watch(indexes, slots = [], layer = 0) {
  stand({do: 'watch', indexes, slots, layer});
}

/** Plays a phrase with the patch in focus, or stops it; arguments as {@link startPhrase}. */
export async function togglePhrase(tempo, chosen = null, repeats = false) {
  if (phrasePlaying) {
    send({do: 'stop'});
    return;
  }
  await startPhrase(tempo, chosen, repeats);
}

/** @param {number} [tempo] @param {{notes: number[][], beats: number, tempo: number}|null} [chosen] in place of the category's phrase @param {boolean} [repeats] */
export async function startPhrase(tempo, chosen = null, repeats = false) {
  if (!current) {
    return;
  }
  await wake();
  const phrase = chosen ?? current.phrase;
  phrasePlaying = true;
  lastPhrase = {do: 'phrase', rides: ridesOf(current, phrase, image), notes: phrase.notes, moves: phrase.moves, tempoChanges: phrase.tempoChanges, beats: phrase.beats, tempo: tempo || phrase.tempo, repeats,
    tempoIndex, ownTempo: image[tempoIndex]};
  send(lastPhrase);
  tell('phrase', true);
}

/** Starts a loop of drums and bass beside the patch, or stops it. @param {object|null} loop */
export function backing(loop) {
  stand(loop ? {do: 'backing', ...loop} : {do: 'backing', notes: null});
}

/** What plays beside the patch, of another patch; a new output is told it again. @param {object} message without notes it ends */
export function beside(message) {
  stand({do: 'company', ...message});
}

/** Gain that brings another patch as loud as the one in focus is heard. @param {number} matchedDb */
export const gainBeside = matchedDb => Math.pow(10, (matchedDb + ownGainDb - (current?.matchedDb ?? 0)) / 20);

/** Sees to it that the audio thread has the recordings of a patch. @param {Playable} playable */
export const provideFor = playable => fetchMissing(playable, recording => send({do: 'provide', ...recording}));

/** Plays held keys one after the other from now on. @param {'off'|'up'|'down'|'both'} pattern @param {number} beats from note to note */
export function arpeggio(pattern, beats, tempo) {
  stand({do: 'arp', pattern, beats, tempo});
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
