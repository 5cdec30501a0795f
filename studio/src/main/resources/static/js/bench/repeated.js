// What stands on the bench many times and is always the same: the server sends a mark, the page writes it out.
import {LivePatch} from '../../engine/engine.js';
import {choicesOf, indexOf} from '../lib/parameters.js';
import {placeLimit} from './pictures/route-plot.js';

const TOOLS = {
  earOff: {source: ['mute', 'Not heard for now; never stored'], bypass: ['bypass', 'Bypassed for now; never stored']},
  earSolo: {source: ['solo', 'Hear this alone for now; never stored']},
};

function button(text, name, title, press = false) {
  const made = document.createElement('button');
  made.type = 'button';
  made.textContent = text;
  made.dataset[name] = '';
  if (title) {
    made.title = title;
  }
  if (press) {
    made.className = 'press';
    made.setAttribute('aria-pressed', 'false');
  }
  return made;
}

/** The buttons of a part: what is heard of it, copy, paste, ready parts. */
function fillTools(tools) {
  for (const [name, ofEar] of Object.entries(TOOLS)) {
    const known = ofEar[tools.dataset.ear];
    if (known) {
      tools.append(button(known[0], name, known[1], true));
    }
  }
  const parts = button('parts', 'readyParts', 'Ready parts: starting shapes, heard while choosing');
  parts.setAttribute('aria-haspopup', 'true');
  tools.append(button('copy', 'copyPart'), button('paste', 'pastePart'), parts);
}

/** Where routes can start. @param {HTMLElement} picker the field that has them @returns {string[][]} id, name, and what a macro is called */
export const modulators = picker => picker.dataset.entries.split('|').map(entry => entry.split('='));

/** A row as its template has it: {name} in a label, data-text and data-value take what the row says under their names. */
function fillRow(row, template) {
  const said = row.dataset;
  const made = document.getElementById(template).content.cloneNode(true);
  made.querySelectorAll('[aria-label]').forEach(named => named.setAttribute('aria-label', named.getAttribute('aria-label').replace(/\{(\w+)\}/g, (_, name) => said[name])));
  made.querySelectorAll('[data-text]').forEach(text => { text.textContent = said[text.dataset.text] ?? ''; });
  made.querySelectorAll('[data-value]').forEach(field => field.setAttribute('value', said[field.dataset.value] ?? ''));
  row.append(made);
}

/** What a macro holds. */
function fillTarget(row) {
  const {macro, target, still} = row.dataset;
  fillRow(row, 'target-row');
  if (still === undefined) {
    row.querySelector('.still').remove();
  }
  row.querySelector('[data-now-of]').dataset.nowOf = target;
  const own = target.match(/^layer(\d)/)?.[1];
  row.querySelectorAll('option').forEach(option => {
    const [kind, to] = option.value.split(' ');
    if (kind === 'targetToMacro' && to === macro || kind === 'targetOnLayer' && (own === undefined || to === own)) {
      option.remove();
    }
  });
}

/** A route, with every modulator that can scale it. */
function fillRoute(row) {
  const {route, plot, upward, low, high, side, scaler, fold} = row.dataset;
  fillRow(row, 'route-row');
  row.querySelectorAll('polyline').forEach(line => line.setAttribute('points', plot));
  const large = row.querySelector('.plot.large');
  large.dataset.upward = upward;
  placeLimit(large, 'low', Number(low));
  placeLimit(large, 'high', Number(high));
  row.querySelector('[data-ear-route]').dataset.earRoute = route;
  row.querySelectorAll('.depth, [data-remove-route]').forEach(part => { part.dataset.route = route; });
  row.querySelector('[data-more]').dataset.more = fold;
  row.querySelectorAll('[name=side] option').forEach(option => { option.defaultSelected = option.value === side; });
  row.querySelector('[name=scaler]').append(...modulators(document.querySelector('[data-find-source]')).map(([id, name]) => new Option(name, id, id === scaler, id === scaler)));
}

/** Labels beyond so many characters take two lines, or do so where bars stand close. */
const LONG_LABEL = 13;
const MIDDLE_LABEL = 9;

function labelled(element, index) {
  const label = LivePatch.labelOf(index);
  element.className = `bar-label${label.length > LONG_LABEL ? ' long' : label.length > MIDDLE_LABEL ? ' middle' : ''}`;
  const text = document.createElement('span');
  text.textContent = label;
  element.append(text);
  return element;
}

/** A value bar, but for its track and its value. */
function fillBar(bar) {
  const index = indexOf(bar);
  bar.setAttribute('role', 'slider');
  bar.tabIndex = 0;
  bar.setAttribute('aria-label', LivePatch.nameOf(index));
  const label = labelled(document.createElement('span'), index);
  const {macroHolds} = bar.dataset;
  if (macroHolds) {
    const held = document.createElement('span');
    held.className = 'held';
    held.title = `Held by macro ${macroHolds}`;
    held.textContent = `M${macroHolds}`;
    label.append(held);
  }
  const value = document.createElement('span');
  value.className = 'bar-value num';
  bar.append(label, value);
}

/** A choice with its label and every one of its texts. */
function fillChoice(choice) {
  const index = indexOf(choice);
  const label = labelled(document.createElement('label'), index);
  label.htmlFor = choice.id;
  choice.before(label);
  choice.setAttribute('aria-label', LivePatch.nameOf(index));
  const made = choice.options[0].value;
  choice.replaceChildren(...choicesOf(index).map((text, i) => new Option(text, String(i), false, String(i) === made)));
}

/** Writes out what a fresh piece of the bench has marks for; what has been written out stays. @param {HTMLElement} element */
export function writeOut(element) {
  element.querySelectorAll('.bar:empty').forEach(fillBar);
  element.querySelectorAll('.bar-choice:not([aria-label])').forEach(fillChoice);
  element.querySelectorAll('.part-tools:empty').forEach(fillTools);
  element.querySelectorAll('tr[data-target]:empty').forEach(fillTarget);
  element.querySelectorAll('tr[data-route]:empty').forEach(fillRoute);
}
