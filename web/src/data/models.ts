// What the models are called, and how each can be written.
export const modelNames: Record<string, string> = {
  proportional: 'proportional',
  linear: 'linear',
  medianLine: 'median–median line',
  quadratic: 'quadratic',
  cubic: 'cubic',
  quartic: 'quartic',
  exponential: 'exponential',
  power: 'power',
  logarithmic: 'logarithmic',
  logistic: 'logistic',
  sinusoidal: 'sinusoidal',
};

const general = { value: '', label: 'in general' };

/** The forms of a model, the general one first. */
export function forms(model: string): { value: string; label: string }[] {
  switch (model) {
    case 'quadratic':
      return [
        general,
        { value: 'vertex', label: 'with the vertex' },
        { value: 'factored', label: 'as factors' },
      ];
    case 'sinusoidal':
      return [general, { value: 'shift', label: 'with the shift along the axis' }];
    case 'exponential':
      return [general, { value: 'doubling', label: 'with the time of doubling or halving' }];
  }
  return [general];
}
