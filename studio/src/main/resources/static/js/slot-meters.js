// Levels behind every stage, what goes into and comes out of every effect, and how far it holds the level down.

/** The slots a bench shows, as pairs of layer (-1 for all) and slot. */
export function slotsOf(element) {
  return [...element.querySelectorAll('[data-meter]')].map(m => m.dataset.meter.split(':').map(Number));
}

function db(peak) {
  return peak < 1e-5 ? '−∞' : (20 * Math.log10(peak)).toFixed(0).replace('-', '−');
}

/** Stages of the ribbon that have a meter, and which of the audio thread's levels each shows. */
const STAGES = {sources: 0, filter: 1, envelopes: 2, effects: 4, level: 5};
const FALL = 0.88;
const standing = {};

/** Writes the level behind each stage of the layer on the bench into the ribbon; a peak falls back calmly. */
export function showStages(element, meters) {
  if (!meters.stages) {
    return;
  }
  for (const [stage, place] of Object.entries(STAGES)) {
    standing[stage] = Math.max(meters.stages[place], (standing[stage] ?? 0) * FALL);
    const box = element.querySelector(`[data-stage-meter="${stage}"]`);
    if (box) {
      box.textContent = standing[stage] < 1e-4 ? '' : db(standing[stage]);
      box.classList.toggle('fault', standing[stage] > 1);
    }
  }
}

/** Writes the figures that the audio thread has sent beside the effects' names. */
export function showSlots(element, meters) {
  if (!meters.slots) {
    return;
  }
  [...element.querySelectorAll('[data-meter]')].forEach((box, i) => {
    const slot = meters.slots[i];
    if (slot) {
      const held = box.dataset.holds === 'true' ? `, held down ${slot[2].toFixed(1)} dB` : '';
      box.textContent = slot[0] < 1e-5 && slot[1] < 1e-5 ? '' : `${db(slot[0])} → ${db(slot[1])} dB${held}`;
    }
  });
}
