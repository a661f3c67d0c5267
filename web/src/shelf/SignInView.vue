<script setup lang="ts">
// The first page: sign in, or look around as the demo teacher.
import { onMounted, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { usePerson } from '../api/person';
import Wordmark from '../shared/Wordmark.vue';

const people = usePerson();
const router = useRouter();
const route = useRoute();
const name = ref('');
const password = ref('');
const problem = ref('');
const busy = ref(false);
const making = ref(false);

onMounted(async () => {
  document.title = 'Parvix';
  await attempt(async () => {
    if ((await people.known()).signedIn) await enter();
  });
});

async function enter() {
  const back = route.query.back;
  await router.replace(typeof back === 'string' && back.startsWith('/bench/') ? back : { name: 'shelf' });
}

async function attempt(task: () => Promise<void>) {
  busy.value = true;
  problem.value = '';
  try {
    await task();
  } catch (e) {
    problem.value = (e as Error).message;
  } finally {
    busy.value = false;
  }
}

const submit = () =>
  attempt(async () => {
    const credentials = { name: name.value, password: password.value };
    await (making.value ? people.register(credentials) : people.signIn(credentials));
    await enter();
  });

const demo = () =>
  attempt(async () => {
    await people.signInDemo();
    await enter();
  });
</script>

<template>
  <div class="sign-in">
    <header><Wordmark /></header>
    <main>
      <h1>Mathematics that moves, for the whole class</h1>
      <p class="lead">State a function, drag a dial, and watch what changes and what stays.</p>
      <div class="card">
        <template v-if="people.person?.demoSignIn">
          <button class="brass" :disabled="busy" @click="demo">Look around as the demo teacher</button>
          <p class="or"><span>or sign in</span></p>
        </template>
        <form @submit.prevent="submit">
          <label>Name <a-input v-model:value="name" autocomplete="username" size="large" /></label>
          <label>
            Password
            <a-input-password
              v-model:value="password"
              :autocomplete="making ? 'new-password' : 'current-password'"
              size="large"
            />
          </label>
          <p v-if="making" class="hint">At least 10 characters.</p>
          <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
          <a-button html-type="submit" size="large" block :disabled="busy || !name || !password">
            {{ making ? 'Make the account' : 'Sign in' }}
          </a-button>
        </form>
        <button v-if="people.person?.openRegistration" class="link" @click="making = !making">
          {{ making ? 'I have an account already' : 'Make an account' }}
        </button>
      </div>
    </main>
    <svg class="sea" viewBox="0 0 1280 200" preserveAspectRatio="none" aria-hidden="true">
      <path d="M0 110C160 40 320 40 480 110s320 70 480 0 260-60 320-40v130H0z" />
      <path d="M0 150c200-60 380-50 560 0s420 40 720-20v70H0z" />
    </svg>
  </div>
</template>

<style scoped>
.sign-in {
  min-height: 100dvh;
  background: var(--paper);
  position: relative;
  overflow: hidden;
}
header {
  background: var(--head);
  color: var(--on-head);
  padding: 10px 24px;
}
main {
  position: relative;
  z-index: 1;
  width: min(420px, 100% - 32px);
  margin: 7vh auto 0;
}
h1 {
  font-family: var(--serif);
  font-size: 34px;
  line-height: 1.15;
  margin: 0 0 10px;
}
.lead {
  font-size: 18px;
  color: var(--muted);
  margin: 0 0 24px;
}
.card {
  background: var(--sheet);
  border: 1px solid var(--hairline);
  border-radius: 8px;
  padding: 24px;
}
form {
  display: grid;
  gap: 14px;
}
.brass {
  width: 100%;
  min-height: 48px;
  border: 0;
  border-radius: 6px;
  background: var(--brass);
  color: var(--on-brass);
  font: inherit;
  font-size: 17px;
  font-weight: 700;
  cursor: pointer;
}
.or {
  display: flex;
  align-items: center;
  gap: 12px;
  color: var(--muted);
  margin: 18px 0 12px;
}
.or::before,
.or::after {
  content: '';
  flex: 1;
  border-top: 1px solid var(--hairline);
}
.sea {
  position: absolute;
  left: 0;
  bottom: 0;
  width: 100%;
  height: 24vh;
  fill: var(--sea);
  opacity: 0.12;
}
</style>
