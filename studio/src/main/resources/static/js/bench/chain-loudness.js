// Loudness along a chain of effects: one after the other, each rendered by the program with what stands before it.
import {ask} from '../page/requests.js';
import {chosenPhrase} from '../player/audition.js';

const lufs = value => value === null ? 'silent' : `${value.toFixed(1).replace('-', '−')} LUFS`;
const change = value => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(1)} LU`;

/**
 * @param {HTMLElement} element the bench
 * @param hands id() of the patch, flush() sends what has been moved
 */
export function wireLoudnessAlong(element, {id, flush}) {
  element.querySelectorAll('[data-loudness-along]').forEach(button => button.addEventListener('click', async () => {
    const words = button.textContent;
    const lane = button.closest('.chain');
    const loudness = async slot => (await (await ask(`/patches/${id()}/loudness-after?layer=${button.dataset.layerNumber}&slot=${slot}&phrase=${chosenPhrase()?.id ?? ''}`)).json()).lufs;
    button.textContent = '…';
    try {
      await flush();
      let before = await loudness(-1);
      button.title = `Before the first effect: ${lufs(before)}`;
      for (const tile of lane.querySelectorAll('.lane-tile')) {
        const after = await loudness(tile.dataset.tile.split(':')[1]);
        tile.querySelector('.lane-loudness').textContent = after === null || before === null ? lufs(after) : `${lufs(after)}, ${change(after - before)}`;
        before = after;
      }
    } finally {
      button.textContent = words;
    }
  }));
}
