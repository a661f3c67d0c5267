// The module of the mathematics on its way: compiled while it comes, and counted where that may take long.
import { ref } from 'vue';
import wasmAddress from './core.wasm?url';

/** The percentage of the module that has arrived; undefined where it is not counted. */
export const arrived = ref<number>();

export async function fetchModule(): Promise<WebAssembly.Module> {
  const response = await fetch(wasmAddress);
  // From the second visit on it lies on this machine.
  if (!navigator.serviceWorker?.controller) void count(response.clone()).catch(() => undefined);
  return WebAssembly.compileStreaming(response);
}

/** Follows a copy of an answer whose whole length the server has told, since what comes may be compressed. */
async function count({ headers, body }: Response) {
  const whole = Number(headers.get('Parvix-Length'));
  if (!whole || !body) return;
  let here = 0;
  for (const reader = body.getReader(); ;) {
    const { done, value } = await reader.read();
    if (done) break;
    here += value.length;
    arrived.value = Math.floor((100 * here) / whole);
  }
}
