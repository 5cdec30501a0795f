// Small boxes over the page beside what they belong to.

const MARGIN = 8;

/**
 * Places a box below another, within the window.
 * @param {HTMLElement} box stands in the document already
 * @param {DOMRect} beside @param {'left'|'right'} [edge] which edges of both are in line
 */
export function placeNear(box, beside, edge = 'left') {
  const within = (place, size, room) => `${Math.max(MARGIN, Math.min(room - size - MARGIN, place))}px`;
  box.style.left = within(edge === 'left' ? beside.left : beside.right - box.offsetWidth, box.offsetWidth, window.innerWidth);
  box.style.top = within(beside.bottom + 2, box.offsetHeight, window.innerHeight);
}
