// The bench stands in pieces that lie within each other (data-piece). An answer brings those that have changed; all others stay on the page, with everything wired to them.

const PIECE = '[data-piece]';

/** Fresh pieces as one: asked like an element, it looks into each of them, and at themselves. */
export class Fresh {
  /** @param {HTMLElement[]} roots */
  constructor(roots) {
    this.roots = roots;
  }

  /** @param {string} selector @returns {HTMLElement[]} */
  querySelectorAll(selector) {
    return this.roots.flatMap(root => [...(root.matches(selector) ? [root] : []), ...root.querySelectorAll(selector)]);
  }

  /** @param {string} selector @returns {HTMLElement|null} */
  querySelector(selector) {
    for (const root of this.roots) {
      const found = root.matches(selector) ? root : root.querySelector(selector);
      if (found) {
        return found;
      }
    }
    return null;
  }
}

const nameOf = piece => piece.dataset.piece;

/** Pieces right within one. */
const within = piece => [...piece.querySelectorAll(PIECE)].filter(inner => inner.parentElement.closest(PIECE) === piece);

/** What an answer need not bring, as it stands on the page. @returns {Record<string, string>} headers of a request */
export function standingPieces() {
  return {'X-Pieces': [...document.querySelectorAll('[data-piece][data-hash]')].map(piece => `${nameOf(piece)}:${piece.dataset.hash}`).join(' ')};
}

/** The page has changed something in the piece by itself: the server sends it again. @param {HTMLElement|null|undefined} element */
export function forget(element) {
  element?.closest(PIECE)?.removeAttribute('data-hash');
}

/**
 * Puts what an answer brings into the bench that stands.
 * @param {HTMLElement} bench
 * @param {HTMLElement} answer the bench of the answer: an empty one where only pieces within it are new
 * @returns {{fresh: Fresh, settle: () => void}|null} what has come, and what puts the pieces that stay within it back, once it is wired; null where something is meant to
 * stay that does not stand here: nothing has been changed then, and the whole bench is needed
 */
export function exchange(bench, answer) {
  const standing = new Map([bench, ...bench.querySelectorAll(PIECE)].map(piece => [nameOf(piece), piece]));
  const places = [];
  const stays = [];
  const look = (piece, placed) => {
    const old = standing.get(nameOf(piece));
    if (piece.dataset.kept === undefined) {
      if (!placed) {
        places.push([old, piece]);
      }
      return (placed || old !== undefined) && within(piece).every(inner => look(inner, true));
    }
    if (placed) {
      stays.push([piece, old]);
    }
    return old?.dataset.hash === piece.dataset.hash && within(piece).every(inner => look(inner, false));
  };
  if (!look(answer, false)) {
    return null;
  }
  const marks = stays.map(([piece, old]) => {
    const mark = document.createComment(nameOf(piece));
    piece.replaceWith(mark);
    return [mark, old];
  });
  places.forEach(([old, piece]) => old.replaceWith(piece));
  return {fresh: new Fresh(places.map(([, piece]) => piece)), settle: () => marks.forEach(([mark, old]) => mark.replaceWith(old))};
}
