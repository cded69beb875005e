// Draws the scopes of a recording: all along one axis of time; and one of them with what was created in it.
import { svg } from './picture.js';
import { duration } from './recording.js';
import { lifetimes } from './model.js';

const laneHeight = 20;
const barHeight = 15;
const left = 12;
const narrowest = 7;

const kindOfLevel = (level) => lifetimes.includes(level) ? level : 'level';

export const marksOf = (scope) => {
  const failed = scope.instances.filter((instance) => instance.failed);
  const slow = scope.instances.filter((instance) => instance.slow && !instance.failed);
  return { failed, slow };
};

const spokenScope = (scope, recording) => {
  const { failed, slow } = marksOf(scope);
  const created = scope.instances.length;
  return [`Scope ${scope.number}, ${scope.level}`, scope.ended === undefined ? 'open' : duration(scope.ended - scope.began),
    `${created} ${created === 1 ? 'instance' : 'instances'}`,
    failed.length > 0 ? `${failed.length} failed` : '', slow.length > 0 ? `${slow.length} slow` : ''].filter((each) => each).join(', ');
};

/** A round number of milliseconds for the marks of an axis. */
const stepOf = (span, marks) => {
  const least = span / marks;
  const power = 10 ** Math.floor(Math.log10(Math.max(least, 1e-3)));
  return [1, 2, 5, 10].map((factor) => factor * power).find((step) => step >= least);
};

/** The bars of all scopes, those that overlap below each other. */
export const drawTimeline = (recording, width, selected) => {
  const scopes = recording.listed;
  const first = Math.min(...scopes.map((scope) => scope.began), recording.now);
  const span = Math.max(recording.now - first, 1);
  const room = Math.max(width - 2 * left, 100);
  const x = (time) => left + (time - first) / span * room;
  const lanes = [];
  const bars = scopes.map((scope) => {
    const from = Math.min(x(scope.began), left + room - narrowest);
    const to = Math.max(x(recording.endOf(scope)), from + narrowest);
    let lane = lanes.findIndex((end) => end + 2 <= from);
    lane = lane < 0 ? lanes.length : lane;
    lanes[lane] = to;
    return { scope, from, to, lane };
  });
  const height = 30 + Math.max(lanes.length, 1) * laneHeight;
  const axis = svg('g', { class: 'axis' });
  const step = stepOf(span, Math.max(2, Math.floor(room / 110)));
  for (let time = Math.ceil(first / step) * step; time <= first + span; time += step) {
    axis.append(svg('line', { x1: x(time), x2: x(time), y1: 20, y2: height }), svg('text', { x: x(time), y: 14 }, time === 0 ? '0' : duration(time)));
  }
  const drawn = bars.map(({ scope, from, to, lane }) => {
    const { failed, slow } = marksOf(scope);
    const y = 26 + lane * laneHeight;
    const bar = svg('g', {
      class: `bar ${kindOfLevel(scope.level)}${failed.length > 0 ? ' serious' : slow.length > 0 ? ' warned' : ''}${scope.number === selected ? ' selected' : ''}`,
      'data-scope': scope.number, tabindex: '0', role: 'button', 'aria-label': spokenScope(scope, recording), 'aria-pressed': `${scope.number === selected}`,
    }, svg('rect', { class: 'frame', x: from, y, width: to - from, height: barHeight, rx: Math.min(5, (to - from) / 2) }));
    const sign = failed.length > 0 ? '✕' : slow.length > 0 ? '◷' : '';
    const text = to - from > 34 ? `#${scope.number}${sign ? ` ${sign}` : ''}` : '';
    if (text) {
      bar.append(svg('text', { x: (from + to) / 2, y: y + 12 }, text));
    } else if (sign) {
      bar.append(svg('text', { class: 'sign', x: (from + to) / 2, y: y - 1 }, sign));
    }
    return bar;
  });
  return { height, elements: [axis, ...drawn] };
};

/** The life of one instance within its scope: the construction, and then until it is disposed. */
export const drawLife = (recording, scope, instance) => {
  const end = recording.endOf(scope);
  const span = Math.max(end - scope.began, 0.001);
  const at = (time) => Math.min(100, Math.max(0, (time - scope.began) / span * 100));
  const from = Math.min(at(instance.began ?? scope.began), 98.8);
  const built = Math.max(at((instance.began ?? scope.began) + instance.took), from + 1.2);
  const to = Math.max(at(instance.failed ? (instance.began + instance.took) : instance.disposed ?? end), built);
  const words = instance.began === undefined ? 'created before the recording'
    : `created after ${duration(Math.max(0, instance.began - scope.began))} in ${duration(instance.took)}`
      + (instance.disposed === undefined ? '' : `, disposed after ${duration(Math.max(0, instance.disposed - scope.began))}`);
  return svg('svg', { class: `life ${kindOfLevel(instance.lifetime)}${instance.failed ? ' serious' : instance.slow ? ' warned' : ''}`, viewBox: '0 0 100 14', preserveAspectRatio: 'none', role: 'img', 'aria-label': words },
    svg('title', {}, words),
    svg('rect', { class: 'lived', x: from, y: 3, width: Math.max(to - from, 0.6), height: 8 }),
    svg('rect', { class: 'built', x: from, y: 1, width: built - from, height: 12 }),
    instance.disposed === undefined ? '' : svg('rect', { class: 'built', x: Math.min(to, 99.4), y: 1, width: 0.6, height: 12 }));
};
