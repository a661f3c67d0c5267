// What tests and measurements read of a running bench. It is put into the page by the tests; the product has no hooks.
// It also counts what a page does while nobody touches it.
(() => {
  const counts = { frames: 0, messages: 0, timers: 0, displayFrames: 0 };
  const wrap = (object, name, count) => {
    const original = object[name];
    object[name] = function (...args) {
      count(args);
      return original.apply(this, args);
    };
  };
  wrap(window, 'setInterval', () => counts.timers++);
  wrap(window, 'setTimeout', () => counts.timers++);
  wrap(window, 'requestAnimationFrame', () => counts.displayFrames++);
  wrap(Worker.prototype, 'postMessage', ([message]) => {
    counts.messages++;
    if (message.kind === 'frame') counts.frames++;
  });

  const workers = [];
  /** What the formulas of each panel's picture say, run by run. */
  const words = [];
  /** Where the numbers beside the axes of each panel stand. */
  const numbers = [];
  const Original = window.Worker;
  window.Worker = class extends Original {
    constructor(...args) {
      super(...args);
      workers.push(this);
      this.addEventListener('message', ({ data }) => {
        if (data.kind !== 'frame') return;
        data.frame.pictures.forEach((picture, panel) => {
          if (!picture?.texts) return;
          words[panel] = picture.texts.words;
          numbers[panel] = picture.texts.numbers;
        });
      });
    }
  };

  const timings = [];
  let watched;
  const bench = () => {
    const root = document.getElementById('app')?.__vue_app__;
    const store = root?.config.globalProperties.$pinia._s.get('bench');
    if (store && watched !== store.frames) {
      watched = store.frames;
      store.frames.observe = (timing) => timings.push(timing);
    }
    return store;
  };
  window.parvix = {
    counts,
    workers,
    timings,
    words,
    /** Whether a window is on its way to what was stated last. */
    isFitting: () => bench()?.isFitting ?? false,
    numbers: (panel) => numbers[panel],
    /** Whether a formula of a picture says this; what is set one above the other is read one after the other. */
    labelled: (text) => words.some((panel) => panel.join('').replaceAll(' ', '').includes(text.replaceAll(' ', ''))),
    /** Whether ink is in play that the document does not keep. */
    inked: () => bench().texts?.inked ?? false,
    /** Milliseconds from the page's start to the first picture of an opened demonstration. */
    opened: () => performance.getEntriesByName('first picture')[0]?.startTime ?? 0,
    counters: async () => (await bench().askInPlay({ kind: 'counters' })).counters,
    values: async () => (await bench().askInPlay({ kind: 'values' })).values,
    trace: async (id) => (await bench().askInPlay({ kind: 'trace', id })).numbers ?? [],
    window: async (panel = 0) =>
      (await bench().askInPlay({ kind: 'window', panel, ...bench().frames.panels[panel] })).window,
    scene: () => bench().scene,
    /** Whether the way from one scene to another is under way. */
    gliding: () => bench().gliding,
    document: () => bench()?.document,
    saving: () => bench()?.saving.state,
    /** Resolves when a frame with everything asked for so far is drawn, and one with the sizes of its labels. */
    settled: async () => {
      await bench().frames.request();
      for (let i = 0; i < 2; i++) await new Promise(requestAnimationFrame);
      await bench().frames.request();
    },
  };
})();
