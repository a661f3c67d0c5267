// What the labels of several kinds may say.
import type { LabelKind } from '../generated/types';

/** Of a curve, or of the members of a family. */
export const curveLabels = (body: { family?: unknown }): [LabelKind, string][] =>
  body.family
    ? [
        ['name', "its parameter's value"],
        ['none', 'nothing'],
      ]
    : [
        ['name', 'its name'],
        ['formula', 'the formula with values'],
        ['none', 'nothing'],
      ];
