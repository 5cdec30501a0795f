// The measures by which the sky places sounds.

/** What each is called, whether its scale is logarithmic, where its lines are, and how a value is told. */
export const AXES = {
  brightness: {words: 'brightness', log: true, ticks: [100, 200, 500, 1000, 2000, 5000, 10000], text: v => v >= 1000 ? `${v / 1000} kHz` : `${v} Hz`},
  tail: {words: 'tail', log: true, ticks: [0.01, 0.03, 0.1, 0.3, 1, 3, 10], text: v => v < 1 ? `${Math.round(v * 1000)} ms` : `${v} s`},
  attack: {words: 'attack', log: true, ticks: [0.001, 0.003, 0.01, 0.03, 0.1, 0.3, 1], text: v => v < 1 ? `${Math.round(v * 1000)} ms` : `${v} s`},
  loudness: {words: 'loudness', ticks: [-40, -30, -24, -20, -18, -16, -14, -10], text: v => `${v} LUFS`},
  width: {words: 'width', ticks: [0, 20, 40, 60, 80, 100], text: v => `${v} %`},
  noise: {words: 'noise', ticks: [0, 5, 10, 20, 40, 80], text: v => `${v} %`},
};

/** A star's measure in words. */
export function shownValue(star, axis) {
  const v = star[axis];
  return AXES[axis].text(axis === 'brightness' ? (v >= 1000 ? Math.round(v / 10) * 10 : Math.round(v)) : v < 1 && AXES[axis].log ? v : Math.round(v * 10) / 10);
}

/** How far a measure has to go, as variations count it: octaves, of width dB. */
export function stepTo(axis, from, to) {
  return axis === 'width' ? 10 * Math.log10(Math.max(0.1, to) / Math.max(0.1, from)) : Math.log2(to / from);
}
