// Levels behind every stage, what goes into and comes out of every effect, and how far it holds the level down.

/** The slots a bench shows, as pairs of layer (-1 for all) and slot; asked again whenever a bench is in place. */
export function slotsOf(element) {
  places.delete(element);
  return placesIn(element).slots.map(m => m.dataset.meter.split(':').map(Number));
}

function db(peak) {
  return peak < 1e-5 ? '−∞' : (20 * Math.log10(peak)).toFixed(0).replace('-', '−');
}

/** Stages of the ribbon that have a meter, and which of the audio thread's levels each shows. */
const STAGES = {sources: 0, filter: 1, envelopes: 2, effects: 4, level: 5};
const FALL = 0.85;
const standing = {};

/** Where the figures of a bench stand; looked for once in each bench. @type {WeakMap<HTMLElement, {slots: HTMLElement[], stages: Map<string, HTMLElement>}>} */
const places = new WeakMap();

function placesIn(element) {
  if (!places.has(element)) {
    places.set(element, {slots: [...element.querySelectorAll('[data-meter]')],
      stages: new Map([...element.querySelectorAll('[data-stage-meter]')].map(box => [box.dataset.stageMeter, box]))});
  }
  return places.get(element);
}

/** @type {WeakMap<HTMLElement, number[]|undefined>} */
const loudest = new WeakMap();

/** Writes a text where it is another one than before. */
function write(box, text) {
  if (box.textContent !== text) {
    box.textContent = text;
  }
}

/** Writes the level behind each stage of the layer on the bench into the ribbon; a peak falls back calmly. */
export function showStages(element, meters) {
  if (!meters.stages) {
    return;
  }
  for (const [stage, place] of Object.entries(STAGES)) {
    standing[stage] = Math.max(meters.stages[place], (standing[stage] ?? 0) * FALL);
    const box = placesIn(element).stages.get(stage);
    if (box && meters.figures) {
      write(box, standing[stage] < 1e-4 ? '' : db(standing[stage]));
      box.classList.toggle('fault', standing[stage] > 1);
    }
  }
}

/** Writes the figures that the audio thread has sent beside the effects' names. */
export function showSlots(element, meters) {
  if (!meters.slots) {
    return;
  }
  placesIn(element).slots.forEach((box, i) => {
    const slot = meters.slots[i];
    if (slot) {
      // The most of each since the figures were written last.
      const most = loudest.get(box)?.map((v, k) => Math.max(v, slot[k])) ?? slot;
      loudest.set(box, meters.figures ? undefined : most);
      if (meters.figures) {
        const held = box.dataset.holds === 'true' ? `, GR ${most[2].toFixed(1)}` : '';
        write(box, most[0] < 1e-5 && most[1] < 1e-5 ? '' : `${db(most[0])} → ${db(most[1])} dB${held}`);
      }
    }
  });
}
