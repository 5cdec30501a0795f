// A fresh bench keeps the stages that have not changed: only what is new is wired and drawn again.

/** The stages as the server sent them, by name. */
const sent = new Map();
/** Stages that a fresh bench has unchanged: the old ones stay, with everything that is wired to them. */
let aside = [];

/** Takes the unchanged stages out of a fresh bench, so that only what has changed is wired again. */
export function setAside(element) {
  aside = [];
  element.querySelectorAll('[data-stage-panel]').forEach(panel => {
    const name = panel.dataset.stagePanel;
    const html = panel.outerHTML;
    const kept = standing.get(name);
    if (sent.get(name) === html && kept && standingFor === element.dataset.patch) {
      const mark = document.createComment(name);
      panel.replaceWith(mark);
      aside.push([mark, kept]);
    }
    sent.set(name, html);
  });
}

/** The stages that stand on the page now, by name, and the patch they are of. */
const standing = new Map();
let standingFor = '';

/** Puts them into the fresh bench, which stands on the page now. */
export function putBack(element) {
  aside.forEach(([mark, kept]) => mark.replaceWith(kept));
  aside = [];
  standing.clear();
  standingFor = element.dataset.patch;
  element.querySelectorAll('[data-stage-panel]').forEach(panel => standing.set(panel.dataset.stagePanel, panel));
}
