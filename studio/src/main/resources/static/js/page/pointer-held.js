// A click that has begun on a piece of the page ends on it: what would replace the piece meanwhile waits until the pointer is up.

/** @type {Element|null} what the pointer went down on and has not left yet */
let held = null;
let waiting = [];

window.addEventListener('pointerdown', e => {
  held = e.target;
}, true);
for (const event of ['pointerup', 'pointercancel', 'blur']) {
  window.addEventListener(event, e => {
    if (event === 'blur' && e.target !== window) {
      return;
    }
    held = null;
    const resolved = waiting;
    waiting = [];
    // The click of this pointer comes after this event.
    setTimeout(() => resolved.forEach(go => go()));
  }, true);
}

/**
 * Waits for the end of a click or pull that has begun on a piece of the page; at once where there is none.
 * @param {Element|null} piece
 */
export async function letGo(piece) {
  while (piece && held && piece.contains(held)) {
    await new Promise(resolve => waiting.push(resolve));
  }
}
