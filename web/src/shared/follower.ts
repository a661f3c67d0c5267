/** A task that follows a hand rests so many times as long as it took, in milliseconds at most: the rest is for the pictures in between. */
const timesAsLong = 4;
const mostRest = 600;

// Runs a task again and again while calls come, one at a time and with a rest (in milliseconds, at least) after each: calls that
// come meanwhile make one more round.
export function follower(task: () => Promise<void>, rest = 0): () => Promise<void> {
  let busy = false;
  let again = false;
  return async () => {
    if (busy) {
      again = true;
      return;
    }
    busy = true;
    try {
      do {
        again = false;
        const begun = performance.now();
        await task();
        const took = performance.now() - begun;
        if (rest) await pause(Math.max(rest, Math.min(timesAsLong * took, mostRest)));
      } while (again);
    } finally {
      busy = false;
    }
  };
}

const pause = (time: number) => new Promise((resolve) => setTimeout(resolve, time));
