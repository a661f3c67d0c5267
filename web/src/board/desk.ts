// The two windows of a talk: the bench at the board, and the desk with the teacher's notes. They talk through the browser.
import { onBeforeUnmount, ref, watch } from 'vue';
import { useBench } from '../bench/store';
import { closed, thisWindow } from '../saving/windows';

/** What the desk shows. */
export interface Talk {
  title: string;
  scene: number;
  scenes: { name: string; note: string }[];
  waiting: number;
  presenting: boolean;
}

export type Command = 'before' | 'next' | 'reveal' | 'start' | 'hold';

/** A bench says which window it is in; a command is for one bench only. */
type Told =
  | { bench: string; talk: Talk }
  | { bench: string; gone: true }
  | { to: string; command: Command }
  | { hello: true };

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
  const tell = () => channel?.postMessage({ bench: thisWindow, talk: talk() } satisfies Told);

  watch(
    id,
    (now) => {
      channel?.close();
      channel = channelOf(now);
      channel.onmessage = ({ data }: MessageEvent<Told>) => {
        if ('hello' in data) tell();
        if ('command' in data && data.to === thisWindow) acts[data.command]();
      };
    },
    { immediate: true },
  );
  watch(() => JSON.stringify(talk()), tell);
  onBeforeUnmount(() => {
    channel?.postMessage({ bench: thisWindow, gone: true } satisfies Told);
    channel?.close();
  });
  return { open: () => window.open(`/desk/${id()}`, `parvix-desk-${id()}`, 'popup,width=760,height=680') };
}

/** At the desk: what the bench tells that it follows, and a way to ask it for something. Of several benches it follows the first that tells
 * anything, until that one is gone or another one presents and that one does not. */
export function useDesk(id: string) {
  const talk = ref<Talk>();
  let followed = '';
  let following = new AbortController();
  const channel = channelOf(id);
  const sayHello = () => channel.postMessage({ hello: true } satisfies Told);

  function follow(bench: string) {
    followed = bench;
    following.abort();
    following = new AbortController();
    closed(bench, following.signal).then(lose, () => undefined);
  }

  function lose() {
    talk.value = undefined;
    sayHello();
  }

  channel.onmessage = ({ data }: MessageEvent<Told>) => {
    if (!('bench' in data)) return;
    const isFollowed = data.bench === followed;
    if ('gone' in data) {
      if (isFollowed) lose();
      return;
    }
    if (!isFollowed) {
      if (talk.value && (talk.value.presenting || !data.talk.presenting)) return;
      follow(data.bench);
    }
    talk.value = data.talk;
  };
  sayHello();
  onBeforeUnmount(() => {
    following.abort();
    channel.close();
  });
  return {
    talk,
    ask: (command: Command) => channel.postMessage({ to: followed, command } satisfies Told),
  };
}
