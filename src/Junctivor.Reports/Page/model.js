// What the page knows of the drawing, and which part of it is shown.

export const lifetimes = ['singleton', 'scoped', 'transient'];

/** The lifetime by which a node is drawn: levels of the user's own look alike. */
export const kindOf = (node) => node.kind === 'missing' ? 'missing' : node.kind === 'entry point' ? 'entry' : lifetimes.includes(node.lifetime) ? node.lifetime : 'level';

/** How many services there are among some nodes, and how many entry points. */
export const amountOf = (nodes) => {
  const entries = nodes.filter((node) => kindOf(node) === 'entry').length;
  const services = nodes.length - entries;
  return [
    services === 0 && entries > 0 ? '' : `${services} ${services === 1 ? 'service' : 'services'}`,
    entries === 0 ? '' : `${entries} ${entries === 1 ? 'entry point' : 'entry points'}`,
  ].filter((each) => each).join(', ');
};

const folderOf = (node) => node.file.includes('/') ? node.file.slice(0, node.file.lastIndexOf('/')) : '';

export class Model {
  constructor(drawing) {
    this.wiring = drawing.wiring;
    this.nodes = new Map(drawing.nodes.map((node) => [node.key, { ...node, file: node.file ?? '', group: node.module ?? node.file ?? '', changes: node.changes ?? [], needs: [], users: [] }]));
    this.faults = new Map(drawing.faults.map((fault) => [fault.number, fault]));
    this.edges = drawing.edges;
    for (const edge of this.edges) {
      this.nodes.get(edge.from).needs.push(edge);
      this.nodes.get(edge.to).users.push(edge);
    }
    const sorted = (texts) => [...new Set(texts)].filter((text) => text).sort((one, other) => one.localeCompare(other, 'en', { numeric: true }));
    const all = [...this.nodes.values()];
    this.files = sorted(all.map((node) => node.file));
    this.modules = sorted(all.map((node) => node.module));
    this.groups = sorted(all.map((node) => node.group));
    this.folders = sorted(all.map((node) => folderOf(node)));
    this.namespaces = sorted(all.map((node) => node.namespace));
  }

  isSerious(numbers) {
    return numbers.some((number) => this.faults.get(number)?.severity === 'error');
  }

  /** Whether a text is in what a node is called, what creates it, or where it is. */
  matches(node, text) {
    const wanted = text.toLowerCase();
    return [node.title, node.maker, node.mark, node.namespace, node.module, node.file, ...node.services]
      .some((each) => (each ?? '').toLowerCase().includes(wanted));
  }

  /** Whether a node has changed, or touches what has. */
  isNearChange(node) {
    const isChanged = (key) => this.nodes.get(key).changes.length > 0;
    return isChanged(node.key) || node.needs.some((edge) => edge.change || isChanged(edge.to)) || node.users.some((edge) => edge.change || isChanged(edge.from));
  }

  /** Whether a node is in a folder, a file, a module or a namespace, given as `folder …`, `file …`, `module …` or `namespace …`; or near a change, for `changes`; all are
   * in ''. */
  isIn(node, place) {
    if (place === 'changes') {
      return this.isNearChange(node);
    }
    const [kind, ...words] = place.split(' ');
    const name = words.join(' ');
    const isBelow = (text, separator) => text === name || text.startsWith(name + separator);
    return kind === '' || node.kind === 'missing'
      || (kind === 'folder' ? isBelow(folderOf(node), '/') : kind === 'file' ? node.file === name : kind === 'module' ? node.module === name : isBelow(node.namespace, '.'));
  }

  /** The keys of all nodes on a way from one to another, with the edges on it. */
  between(from, to) {
    const down = this.reached(from, (node) => node.needs.map((edge) => edge.to));
    const up = this.reached(to, (node) => node.users.map((edge) => edge.from));
    return new Set([...down].filter((key) => up.has(key)));
  }

  reached(start, next) {
    const reached = new Set();
    const open = [start];
    while (open.length > 0) {
      const key = open.pop();
      if (!reached.has(key)) {
        reached.add(key);
        open.push(...next(this.nodes.get(key)));
      }
    }
    return reached;
  }

  /**
   * The boxes and arrows that are shown: a box for each node of an open module or file, and one for each closed one; between two boxes one
   * arrow for each form.
   */
  view(state) {
    const boxes = new Map();
    const boxOf = new Map();
    for (const node of this.nodes.values()) {
      if (!state.shown.has(kindOf(node)) || !this.isIn(node, state.place)) {
        continue;
      }
      const key = state.closed.has(node.group) && node.kind !== 'missing' ? `group ${node.group}` : node.key;
      if (!boxes.has(key)) {
        boxes.set(key, { key, nodes: [] });
      }
      boxes.get(key).nodes.push(node);
      boxOf.set(node.key, key);
    }

    const arrows = new Map();
    for (const edge of this.edges) {
      const from = boxOf.get(edge.from);
      const to = boxOf.get(edge.to);
      if (from === undefined || to === undefined || from === to) {
        continue;
      }
      const isClosed = from.startsWith('group ') || to.startsWith('group ');
      const key = isClosed ? `${from}|${to}` : `${from}|${to}|${edge.form}|${edge.change ?? ''}`;
      if (!arrows.has(key)) {
        arrows.set(key, { key, from, to, form: isClosed ? 'one' : edge.form, change: isClosed ? undefined : edge.change, edges: [], faults: [] });
      }
      const arrow = arrows.get(key);
      arrow.edges.push(edge);
      arrow.faults.push(...edge.faults.filter((number) => !arrow.faults.includes(number)));
    }
    for (const arrow of arrows.values()) {
      arrow.codes = [...new Set(arrow.faults.map((number) => this.faults.get(number).code))];
    }
    return { boxes: [...boxes.values()], arrows: [...arrows.values()] };
  }
}
