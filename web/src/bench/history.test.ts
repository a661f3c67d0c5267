// Undo and redo against a plain list of states: whatever the order, a step back gives what was there before, to the byte.
import fc from 'fast-check';
import { expect, test } from 'vitest';
import type { Document } from '../generated/types';
import { useHistory, type Step } from './history';

const step = (title: string): Step => ({ document: { title } as Document, values: { a: title.length } });

test('any sequence of edits, undo and redo goes through the states of a list', () => {
  const acts = fc.array(fc.constantFrom('edit', 'back', 'forward'), { maxLength: 80, size: 'max' });
  fc.assert(
    fc.property(acts, (happened) => {
      const history = useHistory();
      let now = step('start');
      const states = [now];
      let at = 0;
      for (const [k, act] of happened.entries()) {
        if (act === 'edit') {
          history.note(now);
          now = step(`edit ${k}`);
          states.splice(at + 1, Infinity, now);
          at++;
        } else {
          const to = history[act](now);
          const expected = act === 'back' ? at - 1 : at + 1;
          if (to === undefined) {
            expect(states[expected]).toBeUndefined();
            continue;
          }
          at = expected;
          now = to;
        }
        expect(JSON.stringify(now)).toBe(JSON.stringify(states[at]));
        expect(history.canUndo.value).toBe(at > 0);
        expect(history.canRedo.value).toBe(at < states.length - 1);
      }
    }),
    { numRuns: 500 },
  );
});

test('an edit that came to nothing leaves no step and keeps what was undone', () => {
  const history = useHistory();
  const [first, second] = [step('first'), step('second')];
  history.note(first);
  expect(history.back(second)).toBe(first);
  const forget = history.note(first);
  expect(history.canRedo.value).toBe(false);
  forget();
  expect(history.canUndo.value).toBe(false);
  expect(history.forward(first)).toBe(second);
});

test('a step noted after one that came to nothing stays', () => {
  const history = useHistory();
  const forget = history.note(step('refused'));
  const later = step('later');
  history.note(later);
  forget();
  expect(history.back(step('now'))).toBe(later);
  expect(history.canUndo.value).toBe(false);
});
