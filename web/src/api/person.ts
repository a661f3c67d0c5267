// Who is signed in.
import { defineStore } from 'pinia';
import { ref } from 'vue';
import type { Credentials, Person } from '../generated/types';
import { api, Refused } from './client';
import { outbox } from './outbox';

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

  async function enter(how: () => Promise<Person>) {
    person.value = await how();
    await sendUnsent();
  }

  /** Sends what was left unsent when the browser was last closed; a conflict waits until that one is opened. */
  async function sendUnsent() {
    const name = person.value?.name ?? '';
    for (const [id, unsent] of await outbox.list(name)) {
      try {
        await api.save(id, unsent.revision, unsent.document);
        await outbox.remove(name, id);
      } catch (e) {
        if (!(e instanceof Refused)) return;
      }
    }
  }

  async function leave() {
    await api.signOut();
    person.value = undefined;
  }

  return {
    person,
    known,
    leave,
    signIn: (c: Credentials) => enter(() => api.signIn(c)),
    signInDemo: () => enter(api.signInDemo),
    register: (c: Credentials) => enter(() => api.register(c)),
  };
});
