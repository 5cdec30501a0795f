// Clips: short sound files that a page plays, one at a time.
import {say} from './requests.js';

let clip = null;

/** Plays a clip, or stops it where it is the one that plays. @param {string} url */
export function playClip(url) {
  const same = clip?.dataset?.url === url && !clip.paused;
  clip?.pause();
  if (!same) {
    clip = new Audio(url);
    clip.dataset.url = url;
    clip.play().catch(() => say('The clip cannot be played just now.'));
  }
}
