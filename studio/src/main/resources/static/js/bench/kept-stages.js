// A fresh bench brings only the stages that have changed: those that stand on the page already stay, with everything that is wired to them.

/** Stages that stay: a mark in the fresh bench, and what goes there. */
let aside = [];
/** The stages that stand on the page now, by name, and the patch they are of. */
const standing = new Map();
let standingFor = '';

/**
 * Takes the unchanged stages out of a fresh bench, so that only what has changed is wired.
 * @param {HTMLElement} element the fresh bench
 * @returns {boolean} false where a stage is meant to stay that does not stand here: then the whole bench is needed
 */
export function setAside(element) {
  aside = [];
  let whole = true;
  element.querySelectorAll('[data-stage-panel][data-kept]').forEach(panel => {
    const kept = standing.get(panel.dataset.stagePanel);
    if (kept?.dataset.hash === panel.dataset.hash && standingFor === element.dataset.patch) {
      const mark = document.createComment(panel.dataset.stagePanel);
      panel.replaceWith(mark);
      aside.push([mark, kept]);
    } else {
      whole = false;
    }
  });
  return whole;
}

/** Puts them into the fresh bench, which stands on the page now. */
export function putBack(element) {
  aside.forEach(([mark, kept]) => mark.replaceWith(kept));
  aside = [];
  standing.clear();
  standingFor = element.dataset.patch;
  element.querySelectorAll('[data-stage-panel]').forEach(panel => standing.set(panel.dataset.stagePanel, panel));
}
