// Keys of a list of tabs, as the ARIA Authoring Practices have them.

/**
 * Arrows, Home and End go through the tabs and choose the one they come to.
 * @param {KeyboardEvent} e a key within the list
 * @param {(tab: HTMLElement) => void} choose
 */
export function walkTabs(e, choose) {
  const tabs = [...e.currentTarget.querySelectorAll('[role=tab]')];
  const at = tabs.indexOf(e.target.closest('[role=tab]'));
  const to = {ArrowRight: at + 1, ArrowLeft: at - 1, Home: 0, End: tabs.length - 1}[e.key];
  if (at >= 0 && to !== undefined) {
    e.preventDefault();
    const tab = tabs[(to + tabs.length) % tabs.length];
    choose(tab);
    tab.focus();
  }
}
