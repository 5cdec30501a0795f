// What somebody is at stays in hand when a part of the page is exchanged: the focus, what was typed and not yet sent, and the caret.

/** Elements that are named like this one, in order: most have a name of their own, rows of a table share theirs. */
function alike(root, element) {
  const part = name => element.hasAttribute(name) ? `[${name}="${CSS.escape(element.getAttribute(name))}"]` : '';
  return [...root.querySelectorAll(`${element.tagName}${part('name')}${part('aria-label')}${part('data-do')}${part('type')}${part('data-hear')}${part('data-parameter')}`)];
}

/**
 * Notes what has the focus within a part of the page.
 * @param {HTMLElement} root
 * @returns {(fresh: HTMLElement, retype: (bar: HTMLElement, text: string) => HTMLInputElement|undefined) => void} gives it back to what has come in its place
 */
export function rememberFocus(root) {
  const element = document.activeElement;
  if (!element || !root.contains(element)) {
    return () => {};
  }
  const bar = element.matches('.bar input') ? element.closest('.bar').id : null;
  const id = element.id;
  const row = element.closest('tr[id], [data-macro-card]');
  const place = bar || id ? -1 : alike(root, element).indexOf(element);
  const typed = element.matches('input:not([type=checkbox], [type=file], [type=range]), textarea') && element.value !== element.defaultValue ? element.value : null;
  const caret = element.matches('input:not([type]), input[type=text], textarea') ? [element.selectionStart, element.selectionEnd] : null;
  return (fresh, retype) => {
    if (document.activeElement !== document.body && document.activeElement?.isConnected && document.activeElement !== element) {
      return;
    }
    let found = id ? document.getElementById(id) : null;
    if (bar) {
      found = retype?.(document.getElementById(bar), typed ?? element.value);
    } else if (!id) {
      found = element.isConnected ? element : alike(fresh, element)[place];
    }
    if (!found || found.disabled || !found.checkVisibility()) {
      found = (row?.id ? document.getElementById(row.id) : null) ?? fresh.querySelector('[data-stage][aria-selected="true"], .slot') ?? document.getElementById('content');
    } else if (typed !== null && !bar) {
      found.value = typed;
    }
    found.focus({preventScroll: true});
    if (caret && found.setSelectionRange) {
      found.setSelectionRange(...caret);
    }
  };
}
