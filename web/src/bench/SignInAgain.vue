<script setup lang="ts">
// The session has expired: the teacher signs in on the spot, and the work goes on.
import { onMounted, ref } from 'vue';
import { usePerson } from '../api/person';
import { useBench } from './store';

const bench = useBench();
const people = usePerson();
/** Whose work it is; another teacher's sign-in does not send it. */
const name = people.person?.name ?? '';
const demoSignIn = people.person?.demoSignIn ?? false;
const password = ref('');
const problem = ref('');
const busy = ref(false);
const field = ref<{ focus(): void }>();

onMounted(() => field.value?.focus());

async function enter(how: () => Promise<void>) {
  busy.value = true;
  problem.value = '';
  try {
    await how();
    if (people.person?.name !== name) throw new Error(`This is the work of ${name}; sign in with that name.`);
    bench.saving.signedIn();
  } catch (e) {
    problem.value = (e as Error).message;
  } finally {
    busy.value = false;
  }
}

const signIn = () => enter(() => people.signIn({ name, password: password.value }));
</script>

<template>
  <a-modal
    open
    :closable="false"
    :mask-closable="false"
    :keyboard="false"
    :footer="null"
    width="420px"
    title="Sign in to go on"
  >
    <p>You were signed out. Your work is kept in this browser and is sent as soon as you have signed in.</p>
    <button v-if="demoSignIn" class="brass" :disabled="busy" @click="enter(people.signInDemo)">
      Go on as the demo teacher
    </button>
    <form @submit.prevent="signIn">
      <label>
        Password of {{ name }}
        <a-input-password ref="field" v-model:value="password" autocomplete="current-password" size="large" />
      </label>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <a-button html-type="submit" type="primary" size="large" block :disabled="busy || !password">
        Sign in
      </a-button>
    </form>
  </a-modal>
</template>

<style scoped>
form,
label {
  display: grid;
  gap: 8px;
}
.brass {
  width: 100%;
  min-height: 44px;
  margin-bottom: 14px;
  border: 0;
  border-radius: 6px;
  background: var(--brass);
  color: var(--on-brass);
  font: inherit;
  font-weight: 700;
  cursor: pointer;
}
</style>
