import { amountOf, Model, kindOf } from './model.js';
import { changeLine, createdOf, draw, layOut, spoken, svg } from './picture.js';
import { Recording, duration, joined } from './recording.js';
import { drawLife, drawTimeline, marksOf } from './scopes.js';

const most = 60;
const smallest = 2.2;
const drawing = JSON.parse(document.getElementById('drawing').textContent);
const model = new Model(drawing);
let recording = drawing.recorded ? new Recording(drawing.recorded) : null;
const changed = [...model.nodes.values()].filter((node) => node.changes.length > 0);
const isRecorded = Boolean(drawing.recorded || drawing.live);
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

/** What is closed and left out as long as nobody says otherwise: where there is much, the files; of a difference, what is not near it. */
const placeAtFirst = drawing.compared && model.nodes.size > most ? 'changes' : '';
const closedAtFirst = () => new Set(model.nodes.size > most && !placeAtFirst ? model.groups : []);

/** The two views of a page with a recording, as its address and the identifiers of its buttons name them. */
const wiringView = 'wiring';
const scopesView = 'scopes';
const views = [wiringView, scopesView];
const firstView = drawing.recorded ? scopesView : wiringView;

/** What can be left out. */
const filtered = ['entry', 'singleton', 'scoped', 'transient', 'level'];

const state = {
  selected: null,
  to: null,
  closed: closedAtFirst(),
  shown: new Set([...filtered, 'missing']),
  place: placeAtFirst,
  text: '',
  view: firstView,
  scope: null,
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
  const hidden = filtered.filter((kind) => !state.shown.has(kind));
  if (hidden.length > 0) {
    parts.set('hide', hidden.join(','));
  }
  if (state.place !== placeAtFirst) {
    parts.set('in', state.place);
  }
  if (isRecorded && state.view !== (firstView)) {
    parts.set('view', state.view);
  }
  if (state.scope !== null) {
    parts.set('scope', state.scope);
  }
  const closed = model.groups.filter((group) => state.closed.has(group));
  if (closed.length === closedAtFirst().size && closed.every((group) => closedAtFirst().has(group))) {
    return `#${parts}`;
  }
  if (closed.length > 0 && closed.length < model.groups.length) {
    parts.set('closed', closed.map((group) => model.groups.indexOf(group)).join(','));
  } else {
    parts.set('closed', closed.length === 0 ? 'none' : 'all');
  }
  return `#${parts}`;
};

const keyOf = (id) => [...model.nodes.values()].find((node) => node.id === id || node.key === id)?.key ?? null;

const readAddress = () => {
  const parts = new URLSearchParams(location.hash.slice(1));
  state.selected = keyOf(parts.get('service'));
  state.to = keyOf(parts.get('to'));
  state.shown = new Set([...filtered, 'missing'].filter((kind) => !(parts.get('hide') ?? '').split(',').includes(kind)));
  state.place = parts.get('in') ?? placeAtFirst;
  state.view = isRecorded ? parts.get('view') ?? (firstView) : wiringView;
  state.scope = parts.has('scope') ? Number(parts.get('scope')) : null;
  const closed = parts.get('closed');
  state.closed = closed === null ? closedAtFirst()
    : closed === 'none' ? new Set()
    : closed === 'all' ? new Set(model.groups)
    : new Set(closed.split(',').map((number) => model.groups[Number(number)]));
  if (state.selected) {
    state.closed.delete(model.nodes.get(state.selected).group);
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

/** In a difference, what may differ: entry points are not compared. */
const counted = () => [...model.nodes.values()].filter((node) => !drawing.compared || kindOf(node) !== 'entry');

/** Lays out and draws what is shown; the view stays where it is, unless it is to show all. */
const redraw = (isFitting = true) => {
  laid = layOut(model.view(state), find('scopes').parentElement.getBoundingClientRect(), isRecorded);
  picture.replaceChildren(...draw(laid, model));
  find('count').textContent = `${drawing.compared ? `${changed.length} of ` : ''}${amountOf(counted())}${drawing.compared ? ' changed' : ''}${laid.boxes.length === model.nodes.size ? '' : `, ${laid.boxes.length} boxes`}`;
  if (isFitting) {
    fit(smallest);
  }
  showCounts();
  light();
};

/** The scope that is opened, if it is still kept. */
const opened = () => state.scope === null ? null : recording?.scopes.get(state.scope) ?? null;

/** Writes into the boxes what was created; and which instances the opened scope has, by number. */
const showCounts = () => {
  if (!recording) {
    return;
  }
  const boxes = new Map(laid.boxes.map((box) => [box.key, box]));
  const scope = opened();
  const numbers = new Map();
  for (const instance of scope ? [...scope.instances, ...recording.outsideOf(scope)] : []) {
    if (instance.number > 0) {
      numbers.set(instance.key, [...numbers.get(instance.key) ?? [], `#${instance.number}`]);
    }
  }
  for (const element of picture.querySelectorAll('.box')) {
    const box = boxes.get(element.dataset.key);
    const own = box.nodes.flatMap((node) => numbers.get(node.key) ?? []);
    const line = element.querySelector('.created, .numbers');
    if (line) {
      line.setAttribute('class', scope ? 'numbers' : 'created');
      line.textContent = !scope ? createdOf(box, recording) : own.length > 4 ? `${own.slice(0, 3).join(' ')} and ${own.length - 3} more` : own.join(' ');
      element.setAttribute('aria-label', spoken(box, model, line.textContent));
    }
  }
};

const boxOf = (key) => laid.boxes.find((box) => box.nodes.some((node) => node.key === key));

/** Lights what is selected, what touches it, and the ways from it; what a search found; and dims the rest. */
const light = () => {
  const near = new Set();
  let way = null;
  const scope = state.selected ? null : opened();
  if (scope) {
    for (const instance of [...scope.instances, ...recording.outsideOf(scope)]) {
      near.add(boxOf(instance.key)?.key);
    }
  }
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
    element.classList.toggle('dim', state.selected || scope ? !near.has(key) : Boolean(state.text) && !isFound(boxes.get(key)));
  }
  for (const element of picture.querySelectorAll('.arrow')) {
    const { from, to } = element.dataset;
    const isLit = way || scope ? near.has(from) && near.has(to) : from === own || to === own;
    element.classList.toggle('lit', Boolean(state.selected || scope) && isLit);
    element.classList.toggle('dim', state.selected || scope ? !isLit : Boolean(state.text));
  }
};

const article = (noun) => /^[aeiou]/.test(noun) ? 'an' : 'a';

const place = (node) => node.file ? `${node.file}${node.line ? `:${node.line}` : ''}` : 'source location unknown';

const link = (key, text) => html('button', { class: 'link', type: 'button', onclick: () => select(key) }, text);

const list = (title, items) => items.length === 0 ? null
  : html('section', {}, html('h3', {}, title), html('ul', {}, ...items.map((item) => html('li', {}, ...item))));

const faultText = (fault) => html('details', { class: `finding ${fault.severity}`, ...(fault.severity === 'error' ? { open: '' } : {}) },
  html('summary', {}, html('span', { class: 'code' }, fault.code), ` ${fault.summary}`),
  fault.fix ? html('p', {}, html('b', {}, 'Fix: '), fault.fix) : '',
  html('details', {}, html('summary', {}, 'Full report'), html('pre', { tabindex: '0' }, fault.text)));

const changeText = (change) => html('span', {}, html('b', {}, `${change.kind[0].toUpperCase()}${change.kind.slice(1)}`),
  change.before ? `, was ${change.before}` : '', change.after ? `${change.before ? '; is ' : ': '}${change.after}` : '');

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
    html('p', { class: 'facts' }, [node.lifetime, node.kind === 'missing' ? 'not registered' : kindOf(node) === 'entry' ? 'entry point: resolves services from outside the wiring' : `created by ${article(node.kind)} ${node.kind}`].filter((each) => each).join(', ')),
    node.maker && node.kind !== 'missing' ? html('p', {}, node.maker) : '',
    node.services.length > 1 ? html('p', {}, `Provides ${node.services.join(', ')}.`) : '',
    node.mark ? html('p', {}, `Marked ${node.mark}.`) : '',
    node.kind === 'missing' ? '' : html('p', { class: 'place' }, `${place(node)}${node.module ? `, in ${node.module}` : ''}`),
    ...node.changes.map((change) => html('p', {}, changeText(change))),
    node.resolvedDirectly ? html('p', {}, 'Resolved directly.') : '',
    ...faults.map(faultText),
    list('Requires', node.needs.map((edge) => [`${edge.parameter}: `, link(edge.to, model.nodes.get(edge.to).title), edge.form === 'one' ? '' : ` (${edge.form})`])) ?? '',
    list('Required by', node.users.map((edge) => [link(edge.from, model.nodes.get(edge.from).title), edge.form === 'one' ? '' : ` (${edge.form})`])) ?? '',
    targets.options.length > 1 ? html('p', {}, html('label', { for: 'to' }, 'Paths to '), targets) : '',
    html('p', { id: 'way', role: 'status' }),
    node.group ? html('p', {}, html('button', { type: 'button', onclick: () => toggle(node.group) }, `Collapse ${node.group.split('/').at(-1)}`)) : '');
  showWay();
};

const showWay = () => {
  const way = find('way');
  if (way && state.selected && state.to) {
    const keys = model.between(state.selected, state.to);
    way.textContent = `${amountOf([...keys].map((key) => model.nodes.get(key)))} are on paths to ${model.nodes.get(state.to).title}.`;
  } else if (way) {
    way.textContent = '';
  }
};

const showAll = () => {
  const faults = [...model.faults.values()];
  panel.replaceChildren(
    ...(drawing.compared ? [
      html('h2', { tabindex: '-1' }, changed.length === 0 ? 'No differences' : `${changed.length} ${changed.length === 1 ? 'service' : 'services'} changed`),
      html('p', { class: 'facts' }, `From ${drawing.compared.before} to ${drawing.compared.after}.`),
      html('ul', { class: 'changes' }, ...changed.map((node) => html('li', {}, link(node.key, node.title), ...node.changes.map((change) => html('div', {}, changeText(change)))))),
    ] : []),
    recording ? html('p', { class: 'facts' }, `${drawing.live ? 'Live' : 'Recorded'} since ${recording.began.toLocaleString()}: the boxes say what was created${recording.sampled ? ' in the scopes of the sample' : ''}. `,
      html('button', { type: 'button', class: 'link', onclick: () => changeView(scopesView) }, 'Look at the scopes')) : '',
    drawing.compared ? '' : html('h2', { tabindex: '-1' }, faults.length === 0 ? 'No faults' : `${faults.length} ${faults.length === 1 ? 'finding' : 'findings'}`),
    ...faults.map((fault) => {
      const text = faultText(fault);
      const keys = [...model.nodes.values()].filter((node) => node.faults.includes(fault.number)).map((node) => node.key);
      text.append(html('p', {}, ...keys.flatMap((key) => [link(key, model.nodes.get(key).title), ' '])));
      return text;
    }),
    html('h3', {}, model.modules.length > 0 ? 'Modules' : 'Files'),
    html('p', {},
      html('button', { type: 'button', onclick: () => toggleAll(true) }, 'Collapse all'), ' ',
      html('button', { type: 'button', onclick: () => toggleAll(false) }, 'Expand all')),
    html('ul', { class: 'groups' }, ...model.groups.map((group) => html('li', {}, html('button', {
      class: 'link', type: 'button', 'aria-expanded': `${!state.closed.has(group)}`, onclick: () => toggle(group),
    }, group)))));
};

const tag = (text, kind = '') => html('span', { class: `tag ${kind}` }, text);

const scopeLink = (number) => html('button', { class: 'link', type: 'button', onclick: () => chooseScope(number) }, number === 0 ? 'the container' : `scope #${number}`);

const instanceName = (instance) => instance.number > 0 ? `${instance.name} #${instance.number}` : instance.name;

const nameOf = (instance) => instance.key && model.nodes.has(instance.key) ? link(instance.key, instanceName(instance)) : instanceName(instance);

/** To whom an instance was given, in words. */
const givenTo = (scope, instance) => {
  const uses = recording.usersIn(scope, instance);
  const counted = new Map();
  for (const use of uses) {
    const text = use.user ? instanceName(use.user) : use.by ? `${use.by}, which resolved it` : 'resolved directly';
    counted.set(text, (counted.get(text) ?? 0) + 1);
  }
  const texts = [...counted].map(([text, times]) => times === 1 ? text : `${text} ${times} times`);
  return texts.length > 5 ? `${texts.slice(0, 4).join(', ')} and ${texts.length - 4} more` : texts.join(', ') || (instance.by ?? '');
};

const instanceRow = (scope, instance) => html('tr', {},
  html('th', { scope: 'row' }, nameOf(instance)),
  html('td', { class: 'lifetime' }, instance.lifetime),
  html('td', {}, drawLife(recording, scope, instance)),
  html('td', { class: 'number' }, instance.began === undefined ? '' : duration(instance.took)),
  html('td', {}, recording.isShared(scope, instance) ? tag('shared', 'shared') : '', instance.failed ? tag(`threw ${instance.failed}`, 'serious') : '', instance.slow ? tag('slow', 'warned') : '', ` ${givenTo(scope, instance)}`));

const numeric = ['Started', 'Took', 'Created', 'Shared'];

const rows = (titles, items) => html('table', {},
  html('thead', {}, html('tr', {}, ...titles.map((title) => html('th', { scope: 'col', class: numeric.includes(title) ? 'number' : '' }, title)))), html('tbody', {}, ...items));

const spanOf = (scope) => scope.ended === undefined ? 'open' : duration(scope.ended - scope.began);

const sampleText = 'A sample: at most 200 scopes a second are recorded, so that the application stays fast.';

const titleOf = (scope) => scope.number === 0 ? 'The container' : `Scope #${scope.number}`;

const showScope = (scope) => {
  const outside = recording.outsideOf(scope);
  const titles = ['Instance', 'Lifetime', scope.number === 0 ? 'From the recording on' : 'Within the scope', 'Took', 'Used by'];
  return [
    html('h2', {}, titleOf(scope), ' '),
    html('p', { class: 'facts' }, html('button', { type: 'button', onclick: () => chooseScope(null) }, 'All scopes'), ' ',
      scope.number > 0 ? html('button', { type: 'button', onclick: () => changeView(wiringView) }, 'Show in the wiring') : '',
      ` ${scope.level}, ${scope.number === 0 ? `since ${recording.began.toLocaleTimeString()}` : `started after ${duration(scope.began)}, ${spanOf(scope)}`}`,
      scope.within ? ', inside ' : '', scope.within ? scopeLink(scope.within) : ''),
    scope.partly ? html('p', { class: 'facts' }, 'Recorded in part: the recording paused while it was open.') : '',
    scope.instances.length === 0 ? html('p', {}, 'Nothing was created.') : rows(titles, [
      ...scope.instances.map((instance) => instanceRow(scope, instance)),
      outside.length === 0 ? '' : html('tr', {}, html('th', { scope: 'rowgroup', colspan: 5, class: 'group' }, 'Used here, created outside this scope')),
      ...outside.map((instance) => html('tr', {},
        html('th', { scope: 'row' }, nameOf(instance)),
        html('td', { class: 'lifetime' }, instance.lifetime),
        html('td', { colspan: 2 }, ...(instance.began === undefined ? [recording.sampled ? 'not recorded: created before, or in a scope that is not in the sample' : 'created before the recording'] : instance.inOlderScope ? ['in a scope that started before the recording']
          : ['in ', scopeLink(recording.instances.get(instance.number).scope.number)])),
        html('td', {}, givenTo(scope, instance)))),
    ]),
    scope.more > 0 ? html('p', {}, `${scope.more} more were not kept.`) : '',
  ];
};

const showScopes = () => {
  const scopes = [recording.scopes.get(0), ...recording.listed.reverse()].filter((scope) => scope);
  return [rows(['Scope', 'Resolved', 'Level', 'Started', 'Took', 'Created', 'Shared', 'Slow or failed'], scopes.map((scope) => {
    const { failed, slow } = marksOf(scope);
    return html('tr', {},
      html('th', { scope: 'row', class: 'lifetime' }, html('button', { class: 'link', type: 'button', onclick: () => chooseScope(scope.number) }, titleOf(scope))),
      html('td', {}, recording.purposeOf(scope).slice(0, 3).join(', ')),
      html('td', { class: 'lifetime' }, scope.level),
      html('td', { class: 'number' }, scope.number === 0 ? '' : duration(scope.began)),
      html('td', { class: 'number' }, scope.number === 0 ? '' : spanOf(scope)),
      html('td', { class: 'number' }, `${scope.instances.filter((instance) => instance.began !== undefined && !instance.failed).length}`),
      html('td', { class: 'number' }, `${scope.instances.filter((instance) => recording.isShared(scope, instance)).length}`),
      html('td', {}, ...failed.slice(0, 2).flatMap((instance) => [tag(`${instance.name} failed`, 'serious'), ' ']),
        ...slow.slice(0, 2).flatMap((instance) => [tag(`${instance.name} ${duration(instance.took)}`, 'warned'), ' '])));
  }))];
};

/** The timeline, and below it the list or the opened scope; what is focused and scrolled to stays so. */
const renderScopes = () => {
  if (!recording || state.view !== scopesView) {
    return;
  }
  const focused = document.activeElement?.closest?.('.bar')?.dataset.scope;
  const { height, elements } = drawTimeline(recording, find('timeline').getBoundingClientRect().width, state.scope);
  find('timeline').setAttribute('height', height);
  find('timeline').replaceChildren(...elements);
  if (focused) {
    find('timeline').querySelector(`[data-scope="${focused}"]`)?.focus();
  }
  const holdsFocus = find('scope').contains(document.activeElement) && document.activeElement !== find('scope');
  if (!holdsFocus || lastShown !== state.scope) {
    const scope = opened();
    find('scope').replaceChildren(...(scope ? showScope(scope) : showScopes()));
    lastShown = state.scope;
  }
};

let lastShown;

const chooseScope = (number) => {
  state.scope = number;
  state.selected = null;
  state.to = null;
  remember();
  renderScopes();
  showCounts();
  light();
  show();
  find('scope').scrollTop = 0;
};

const changeView = (view) => {
  state.view = view;
  remember();
  showView();
};

const showView = () => {
  find('views').hidden = !isRecorded;
  find('scopes').hidden = state.view !== scopesView;
  find('picture').style.visibility = state.view === scopesView ? 'hidden' : 'visible';
  for (const view of views) {
    find(`view-${view}`).setAttribute('aria-pressed', `${view === state.view}`);
  }
  for (const tool of [find('search').parentElement, find('lifetimes'), find('place').parentElement, find('all').parentElement]) {
    tool.hidden = state.view === scopesView;
  }
  renderScopes();
  light();
  show();
};

/** What the opened scope did, beside the picture. */
const showScopeFacts = (scope) => {
  const created = scope.instances.filter((instance) => instance.began !== undefined && !instance.failed);
  const { failed, slow } = marksOf(scope);
  panel.replaceChildren(
    html('h2', { tabindex: '-1' }, titleOf(scope)),
    html('p', { class: 'facts' }, [scope.level, scope.number === 0 ? '' : spanOf(scope)].filter((each) => each).join(', ')),
    recording.purposeOf(scope).length > 0 && scope.number > 0 ? html('p', {}, `For ${recording.purposeOf(scope).join(', ')}.`) : '',
    html('p', {}, `${created.length} created, ${scope.instances.filter((instance) => recording.isShared(scope, instance)).length} of them shared, ${recording.outsideOf(scope).length} used from outside.`),
    ...failed.map((instance) => html('div', { class: 'finding fault' }, html('p', {}, `${instance.name} threw ${instance.failed}.`))),
    ...slow.map((instance) => html('div', { class: 'finding warning' }, html('p', {}, `${instanceName(instance)} took ${duration(instance.took)}.`))),
    list('Created, in this order', scope.instances.filter((instance) => instance.number > 0).map((instance) => [nameOf(instance), ` ${instance.lifetime}`])) ?? '',
    html('p', {}, html('button', { type: 'button', onclick: () => changeView(state.view === scopesView ? wiringView : scopesView) }, state.view === scopesView ? 'Show in the wiring' : 'Show its times'), ' ',
      html('button', { type: 'button', onclick: () => chooseScope(null) }, 'Close scope')));
};

const showRecording = () => {
  const listed = recording.listed;
  const troubled = [recording.scopes.get(0), ...listed].filter((scope) => scope).filter((scope) => marksOf(scope).failed.length + marksOf(scope).slow.length > 0);
  panel.replaceChildren(
    html('h2', { tabindex: '-1' }, drawing.live ? 'Live' : 'A recording'),
    html('p', {}, `Since ${recording.began.toLocaleString()}: ${recording.started} ${recording.started === 1 ? 'scope' : 'scopes'}, ${recording.open} open.`),
    recording.sampled ? html('p', { class: 'facts' }, sampleText) : '',
    recording.started > listed.length ? html('p', { class: 'facts' }, `The last ${listed.length} are kept.`) : '',
    html('p', { class: 'facts' }, 'Each bar is a scope: a request, a message or a job. Open one to see which instances it created and which are shared.'),
    list('Slow or failed', troubled.slice(-12).reverse().map((scope) => [scopeLink(scope.number), ...marksOf(scope).failed.map((instance) => ` ${instance.name} threw`), ...marksOf(scope).slow.map((instance) => ` ${instance.name} was slow`)])) ?? '');
};

const show = () => state.selected ? showNode(model.nodes.get(state.selected))
  : opened() ? showScopeFacts(opened())
  : recording && state.view === scopesView ? showRecording()
  : showAll();

const select = (key, isFocusing = false) => {
  if (key && state.view === scopesView) {
    state.view = wiringView;
    showView();
  }
  state.selected = key;
  state.to = null;
  const isOpening = key && state.closed.delete(model.nodes.get(key).group);
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

const toggle = (group) => {
  if (!state.closed.delete(group)) {
    state.closed.add(group);
    if (state.selected && model.nodes.get(state.selected).group === group) {
      state.selected = null;
      state.to = null;
    }
  }
  remember();
  redraw();
  show();
};

const toggleAll = (isClosing) => {
  state.closed = new Set(isClosing ? model.groups : []);
  state.selected = null;
  state.to = null;
  remember();
  redraw();
  show();
};

const activate = (key) => key.startsWith('group ') ? toggle(key.slice(6)) : select(key);

const choice = (value, text) => html('option', { value, ...(value === state.place ? { selected: '' } : {}) }, text);

const choices = (label, kind, names) => names.length === 0 ? ''
  : html('optgroup', { label }, ...names.map((name) => choice(`${kind} ${name}`, name)));

const showFilters = () => {
  find('place').replaceChildren(choice('', 'everything'), drawing.compared ? choice('changes', 'changes and what they touch') : '', choices('Modules', 'module', model.modules), choices('Folders', 'folder', model.folders), choices('Files', 'file', model.files),
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
  html('thead', {}, html('tr', {}, ...['Service', 'Created by', 'Lifetime', 'Source', 'Requires', 'Faults'].map((title) => html('th', { scope: 'col' }, title)))),
  html('tbody', {}, ...[...model.nodes.values()].map((node) => html('tr', {},
    html('th', { scope: 'row' }, link(node.key, node.title), node.mark ? ` marked ${node.mark}` : '', node.changes.map((change) => ` ${changeLine(change)}`).join('')),
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
  if (/^(file|module) /.test(state.place)) {
    [...model.nodes.values()].filter((node) => model.isIn(node, state.place)).forEach((node) => state.closed.delete(node.group));
  }
  remember();
  redraw();
  show();
});
find('in').addEventListener('click', () => zoom(1 / 1.25));
find('out').addEventListener('click', () => zoom(1.25));
find('all').addEventListener('click', () => fit());
window.addEventListener('resize', () => {
  fit(smallest);
  renderScopes();
});
window.addEventListener('popstate', () => {
  readAddress();
  showFilters();
  redraw();
  showView();
});
for (const view of views) {
  find(`view-${view}`).addEventListener('click', () => changeView(view));
}
const scopeOf = (event) => event.target.closest('.bar')?.dataset.scope;
find('timeline').addEventListener('click', (event) => {
  if (scopeOf(event)) {
    chooseScope(Number(scopeOf(event)));
  }
});
find('timeline').addEventListener('keydown', (event) => {
  const bars = [...find('timeline').querySelectorAll('.bar')];
  const here = bars.findIndex((bar) => bar.dataset.scope === scopeOf(event));
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (here >= 0 && step) {
    bars[here + step]?.focus();
  } else if (here >= 0 && (event.key === 'Enter' || event.key === ' ')) {
    chooseScope(Number(scopeOf(event)));
  } else {
    return;
  }
  event.preventDefault();
});

/** Listens to a running container. What comes while it is paused is shown afterwards. */
const listen = () => {
  const events = new EventSource(`${location.pathname.replace(/\/$/, '')}/events`);
  let isPaused = false;
  let isNew = true;
  let waiting = null;
  const take = (recorded) => {
    if (isNew || !recording) {
      recording = new Recording(recorded);
      isNew = false;
    } else {
      recording.merge(recorded);
    }
  };
  const render = () => {
    if (waiting && !isPaused) {
      take(waiting);
      waiting = null;
    }
    if (recording) {
      find('live').textContent = `${isPaused ? 'paused' : recording.sampled ? 'live, a sample' : 'live'}: ${recording.started} scopes, ${recording.open} open`;
    }
    showCounts();
    renderScopes();
    if (!state.selected && !panel.contains(document.activeElement) && (state.view === scopesView || opened())) {
      show();
    }
    light();
  };
  events.addEventListener('open', () => {
    isNew = true;
    waiting = null;
  });
  events.addEventListener('recorded', (event) => {
    waiting = joined(waiting, JSON.parse(event.data));
    if (!isPaused) {
      requestAnimationFrame(render);
    }
  });
  events.addEventListener('error', () => {
    find('live').textContent = events.readyState === EventSource.CLOSED ? 'Disconnected: reload the page' : 'Disconnected: reconnecting …';
  });
  find('pause').hidden = false;
  find('pause').addEventListener('click', () => {
    isPaused = !isPaused;
    find('pause').setAttribute('aria-pressed', `${isPaused}`);
    render();
  });
};

for (const sample of document.querySelectorAll('svg.sample')) {
  sample.append(...sampleOf(sample.dataset.kind));
}

function sampleOf(kind) {
  switch (kind) {
    case 'singleton': return [svg('rect', { class: 'frame', x: 1, y: 1, width: 24, height: 14 }), svg('rect', { class: 'inner', x: 3.5, y: 3.5, width: 19, height: 9 })];
    case 'scoped': return [svg('rect', { class: 'frame', x: 1, y: 1, width: 24, height: 14, rx: 6 })];
    case 'transient': return [svg('ellipse', { class: 'frame', cx: 13, cy: 8, rx: 12, ry: 7 })];
    case 'entry': return [svg('polygon', { class: 'frame', points: '1,1 18,1 25,8 18,15 1,15' })];
    default: return [svg('polygon', { class: 'frame', points: '5,1 21,1 25,5 25,11 21,15 5,15 1,11 1,5' })];
  }
}

readAddress();
showFilters();
redraw();
showView();
if (drawing.live) {
  listen();
}
