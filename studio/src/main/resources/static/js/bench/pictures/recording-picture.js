// A recording as a whole, with its trim and its loop to be moved by hand.
import {LivePatch} from '../../../engine/engine.js';
import {recording} from '../../player/recordings.js';
import {colour, label} from '../../lib/canvas.js';

const NEAR = 10;
const place = (layer, source, id) => LivePatch.indexOf(`layer${layer + 1}.source${source + 1}.${id}`);

/** Edges that can be moved: start and end of what is played, and of the loop while there is one. */
export function recordingEdges(image, layer, source, w) {
  const looped = LivePatch.sounding(image, place(layer, source, 'loop')) !== 0;
  return ['start', 'end', ...(looped ? ['loopStart', 'loopEnd'] : [])].map(id => {
    const index = place(layer, source, id);
    return {id, index, loop: id.startsWith('loop'), x: LivePatch.sounding(image, index) / 100 * w};
  });
}

function peaks(samples, columns) {
  const most = new Float32Array(columns);
  const each = samples.length / columns;
  for (let c = 0; c < columns; c++) {
    for (let i = Math.floor(c * each); i < Math.min(samples.length, (c + 1) * each); i++) {
      most[c] = Math.max(most[c], Math.abs(samples[i]));
    }
  }
  return most;
}

/** Draws the recording; what is not played is pale. */
export function recordingPicture(g, w, h, image, layer, large, data) {
  const source = Number(data.source);
  const file = recording(Number(data.key));
  if (!file) {
    label(g, 'fetching the recording …', w / 2, h / 2, colour('--soft'), 'center');
    return;
  }
  const edges = recordingEdges(image, layer, source, w);
  const [start, end] = edges.map(e => e.x);
  const middle = h / 2;
  const shape = peaks(file.left, Math.round(w));
  const loudest = Math.max(1e-4, ...shape);
  shape.forEach((v, x) => {
    const tall = Math.max(0.5, v / loudest * (middle - 12));
    g.fillStyle = colour(x >= Math.min(start, end) && x <= Math.max(start, end) ? '--tide' : '--rule');
    g.fillRect(x, middle - tall, 1, 2 * tall);
  });
  edges.forEach(e => {
    const x = Math.max(1, Math.min(w - 1, e.x));
    g.fillStyle = colour(e.loop ? '--plum' : '--ember');
    g.fillRect(x - 1, e.loop ? 10 : 0, 2, h - (e.loop ? 10 : 0));
    const right = x > w - 60;
    const seconds = (LivePatch.sounding(image, e.index) / 100 * file.left.length / file.rate).toFixed(3);
    label(g, `${e.loop ? 'loop ' : ''}${seconds} s`, right ? x - 4 : x + 4, e.loop ? 20 : e.id === 'start' ? 9 : h - 3, colour(e.loop ? '--plum' : '--ember'), right ? 'right' : 'left', 10);
  });
}

/** The nearest edge follows the hand. */
export function recordingHand(state, layer, box, from, source) {
  const edge = recordingEdges(state.image, layer, source, box.width).map(e => ({...e, d: Math.abs(e.x - from.x)})).sort((a, b) => a.d - b.d)[0];
  if (edge.d > NEAR) {
    return null;
  }
  return at => state.set(edge.index, 100 * Math.max(0, Math.min(1, at.x / box.width)));
}
