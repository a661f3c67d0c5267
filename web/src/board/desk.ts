// The two windows of a talk: the bench at the board, and the desk with the teacher's notes. They talk through the browser.
import { onBeforeUnmount, ref, watch } from 'vue';
import { useBench } from '../bench/store';

/** What the desk shows. */
export interface Talk {
  title: string;
  scene: number;
  scenes: { name: string; note: string }[];
  waiting: number;
  presenting: boolean;
}

export type Command = 'before' | 'next' | 'reveal' | 'start' | 'hold';

type Told = { talk: Talk } | { command: Command } | { hello: true } | { gone: true };

const channelOf = (id: string) => new BroadcastChannel(`parvix-desk-${id}`);

/** At the bench: tells a desk what goes on and does what it asks for. */
export function useTalk(id: () => string) {
  const bench = useBench();
  let channel: BroadcastChannel | undefined;

  const talk = (): Talk => ({
    title: bench.document?.title ?? '',
    scene: bench.scene,
    scenes: (bench.document?.scenes ?? []).map(({ name, note }) => ({ name, note: note ?? '' })),
    waiting: bench.waiting.length,
    presenting: bench.presenting,
  });
  const acts: Record<Command, () => void> = {
    before: () => void bench.goScene(bench.scene - 1),
    next: () => void bench.goScene(bench.scene + 1),
    reveal: () => bench.reveal(),
    start: () => void bench.startingValues(),
    hold: () => bench.sweeps.holdOrGoOn(),
  };
  const tell = () => channel?.postMessage({ talk: talk() } satisfies Told);

  watch(
    id,
    (now) => {
      channel?.close();
      channel = channelOf(now);
      channel.onmessage = ({ data }: MessageEvent<Told>) => {
        if ('hello' in data) tell();
        if ('command' in data) acts[data.command]();
      };
    },
    { immediate: true },
  );
  watch(() => JSON.stringify(talk()), tell);
  onBeforeUnmount(() => {
    channel?.postMessage({ gone: true } satisfies Told);
    channel?.close();
  });
  return { open: () => window.open(`/desk/${id()}`, `parvix-desk-${id()}`, 'popup,width=760,height=680') };
}

/** At the desk: what the bench tells, and a way to ask it for something. */
export function useDesk(id: string) {
  const talk = ref<Talk>();
  const channel = channelOf(id);
  channel.onmessage = ({ data }: MessageEvent<Told>) => {
    if ('talk' in data) talk.value = data.talk;
    if ('gone' in data) talk.value = undefined;
  };
  channel.postMessage({ hello: true } satisfies Told);
  onBeforeUnmount(() => channel.close());
  return { talk, ask: (command: Command) => channel.postMessage({ command } satisfies Told) };
}
