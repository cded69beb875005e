// Lays out what is shown, and draws it as SVG. All texts go in as text, never as markup.
import dagre from '@dagrejs/dagre';
import { amountOf, kindOf } from './model.js';

const letter = 7.2;
const titleLetter = 8.3;
const lineHeight = 16;
const point = 14;
const namespace = 'http://www.w3.org/2000/svg';

export const svg = (name, attributes = {}, ...children) => {
  const element = document.createElementNS(namespace, name);
  for (const [key, value] of Object.entries(attributes)) {
    element.setAttribute(key, value);
  }
  element.append(...children);
  return element;
};

const signs = { added: '+ added', removed: '− removed' };

/** What has changed, in one line of a box. */
export const changeLine = (change) => signs[change.kind] ?? (change.before ? `≠ was ${change.before}` : `≠ ${change.kind}`);

/** How a box has changed: added, removed, or changed in itself; '' for not at all. */
export const changeOf = (box) => {
  const kinds = new Set(box.nodes.flatMap((node) => node.changes.map((change) => change.kind)));
  return kinds.size === 0 ? '' : kinds.has('added') && kinds.size === 1 ? 'added' : kinds.has('removed') && kinds.size === 1 ? 'removed' : 'changed';
};

/** The lines in a box: the title first. */
export const linesOf = (box) => {
  if (box.key.startsWith('group ')) {
    const name = box.nodes[0].group || 'place unknown';
    const changed = box.nodes.filter((node) => node.changes.length > 0).length;
    return [name.split('/').at(-1), amountOf(box.nodes), changed > 0 ? `≠ ${changed} changed` : ''].filter((line) => line);
  }
  const [node] = box.nodes;
  const others = node.services.slice(1).filter((service) => service !== node.maker);
  const isNamed = ['class', 'alias', 'decorator', 'missing'].includes(node.kind);
  return [
    node.title,
    others.length > 2 ? `also ${others.slice(0, 2).join(', ')} and ${others.length - 2} more` : others.length > 0 ? `also ${others.join(', ')}` : '',
    isNamed ? node.maker : '',
    node.mark ? `marked ${node.mark}` : '',
    ...node.changes.map(changeLine),
    [node.lifetime, node.kind === 'class' || node.kind === 'missing' ? '' : node.kind].filter((each) => each).join(', '),
  ].filter((line) => line);
};

/** Keeps the place for what is created, as wide as that may be. */
const placeholder = '\u00a0'.repeat(24);

const shorten = (text) => text.length > 44 ? `${text.slice(0, 43)}…` : text;

/** What was created of the services of a box, where that is recorded. */
export const createdOf = (box, recording) => {
  const counts = box.nodes.map((node) => recording.counts.get(node.key)).filter((count) => count);
  const sum = (part) => counts.reduce((total, count) => total + count[part], 0);
  if (sum('created') + sum('failed') === 0) {
    return '';
  }
  const open = box.nodes.length === 1 ? sum('open') : 0;
  return [`${sum('created')} created`, open > 0 ? `in ${open} open ${open === 1 ? 'scope' : 'scopes'}` : '', sum('failed') > 0 ? `${sum('failed')} failed` : ''].filter((each) => each).join(', ');
};

/** Where everything is: in layers from above to below, or from left to right, whichever is shown larger in a room. */
export const layOut = (view, room, isRecorded = false) => {
  for (const box of view.boxes) {
    box.lines = [...linesOf(box).map(shorten), ...(isRecorded && box.nodes.some((node) => node.kind !== 'missing') ? [placeholder] : [])];
    box.kind = box.key.startsWith('group ') ? 'group' : kindOf(box.nodes[0]);
    const factor = box.kind === 'transient' ? 1.25 : box.kind === 'level' ? 1.15 : 1;
    box.width = Math.max(90, factor * Math.max(...box.lines.map((line, number) => line.length * (number === 0 ? titleLetter : letter))) + 26 + (box.kind === 'entry' ? point : 0));
    box.height = box.lines.length * lineHeight + (box.kind === 'transient' ? 30 : 20);
  }
  for (const arrow of view.arrows) {
    arrow.label = labelOf(arrow);
  }
  const ways = (view.boxes.length > 150 ? ['LR'] : ['TB', 'LR']).map((direction) => graphOf(view, direction));
  const scaleOf = (graph) => Math.min(room.width / graph.graph().width, room.height / graph.graph().height);
  return placed(view, ways.reduce((best, graph) => scaleOf(graph) > scaleOf(best) ? graph : best));
};

const graphOf = (view, direction) => {
  const graph = new dagre.graphlib.Graph({ multigraph: true });
  graph.setGraph({
    rankdir: direction, nodesep: 18, edgesep: 12, ranksep: direction === 'LR' ? 64 : 54, marginx: 24, marginy: 24,
    ranker: view.boxes.length > 300 ? 'longest-path' : 'network-simplex',
  });
  for (const box of view.boxes) {
    graph.setNode(box.key, { width: box.width, height: box.height });
  }
  for (const arrow of view.arrows) {
    graph.setEdge(arrow.from, arrow.to, { width: arrow.label.length * 6.4, height: arrow.label ? 14 : 0, labelpos: 'c' }, arrow.key);
  }
  dagre.layout(graph);
  return graph;
};

const placed = (view, graph) => {
  const boxes = new Map(view.boxes.map((box) => [box.key, box]));
  for (const box of view.boxes) {
    const { x, y } = graph.node(box.key);
    Object.assign(box, { x, y });
  }
  for (const arrow of view.arrows) {
    const { points, x, y } = graph.edge(arrow.from, arrow.to, arrow.key);
    Object.assign(arrow, { points: [
      onOutline(boxes.get(arrow.from), points[0], points[1]),
      ...points.slice(1, -1),
      onOutline(boxes.get(arrow.to), points.at(-1), points.at(-2)),
    ], x, y });
  }
  const { width, height } = graph.graph();
  return { ...view, width: Math.max(width, 1), height: Math.max(height, 1) };
};

/** Where an arrow touches a box: the layout knows rectangles only. */
const onOutline = (box, end, before) => {
  if (box.kind !== 'transient') {
    return end;
  }
  const [across, down] = [before.x - box.x, before.y - box.y];
  const scale = 1 / Math.hypot(across / (box.width / 2), down / (box.height / 2));
  return Number.isFinite(scale) ? { x: box.x + across * scale, y: box.y + down * scale } : end;
};

const labelOf = (arrow) => {
  const form = arrow.form === 'one' || arrow.form === 'missing' ? '' : arrow.form;
  return [{ added: '+', removed: '−' }[arrow.change] ?? '', arrow.edges.length > 1 && arrow.form === 'one' ? `${arrow.edges.length}` : form, ...(arrow.codes ?? [])].filter((each) => each).join(' ');
};

const outline = (box) => {
  const { width: w, height: h } = box;
  const common = { class: 'frame' };
  switch (box.kind) {
    case 'singleton':
      return [
        svg('rect', { ...common, x: -w / 2, y: -h / 2, width: w, height: h }),
        svg('rect', { class: 'inner', x: -w / 2 + 4, y: -h / 2 + 4, width: w - 8, height: h - 8 }),
      ];
    case 'scoped':
      return [svg('rect', { ...common, x: -w / 2, y: -h / 2, width: w, height: h, rx: 14 })];
    case 'transient':
      return [svg('ellipse', { ...common, rx: w / 2, ry: h / 2 })];
    case 'level': {
      const cut = 14;
      const corners = [[-w / 2 + cut, -h / 2], [w / 2 - cut, -h / 2], [w / 2, -h / 2 + cut], [w / 2, h / 2 - cut],
        [w / 2 - cut, h / 2], [-w / 2 + cut, h / 2], [-w / 2, h / 2 - cut], [-w / 2, -h / 2 + cut]];
      return [svg('polygon', { ...common, points: corners.map((corner) => corner.join(',')).join(' ') })];
    }
    case 'entry': {
      const corners = [[-w / 2, -h / 2], [w / 2 - point, -h / 2], [w / 2, 0], [w / 2 - point, h / 2], [-w / 2, h / 2]];
      return [svg('polygon', { ...common, points: corners.map((corner) => corner.join(',')).join(' ') })];
    }
    case 'group':
      return [
        svg('rect', { class: 'stack', x: -w / 2 + 6, y: -h / 2 - 6, width: w, height: h }),
        svg('rect', { ...common, x: -w / 2, y: -h / 2, width: w, height: h }),
      ];
    default:
      return [svg('rect', { ...common, x: -w / 2, y: -h / 2, width: w, height: h })];
  }
};

/** A line through points, with its corners rounded. */
const smooth = (points) => {
  let path = `M${points[0].x},${points[0].y}`;
  for (let number = 1; number < points.length - 1; number++) {
    const here = points[number];
    const toward = (other) => {
      const length = Math.hypot(other.x - here.x, other.y - here.y) || 1;
      const part = Math.min(34, length / 2) / length;
      return { x: here.x + (other.x - here.x) * part, y: here.y + (other.y - here.y) * part };
    };
    const start = toward(points[number - 1]);
    const end = toward(points[number + 1]);
    path += `L${start.x},${start.y}Q${here.x},${here.y} ${end.x},${end.y}`;
  }
  return `${path}L${points.at(-1).x},${points.at(-1).y}`;
};

/** What a screen reader says of a box: what is written in it, and its faults. */
export const spoken = (box, model, created = '') => {
  const faults = [...new Set(box.nodes.flatMap((node) => node.faults))].map((number) => model.faults.get(number)?.code).filter((code) => code);
  return `${[...box.lines.filter((line) => line !== placeholder), created].filter((line) => line).join(' ')}${faults.length > 0 ? `, has part in ${faults.join(', ')}` : ''}`;
};

/** Draws it all; the boxes in the order in which a reader comes to them. */
export const draw = (laid, model) => {
  const arrows = svg('g', { class: 'arrows' });
  for (const arrow of laid.arrows) {
    const severity = arrow.faults.length === 0 ? '' : model.isSerious(arrow.faults) ? ' serious' : ' warned';
    const form = arrow.form.replaceAll(' ', '-');
    const group = svg('g', { class: `arrow form-${form}${severity}${arrow.change ? ` ${arrow.change}` : ''}`, 'data-from': arrow.from, 'data-to': arrow.to },
      svg('path', { d: smooth(arrow.points), 'marker-end': `url(#${severity ? severity.trim() : form === 'decorates' ? 'diamond' : 'head'})` }));
    if (arrow.label) {
      group.append(svg('text', { x: arrow.x, y: arrow.y + 4 }, arrow.label));
    }
    arrows.append(group);
  }

  const boxes = svg('g', { class: 'boxes' });
  for (const box of [...laid.boxes].sort((one, other) => one.y - other.y || one.x - other.x)) {
    const severity = box.nodes.some((node) => model.isSerious(node.faults)) ? ' serious' : '';
    const change = changeOf(box);
    const group = svg('g', {
      class: `box ${box.kind}${severity}${change ? ` ${change}` : ''}`, transform: `translate(${box.x},${box.y})`, 'data-key': box.key, tabindex: '0', role: 'button',
      'aria-label': spoken(box, model),
    }, ...outline(box));
    box.lines.forEach((line, number) => group.append(number === 0 ? '' : ' ', svg('text', {
      class: number === 0 ? 'title' : line === placeholder ? 'created' : /^[+−≠] /.test(line) ? 'change' : 'line', x: box.kind === 'entry' ? -point / 2 : 0, y: (number - (box.lines.length - 1) / 2) * lineHeight + 4,
    }, line)));
    boxes.append(group);
  }
  return [markers(), arrows, boxes];
};

const markers = () => svg('defs', {}, ...['head', 'serious', 'warned'].map((name) => svg('marker', {
  id: name, class: `tip ${name}`, viewBox: '0 0 10 10', refX: 9, refY: 5, markerWidth: 8, markerHeight: 8, orient: 'auto-start-reverse',
  markerUnits: 'userSpaceOnUse',
}, svg('path', { d: 'M0,1L10,5L0,9Z' }))), svg('marker', {
  id: 'diamond', class: 'tip head', viewBox: '0 0 14 10', refX: 13, refY: 5, markerWidth: 12, markerHeight: 9, orient: 'auto-start-reverse',
  markerUnits: 'userSpaceOnUse',
}, svg('path', { d: 'M0,5L7,1L14,5L7,9Z' })));
