<script setup lang="ts">
// The demonstration was deleted elsewhere while it was worked on: the work can go on as a new one.
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { useBench } from './store';

const bench = useBench();
const router = useRouter();
const busy = ref(false);
const problem = ref('');

async function attempt(task: () => Promise<void>) {
  busy.value = true;
  problem.value = '';
  try {
    await task();
  } catch (e) {
    problem.value = `${(e as Error).message} Nothing is lost; try again.`;
  } finally {
    busy.value = false;
  }
}

const keep = () =>
  attempt(async () => {
    const id = await bench.saving.keepAsNew(bench.document!);
    await router.replace({ name: 'bench', params: { id } });
  });

const letGo = () =>
  attempt(async () => {
    bench.saving.letGo();
    await router.replace({ name: 'shelf' });
  });
</script>

<template>
  <a-modal
    open
    :closable="false"
    :mask-closable="false"
    :keyboard="false"
    :footer="null"
    title="This demonstration was deleted elsewhere"
  >
    <p>Your work on it is still here. It can go on as a new demonstration.</p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <p class="choices">
      <a-button type="primary" :disabled="busy" @click="keep">Keep it as a new demonstration</a-button>
      <a-button :disabled="busy" @click="letGo">Let it go</a-button>
    </p>
  </a-modal>
</template>

<style scoped>
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
