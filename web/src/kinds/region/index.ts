import { lastFunction, needsFunction, tell } from '../bench';
import type { PageKind } from '../kind';
import Form from './Form.vue';
import Icon from './Icon.vue';

export const region: PageKind<'region'> = {
  name: () => 'region',
  form: Form,
  icon: Icon,
  labels: () => [
    ['name', 'its area'],
    ['none', 'nothing'],
  ],
  grip: (body, grip) =>
    `The ${grip === 1 ? 'first' : 'second'} end of the region, at ${grip === 1 ? body.from : body.to}`,
  coloured: () => true,
  tidy: (body) => {
    body.conditions = body.conditions?.filter((c) => c.trim());
    if (body.conditions?.length) body.function = body.other = body.from = body.to = undefined;
  },
  actions: ({ id }) => [
    { key: 'tell', words: 'Put its area into a text', act: () => tell(id, 'The area is ', '.') },
  ],
  additions: () => [
    {
      key: 'region',
      words: 'the region between curves, with its area',
      waits: needsFunction(),
      fresh: () => ({ function: lastFunction(), from: '0', to: '1' }),
    },
    {
      key: 'where',
      words: 'the region where conditions hold: y ≥ x² …',
      fresh: () => ({ conditions: [''] }),
    },
  ],
};
