// Edits that change the page: sent one after the other, each answered with a new bench.
import {ask, say, withVersion} from '../page/requests.js';
import {refuse} from '../page/refused.js';
import {rememberFocus} from '../page/focus-kept.js';
import {letGo} from '../page/pointer-held.js';
import {retype} from './value-bar.js';
import {hearNow} from './versions/versions.js';
import {exchange as exchangePieces, forget, standingPieces} from './pieces.js';

/** How long a hand rests before bars that a moved value has brought come to the page. */
const REST_MS = 140;

const bench = () => document.getElementById('bench');

/**
 * The exchanges of a bench with the server.
 * @param {() => import('./patch-state.js').PatchState} stateOf the patch on the bench
 * @param {(fresh: import('./pieces.js').Fresh, settle: () => void) => void} takeUp brings what has come to life; settle puts what stays within it back
 */
export function exchanges(stateOf, takeUp) {
  let last = Promise.resolve();
  let broughtTimer = null;

  /** Asks for the bench, but for what stands here already. @param {boolean} whole all of it */
  const askForBench = async whole => (await ask(`/patches/${stateOf().id}/bench`, whole ? {} : {headers: standingPieces()})).text();

  async function replaceBench(html) {
    await letGo(bench());
    const box = document.createElement('template');
    box.innerHTML = html;
    const answer = box.content.querySelector('#bench');
    if (bench()?.dataset.patch !== answer.dataset.patch) {
      // Somebody has gone to another page meanwhile.
      return;
    }
    const giveBack = rememberFocus(bench());
    const come = exchangePieces(bench(), answer);
    if (!come) {
      await replaceBench(await askForBench(true));
      return;
    }
    takeUp(come.fresh, come.settle);
    giveBack(bench(), retype);
  }

  async function exchangeNow(url, fields, field) {
    const state = stateOf();
    hearNow();
    await state.flush();
    if (state.unsent) {
      return;
    }
    state.hold();
    try {
      const response = await ask(url, {...withVersion(fields, state.version), headers: standingPieces()});
      await replaceBench(await response.text());
    } catch (refusal) {
      if (refusal.status === 409) {
        say(refusal.message, {key: 'conflict', buttons: [['Show what is there now', () => location.reload()],
          ['Put my change on top', () => {
            state.version = 0;
            exchange(url, fields, field);
          }]]});
        return;
      }
      if (!refusal.passing && field?.isConnected && field.matches('input:not([type=hidden]), textarea')) {
        refuse(field, refusal.message);
        return;
      }
      say(refusal.message);
      if (!refusal.passing) {
        // What was chosen and refused stands in its field still.
        forget(field);
        await replaceBench(await askForBench(false));
      }
    } finally {
      state.release();
    }
  }

  /**
   * Sends an edit after the one before, with the version that that one has brought.
   * @param {string} url
   * @param {Record<string, string>} fields
   * @param {HTMLElement} [field] the one that is marked when the edit is refused; what was typed stays in it
   */
  function exchange(url, fields, field) {
    last = last.catch(() => {}).then(() => exchangeNow(url, fields, field));
    return last;
  }

  /** Shows what the server has; moved values that have not been sent yet are put on top of it. */
  function refresh() {
    last = last.catch(() => {}).then(async () => {
      const state = stateOf();
      await state.flush();
      state.hold();
      try {
        await replaceBench(await askForBench(false));
      } finally {
        state.release();
      }
    });
    return last;
  }

  /** A moved value has brought bars with it, such as the list of unison voices: they come when the hand rests. */
  function bringMore() {
    clearTimeout(broughtTimer);
    broughtTimer = setTimeout(() => {
      if (!bench()) {
        return;
      }
      if (stateOf().unsent || bench().querySelector('.bar:active, .bar input')) {
        bringMore();
        return;
      }
      refresh();
    }, REST_MS);
  }

  return {exchange, refresh, bringMore};
}
