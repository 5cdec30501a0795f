// The audio thread of the page and what hangs on it: begun by the first click or key, begun again when the device or its buffer changes.
import {MeasuringChain} from './measuring-chain.js';
import {ListeningPath} from './listening-path.js';
import {GapWatch, latencyHint, nextBuffer, rememberBuffer} from './output-buffer.js';
import {say} from '../page/requests.js';

let context = null;
let node = null;
/** @type {MeasuringChain|null} */
let chain = null;
let gaps = new GapWatch();
let starting = null;
/** What lies between the engine and the loudspeaker. */
export const path = new ListeningPath();
/** What holds until it is said otherwise, by what it does: a new output is told it again. */
const standing = new Map();
/** Pictures follow every report of the audio thread; figures change no faster than they can be read. */
const FIGURES_EVERY = 4;
let reports = 0;

const listeners = {moved: [], patch: [], meters: [], phrase: [], parameter: [], started: [], ears: [], played: [], lifted: [], midi: [], timed: [], rested: [], gone: [], switched: [], changing: [], fresh: [], ended: []};

/**
 * Calls back on "moved" (a hand of this page or of a MIDI input), "patch", "meters", "phrase", "parameter", "started", "ears", "played" (a key went down), "lifted" (it went up),
 * "midi" (a message came in), "rested" (a phrase has let go of the wheels), "timed" (seconds from a key to its first sample), "switched" (to or from the
 * rival, with the seconds it took), "ended" (a phrase came to its end), "changing" (the output is about to be exchanged) or "fresh" (an output has begun that knows nothing yet).
 */
export function on(what, callback) {
  listeners[what].push(callback);
}

export function tell(what, value) {
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
      tell('ended', null);
      tell('started', false);
    };
  }
  await context.resume();
  if (!node) {
    await context.audioWorklet.addModule(new URL('./worklet.js', import.meta.url));
    node = new AudioWorkletNode(context, 'comet', {numberOfInputs: 0, numberOfOutputs: 2, outputChannelCount: [2, 2]});
    node.onprocessorerror = () => say('The audio thread stopped. Load the page again to hear sound.');
    chain = new MeasuringChain(context, node);
    path.connect(context, node);
    node.port.onmessage = ({data}) => context && receive(data);
    standing.forEach(message => send(message));
    tell('fresh', null);
  }
  tell('started', true);
}

function receive(data) {
  if (data.ended) {
    tell('ended', null);
    if (data.moved) {
      tell('rested', null);
    }
  } else if (data.keySeconds !== undefined) {
    tell('timed', data.keySeconds);
  } else if (data.switchSeconds !== undefined) {
    tell('switched', data);
  } else {
    reports = (reports + 1) % FIGURES_EVERY;
    tell('meters', {...data, figures: reports === 0});
    lookForGaps(data.voices > 0);
  }
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

/** Tells the audio thread something, where there is one. */
export function send(message) {
  node?.port.postMessage(message);
}

/** Says what holds from now on, also to an output that comes later. */
export function stand(message) {
  standing.set(message.do, message);
  send(message);
}

/** What an output is told last of a kind. @param {string} what */
export const stood = what => standing.get(what);

/** Takes an output with other buffers; what is played begins again with it. @param {string} name one of the buffers of output-buffer.js */
export async function setBuffer(name) {
  tell('changing', null);
  rememberBuffer(name);
  const old = context;
  context = null;
  node = null;
  starting = null;
  gaps = new GapWatch();
  await old?.close();
  await wake();
}

/** Seconds of the output's own clock. */
export const now = () => context?.currentTime ?? 0;

/** What measures the output, null before sound has started. @returns {MeasuringChain|null} */
export function tap() {
  return chain;
}

/** What the browser counts of its own output: underruns since the start, or undefined where it does not. */
export function playbackStats() {
  return context?.playbackStats;
}

/** Seconds from the engine to the loudspeaker as the browser tells them. */
export const latency = () => context ? (context.baseLatency ?? 0) + (context.outputLatency ?? 0) : 0;
