// Tabs within a stage: which panel of a group is shown, also after the stage has been exchanged.
import {walkTabs} from './tabs.js';

/** The panel that was chosen last, by the name of the group. */
const chosen = new Map();

/**
 * @param {HTMLElement} root
 * @param {string} group value of data-tab-group on the list of tabs; its tabs say by aria-controls what they show
 */
export function wireTabPanels(root, group) {
  const list = root.querySelector(`[data-tab-group="${group}"]`);
  if (!list) {
    // The stage stayed as it was, with its tabs.
    return;
  }
  const choose = tab => {
    chosen.set(group, tab.id);
    list.querySelectorAll('[role=tab]').forEach(t => {
      t.setAttribute('aria-selected', String(t === tab));
      t.tabIndex = t === tab ? 0 : -1;
      const panel = root.querySelector(`#${t.getAttribute('aria-controls')}`);
      panel.hidden = t !== tab;
      panel.dispatchEvent(new CustomEvent('comet:shown'));
    });
  };
  list.addEventListener('click', e => {
    const tab = e.target.closest('[role=tab]');
    if (tab) {
      choose(tab);
    }
  });
  list.addEventListener('keydown', e => walkTabs(e, choose));
  choose(list.querySelector(`#${chosen.get(group) ?? list.querySelector('[role=tab]').id}`));
}
