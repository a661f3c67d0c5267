import { useBench } from '../../bench/store';
import { lastFunction, needsFunction, parameters, tell } from '../bench';
import type { PageKind } from '../kind';
import { curveLabels } from '../labels';
import Form from './Form.vue';
import Icon from '../CurveIcon.vue';

/** Opens the findings of a curve's function, which stand under its statement. */
async function study(name: string) {
  const bench = useBench();
  bench.findings.open = name;
  await bench.findings.follow();
  document.querySelector(`[aria-label="Findings of ${name}"]`)?.scrollIntoView({ block: 'nearest' });
}

export const curve: PageKind<'curve'> = {
  name: (body) => body.function,
  form: Form,
  icon: Icon,
  labels: curveLabels,
  line: (body) => (body.family ? undefined : body.parent ? 'dashed' : 'whole'),
  grip: (body) => `A grip of the curve of ${body.function}`,
  coloured: (body) => !body.family,
  actions: ({ id, body }) => [
    {
      key: 'findings',
      words: `Findings of ${body.function}`,
      act: () => void study(body.function),
    },
    ...(body.family
      ? []
      : [
          {
            key: 'tell',
            words: `Put the formula of ${body.function} into a text, live`,
            act: () => tell(id, '', ''),
          },
        ]),
  ],
  additions: () => [
    {
      key: 'curve',
      words: 'the curve of a function',
      waits: needsFunction(),
      fresh: () => ({ function: lastFunction() }),
    },
    {
      key: 'family',
      words: 'a family: a curve for several values',
      waits: needsFunction() || (parameters().length ? '' : 'state a function with a parameter first'),
      fresh: () => ({ function: lastFunction(), family: { parameter: parameters()[0]?.value ?? '' } }),
    },
  ],
};
