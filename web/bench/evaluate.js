// Measures evaluation in a browser: the core's benchmark in WebAssembly, the same functions as inlined JavaScript loops,
// and in a general-purpose evaluator from npm (mathjs). Served and read by the browser's figures (browser/figures_test.go).
const size = 1024;
const xs = Float64Array.from({ length: size }, (_, i) => -6 + (12 * i) / size);
const out = new Float64Array(size);
// Not seen as a constant by the engine, like the dials of a demonstration.
const [a, b] = [Number(new URLSearchParams('v=1.5').get('v')), -0.75];

/** The loops of core/numeric/program/bench_test.go, by hand. */
const hand = {
  quadratic: () => {
    for (let i = 0; i < size; i++) {
      const x = xs[i];
      out[i] = a * (x - b) * (x - b) + 4.5;
    }
  },
  logistic: () => {
    for (let i = 0; i < size; i++) {
      const x = xs[i];
      out[i] = 4 / (1 + Math.exp(-a * x));
    }
  },
  bell: () => {
    for (let i = 0; i < size; i++) {
      const x = xs[i];
      out[i] = Math.exp((-x * x) / 2);
    }
  },
  tangent: () => {
    for (let i = 0; i < size; i++) {
      const x = xs[i];
      out[i] = Math.tan(a * x);
    }
  },
  sine: () => {
    for (let i = 0; i < size; i++) {
      const x = xs[i];
      out[i] = a * Math.sin(2 * x + b);
    }
  },
  butterfly: () => {
    for (let i = 0; i < size; i++) {
      const x = xs[i];
      out[i] = Math.exp(Math.sin(x)) - 2 * Math.cos(4 * x) + Math.pow(Math.sin(x / 12), 5);
    }
  },
  product: () => {
    for (let i = 0; i < size; i++) {
      const x = xs[i];
      out[i] = x * Math.sin(x) * Math.exp(-x / 9);
    }
  },
  absolute: () => {
    for (let i = 0; i < size; i++) {
      const x = xs[i];
      out[i] = Math.abs(x - b) + a;
    }
  },
};

const general = {
  quadratic: 'a*(x - b)^2 + 4.5',
  logistic: '4/(1 + exp(-a x))',
  bell: 'exp(-x^2/2)',
  tangent: 'tan(a x)',
  sine: 'a sin(2x + b)',
  butterfly: 'exp(sin(x)) - 2cos(4x) + sin(x/12)^5',
  product: 'x*sin(x)*exp(-x/9)',
  absolute: 'abs(x - b) + a',
};

/** Nanoseconds of one call, the best of several rounds. */
function time(run) {
  run();
  let best = Infinity;
  for (let round = 0; round < 2; round++) {
    let calls = 0;
    const start = performance.now();
    let now = start;
    do {
      for (let k = 0; k < 8; k++) run();
      calls += 8;
      now = performance.now();
    } while (now - start < 40);
    best = Math.min(best, ((now - start) * 1e6) / calls);
  }
  return best;
}

/** The core's own benchmark, run as a Go test in this page; its lines come through the console. */
async function core() {
  const lines = [];
  const log = console.log;
  console.log = (text) => lines.push(...String(text).split('\n'));
  const go = new Go();
  go.argv = ['program.test', '-test.run=^$', '-test.bench=Evaluate/.*/parvix', '-test.benchtime=150ms'];
  const { instance } = await WebAssembly.instantiateStreaming(fetch('program.wasm'), go.importObject);
  await go.run(instance);
  go._resume = () => {}; // a timer may still come when the program has ended
  console.log = log;
  const found = {};
  for (const line of lines) {
    const parts = /^BenchmarkEvaluate\/(\w+)\/parvix\S*\s+\d+\s+([\d.]+) ns\/op/.exec(line);
    if (parts) found[parts[1]] = Math.min(found[parts[1]] ?? Infinity, Number(parts[2]));
  }
  return found;
}

/** Both sides in turn, several times, the best of each: the host is busy now and then. */
globalThis.measure = async function () {
  const best = {};
  for (let round = 0; round < 3; round++) {
    const parvix = await core();
    for (const name of Object.keys(hand)) {
      const compiled = math.compile(general[name]);
      const scope = { a, b, x: 0 };
      const evaluate = () => {
        for (let i = 0; i < size; i++) {
          scope.x = xs[i];
          out[i] = compiled.evaluate(scope);
        }
      };
      const now = { name, parvix: parvix[name] ?? 0, hand: time(hand[name]), general: time(evaluate) };
      const before = best[name] ?? now;
      best[name] = {
        name,
        parvix: Math.min(before.parvix, now.parvix),
        hand: Math.min(before.hand, now.hand),
        general: Math.min(before.general, now.general),
      };
    }
  }
  return Object.values(best);
};
