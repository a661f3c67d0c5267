// The windows of one browser know of each other: a lock tells that a window lives, a channel what it has saved.
import type { Document } from '../generated/types';

/** An id that nobody else makes. */
export function newId(): string {
  return Array.from(crypto.getRandomValues(new Uint8Array(16)), (b) => b.toString(16).padStart(2, '0')).join(
    '',
  );
}

const prefix = 'parvix-window-';

/** This window's name; its lock is let go when the window is closed or crashes. */
export const thisWindow = newId();
// Browsers have no locks on plain http beyond loopback; windows then take each other's work over, which the ids of the
// saves make harmless.
const locks = navigator.locks as LockManager | undefined;
void locks?.request(prefix + thisWindow, () => new Promise(() => undefined));

/** Tells whether another window that left work in the outbox is still open. */
export async function livesElsewhere(): Promise<(window: string) => boolean> {
  const held = (await locks?.query())?.held ?? [];
  const names = new Set(held.map((lock) => lock.name));
  return (window) => window !== thisWindow && names.has(prefix + window);
}

/** Resolves when another window is closed, left or crashes; never where browsers have no locks. */
export function closed(window: string, signal: AbortSignal): Promise<void> {
  const held = locks?.request(prefix + window, { mode: 'shared', signal }, () => undefined);
  return held ?? new Promise(() => undefined);
}

/** What one window tells the others. */
export type Told =
  | { kind: 'saved'; teacher: string; demonstration: string; revision: number; document: Document }
  | { kind: 'signedOut' };

const channel = new BroadcastChannel('parvix');

export const tell = (told: Told) => channel.postMessage(told);

/** Listens to the other windows until the returned function is called. */
export function listenToWindows(heard: (told: Told) => void): () => void {
  const take = (event: MessageEvent<Told>) => heard(event.data);
  channel.addEventListener('message', take);
  return () => channel.removeEventListener('message', take);
}
