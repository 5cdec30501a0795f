// Run in a page by a test: what a person with a mouse could not hit, see or read. Answers a list of complaints, empty when all is well.
const CONTROLS = 'button, a[href], input:not([type=hidden]), select, textarea, summary, [role=slider], [role=tab], [role=option], canvas[tabindex]';
const complaints = [];

const scroller = document.getElementById('page');
document.querySelectorAll('#content details').forEach(fold => { if (!fold.matches('.row-menu')) { fold.open = true; } });

// Rows outside of the window are not laid out; here all of them are looked at.
document.querySelectorAll('.grid .slot').forEach(row => { row.style.contentVisibility = 'visible'; });

document.querySelectorAll('.effect-card[hidden]').forEach(card => { card.hidden = false; });

const seen = element => !element.closest('thead') && element.checkVisibility({visibilityProperty: true, opacityProperty: true}) && element.getClientRects().length > 0
  && !element.closest('.visually-hidden, dialog:not([open])') && !element.matches('.visually-hidden-focusable');
const name = element => {
  const words = element.getAttribute('aria-label') ?? (element.matches('select, input, textarea') ? element.name || element.id : element.textContent);
  return `${element.tagName.toLowerCase()}${element.id ? `#${element.id}` : ''} "${words.trim().replace(/\s+/g, ' ').slice(0, 40)}"`;
};
/** A field inside a label is hit through it, and a check box with its words. */
const hitBy = (element, hit) => hit && (hit === element || element.contains(hit) || hit.contains(element) && hit.matches('label, summary, a, button')
  || hit.closest('label')?.control === element);

const controls = [...document.querySelectorAll(CONTROLS)].filter(e => seen(e));
for (const element of controls) {
  const placed = element.getClientRects()[0];
  if (scroller.contains(element) && (placed.top < 2 || placed.bottom > scroller.clientHeight - 2) || element.closest('.scroll, .history, .loose, .hear')) {
    element.scrollIntoView({block: 'center', inline: 'center', behavior: 'instant'});
  }
  // A link that breaks over two lines is hit on its first.
  const box = element.getClientRects()[0];
  const x = box.left + box.width / 2;
  const y = box.top + box.height / 2;
  if (x < 0 || y < 0 || x > innerWidth || y > innerHeight) {
    complaints.push(`outside the window: ${name(element)} at ${x.toFixed(0)}, ${y.toFixed(0)}`);
    continue;
  }
  const hit = document.elementFromPoint(x, y);
  if (!hitBy(element, hit)) {
    complaints.push(`covered: ${name(element)} by ${hit ? name(hit) + '.' + hit.className : 'nothing'}`);
  }
  if (!(element.matches('a') && element.closest('p, li, td, dd, dt')) && (box.width < 23.5 || box.height < 23.5) && !element.disabled) {
    complaints.push(`smaller than 24 px: ${name(element)} ${box.width.toFixed(1)} x ${box.height.toFixed(1)}`);
  }
}

scroller.scrollTop = 0;
for (const area of [scroller, document.getElementById('player')]) {
  const boxes = controls.filter(e => area.contains(e)).map(element => ({element, box: element.getClientRects()[0]}));
  boxes.sort((a, b) => a.box.top - b.box.top);
  for (let i = 0; i < boxes.length; i++) {
    for (let k = i + 1; k < boxes.length && boxes[k].box.top < boxes[i].box.bottom - 1; k++) {
      const [a, b] = [boxes[i], boxes[k]];
      const across = Math.min(a.box.right, b.box.right) - Math.max(a.box.left, b.box.left);
      const down = Math.min(a.box.bottom, b.box.bottom) - Math.max(a.box.top, b.box.top);
      if (across > 1 && down > 1 && !a.element.contains(b.element) && !b.element.contains(a.element)
        && a.element.closest('.scroll, .hear') === b.element.closest('.scroll, .hear')) {
        complaints.push(`overlap: ${name(a.element)} and ${name(b.element)} by ${across.toFixed(0)} x ${down.toFixed(0)}`);
      }
    }
  }
}

const clips = style => style.overflowX === 'hidden' || style.overflowX === 'clip';
const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
const judged = new Set();
while (texts.nextNode()) {
  const element = texts.currentNode.parentElement;
  if (!texts.currentNode.data.trim() || judged.has(element) || !seen(element) || element.closest('script, style, svg, option, pre')) {
    continue;
  }
  judged.add(element);
  const range = document.createRange();
  range.selectNodeContents(texts.currentNode);
  const text = range.getBoundingClientRect();
  if (text.width === 0) {
    continue;
  }
  for (let around = element; around && around !== document.body; around = around.parentElement) {
    const style = getComputedStyle(around);
    const box = around.getBoundingClientRect();
    const side = text.right > box.right + 1.5 || text.left < box.left - 1.5;
    if (clips(style) && side) {
      complaints.push(`cut off: "${texts.currentNode.data.trim().slice(0, 40)}" in ${around.tagName.toLowerCase()}.${around.className}`);
      break;
    }
    if (style.overflowX === 'auto' || style.overflowX === 'scroll') {
      break;
    }
  }
}
const pen = document.createElement('canvas').getContext('2d');
for (const select of controls.filter(e => e.matches('select'))) {
  const style = getComputedStyle(select);
  pen.font = style.font;
  const room = select.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight) - 16;
  const needs = pen.measureText(select.selectedOptions[0]?.textContent ?? '').width;
  if (needs > room + 4) {
    complaints.push(`cut off: choice "${select.selectedOptions[0].textContent}" of ${name(select)} needs ${needs.toFixed(0)}, has ${room.toFixed(0)}`);
  }
}
if (scroller.scrollWidth > scroller.clientWidth + 1) {
  complaints.push(`sideways scrolling: ${scroller.scrollWidth} in ${scroller.clientWidth}`);
}
if (document.documentElement.scrollWidth > innerWidth + 1 || document.documentElement.scrollHeight > innerHeight + 1) {
  complaints.push(`the window scrolls: ${document.documentElement.scrollWidth} x ${document.documentElement.scrollHeight}`);
}
return complaints;
