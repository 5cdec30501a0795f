// How hands move under a phrase: what the audio thread is told of it, and what moves while it is recorded.
import {LivePatch} from '../../engine/engine.js';

/** Controllers from here on move macros, as MidiInput of the engine has it. */
export const FIRST_MACRO = 102;
const MACROS = 8;

/** Whether moves of the hands are recorded, so that a macro of the strip moves the sound and not the patch. */
export const recorder = {on: false};

/**
 * The rides of a patch under a phrase, as the audio thread takes them.
 * @param {{rides: Array<{phrase: string, hand: string, points: number[]}>}} playable
 * @param {{id: string}} phrase
 * @param {Float64Array} image where macros stand when the phrase has ended
 */
export function ridesOf(playable, phrase, image) {
  return (playable.rides ?? []).filter(r => r.phrase === phrase.id).map(r => {
    const index = LivePatch.indexOf(r.hand);
    return {hand: r.hand, points: r.points, index, own: index >= 0 ? image[index] : 0};
  });
}

/** The hand that a MIDI message moves, and where to in per cent; null for any other message. */
export function movedBy(kind, first, second) {
  return kind === 0xB0 && first === 1 ? {hand: 'wheel', value: second / 1.27}
    : kind === 0xB0 && first >= FIRST_MACRO && first < FIRST_MACRO + MACROS ? {hand: `macro${first - FIRST_MACRO + 1}`, value: second / 1.27}
    : kind === 0xD0 ? {hand: 'pressure', value: first / 1.27}
    : kind === 0xE0 ? {hand: 'bend', value: Math.max(-100, ((second << 7 | first) - 8192) / 81.92)} : null;
}
