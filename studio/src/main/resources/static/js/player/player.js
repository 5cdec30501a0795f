// The player of the page: one audio thread, whatever page is shown around it.
import * as engine from '../../engine/engine.js';
import {masked, onEars} from './mute-solo.js';
import {now, on, path, send, stand, stood, tell, wake} from './output.js';
import {ask} from '../page/requests.js';
import {fetchMissing, recordings} from './recordings.js';
import {movedBy, ridesOf} from './rides.js';
import {imageOf} from '../lib/parameters.js';

export {latency, on, playbackStats, setBuffer, tap, wake} from './output.js';

/**
 * @typedef {{id: number, name: string, image: number[], matchedDb: number,
 *   phrase: {name: string, tempo: number, beats: number, notes: number[][]},
 *   macros: Array<{index: number, name: string, lowEnd: string, highEnd: string, used: boolean}>,
 *   zones: Array<{layer: number, lowKey: number, highKey: number}>,
 *   recordings: Array<{key: number, url: string}>}} Playable
 */

/** @type {Playable|null} */
let current = null;
let image = null;
let releaseVelocity = 64;
let gainDb = 0;
/** Gain of the patch itself, without that of a version that is heard in its place. */
let ownGainDb = 0;
let phrasePlaying = false;
/** The phrase that was started last, as it was told to the audio thread. */
let lastPhrase = null;
/** Velocities of the keys of the page that are down. */
const held = new Map();
let waiting = null;
/** What is to begin again with the next output. */
let again = null;
const tempoIndex = engine.LivePatch.indexOf('performance.tempo');

on('changing', () => {
  again = {phrase: phrasePlaying ? lastPhrase : null};
});
// A phrase ended by itself, or with its output.
on('ended', () => {
  phrasePlaying = false;
  tell('phrase', false);
});
// An output that knows nothing yet is told what is in hand; what was playing begins again.
on('fresh', () => {
  recordings().forEach(recording => send({do: 'provide', ...recording}));
  if (image) {
    send({do: 'load', image: toHear(), gain: gain()});
  }
  if (image && again) {
    held.forEach((velocity, key) => send({do: 'on', key, velocity, at: now()}));
    if (again.phrase) {
      send(again.phrase);
    }
    again = null;
  }
});

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

/** Folds the output down to one channel, for listening only. @param {boolean} on */
export const hearMono = on => path.fold(on);

/** Whether the output is folded down to one channel. */
export const hearsMono = () => path.mono;

/** Hears as from a small loudspeaker, for listening only. @param {boolean} on */
export const hearSmall = on => path.shrink(on);

/** Whether it is heard as from a small loudspeaker. */
export const hearsSmall = () => path.small;

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
  return Boolean(stood('shadow')?.image);
}

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
  wake().then(() => send({do: 'on', key, velocity, at: now()}));
}

export function noteOff(key) {
  held.delete(key);
  tell('lifted', {key});
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
  } else if ((status & 0xE0) === 0x80) {
    tell('lifted', {key: first});
  }
  const moved = movedBy(status & 0xF0, first, second);
  if (moved) {
    tell('moved', {...moved, midi: true});
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

/** @param {number} [tempo] @param {{notes: number[][], beats: number, tempo: number}|null} [chosen] in place of the category's phrase @param {boolean} [repeats] @param {number} [from] beat to begin at */
export async function startPhrase(tempo, chosen = null, repeats = false, from = 0) {
  if (!current) {
    return;
  }
  await wake();
  const phrase = chosen ?? current.phrase;
  phrasePlaying = true;
  lastPhrase = {do: 'phrase', at: now(), from, rides: ridesOf(current, phrase, image), notes: phrase.notes, moves: phrase.moves, tempoChanges: phrase.tempoChanges, beats: phrase.beats, tempo: tempo || phrase.tempo, repeats,
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

/**
 * Plays another sound beside the patch, unheard until it is switched to. It joins with the next note, so it is set before a phrase begins.
 * @param {Playable|null} other null for none @param {number} gainDb at which it is heard
 */
export async function setRival(other, gainDb = 0) {
  if (other) {
    await wake();
    await provideFor(other);
  }
  stand({do: 'rival', image: other ? imageOf(other) : null, gain: Math.pow(10, gainDb / 20)});
}

/** Hears the rival in place of the patch, or the patch again, without a gap. @param {boolean} on */
export function hearRival(on) {
  send({do: 'switch', rival: on, at: now()});
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
