// The patch on the bench: what is heard, what the server has, and the edits on their way between the two.
import {LivePatch} from '../../engine/engine.js';
import * as player from '../player/player.js';
import {ask, hush, say} from '../page/requests.js';
import {hearNow} from './versions/versions.js';
import {showLock} from './value-bar.js';
import {idOf, indexOf} from '../lib/parameters.js';

const SEND_AFTER_MS = 90;
const RETRY_MS = 2000;
const LOST = 'connection';

/** One patch open for editing. */
export class PatchState {
  /**
   * @param {HTMLElement} focus what the bench says of the patch as a whole
   * @param {(answer: object) => void} onAnswer called when the server has answered an edit
   * @param {() => void} onRefused called when the server has refused a value that is heard already
   * @param {(fields: Record<string, string>) => void} onChoice called with an edit that brings other bars
   */
  constructor(focus, onAnswer, onRefused, onChoice) {
    this.take(focus);
    this.onAnswer = onAnswer;
    this.onRefused = onRefused;
    this.onChoice = onChoice;
    this.pending = new Map();
    this.sending = null;
    this.timer = null;
    this.gesture = 0;
    this.together = false;
    this.onHold = false;
  }

  /** Takes over what a fresh piece of page says. */
  take(focus) {
    this.id = Number(focus.dataset.patch);
    this.version = Number(focus.dataset.version);
    this.locked = new Set((focus.dataset.locked ?? '').split(' ').filter(Boolean).map(id => LivePatch.indexOf(id)));
  }

  /** Another request is changing the patch: moved values wait until its answer has brought the new version. */
  hold() {
    this.onHold = true;
  }

  /** The answer is there: values moved meanwhile are put on top of it and sent. */
  release() {
    this.onHold = false;
    for (const {index, value} of this.pending.values()) {
      player.setParameter(index, value, LivePatch.edited(this.image, index, value));
    }
    if (this.pending.size > 0) {
      this.flush();
    }
  }

  get image() {
    return player.heard();
  }

  /** Value at which a parameter sounds before routes. */
  sounding(index) {
    return LivePatch.sounding(this.image, index);
  }

  /** Locks or unlocks a parameter for edits and variations. @param {HTMLElement} bar */
  async toggleLock(bar) {
    const index = indexOf(bar);
    const on = !this.locked.has(index);
    try {
      await ask(`/patches/${this.id}/lock`, {form: {parameter: bar.id, on: String(on)}});
    } catch (refusal) {
      say(refusal.message);
      return;
    }
    if (on) {
      this.locked.add(index);
    } else {
      this.locked.delete(index);
      hush('locked');
    }
    document.getElementById('focus').dataset.locked = [...this.locked].map(idOf).join(' ');
    showLock(bar, on);
  }

  /** A note division takes the place of a time or a rate. @param {HTMLElement} bar @param {string} division */
  chooseDivision(bar, division) {
    this.onChoice({kind: 'chooseDivision', target: bar.id, value: division});
  }

  /** A drag, a turn of the wheel or a typed value begins: what follows is one step of the history. @param {boolean} together over all values, else for each one */
  beginGesture(together = false) {
    this.gesture++;
    this.together = together;
  }

  /** What comes next is another step. */
  endGesture() {
    this.beginGesture();
  }

  /** Moves a parameter: at once in the sound, soon after on the server. */
  set(index, value) {
    if (this.locked.has(index)) {
      say('This value is locked. Unlock it with L on its bar or in the bar\'s menu.', {key: 'locked', calm: true});
      return;
    }
    hearNow();
    player.setParameter(index, value, LivePatch.edited(this.image, index, value));
    this.pending.set(index, {index, value, gesture: `${performance.timeOrigin.toFixed(0)}.${this.gesture}${this.together ? '' : `.${index}`}`});
    clearTimeout(this.timer);
    this.timer = setTimeout(() => this.flush(), SEND_AFTER_MS);
  }

  /** Whether anything has not reached the server yet. */
  get unsent() {
    return this.pending.size > 0 || this.sending !== null;
  }

  /** Sends what is waiting; resolves when all of it has arrived. @returns {Promise<void>} */
  flush() {
    clearTimeout(this.timer);
    this.sending ??= this.sendAll().finally(() => { this.sending = null; });
    return this.sending;
  }

  async sendAll() {
    let refused = false;
    while (this.pending.size > 0 && !this.onHold) {
      const [index, edit] = this.pending.entries().next().value;
      this.pending.delete(index);
      try {
        const response = await ask(`/patches/${this.id}/values`, {json: {parameter: idOf(index), value: edit.value, gesture: edit.gesture, version: this.version}});
        const state = await response.json();
        this.version = state.version;
        hush(LOST);
        this.onAnswer(state);
      } catch (refusal) {
        if (refusal.passing) {
          if (!this.pending.has(index)) {
            this.pending.set(index, edit);
          }
          say(`${refusal.message} Your edits are kept in this page and sent again.`, {key: LOST, calm: true, stays: true});
          await new Promise(resolve => setTimeout(resolve, RETRY_MS));
        } else if (refusal.status === 409) {
          this.conflict(edit, refusal.message);
          return;
        } else {
          // A refused value goes out of sound and page again; the edits behind it go on.
          say(refusal.message, {key: 'refused'});
          refused = true;
        }
      }
    }
    if (refused) {
      this.onRefused();
    }
  }

  /** Someone changed the patch meanwhile: nothing is overwritten without a choice. */
  conflict(edit, message) {
    const edits = [edit, ...this.pending.values()];
    this.pending.clear();
    say(message, {key: 'conflict', buttons: [
      ['Show what is there now', () => location.reload()],
      ['Put my change on top', () => {
        this.version = 0;
        edits.forEach(e => this.pending.set(e.index, e));
        this.flush();
      }]]});
  }
}
