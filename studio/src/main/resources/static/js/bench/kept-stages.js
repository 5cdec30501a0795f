// A fresh bench brings only the stages, and within them the parts, that have changed: those that stand on the page already stay, with everything wired to them.

/** What stays: a mark in the fresh bench, and what goes there. */
let aside = [];
/** The stages and parts that stand on the page now, by name, and the patch they are of. */
const standing = new Map();
let standingFor = '';

const nameOf = element => element.dataset.stagePanel ?? element.dataset.keep;

/**
 * Takes what is unchanged out of a fresh bench, so that only what has changed is wired.
 * @param {HTMLElement} element the fresh bench
 * @returns {boolean} false where something is meant to stay that does not stand here: then the whole bench is needed
 */
export function setAside(element) {
  aside = [];
  let whole = true;
  element.querySelectorAll('[data-kept]').forEach(empty => {
    const kept = standing.get(nameOf(empty));
    if (kept?.dataset.hash === empty.dataset.hash && standingFor === element.dataset.patch) {
      const mark = document.createComment(nameOf(empty));
      empty.replaceWith(mark);
      aside.push([mark, kept]);
    } else {
      whole = false;
    }
  });
  return whole;
}

/** Puts it into the fresh bench, which stands on the page now. */
export function putBack(element) {
  aside.forEach(([mark, kept]) => mark.replaceWith(kept));
  aside = [];
  standing.clear();
  standingFor = element.dataset.patch;
  element.querySelectorAll('[data-stage-panel], [data-keep]').forEach(part => standing.set(nameOf(part), part));
}
