import { Model, kindOf } from './model.js';
import { draw, layOut, svg } from './picture.js';

const most = 60;
const smallest = 2.2;
const model = new Model(JSON.parse(document.getElementById('drawing').textContent));
const find = (id) => document.getElementById(id);
const picture = find('picture');
const panel = find('panel');

/** An element of the page. Texts go in as text. */
const html = (name, attributes = {}, ...children) => {
  const element = document.createElement(name);
  for (const [key, value] of Object.entries(attributes)) {
    if (key.startsWith('on')) {
      element.addEventListener(key.slice(2), value);
    } else {
      element.setAttribute(key, value);
    }
  }
  element.append(...children.filter((child) => child !== null));
  return element;
};

const state = {
  selected: null,
  to: null,
  closed: new Set(model.nodes.size > most ? model.files : []),
  shown: new Set(['singleton', 'scoped', 'transient', 'level', 'missing']),
  place: '',
  text: '',
};

let laid = { boxes: [], arrows: [], width: 1, height: 1 };
let frame = { x: 0, y: 0, width: 1, height: 1 };

/** The present view as the part of the address behind #, so that it can be linked to. */
const address = () => {
  const parts = new URLSearchParams();
  if (state.selected) {
    parts.set('service', model.nodes.get(state.selected).id ?? state.selected);
  }
  if (state.to) {
    parts.set('to', model.nodes.get(state.to).id ?? state.to);
  }
  const hidden = ['singleton', 'scoped', 'transient', 'level'].filter((kind) => !state.shown.has(kind));
  if (hidden.length > 0) {
    parts.set('hide', hidden.join(','));
  }
  if (state.place) {
    parts.set('in', state.place);
  }
  const closed = model.files.filter((file) => state.closed.has(file));
  if (closed.length > 0 && closed.length < model.files.length) {
    parts.set('closed', closed.map((file) => model.files.indexOf(file)).join(','));
  } else if (closed.length === 0 && model.nodes.size > most) {
    parts.set('closed', 'none');
  } else if (closed.length > 0 && model.nodes.size <= most) {
    parts.set('closed', 'all');
  }
  return `#${parts}`;
};

const keyOf = (id) => [...model.nodes.values()].find((node) => node.id === id || node.key === id)?.key ?? null;

const readAddress = () => {
  const parts = new URLSearchParams(location.hash.slice(1));
  state.selected = keyOf(parts.get('service'));
  state.to = keyOf(parts.get('to'));
  state.shown = new Set(['singleton', 'scoped', 'transient', 'level', 'missing'].filter((kind) => !(parts.get('hide') ?? '').split(',').includes(kind)));
  state.place = parts.get('in') ?? '';
  const closed = parts.get('closed');
  state.closed = closed === null ? new Set(model.nodes.size > most ? model.files : [])
    : closed === 'none' ? new Set()
    : closed === 'all' ? new Set(model.files)
    : new Set(closed.split(',').map((number) => model.files[Number(number)]));
  if (state.selected) {
    state.closed.delete(model.nodes.get(state.selected).file);
  }
};

const remember = () => {
  if (address() !== (location.hash || '#')) {
    history.pushState(null, '', address());
  }
};

const applyFrame = () => picture.setAttribute('viewBox', `${frame.x} ${frame.y} ${frame.width} ${frame.height}`);

/** Shows all; or as much from the middle as can still be read. */
const fit = (most = Infinity) => {
  const { width, height } = picture.getBoundingClientRect();
  const scale = Math.min(most, Math.max(laid.width / Math.max(width, 1), laid.height / Math.max(height, 1), 0.75));
  frame = { width: width * scale, height: height * scale, x: (laid.width - width * scale) / 2, y: (laid.height - height * scale) / 2 };
  applyFrame();
};

const zoom = (factor, x = frame.x + frame.width / 2, y = frame.y + frame.height / 2) => {
  frame = { x: x - (x - frame.x) * factor, y: y - (y - frame.y) * factor, width: frame.width * factor, height: frame.height * factor };
  applyFrame();
};

const move = (across, down) => {
  frame = { ...frame, x: frame.x + across * frame.width, y: frame.y + down * frame.height };
  applyFrame();
};

/** Lays out and draws what is shown; the view stays where it is, unless it is to show all. */
const redraw = (isFitting = true) => {
  laid = layOut(model.view(state), picture.getBoundingClientRect());
  picture.replaceChildren(...draw(laid, model));
  find('count').textContent = `${model.nodes.size} services${laid.boxes.length === model.nodes.size ? '' : `, ${laid.boxes.length} boxes`}`;
  if (isFitting) {
    fit(smallest);
  }
  light();
};

const boxOf = (key) => laid.boxes.find((box) => box.nodes.some((node) => node.key === key));

/** Lights what is selected, what touches it, and the ways from it; what a search found; and dims the rest. */
const light = () => {
  const near = new Set();
  let way = null;
  if (state.selected) {
    const node = model.nodes.get(state.selected);
    way = state.to ? model.between(state.selected, state.to) : null;
    for (const key of way ?? [node.key, ...node.needs.map((edge) => edge.to), ...node.users.map((edge) => edge.from)]) {
      near.add(boxOf(key)?.key);
    }
  }
  const own = state.selected ? boxOf(state.selected)?.key : null;
  const isFound = (box) => state.text && box.nodes.some((node) => model.matches(node, state.text));
  const boxes = new Map(laid.boxes.map((box) => [box.key, box]));
  for (const element of picture.querySelectorAll('.box')) {
    const key = element.dataset.key;
    element.classList.toggle('selected', key === own);
    element.classList.toggle('found', Boolean(isFound(boxes.get(key))));
    element.classList.toggle('dim', state.selected ? !near.has(key) : Boolean(state.text) && !isFound(boxes.get(key)));
  }
  for (const element of picture.querySelectorAll('.arrow')) {
    const { from, to } = element.dataset;
    const isLit = way ? near.has(from) && near.has(to) : from === own || to === own;
    element.classList.toggle('lit', Boolean(state.selected) && isLit);
    element.classList.toggle('dim', state.selected ? !isLit : Boolean(state.text));
  }
};

const place = (node) => node.file ? `${node.file}${node.line ? `:${node.line}` : ''}` : 'place unknown';

const link = (key, text) => html('button', { class: 'link', type: 'button', onclick: () => select(key) }, text);

const list = (title, items) => items.length === 0 ? null
  : html('section', {}, html('h3', {}, title), html('ul', {}, ...items.map((item) => html('li', {}, ...item))));

const faultText = (fault) => html('details', { class: `finding ${fault.severity}`, ...(fault.severity === 'fault' ? { open: '' } : {}) },
  html('summary', {}, html('span', { class: 'code' }, fault.code), ` ${fault.summary}`),
  fault.fix ? html('p', {}, html('b', {}, 'Fix: '), fault.fix) : '',
  html('details', {}, html('summary', {}, 'the whole text'), html('pre', { tabindex: '0' }, fault.text)));

const showNode = (node) => {
  const faults = node.faults.map((number) => model.faults.get(number)).filter((fault) => fault);
  const targets = html('select', { id: 'to', onchange: (event) => {
    state.to = event.target.value || null;
    remember();
    light();
    showWay();
  } }, html('option', { value: '' }, 'choose a service'), ...[...model.reached(node.key, (each) => each.needs.map((edge) => edge.to))]
    .filter((key) => key !== node.key)
    .map((key) => model.nodes.get(key))
    .sort((one, other) => one.title.localeCompare(other.title))
    .map((other) => html('option', { value: other.key, ...(other.key === state.to ? { selected: '' } : {}) }, other.title)));
  panel.replaceChildren(
    html('h2', { tabindex: '-1' }, node.title),
    html('p', { class: 'facts' }, [node.lifetime, node.kind === 'missing' ? 'not registered' : `created by a ${node.kind}`].filter((each) => each).join(', ')),
    node.maker && node.kind !== 'missing' ? html('p', {}, node.maker) : '',
    node.services.length > 1 ? html('p', {}, `Provides ${node.services.join(', ')}.`) : '',
    node.mark ? html('p', {}, `Marked ${node.mark}.`) : '',
    node.kind === 'missing' ? '' : html('p', { class: 'place' }, place(node)),
    node.resolvedDirectly ? html('p', {}, 'Resolved directly.') : '',
    ...faults.map(faultText),
    list('Requires', node.needs.map((edge) => [`${edge.parameter}: `, link(edge.to, model.nodes.get(edge.to).title), edge.form === 'one' ? '' : ` (${edge.form})`])) ?? '',
    list('Required by', node.users.map((edge) => [link(edge.from, model.nodes.get(edge.from).title), edge.form === 'one' ? '' : ` (${edge.form})`])) ?? '',
    targets.options.length > 1 ? html('p', {}, html('label', { for: 'to' }, 'Ways to '), targets) : '',
    html('p', { id: 'way', role: 'status' }),
    node.file ? html('p', {}, html('button', { type: 'button', onclick: () => toggle(node.file) }, `Close ${node.file.split('/').at(-1)}`)) : '');
  showWay();
};

const showWay = () => {
  const way = find('way');
  if (way && state.selected && state.to) {
    const keys = model.between(state.selected, state.to);
    way.textContent = `${keys.size} services are on the ways to ${model.nodes.get(state.to).title}.`;
  } else if (way) {
    way.textContent = '';
  }
};

const showAll = () => {
  const faults = [...model.faults.values()];
  panel.replaceChildren(
    html('h2', { tabindex: '-1' }, faults.length === 0 ? 'No faults' : `${faults.length} ${faults.length === 1 ? 'finding' : 'findings'}`),
    ...faults.map((fault) => {
      const text = faultText(fault);
      const keys = [...model.nodes.values()].filter((node) => node.faults.includes(fault.number)).map((node) => node.key);
      text.append(html('p', {}, ...keys.flatMap((key) => [link(key, model.nodes.get(key).title), ' '])));
      return text;
    }),
    html('h3', {}, 'Files'),
    html('p', {},
      html('button', { type: 'button', onclick: () => toggleAll(true) }, 'Close all'), ' ',
      html('button', { type: 'button', onclick: () => toggleAll(false) }, 'Open all')),
    html('ul', { class: 'files' }, ...model.files.filter((file) => file).map((file) => html('li', {}, html('button', {
      class: 'link', type: 'button', 'aria-expanded': `${!state.closed.has(file)}`, onclick: () => toggle(file),
    }, file)))));
};

const show = () => state.selected ? showNode(model.nodes.get(state.selected)) : showAll();

const select = (key, isFocusing = false) => {
  state.selected = key;
  state.to = null;
  const file = key && model.nodes.get(key).file;
  const isOpening = key && state.closed.delete(file);
  if (key && !state.shown.has(kindOf(model.nodes.get(key)))) {
    state.shown.add(kindOf(model.nodes.get(key)));
    showFilters();
    redraw();
  } else if (key && !model.isIn(model.nodes.get(key), state.place)) {
    state.place = '';
    showFilters();
    redraw();
  } else if (isOpening) {
    redraw();
  } else {
    light();
  }
  remember();
  show();
  if (key && isFocusing) {
    focusBox(key);
  }
};

const focusBox = (key) => picture.querySelector(`.box[data-key="${CSS.escape(boxOf(key)?.key ?? '')}"]`)?.focus();

const toggle = (file) => {
  if (!state.closed.delete(file)) {
    state.closed.add(file);
    if (state.selected && model.nodes.get(state.selected).file === file) {
      state.selected = null;
      state.to = null;
    }
  }
  remember();
  redraw();
  show();
};

const toggleAll = (isClosing) => {
  state.closed = new Set(isClosing ? model.files : []);
  state.selected = null;
  state.to = null;
  remember();
  redraw();
  show();
};

const activate = (key) => key.startsWith('file ') ? toggle(key.slice(5)) : select(key);

const choice = (value, text) => html('option', { value, ...(value === state.place ? { selected: '' } : {}) }, text);

const choices = (label, kind, names) => names.length === 0 ? ''
  : html('optgroup', { label }, ...names.map((name) => choice(`${kind} ${name}`, name)));

const showFilters = () => {
  find('place').replaceChildren(choice('', 'everything'), choices('Folders', 'folder', model.folders), choices('Files', 'file', model.files),
    choices('Namespaces', 'namespace', model.namespaces));
  for (const input of find('lifetimes').querySelectorAll('input')) {
    input.parentElement.hidden = ![...model.nodes.values()].some((node) => kindOf(node) === input.value);
    input.checked = state.shown.has(input.value);
  }
};

const showFound = () => {
  const found = state.text ? [...model.nodes.values()].filter((node) => model.matches(node, state.text)) : [];
  find('found').replaceChildren(...found.slice(0, 12).map((node) => html('li', {}, link(node.key, node.title),
    ` ${[node.maker, node.lifetime].filter((each) => each).join(', ')}`)));
  find('found').hidden = found.length === 0;
  find('matches').textContent = state.text ? `${found.length} found` : '';
  light();
};

find('table').addEventListener('toggle', () => find('table').append(html('table', {},
  html('thead', {}, html('tr', {}, ...['Service', 'Created by', 'Lifetime', 'Place', 'Requires', 'Faults'].map((title) => html('th', { scope: 'col' }, title)))),
  html('tbody', {}, ...[...model.nodes.values()].map((node) => html('tr', {},
    html('th', { scope: 'row' }, link(node.key, node.title), node.mark ? ` marked ${node.mark}` : ''),
    html('td', {}, node.maker || node.kind),
    html('td', {}, node.lifetime),
    html('td', {}, node.kind === 'missing' ? '' : place(node)),
    html('td', {}, [...new Set(node.needs.map((edge) => model.nodes.get(edge.to).title))].join(', ')),
    html('td', {}, [...new Set(node.faults.map((number) => model.faults.get(number)?.code))].join(', '))))))), { once: true });

const step = (element, across, down) => {
  const here = laid.boxes.find((box) => box.key === element.dataset.key);
  const ahead = laid.boxes.filter((box) => across ? Math.sign(box.x - here.x) === across && Math.abs(box.y - here.y) < 40 : Math.sign(box.y - here.y) === down && Math.abs(box.y - here.y) > 30);
  ahead.sort((one, other) => Math.hypot((one.x - here.x) * (down ? 1.5 : 1), one.y - here.y) - Math.hypot((other.x - here.x) * (down ? 1.5 : 1), other.y - here.y));
  if (ahead[0]) {
    picture.querySelector(`.box[data-key="${CSS.escape(ahead[0].key)}"]`).focus();
  }
};

picture.addEventListener('click', (event) => {
  const box = event.target.closest('.box');
  if (box) {
    activate(box.dataset.key);
  } else if (!dragged) {
    select(null);
  }
});

picture.addEventListener('keydown', (event) => {
  const box = event.target.closest('.box');
  const arrows = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
  if (box && (event.key === 'Enter' || event.key === ' ')) {
    activate(box.dataset.key);
  } else if (box && arrows[event.key] && !event.shiftKey) {
    step(box, ...arrows[event.key]);
  } else if (arrows[event.key]) {
    move(arrows[event.key][0] * 0.1, arrows[event.key][1] * 0.1);
  } else {
    return;
  }
  event.preventDefault();
});

picture.addEventListener('focusin', (event) => {
  const box = laid.boxes.find((each) => each.key === event.target.closest('.box')?.dataset.key);
  if (box && (box.x < frame.x || box.x > frame.x + frame.width || box.y < frame.y || box.y > frame.y + frame.height)) {
    frame = { ...frame, x: box.x - frame.width / 2, y: box.y - frame.height / 2 };
    applyFrame();
  }
});

let dragged = false;
let grip = null;
picture.addEventListener('pointerdown', (event) => {
  grip = { x: event.clientX, y: event.clientY };
  dragged = false;
});
window.addEventListener('pointermove', (event) => {
  if (grip) {
    const scale = frame.width / picture.getBoundingClientRect().width;
    dragged ||= Math.hypot(event.clientX - grip.x, event.clientY - grip.y) > 4;
    if (dragged) {
      frame = { ...frame, x: frame.x - (event.clientX - grip.x) * scale, y: frame.y - (event.clientY - grip.y) * scale };
      grip = { x: event.clientX, y: event.clientY };
      applyFrame();
    }
  }
});
window.addEventListener('pointerup', () => { grip = null; });
picture.addEventListener('wheel', (event) => {
  event.preventDefault();
  const area = picture.getBoundingClientRect();
  zoom(event.deltaY > 0 ? 1.12 : 1 / 1.12, frame.x + (event.clientX - area.left) / area.width * frame.width, frame.y + (event.clientY - area.top) / area.height * frame.height);
}, { passive: false });

document.addEventListener('keydown', (event) => {
  const isTyping = event.target.matches('input, select, textarea');
  const keys = { '+': () => zoom(1 / 1.25), '-': () => zoom(1.25), 0: () => fit(), '/': () => find('search').focus() };
  if (event.key === 'Escape') {
    find('search').value = '';
    state.text = '';
    showFound();
    select(null);
  } else if (!isTyping && keys[event.key] && !event.ctrlKey && !event.metaKey) {
    keys[event.key]();
    event.preventDefault();
  }
});

find('search').addEventListener('input', (event) => {
  state.text = event.target.value.trim();
  showFound();
});
find('search').addEventListener('keydown', (event) => {
  const first = event.key === 'Enter' && [...model.nodes.values()].find((node) => state.text && model.matches(node, state.text));
  if (first) {
    select(first.key, true);
  }
});
find('lifetimes').addEventListener('change', (event) => {
  if (event.target.checked) {
    state.shown.add(event.target.value);
  } else {
    state.shown.delete(event.target.value);
  }
  remember();
  redraw();
});
find('place').addEventListener('change', (event) => {
  state.place = event.target.value;
  if (state.place.startsWith('file ')) {
    state.closed.delete(state.place.slice(5));
  }
  remember();
  redraw();
  show();
});
find('in').addEventListener('click', () => zoom(1 / 1.25));
find('out').addEventListener('click', () => zoom(1.25));
find('all').addEventListener('click', () => fit());
window.addEventListener('resize', () => fit(smallest));
window.addEventListener('popstate', () => {
  readAddress();
  showFilters();
  redraw();
  show();
});

for (const sample of document.querySelectorAll('svg.sample')) {
  sample.append(...sampleOf(sample.dataset.kind));
}

function sampleOf(kind) {
  switch (kind) {
    case 'singleton': return [svg('rect', { class: 'frame', x: 1, y: 1, width: 24, height: 14 }), svg('rect', { class: 'inner', x: 3.5, y: 3.5, width: 19, height: 9 })];
    case 'scoped': return [svg('rect', { class: 'frame', x: 1, y: 1, width: 24, height: 14, rx: 6 })];
    case 'transient': return [svg('ellipse', { class: 'frame', cx: 13, cy: 8, rx: 12, ry: 7 })];
    default: return [svg('polygon', { class: 'frame', points: '5,1 21,1 25,5 25,11 21,15 5,15 1,11 1,5' })];
  }
}

readAddress();
showFilters();
redraw();
show();
