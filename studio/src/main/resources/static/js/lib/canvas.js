// Small helps for drawing: sharp canvases and the colours of the theme.

const colours = new Map();
document.addEventListener('comet:theme', () => colours.clear(), {capture: true});

/** A colour of the theme by its custom property. @param {string} name */
export function colour(name) {
  if (!colours.has(name)) {
    colours.set(name, getComputedStyle(document.documentElement).getPropertyValue(name).trim());
  }
  return colours.get(name);
}

/** What draws a canvas, for as long as the canvas itself is there. */
const drawers = new WeakMap();
document.addEventListener('comet:theme', () => document.querySelectorAll('canvas').forEach(canvas => drawers.get(canvas)?.()));

/**
 * Draws a canvas again whenever its size or the theme changes. Nothing outside the canvas holds on to it, so that it goes with the page it was on.
 * @param {HTMLCanvasElement} canvas
 * @param {() => void} draw
 */
export function keepDrawn(canvas, draw) {
  drawers.set(canvas, draw);
  new ResizeObserver(draw).observe(canvas);
}

/** Sizes as the browser reports them: asking for one makes it lay the whole page out again. */
const sizes = new WeakMap();
const sized = new ResizeObserver(entries => entries.forEach(e => sizes.set(e.target, [Math.round(e.contentRect.width), Math.round(e.contentRect.height)])));

const inPixels = size => Math.round(size * (window.devicePixelRatio || 1));
const fits = (canvas, w, h) => canvas.width === inPixels(w) && canvas.height === inPixels(h);

/**
 * Fits a canvas to its box at the screen's resolution and clears it.
 * @param {HTMLCanvasElement} canvas
 * @returns {{g: CanvasRenderingContext2D, w: number, h: number}|null} null while it is not shown
 */
export function fit(canvas) {
  if (!sizes.has(canvas)) {
    sizes.set(canvas, [canvas.clientWidth, canvas.clientHeight]);
    sized.observe(canvas);
  }
  const [w, h] = sizes.get(canvas);
  if (!w || !h) {
    return null;
  }
  const scale = window.devicePixelRatio || 1;
  if (!fits(canvas, w, h)) {
    canvas.width = inPixels(w);
    canvas.height = inPixels(h);
  }
  const g = canvas.getContext('2d');
  g.setTransform(scale, 0, 0, scale, 0, 0);
  g.clearRect(0, 0, w, h);
  return {g, w, h};
}

/** Whether a canvas has a picture of its present size, or is not shown. @param {HTMLCanvasElement} canvas */
export function isDrawn(canvas) {
  const [w, h] = sizes.get(canvas) ?? [canvas.clientWidth, canvas.clientHeight];
  return !w || !h || fits(canvas, w, h);
}

/** Draws a line through points evenly spread over a width. `y` maps a value to a height. */
export function curve(g, values, x0, width, y, stroke, lineWidth = 1.8) {
  g.beginPath();
  for (let i = 0; i < values.length; i++) {
    const x = x0 + width * i / (values.length - 1);
    if (i === 0) {
      g.moveTo(x, y(values[i]));
    } else {
      g.lineTo(x, y(values[i]));
    }
  }
  g.strokeStyle = stroke;
  g.lineWidth = lineWidth;
  g.lineJoin = 'round';
  g.stroke();
}

/** Sets the font of text. Setting the one that is there already would make the browser bring the whole page up to date. @param {CanvasRenderingContext2D} g @param {number} size */
export function useFont(g, size) {
  const font = `${size}px "Atkinson Hyperlegible", sans-serif`;
  if (g.font !== font) {
    g.font = font;
  }
}

/**
 * Writes to the page when everything of this turn has been drawn. Text on a canvas makes the browser bring the page up to date: drawing and writing in turn would do that
 * for every text.
 * @param {() => void} write
 */
export const afterDrawing = write => queueMicrotask(write);

/** Text on a canvas. */
export function label(g, text, x, y, fill, align = 'left', size = 11) {
  useFont(g, size);
  g.textAlign = align;
  g.fillStyle = fill;
  g.fillText(text, x, y);
  g.textAlign = 'left';
}

/** Colours of the layers, which are also always numbered. */
export function layerColour(layer) {
  return colour(['--tide', '--plum', '--moss', '--ochre'][layer]);
}

/** A point that can be dragged. */
export function handle(g, x, y) {
  g.beginPath();
  g.arc(x, y, 6, 0, 2 * Math.PI);
  g.fillStyle = colour('--card');
  g.fill();
  g.lineWidth = 2.4;
  g.strokeStyle = colour('--ember');
  g.stroke();
}

/** Lines at usual frequencies from 20 Hz to 20 kHz. */
export function frequencyGrid(g, w, h) {
  for (const hz of [50, 100, 200, 500, 1000, 2000, 5000, 10000]) {
    const x = Math.log(hz / 20) / Math.log(1000) * w;
    g.fillStyle = colour('--rule');
    g.fillRect(x, 0, 1, h);
    label(g, hz < 1000 ? String(hz) : `${hz / 1000}k`, x + 3, h - 4, colour('--soft'), 'left', 10);
  }
}
