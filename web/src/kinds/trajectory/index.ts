import type { PageKind } from '../kind';
import { curveLabels } from '../labels';
import Below from './Below.vue';
import Form from './Form.vue';
import Icon from '../CurveIcon.vue';
import { called, meetingActions, pieceActions, regionActions, tellActions, transformActions } from './part';

export const trajectory: PageKind<'trajectory'> = {
  name: called,
  form: Form,
  icon: Icon,
  labels: curveLabels,
  coloured: (body) => !body.family,
  below: Below,
  actions: (e) => [
    ...meetingActions(e),
    ...pieceActions(e),
    ...tellActions(e),
    ...regionActions(e),
    ...transformActions(e),
  ],
  additions: () => [
    {
      key: 'trajectory',
      words: 'a parametric curve (x(t), y(t))',
      fresh: () => ({ x: '', y: '', variable: 't', from: '0', to: '2π' }),
    },
  ],
};
