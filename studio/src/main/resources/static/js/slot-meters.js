// What goes into and comes out of every effect, and how far it holds the level down.

/** The slots a bench shows, as pairs of layer (-1 for all) and slot. */
export function slotsOf(element) {
  return [...element.querySelectorAll('[data-meter]')].map(m => m.dataset.meter.split(':').map(Number));
}

function db(peak) {
  return peak < 1e-5 ? '−∞' : (20 * Math.log10(peak)).toFixed(0).replace('-', '−');
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
