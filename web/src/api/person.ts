// Who is signed in.
import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { Credentials, Person } from '../generated/types';
import { outbox } from '../saving/outbox';
import { livesElsewhere, tell } from '../saving/windows';
import { api } from './client';
import { forgetAnswers } from './offline';

export const usePerson = defineStore('person', () => {
  const person = ref<Person>();

  /** Asks the server once; later calls give what is known. */
  async function known() {
    if (!person.value) {
      person.value = await api.person();
      if (person.value.signedIn) await sendUnsent();
    }
    return person.value;
  }

  /** Forgets who it was: the next call of known asks the server. */
  function forget() {
    person.value = undefined;
  }

  async function enter(how: () => Promise<Person>) {
    person.value = await how();
    await sendUnsent();
  }

  /** Sends what closed windows have left; what the server does not take waits until its demonstration is opened. */
  async function sendUnsent() {
    const lives = await livesElsewhere();
    for (const left of await outbox.list(person.value?.name ?? '')) {
      if (lives(left.window)) continue;
      const { revision, document, save } = left;
      const outcome = await api.save(left.demonstration, { revision, document, save });
      if (outcome.kind === 'stored') await outbox.remove(left, save);
      if (outcome.kind === 'away' || outcome.kind === 'signedOut') return;
    }
  }

  /** How many demonstrations have work that the server has not got. */
  const unsent = async () => (await outbox.list(person.value?.name ?? '')).length;

  /** Signs out and leaves nothing on this machine that the next person could read. */
  async function leave() {
    const name = person.value?.name ?? '';
    await api.signOut();
    await outbox.clear(name);
    await forgetAnswers();
    person.value = undefined;
    tell({ kind: 'signedOut' });
  }

  return {
    person,
    known,
    forget,
    unsent,
    sendUnsent,
    leave,
    signIn: (c: Credentials) => enter(() => api.signIn(c)),
    signInDemo: () => enter(api.signInDemo),
    register: (c: Credentials) => enter(() => api.register(c)),
  };
});
