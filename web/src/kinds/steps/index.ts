import { lastFunction, needsFunction } from '../bench';
import type { PageKind } from '../kind';
import Form from './Form.vue';
import Icon from './Icon.vue';

export const steps: PageKind<'steps'> = {
  name: (body) => body.function,
  form: Form,
  icon: Icon,
  labels: () => [],
  coloured: () => true,
  additions: () => [
    {
      key: 'steps',
      words: 'the steps from the parent function',
      waits: needsFunction(),
      fresh: () => ({ function: lastFunction() }),
    },
  ],
};
