// The plot of a route: its limits are pulled up and down, and so is its curve.

const NEAR = 3;
const MIDDLE = 11;
const HALF = 10;

/** Lets the large plots of routes be pulled. @param {HTMLElement} element */
export function wireRoutePlots(element) {
  element.querySelectorAll('.plot.large').forEach(plot => plot.addEventListener('pointerdown', e => press(e, plot)));
}

/** @param {SVGElement} plot @param {string} which low or high @param {number} value in percent */
export function placeLimit(plot, which, value) {
  for (const y of ['y1', 'y2']) {
    plot.querySelector(`[data-limit=${which}]`).setAttribute(y, String(MIDDLE - HALF * value / 100 * Number(plot.dataset.upward)));
  }
}

function press(e, plot) {
  const form = plot.closest('form');
  const box = plot.getBoundingClientRect();
  const place = event => (event.clientY - box.top) / box.height * 2 * MIDDLE;
  const from = place(e);
  const lines = [...plot.querySelectorAll('[data-limit]')].map(line => ({line, away: Math.abs(Number(line.getAttribute('y1')) - from)})).sort((a, b) => a.away - b.away);
  const limit = lines[0].away <= NEAR ? lines[0].line : null;
  const field = form.elements[limit ? limit.dataset.limit : 'bend'];
  const before = field.value;
  const upward = Number(plot.dataset.upward);
  plot.setPointerCapture(e.pointerId);
  const follow = event => {
    const moved = limit ? (MIDDLE - place(event)) / HALF * 100 * upward : Number(before) + (from - place(event)) / HALF * 100;
    const value = Math.round(Math.max(-100, Math.min(100, moved)));
    field.value = String(value);
    if (limit) {
      placeLimit(plot, limit.dataset.limit, value);
    }
  };
  plot.addEventListener('pointermove', follow);
  plot.addEventListener('lostpointercapture', () => {
    plot.removeEventListener('pointermove', follow);
    if (field.value !== before) {
      field.dispatchEvent(new Event('change', {bubbles: true}));
    }
  }, {once: true});
}
