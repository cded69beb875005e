// What was recorded of a running container: its scopes, and the instances in them.

export class Recording {
  constructor(recorded) {
    this.counts = new Map();
    this.scopes = new Map();
    this.kept = Infinity;
    this.merge(recorded);
  }

  /** Takes in what has changed. */
  merge(recorded) {
    this.began = new Date(recorded.began);
    this.now = recorded.now;
    this.received = performance.now();
    this.started = recorded.started;
    this.open = recorded.open;
    this.kept = recorded.kept;
    this.sampled = Boolean(recorded.sampled);
    recorded.counts.forEach((count) => this.counts.set(count.key, count));
    recorded.scopes.forEach((scope) => this.scopes.set(scope.number, scope));
    const listed = [...this.scopes.keys()].filter((number) => number > 0).sort((one, other) => one - other);
    listed.slice(0, Math.max(0, listed.length - this.kept)).forEach((number) => this.scopes.delete(number));
    this.index();
  }

  /** Which instance is where, and to which it was given. */
  index() {
    this.instances = new Map();
    this.users = new Map();
    for (const scope of this.scopes.values()) {
      for (const instance of scope.instances) {
        if (instance.number > 0) {
          this.instances.set(instance.number, { instance, scope });
        }
      }
    }
    for (const scope of this.scopes.values()) {
      for (const user of scope.instances) {
        for (const argument of user.arguments) {
          argument.numbers.forEach((number) => this.use(number, { scope, user, parameter: argument.parameter }));
        }
      }
      for (const request of scope.requests) {
        this.use(request.number, { scope, user: null, by: request.by });
      }
    }
  }

  use(number, use) {
    if (!this.users.has(number)) {
      this.users.set(number, []);
    }
    this.users.get(number).push(use);
  }

  usersOf(number) {
    return this.users.get(number) ?? [];
  }

  /** All scopes but the container, in the order in which they were started. */
  get listed() {
    return [...this.scopes.values()].filter((scope) => scope.number > 0).sort((one, other) => one.number - other.number);
  }

  /** What a scope uses of what does not belong to it, such as singletons; each once. */
  outsideOf(scope) {
    const own = new Set(scope.instances.map((instance) => instance.number));
    const used = new Set(scope.instances.flatMap((instance) => instance.arguments.flatMap((argument) => argument.numbers))
      .concat(scope.requests.map((request) => request.number)));
    return [...used].filter((number) => number > 0 && !own.has(number)).map((number) => this.instances.get(number)?.instance).filter((each) => each);
  }

  /** Whether an instance was given to more than one, or requested again. */
  isShared(scope, instance) {
    return instance.number > 0 && this.usersIn(scope, instance).length > 1;
  }

  /** Who uses an instance, of those in one scope; for the container, of all. */
  usersIn(scope, instance) {
    return this.usersOf(instance.number).filter((use) => scope.number === 0 || use.scope === scope);
  }

  /** What a scope is for: what was requested from it, and not by a factory; else what was created for somebody outside. Each once. */
  purposeOf(scope) {
    const requested = scope.requests.filter((request) => !request.by).map((request) => this.instances.get(request.number)?.instance.name);
    const within = new Set(scope.instances.map((instance) => instance.name));
    const created = scope.instances.filter((instance) => instance.by && !within.has(instance.by)).map((instance) => `${instance.name} for ${instance.by}`);
    return [...new Set(requested.length > 0 || scope.number === 0 ? requested : created)].filter((name) => name);
  }

  endOf(scope) {
    return scope.ended ?? Math.max(this.now, scope.began);
  }
}

/** Two changes as one, in which the later counts: no longer than what is kept. */
export const joined = (earlier, later) => {
  if (!earlier) {
    return later;
  }
  const by = (name, key) => [...new Map([...earlier[name], ...later[name]].map((each) => [each[key], each])).values()];
  const scopes = by('scopes', 'number').sort((one, other) => one.number - other.number);
  return { ...later, counts: by('counts', 'key'), scopes: [...scopes.filter((scope) => scope.number === 0), ...scopes.filter((scope) => scope.number > 0).slice(-later.kept)] };
};

/** A duration, as exact as one wants to read it. */
export const duration = (milliseconds) => {
  const format = (value, unit) => `${value >= 100 ? Math.round(value) : value >= 10 ? value.toFixed(1) : value.toFixed(2)} ${unit}`;
  return milliseconds < 0.0005 ? 'under 1 µs' : milliseconds < 1 ? `${Math.round(milliseconds * 1000)} µs` : milliseconds < 1000 ? format(milliseconds, 'ms') : format(milliseconds / 1000, 's');
};
